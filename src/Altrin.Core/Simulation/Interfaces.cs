using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Stage 2: every interface of the house, where it sits, and the addresses that are set by hand.</summary>
internal sealed class InterfaceTable
{
    /// <summary>The provider's router answers at .1 and gives out from .10 (section 3, rule 3).</summary>
    public static readonly Prefix PublicLine = Prefix.Parse("203.0.113.0/24"), SharedLine = Prefix.Parse("100.64.0.0/24");

    public const string ProviderId = Line.ProviderId;
    public const uint ProviderHost = 1, FirstCustomerHost = 10;

    public List<Interface> All { get; } = [];
    public required int[] WanOf { get; init; }
    public required int[] LanOf { get; init; }
    public required int[] GuestOf { get; init; }
    public required int[] NetOf { get; init; }
    public Interface? Provider { get; private set; }

    /// <summary>The link of PPPoE sessions, over whatever cables lead to the provider.</summary>
    public const int ProviderSession = -2;

    public static InterfaceTable Build(Fabric fabric, SegmentMap segments)
    {
        var house = fabric.House;
        var table = new InterfaceTable
        {
            WanOf = Unset(house.Devices.Length),
            LanOf = Unset(house.Devices.Length),
            GuestOf = Unset(house.Devices.Length),
            NetOf = Unset(house.Endpoints.Length),
        };
        if (house.Line is { } line && segments.Provider >= 0) table.AddProvider(line, segments.Provider);
        for (var d = 0; d < house.Devices.Length; d++) table.AddDevice(fabric, segments, d);
        for (var e = 0; e < house.Endpoints.Length; e++) table.AddEndpoint(fabric, segments, e);
        return table;
    }

    public static Prefix PrefixOf(Line line) => line.Addressing == LineAddressing.Public ? PublicLine : SharedLine;

    /// <summary>A static line answers the agreed addresses and no others; any other line whoever it gave an address, or could have.</summary>
    public static bool AnswersTo(Line line, Ipv4Address address)
    {
        if (line.HandOff != HandOff.Static) return true;
        var first = PrefixOf(line).Network.Plus(FirstCustomerHost);
        return address >= first && address.Value < first.Value + line.Addresses;
    }

    private static int[] Unset(int count)
    {
        var indexes = new int[count];
        Array.Fill(indexes, -1);
        return indexes;
    }

    private void AddProvider(Line line, int segment)
    {
        var prefix = PrefixOf(line);
        Provider = new(All.Count, ProviderId, InterfaceKind.Provider, segment)
        {
            Routes = true,
            IsPlugged = true,
            Link = line.HandOff == HandOff.Pppoe ? ProviderSession : segment,
        };
        Provider.Settle(LeaseOutcome.Static, new Candidate(new(prefix.Network.Plus(ProviderHost), prefix.Length), null, [], null));
        All.Add(Provider);
    }

    private void AddDevice(Fabric fabric, SegmentMap segments, int d)
    {
        var (device, groups) = (fabric.House.Devices[d], fabric.Groups[d]);
        if (device.Mode == DeviceMode.Router && groups.Wan >= 0) AddWan(fabric, segments, d);
        AddLan(device, groups, d, segments.OfGroup[groups.Lan], fabric.IsPlugged[groups.Lan] || fabric.Joined[d] is not null || fabric.HasVisitors(groups.Lan));
        if (groups.Guest >= 0 && Fixed(device) is not null)
        {
            GuestOf[d] = All.Count;
            var guest = new Interface(All.Count, device.Id, InterfaceKind.Guest, segments.OfGroup[groups.Guest])
            { Device = d, Routes = true, IsPlugged = true };
            guest.Settle(LeaseOutcome.Static, new Candidate(GuestNetwork.AddressOf(fabric.House, d), null, [], null));
            All.Add(guest);
        }
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
        };
        if (settings is { Method: WanMethod.Static, Address: { } address } && plugged)
            wan.Settle(LeaseOutcome.Static, new Candidate(address, settings.Gateway, settings.Dns, null));
        All.Add(wan);
    }

    private void AddLan(Device device, DeviceGroups groups, int d, int segment, bool plugged)
    {
        var asks = device.Mode == DeviceMode.MeshSatellite || device.Lan?.Method == LanMethod.Dhcp;
        if (device.Lan is null && device.Mode != DeviceMode.MeshSatellite) return;
        // A modem only answers at a fixed page; the provider's addresses are for what is behind it.
        if (device.Mode == DeviceMode.Modem && asks) return;
        LanOf[d] = All.Count;
        var routes = device.Mode == DeviceMode.Router;
        var lan = new Interface(All.Count, device.Id, InterfaceKind.Lan, segment)
        {
            Device = d,
            Routes = routes,
            Mac = routes ? null : device.Mac,
            IsPlugged = plugged,
            AsksForAddress = asks,
        };
        // A router's LAN is a network of its own, whoever is on it; any other box that is plugged in nowhere holds nothing (rule 10).
        if (!asks && device.Lan?.Address is { } address && (routes || plugged || device.Mode == DeviceMode.Passthrough))
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
