using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Air.Channels;
using Altrin.Core.Air.Placing;

namespace Altrin.Core.Rules.Judging;

/// <summary>What the Air stage proposes, proved as fixes are: deeds that would bring a fault, break a want or leave a room without Wi-Fi are not offered. What was computed is shown all the same.</summary>
public static class AirProposals
{
    public static Standing? Standing(Evaluation house, string device, CancellationToken cancel)
    {
        if (Places.Of(house.State, device, cancel) is not { } standing) return null;
        // The best of each other room is looked at; carried there is to the best alone.
        var best = standing.Best is { } spot ? spot with { Actions = Kept(house, spot.Actions) } : null;
        return standing with
        {
            Best = best,
            WhyNoDeed = standing.WhyNoDeed ?? (best is { Actions.IsEmpty: true } && standing.Best!.Actions.Length > 0 ? "Carried there it would leave somebody without what he has: a thing in its sockets, a want, a room." : null),
            HalfWay = standing.HalfWay is { } half ? half with { Actions = [] } : null,
            ByRoom = [.. standing.ByRoom.Select(one => one with { Actions = [] })],
        };
    }

    public static ImmutableArray<WhatIf> WhatElse(Evaluation house, CancellationToken cancel) =>
        [.. WhatIfs.Of(house.State, cancel).Select(one => one.IsBetter ? one with { Actions = Kept(house, one.Actions) } : one with { Actions = [] })];

    /// <returns>Null where there is none.</returns>
    public static ChannelPlan? Channels(Evaluation house, CancellationToken cancel) => ChannelPlan.Of(house.State, cancel) is { } plan ? plan with { Actions = Kept(house, plan.Actions) } : null;

    /// <summary>A network for guests: made, it is apart, or it is not offered.</summary>
    public static GuestOffer Guests(Evaluation house)
    {
        var offer = GuestOffer.Of(house.State);
        return offer.Actions.IsEmpty || house.Holds(offer.Actions) ? offer : offer with { Ssid = null, Says = "A network for guests would bring a fault here: look at the faults first.", Actions = [] };
    }

    private static ImmutableArray<InstallerAction> Kept(Evaluation house, ImmutableArray<InstallerAction> actions) => actions.IsEmpty || house.Holds(actions) ? actions : [];
}
