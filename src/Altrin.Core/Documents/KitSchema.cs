using System.Text.Json.Nodes;
using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>The published JSON Schema of <c>altrin.kit/1</c>, taken from the reader.</summary>
public static class KitSchema
{
    public static JsonObject Export() => DocumentSchema.Publish(KitReader.Shape(), KitKind.CurrentFormat, "urn:altrin:kit:1",
        "A kind of box as it is sold, without brand or model: the box itself, how it is first set, what its settings page and its lamps say. "
            + "In its Wi-Fi names {mac4} stands for the last four of its MAC.");
}
