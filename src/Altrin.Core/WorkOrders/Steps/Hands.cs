using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>What the installer has in hand.</summary>
[JsonConverter(typeof(WordConverter<Hands>))]
public enum Hands
{
    /// <summary>A laptop with a socket.</summary>
    Laptop,

    /// <summary>A laptop without a socket: Wi-Fi alone.</summary>
    NoSocket,

    /// <summary>A phone alone.</summary>
    Phone,
}
