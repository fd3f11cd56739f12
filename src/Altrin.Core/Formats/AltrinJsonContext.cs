using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Formats;

/// <summary>The shapes of documents and deeds, written down when Altrin is built: looking forty kinds of deed up by reflection takes a
/// third of a second, which the command line does not have.</summary>
[JsonSourceGenerationOptions(
    PropertyNamingPolicy = JsonKnownNamingPolicy.CamelCase,
    DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    AllowOutOfOrderMetadataProperties = true,
    RespectNullableAnnotations = true,
    RespectRequiredConstructorParameters = true)]
[JsonSerializable(typeof(NetworkDocument))]
[JsonSerializable(typeof(InstallerAction))]
[JsonSerializable(typeof(ImmutableArray<InstallerAction>))]
internal sealed partial class AltrinJsonContext : JsonSerializerContext;
