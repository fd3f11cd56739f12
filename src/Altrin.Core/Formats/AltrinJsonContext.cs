using System.Text.Json.Serialization;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Formats;

/// <summary>The shapes of deeds, written down when Altrin is built: looking forty kinds up by reflection takes a third of a second, which
/// the command line does not have. For writing alone.</summary>
[JsonSourceGenerationOptions(
    PropertyNamingPolicy = JsonKnownNamingPolicy.CamelCase,
    DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    AllowOutOfOrderMetadataProperties = true,
    RespectNullableAnnotations = true,
    RespectRequiredConstructorParameters = true)]
[JsonSerializable(typeof(InstallerAction))]
[JsonSerializable(typeof(Attachment.Plug))]
[JsonSerializable(typeof(Attachment.Join))]
internal sealed partial class AltrinJsonContext : JsonSerializerContext;
