using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Judging;

/// <summary>The address that is written down first where somebody is to have one by hand: free in the network it is in, else as it is sold,
/// else the first that most networks leave free.</summary>
internal static class ProposedAddress
{
    public static string Of(Evaluation house, Device box) => Free(house, house.State.Lan(box.Id))
        ?? (box.Label?.DefaultAddress is { } sold ? Bare(sold) : Bare(FactoryReset.UsualAddress.Plus(1)));

    public static string Of(Evaluation house, Endpoint thing) =>
        Free(house, house.State.Net(thing.Id)) ?? Bare(FactoryReset.UsualAddress.Plus(1));

    private static string? Free(Evaluation house, Interface? one)
    {
        if (one is not { Segment: >= 0 }) return null;
        var subnet = one.Address is { } own && one.Outcome != LeaseOutcome.LinkLocal ? own.Prefix
            : house.Facts.MainsOn(one.Segment).FirstOrDefault()?.Address?.Prefix;
        return subnet is { } known && house.Facts.FreeAddress(one.Segment, known) is { } free ? $"{free}/{known.Length}" : null;
    }

    private static string Bare(Ipv4Address address) => new InterfaceAddress(address, InterfaceAddress.BareLength).ToString();
}
