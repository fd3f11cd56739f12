using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;
using Altrin.Core.Actions;
using Altrin.Core.Documents;

namespace Altrin.Core.Formats;

/// <summary>Writes one deed as the serializer writes it, but looks at the shape of that one kind alone: the serializer would first learn
/// all forty.</summary>
public static class ActionWriter
{
    private static readonly Dictionary<Type, string> Names = typeof(InstallerAction).GetCustomAttributes<JsonDerivedTypeAttribute>()
        .ToDictionary(one => one.DerivedType, one => (string)one.TypeDiscriminator!);

    /// <summary>The built-in shapes would read what is missing as nothing at all, where the records say otherwise: they only write.</summary>
    private static readonly JsonSerializerOptions WriteOnly = AltrinJson.Make(indented: false, AltrinJsonContext.Default);

    public static void Write(Utf8JsonWriter json, InstallerAction action)
    {
        json.WriteStartObject();
        json.WriteString("do", Names[action.GetType()]);
        foreach (var field in JsonSerializer.SerializeToElement(action, action.GetType(), WriteOnly).EnumerateObject())
            field.WriteTo(json);
        json.WriteEndObject();
    }
}
