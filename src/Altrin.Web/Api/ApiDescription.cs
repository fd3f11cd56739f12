using System.Collections.Immutable;
using System.Text.Json.Nodes;
using Altrin.Core.Network;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Altrin.Web.Api;

/// <summary>Teaches the OpenAPI document the values that are written as text.</summary>
internal static class ApiDescription
{
    public static void Describe(OpenApiOptions options)
    {
        options.AddDocumentTransformer((document, _, _) =>
        {
            document.Info = new() { Title = "Altrin", Version = "1", Description = "A home network's boxes, settings, faults, plans and work orders." };
            document.Servers = [];
            return Task.CompletedTask;
        });
        options.AddSchemaTransformer(async (schema, context, cancel) =>
        {
            var type = Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) ?? context.JsonTypeInfo.Type;
            if (IsText(type)) (schema.Type, schema.Properties) = (JsonSchemaType.String, null);
            else if (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(ImmutableArray<>) && type.GetGenericArguments()[0] is var item
                && (IsText(item) || item.IsEnum))
                schema.Items = new OpenApiSchema { Type = JsonSchemaType.String, Enum = item.IsEnum ? Enumerated(item) : null };
            else if (type == typeof(WifiChannel)) (schema.Type, schema.Properties) = (JsonSchemaType.String | JsonSchemaType.Integer, null);
            // A word of one choice tells the kinds of a union apart; it stays as it is.
            else if (type.IsEnum && schema.Enum is not { Count: 1 })
            {
                schema.Type = JsonSchemaType.String;
                schema.Enum = Enumerated(type);
            }
            else if (type == typeof(Attachment))
            {
                var (plug, join) = (await context.GetOrCreateSchemaAsync(typeof(Attachment.Plug), cancellationToken: cancel), await context.GetOrCreateSchemaAsync(typeof(Attachment.Join), cancellationToken: cancel));
                schema.AnyOf = [plug, join];
            }
        });
    }

    private static bool IsText(Type type) =>
        type.GetInterfaces().Any(face => face.IsGenericType && face.GetGenericTypeDefinition() == typeof(ITextValue<>));

    private static List<JsonNode> Enumerated(Type type) => [.. WordsOf(type).Select(word => (JsonNode)word!)];

    private static IEnumerable<string> WordsOf(Type type) =>
        (IEnumerable<string>)typeof(Words<>).MakeGenericType(type).GetProperty(nameof(Words<DeviceMode>.All))!.GetValue(null)!;
}
