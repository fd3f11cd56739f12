using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Judging;

/// <summary>The address that is written down first where somebody is to have one by hand: free in the network it is in, else as it is sold,
/// else the first that most networks leave free. A network is looked at once, however many are on it.</summary>
internal sealed class ProposedAddress(Evaluation house)
{
    private static readonly string Usual = Bare(FactoryReset.UsualAddress.Plus(1));

    private readonly Dictionary<(int Segment, Prefix Subnet), string?> free = [];

    public string Of(Device box) => Free(house.State.Lan(box.Id)) ?? (box.Label?.DefaultAddress is { } sold ? Bare(sold) : Usual);

    public string Of(Endpoint thing) => Free(house.State.Net(thing.Id)) ?? Usual;

    private string? Free(Interface? one)
    {
        if (one is not { Segment: >= 0 }) return null;
        var subnet = one.Address is { } own && one.Outcome != LeaseOutcome.LinkLocal ? own.Prefix
            : house.Facts.MainsOn(one.Segment).FirstOrDefault()?.Address?.Prefix;
        if (subnet is not { } known) return null;
        if (!free.TryGetValue((one.Segment, known), out var address))
            free[(one.Segment, known)] = address = house.Facts.FreeAddress(one.Segment, known) is { } first ? $"{first}/{known.Length}"
                : null;
        return address;
    }

    private static string Bare(Ipv4Address address) => new InterfaceAddress(address, InterfaceAddress.BareLength).ToString();
}
