using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Why a packet does not arrive, or its answer does not come back.</summary>
[JsonConverter(typeof(WordConverter<ReachProblem>))]
public enum ReachProblem
{
    None,

    /// <summary>The sender or the receiver has no address.</summary>
    NoAddress,

    /// <summary>A loop floods a segment on the way.</summary>
    Loop,

    /// <summary>The address lies in the sender's own subnet, but nobody on its segment holds it.</summary>
    NobodyThere,

    /// <summary>Somebody else answers at the address.</summary>
    HeldByAnother,

    /// <summary>The sender's gateway is missing, outside its subnet, or no router.</summary>
    NoGateway,

    /// <summary>The router in the way has no address on its WAN side, or no WAN side.</summary>
    NoWayOut,

    /// <summary>The router in the way has the same subnet on both sides.</summary>
    Overlap,

    /// <summary>The router in the way does not translate, so nobody upstream knows the way back.</summary>
    NotTranslated,

    /// <summary>The address is private and lies behind a translation that the way does not lead into.</summary>
    BehindNat,

    /// <summary>A guest network lets out to the internet and to nothing of the home.</summary>
    GuestsApart,

    /// <summary>The packet arrives; the answer does not come back.</summary>
    NoWayBack,
}
