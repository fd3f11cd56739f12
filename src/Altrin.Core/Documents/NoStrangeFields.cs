using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>A document as it leaves: what its fields are is known, and nothing else that somebody wrote beside them goes along.</summary>
public static class NoStrangeFields
{
    private static readonly JsonSerializerOptions Shapes = Make();

    public static string Write(NetworkDocument document) => JsonSerializer.Serialize(document, Shapes) + "\n";

    private static JsonSerializerOptions Make()
    {
        var options = new JsonSerializerOptions { WriteIndented = true, NewLine = "\n" };
        AltrinJson.Configure(options);
        options.TypeInfoResolver = options.TypeInfoResolver!.WithAddedModifier(LeaveOutRest);
        options.MakeReadOnly();
        return options;
    }

    private static void LeaveOutRest(JsonTypeInfo shape)
    {
        for (var i = shape.Properties.Count - 1; i >= 0; i--)
            if (shape.Properties[i].IsExtensionData) shape.Properties.RemoveAt(i);
    }
}
