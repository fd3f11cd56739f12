using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>Why a part of an order could not be proved.</summary>
[JsonConverter(typeof(WordConverter<GapKind>))]
public enum GapKind
{
    /// <summary>A settings page does not open from where the laptop is.</summary>
    PageClosed,

    /// <summary>An action cannot be done in the house as it then is.</summary>
    Refused,

    /// <summary>No step does what the plan has.</summary>
    Undone,

    /// <summary>A step brings a clash into the house that was not there.</summary>
    Clash,

    /// <summary>A step begins with something that no step has done.</summary>
    Broken,

    /// <summary>The last step does not end in the planned house.</summary>
    NotAsPlanned,

    /// <summary>With what is in hand no order was found.</summary>
    NoOrder,
}

/// <summary>What of an order could not be proved.</summary>
/// <param name="Says">The same in words.</param>
public sealed record OrderGap(GapKind Kind, string Says);
