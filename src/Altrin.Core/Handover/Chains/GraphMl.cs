using System.Globalization;
using System.Text;
using System.Xml;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Handover.Letters;

namespace Altrin.Core.Handover.Chains;

/// <summary><c>chain.graphml</c>, by the published schema of GraphML 1.0.</summary>
internal static class GraphMl
{
    private const string Space = "http://graphml.graphdrawing.org/xmlns";

    private static readonly string[] OfNodes = ["name", "kind", "mode", "address", "room"],
        OfEdges = ["medium", "from_socket", "to_socket", "mbps"];

    public static string Write(HandoverGround ground)
    {
        var chain = Chain.Of(ground);
        var text = new Utf8Text();
        using (var xml = XmlWriter.Create(text, new() { Indent = true, NewLineChars = "\n", CheckCharacters = false }))
        {
            xml.WriteStartElement("graphml", Space);
            foreach (var field in OfNodes) Key(xml, field, "node");
            foreach (var field in OfEdges) Key(xml, field, "edge");
            xml.WriteStartElement("graph", Space);
            xml.WriteAttributeString("id", "house");
            xml.WriteAttributeString("edgedefault", "undirected");
            foreach (var node in chain.Nodes)
            {
                xml.WriteStartElement("node", Space);
                xml.WriteAttributeString("id", Xml.Clean(node.Id));
                foreach (var (field, value) in node.Fields()) Data(xml, field, value);
                xml.WriteEndElement();
            }
            foreach (var (edge, i) in chain.Edges.Select((edge, i) => (edge, i)))
            {
                xml.WriteStartElement("edge", Space);
                xml.WriteAttributeString("id", string.Create(CultureInfo.InvariantCulture, $"e{i}"));
                xml.WriteAttributeString("source", Xml.Clean(edge.From));
                xml.WriteAttributeString("target", Xml.Clean(edge.To));
                foreach (var (field, value) in edge.Fields()) Data(xml, field, value);
                xml.WriteEndElement();
            }
            xml.WriteEndElement();
            xml.WriteEndElement();
        }
        return text + "\n";
    }

    private static void Key(XmlWriter xml, string field, string of)
    {
        xml.WriteStartElement("key", Space);
        xml.WriteAttributeString("id", field);
        xml.WriteAttributeString("for", of);
        xml.WriteAttributeString("attr.name", field);
        xml.WriteAttributeString("attr.type", field == "mbps" ? "double" : "string");
        xml.WriteEndElement();
    }

    private static void Data(XmlWriter xml, string field, string value)
    {
        xml.WriteStartElement("data", Space);
        xml.WriteAttributeString("key", field);
        xml.WriteString(Xml.Clean(value));
        xml.WriteEndElement();
    }

    /// <summary>So that the first line says the encoding in which the text is then saved.</summary>
    private sealed class Utf8Text() : StringWriter(CultureInfo.InvariantCulture)
    {
        public override Encoding Encoding { get; } = new UTF8Encoding(false);
    }
}
