using System.Text.Json.Nodes;
using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>The published JSON Schema of <c>altrin.network/1</c>, taken from the reader: the two cannot drift apart.</summary>
public static class DocumentSchema
{
    public static JsonObject Export() => Publish(DocumentReader.Shape(), NetworkDocument.CurrentFormat, "urn:altrin:network:1",
        "A home network: its boxes, how each is set, what is plugged where, and what the household wants. Fields that are not listed are kept as they are. "
            + "References (devices, sockets, endpoints, rooms) and one plug a socket are checked by the reader.");

    internal static JsonObject Publish(SchemaNode node, string format, string id, string description)
    {
        var shape = node.Write();
        shape["properties"]!["format"] = new JsonObject { ["const"] = format };
        var schema = new JsonObject
        {
            ["$schema"] = "https://json-schema.org/draft/2020-12/schema",
            ["$id"] = id,
            ["title"] = format,
            ["description"] = description,
        };
        foreach (var (name, part) in shape) schema[name] = part!.DeepClone();
        return schema;
    }
}
