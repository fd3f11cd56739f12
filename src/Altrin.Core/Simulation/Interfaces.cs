using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Stage 2: every interface of the house, where it sits, and the addresses that are set by hand.</summary>
internal sealed class InterfaceTable
{
    public const string ProviderId = Line.ProviderId;

    public required List<Interface> All { get; init; }
    public required int[] WanOf { get; init; }
    public required int[] LanOf { get; init; }
    public required int[] GuestOf { get; init; }
    public required int[] NetOf { get; init; }
    public Interface? Provider { get; private set; }

    /// <summary>The line in numbers; null where none comes in.</summary>
    public LineNumbers? Numbers { get; private set; }

    /// <summary>The link of PPPoE sessions, over whatever cables lead to the provider.</summary>
    public const int ProviderSession = -2;

    public static InterfaceTable Build(Fabric fabric, SegmentMap segments)
    {
        var house = fabric.House;
        var table = new InterfaceTable
        {
            // A box has up to three: WAN, LAN, guests; few have the last.
            All = new((2 * house.Devices.Length) + house.Endpoints.Length + 1),
            WanOf = Unset(house.Devices.Length),
            LanOf = Unset(house.Devices.Length),
            GuestOf = Unset(house.Devices.Length),
            NetOf = Unset(house.Endpoints.Length),
        };
        if (house.Line is { } line && segments.Provider >= 0) table.AddProvider(line, segments.Provider);
        for (var d = 0; d < house.Devices.Length; d++) table.AddDevice(fabric, segments, d);
        for (var e = 0; e < house.Endpoints.Length; e++) table.AddEndpoint(fabric, segments, e);
        if (table.Provider is not null) table.SettleProvider(fabric);
        return table;
    }

    /// <summary>Takes races of things as decided; nothing happens where there is none.</summary>
    public void Decide(SettledRace race)
    {
        foreach (var one in All)
        {
            if (one is not { Kind: InterfaceKind.Net, Outcome: LeaseOutcome.Contested } || (race.Owner ?? one.Owner) != one.Owner) continue;
            var held = one.Candidates[Math.Min(race.Candidate, one.Candidates.Length - 1)];
            one.Settle(held.Address is null ? LeaseOutcome.None : LeaseOutcome.Leased, held);
        }
    }

    private static int[] Unset(int count)
    {
        var indexes = new int[count];
        Array.Fill(indexes, -1);
        return indexes;
    }

    private void AddProvider(Line line, int segment)
    {
        Provider = new(All.Count, ProviderId, InterfaceKind.Provider, segment)
        {
            Routes = true,
            IsPlugged = true,
            Link = line.HandOff == HandOff.Pppoe ? ProviderSession : segment,
        };
        All.Add(Provider);
    }

    /// <summary>Last of all: on a line of fixed address with nothing agreed, what the house has set tells the provider's numbers.</summary>
    private void SettleProvider(Fabric fabric)
    {
        Numbers = LineNumbers.Of(fabric.House.Line!, FirstSet(fabric));
        Provider!.Settle(LeaseOutcome.Static, new Candidate(Numbers.Router, null, [], null));
    }

    private LineAddress? FirstSet(Fabric fabric)
    {
        var line = fabric.House.Line!;
        // A gateway that hands the line on has no WAN of its own among the interfaces; what is set there was agreed all the same.
        if (fabric.DeviceIndex.TryGetValue(line.Device, out var d)
            && fabric.House.Devices[d] is { Traits.HandsLineOn: true, Wan: { Method: WanMethod.Static } wan }
            && AsAgreed(wan.Address, wan.Gateway) is { } handed) return handed;
        var onTheLine = All.Where(one => one is { Outcome: LeaseOutcome.Static, Kind: InterfaceKind.Wan or InterfaceKind.Net }
            && one.Segment == Provider!.Segment);
        return onTheLine.OrderBy(one => one.Kind == InterfaceKind.Net).Select(one =>
            AsAgreed(one.Address, one.Candidates[0].Gateway)).FirstOrDefault(set => set is not null);

        static LineAddress? AsAgreed(InterfaceAddress? address, Ipv4Address? gateway) =>
            address is { } own && gateway is { } router && router != own.Address ? new() { Address = own, Gateway = router } : null;
    }

