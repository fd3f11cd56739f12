using System.Collections.Immutable;
using System.Runtime.InteropServices;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>A simulated house with the questions that several rules ask of it, each answered once.</summary>
public sealed class Facts
{
    private readonly ImmutableArray<Interface>[] mains;

    public Facts(NetworkState state)
    {
        State = state;
        InUse = [.. state.House.Devices.Where(device => state.IsInUse(device.Id))];
        ServersOn = new(state.Servers, state.Segments.Length, server => server.Segment);
        RoutersOn = new([.. state.Interfaces.Where(one => one is { Routes: true, Kind: InterfaceKind.Lan })], state.Segments.Length, one => one.Segment);
        mains = new ImmutableArray<Interface>[state.Segments.Length];
    }

    public NetworkState State { get; }
    public NetworkDocument House => State.House;

    /// <summary>Boxes that take part, in document order: what lies on the table or has no power is nobody's fault.</summary>
    public ImmutableArray<Device> InUse { get; }

    public BySegment<RunningServer> ServersOn { get; }
    public BySegment<Interface> RoutersOn { get; }

    public Device Device(string id) => State.FindDevice(id) ?? throw new KeyNotFoundException($"No box “{id}” is in the house.");
    public Device? FindDevice(string id) => State.FindDevice(id);
    public string NameOf(string id) => id == Line.ProviderId ? "The provider" : State.FindDevice(id) is { } device ? device.Name : House.NameOf(id);

    /// <summary>The router LANs of a segment that lead on: those with something on their WAN side; where none has, all of them.</summary>
    public ImmutableArray<Interface> MainsOn(int segment)
    {
        if (segment < 0) return [];
        if (!mains[segment].IsDefault) return mains[segment];
        var (all, leading) = (0, 0);
        foreach (var lan in RoutersOn[segment])
        {
            if (lan.Address is null) continue;
            all++;
            if (LeadsOn(lan)) leading++;
        }
        // Counted first: most segments have one, and a house of a thousand has a thousand of them.
        var found = new Interface[leading > 0 ? leading : all];
        var at = 0;
        foreach (var lan in RoutersOn[segment])
            if (lan.Address is not null && (leading == 0 || LeadsOn(lan))) found[at++] = lan;
        return mains[segment] = ImmutableCollectionsMarshal.AsImmutableArray(found);
    }

    public Interface? MainOn(int segment) => MainsOn(segment) is [var first, ..] ? first : null;

    /// <summary>What asks for an address on a segment and gets none; null where nothing does.</summary>
    public List<Interface>? WithoutAddress(int segment)
    {
        List<Interface>? found = null;
        foreach (var one in State.OnSegment[segment])
            if (one is { AsksForAddress: true, IsPlugged: true } && one.Outcome is LeaseOutcome.LinkLocal or LeaseOutcome.None) (found ??= []).Add(one);
        return found;
    }

    /// <summary>Whether a router in router mode has something on its WAN side, or the line by another way.</summary>
    public bool LeadsOn(Interface lan) => State.IsWanPlugged(lan.Owner);

    /// <summary>A router whose WAN is empty and whose LAN is on a network that another router leads: a bridge in practice.</summary>
    public bool IsBridgeInPractice(Device device)
    {
        if (!device.Traits.IsRouter || State.Lan(device.Id) is not { } lan || LeadsOn(lan)) return false;
        foreach (var main in MainsOn(lan.Segment))
            if (main.Owner != device.Id && LeadsOn(main)) return true;
        return false;
    }

    /// <summary>The lowest address of the subnet, then the highest, that nobody on the segment holds, may lease or has reserved.</summary>
    /// <returns>Null when nothing is free outside the pools.</returns>
    public Ipv4Address? FreeAddress(int segment, Prefix subnet)
    {
        var taken = State.OnSegment[segment].SelectMany(one => one.Candidates)
            .Where(candidate => candidate.Address is not null).Select(candidate => candidate.Address!.Value.Address).ToHashSet();
        var servers = ServersOn[segment].ToList();
        foreach (var server in servers)
            foreach (var reservation in server.Reservations) taken.Add(reservation.Address);
        var offers = servers.Select(server => server.Offer.Gateway).OfType<Ipv4Address>().ToHashSet();
        return subnet.FirstFree(address => taken.Contains(address) || offers.Contains(address) || servers.Exists(server => server.PoolToPlanBy?.Contains(address) == true));
    }

    /// <summary>Every subnet that a box of the house makes or a want reserves.</summary>
    public IEnumerable<Prefix> SubnetsInUse() =>
        State.Interfaces.Where(one => one.Kind != InterfaceKind.Net).SelectMany(one => one.Candidates)
            .Where(candidate => candidate.Address is not null).Select(candidate => candidate.Address!.Value.Prefix)
            .Concat(House.Needs.OfType<Need.Tunnel>().Select(need => need.Prefix));

    /// <summary>“A”, “A and B”, “A, B and 3 more”.</summary>
    public static string Join(IEnumerable<string> names, int most = 3) => Naming.Join(names, most);
}
