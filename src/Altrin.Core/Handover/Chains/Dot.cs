using System.Text;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Handover.Letters;

namespace Altrin.Core.Handover.Chains;

/// <summary><c>chain.dot</c>: a graph that is not strict, with every name and id in quotes.</summary>
internal static class Dot
{
    public static string Write(HandoverGround ground)
    {
        var chain = Chain.Of(ground);
        var text = new StringBuilder($"graph {Quoted(chain.Name)} {{\n");
        foreach (var node in chain.Nodes) text.Append($"  {Quoted(node.Id)} [label={Quoted(node.Name)}{Rest(node.Fields())}];\n");
        foreach (var edge in chain.Edges) text.Append($"  {Quoted(edge.From)} -- {Quoted(edge.To)} [{Rest(edge.Fields()).TrimStart()}];\n");
        return text.Append("}\n").ToString();
    }

    private static string Rest(IEnumerable<(string Field, string Value)> fields) =>
        string.Concat(fields.Select(one => $" {one.Field}={Quoted(one.Value)}"));

    private static string Quoted(string text) =>
        $"\"{Xml.Clean(text).Replace("\\", "\\\\", StringComparison.Ordinal).Replace("\"", "\\\"", StringComparison.Ordinal).ReplaceLineEndings(" ")}\"";
}