    private void AddDevice(Fabric fabric, SegmentMap segments, int d)
    {
        var (device, groups) = (fabric.House.Devices[d], fabric.Groups[d]);
        if (device.RoutesForItsOwn && groups.Wan >= 0) AddWan(fabric, segments, d);
        // A box that takes no part is there and holds nothing.
        if (!fabric.TakesPart[d])
        {
            if (device.Traits.IsRouter && device.Ports.Any(port => port.Role == PortRole.Wan)) AddIdle(device, d, InterfaceKind.Wan);
            if (device.Lan is not null || device.Traits.AlwaysAsks) AddIdle(device, d, InterfaceKind.Lan);
            return;
        }
        AddLan(device, d, segments.OfGroup[groups.Lan], fabric.IsPlugged[groups.Lan] || fabric.Joined[d] is not null
            || fabric.HasVisitors(groups.Lan));
        if (groups.Guest >= 0 && Fixed(device) is not null)
        {
            GuestOf[d] = All.Count;
            var guest = new Interface(All.Count, device.Id, InterfaceKind.Guest, segments.OfGroup[groups.Guest])
            { Device = d, Routes = true, IsPlugged = true };
            guest.Settle(LeaseOutcome.Static, new Candidate(GuestNetwork.AddressOf(fabric.House, d), null, [], null));
            All.Add(guest);
        }
    }

    private void AddIdle(Device device, int d, InterfaceKind kind)
    {
        (kind == InterfaceKind.Wan ? WanOf : LanOf)[d] = All.Count;
        All.Add(new(All.Count, device.Id, kind, -1) { Device = d });
    }

    private void AddWan(Fabric fabric, SegmentMap segments, int d)
    {
        var device = fabric.House.Devices[d];
        var settings = device.Wan ?? new();
        var group = fabric.Groups[d].Wan;
        WanOf[d] = All.Count;
        var plugged = fabric.IsPlugged[group] || fabric.Joined[d] is not null;
        var wan = new Interface(All.Count, device.Id, InterfaceKind.Wan, segments.OfGroup[group])
        {
            Device = d,
            Mac = device.Mac,
            IsPlugged = plugged,
            AsksForAddress = settings.Method is WanMethod.Dhcp or WanMethod.Pppoe,
            SharesTheLine = device.Traits.HandsLineOn,
        };
        if (settings is { Method: WanMethod.Static, Address: { } address } && plugged)
            wan.Settle(LeaseOutcome.Static, new Candidate(address, settings.Gateway, settings.Dns, null));
        All.Add(wan);
    }

    private void AddLan(Device device, int d, int segment, bool plugged)
    {
        var traits = device.Traits;
        var asks = traits.AlwaysAsks || device.Lan?.Method == LanMethod.Dhcp;
        if (device.Lan is null && !traits.AlwaysAsks) return;
        // A modem only answers at a fixed page; the provider's addresses are for what is behind it.
        if (traits.Wan == WanSide.BridgedForTheLine && asks) return;
        LanOf[d] = All.Count;
        var routes = device.RoutesForItsOwn;
        var lan = new Interface(All.Count, device.Id, InterfaceKind.Lan, segment)
        {
            Device = d,
            Routes = routes,
            Mac = traits.IsRouter ? null : device.Mac,
            IsPlugged = plugged,
            AsksForAddress = asks,
        };
        // A router's LAN is a network of its own, whoever is on it; any other box that is plugged in nowhere holds nothing (rule 10).
        if (!asks && device.Lan?.Address is { } address && (plugged || traits.AnswersUnplugged))
            lan.Settle(LeaseOutcome.Static, new Candidate(address, null, [], null));
        All.Add(lan);
    }

    private void AddEndpoint(Fabric fabric, SegmentMap segments, int e)
    {
        var endpoint = fabric.House.Endpoints[e];
        var group = fabric.EndpointGroup[e];
        var on = group == DeviceGroups.Dead ? -1 : segments.OfGroup[group];
        NetOf[e] = All.Count;
        var net = new Interface(All.Count, endpoint.Id, InterfaceKind.Net, on)
        {
            Mac = endpoint.Mac,
            IsPlugged = on >= 0,
            AsksForAddress = endpoint.Address.Method == EndpointMethod.Dhcp,
        };
        if (endpoint.Address is { Method: EndpointMethod.Static, Address: { } address } && on >= 0)
            net.Settle(LeaseOutcome.Static, new Candidate(address, endpoint.Address.Gateway, endpoint.Address.Dns, null));
        All.Add(net);
    }

    /// <summary>A box's own LAN address when it is set by hand.</summary>
    private static InterfaceAddress? Fixed(Device device) =>
        device.Lan is { Method: LanMethod.Static, Address: { } address } ? address : null;
}
