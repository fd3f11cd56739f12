using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Slow;

/// <summary>A second book of rules, written from what each rule states: over the simulated state and the document alone, by plain loops, with nothing remembered.
/// Each answers whom it blames: the boxes and things, and how grave it is.</summary>
internal sealed class PlainRules(NetworkState state)
{
    private readonly NetworkDocument house = state.House;

    public sealed record Blame(string Rule, Severity Severity, string Subjects);

    private static Blame Fault(string rule, params IEnumerable<string> subjects) => new(rule, Severity.Fault, string.Join(' ', subjects));
    private static Blame Caution(string rule, params IEnumerable<string> subjects) => new(rule, Severity.Caution, string.Join(' ', subjects));

    private IEnumerable<Device> InUse => house.Devices.Where(box => state.IsInUse(box.Id));
    private IEnumerable<Interface> On(int segment) => state.Interfaces.Where(one => one.Segment == segment);
    private List<RunningServer> ServersOn(int segment) => [.. state.Servers.Where(one => one.Segment == segment)];

    /// <summary>The routers whose LAN is there; those that lead on, where some do.</summary>
    private List<Interface> Mains(int segment)
    {
        var all = On(segment).Where(one => one.Kind == InterfaceKind.Lan && one.Address is not null && house.FindDevice(one.Owner)!.RoutesForItsOwn && state.InsideOf(one.Owner) == segment).ToList();
        var leading = all.FindAll(one => state.IsWanPlugged(one.Owner));
        return leading.Count > 0 ? leading : all;
    }

    private List<Interface> Asking(int segment) => [.. On(segment).Where(one => one is { AsksForAddress: true, IsPlugged: true, Outcome: LeaseOutcome.LinkLocal or LeaseOutcome.None })];

    private static bool BridgesByRadio(Device box) => box.Mode is DeviceMode.Repeater or DeviceMode.Wds or DeviceMode.ClientBridge or DeviceMode.MeshSatellite;

    /// <summary>The rules that are read here a second time.</summary>
    public static readonly string[] Read =
    [
        "address-held-twice", "admin-page-out-of-reach", "bridge-gives-addresses", "cable-beyond-standard", "copper-between-buildings", "default-admin-password", "dhcp-through-bridge", "double-nat",
        "forward-stops-outside", "forward-through-carrier", "guests-not-apart", "idle-router-services", "inbound-target-moved", "lease-gateway-missing", "no-dhcp-server", "one-name-two-keys",
        "passthrough-bystander", "passthrough-to-nobody", "pool-exhausted", "pool-outside-subnet", "portable-fixed-address", "several-wifi-names", "slow-socket", "static-in-pool", "static-outside-subnet",
        "switch-before-router", "thing-not-joined", "tunnel-clash", "two-dhcp-servers", "uplink-not-joined", "wan-lan-overlap", "wandering-page", "wds-channel", "wds-unsupported", "weak-wifi-security",
        "wisp-where-repeater", "wrong-socket", "bridge-serves-wired-only", "band-not-served", "room-without-wifi",
    ];

    public IEnumerable<Blame> All() =>
    [
        .. Addresses(), .. Leases(), .. Routers(), .. Boxes(), .. Cables(), .. Radio(),
    ];

    private IEnumerable<Blame> Addresses()
    {
        foreach (var segment in state.Segments)
            foreach (var held in On(segment.Index).Where(one => one.Address is not null).GroupBy(one => one.Address!.Value.Address).Where(group => group.Count() > 1))
                yield return Fault("address-held-twice", held.Select(one => one.Owner).Distinct());

        foreach (var one in state.Interfaces.Where(one => one.Outcome == LeaseOutcome.Static && one.Segment >= 0))
        {
            var own = one.Address!.Value.Address;
            // A fixed address that a server here may hand to somebody else.
            foreach (var server in ServersOn(one.Segment).Where(server => server.Device != one.Owner))
            {
                var reserved = server.Reservations.FirstOrDefault(other => other.Address == own);
                var mayGo = reserved is null ? server.Pool.Start <= own && own <= server.Pool.End : one.Mac is { } mac && mac != reserved.Mac && server.Own.Prefix.Contains(own);
                if (mayGo) yield return Caution("static-in-pool", one.Owner, server.Device);
            }
            if (one.Segment == state.ProviderSegment) continue;
            var mains = Mains(one.Segment);
            if (mains.Count == 0) continue;
            bool Fits(Interface main) => main.Address!.Value.Prefix.IsUsable(own);
            if (one.Kind == InterfaceKind.Lan && mains.TrueForAll(main => main.Owner != one.Owner) && !mains.Exists(Fits)) yield return Caution("admin-page-out-of-reach", one.Owner);
            if (one.Kind is not (InterfaceKind.Net or InterfaceKind.Wan) || house.FindEndpoint(one.Owner)?.Kind is "laptop" or "tablet" or "phone") continue;
            var near = mains.Find(main => main.Address!.Value.Prefix.Contains(own)) ?? mains[0];
            if (!Fits(near)) yield return Fault("static-outside-subnet", one.Owner);
        }

        foreach (var thing in house.Endpoints.Where(thing => thing.Kind is "laptop" or "tablet" or "phone" && thing.Address.Method == EndpointMethod.Static && thing.Address.Address is not null))
            yield return state.Internet(thing.Id).Reachable == Answer.Yes ? Caution("portable-fixed-address", thing.Id) : Fault("portable-fixed-address", thing.Id);

        foreach (var need in house.Needs.OfType<Need.Tunnel>())
            foreach (var lan in state.Interfaces.Where(one => one.Kind == InterfaceKind.Lan && house.FindDevice(one.Owner)!.RoutesForItsOwn && one.Address?.Prefix.Overlaps(need.Prefix) == true))
                yield return Fault("tunnel-clash", lan.Owner);

        foreach (var box in InUse)
            if (state.Lan(box.Id)?.Address is { } inside && state.Wan(box.Id)?.Candidates.Any(one => one.Address?.Prefix.Overlaps(inside.Prefix) == true) == true)
                yield return Fault("wan-lan-overlap", box.Id);
    }

    private IEnumerable<Blame> Leases()
    {
        foreach (var server in state.Servers)
        {
            if (house.FindDevice(server.Device) is not { } box) continue;
            if (box.Mode is DeviceMode.Repeater or DeviceMode.Wds or DeviceMode.ClientBridge) yield return Fault("bridge-gives-addresses", box.Id);

            if (server.Offer.Gateway is not { } gateway || (gateway == server.Own.Address && !box.RoutesForItsOwn)) continue;
            var holder = On(server.Segment).FirstOrDefault(one => one.Address?.Address == gateway);
            var isRouter = holder is { Kind: InterfaceKind.Lan or InterfaceKind.Guest or InterfaceKind.Provider } && (holder.Kind == InterfaceKind.Provider || house.FindDevice(holder.Owner)!.RoutesForItsOwn);
            if (isRouter && server.Own.Prefix.Contains(gateway)) continue;
            if (On(server.Segment).Any(one => one.Candidates.Any(held => held.Server == box.Id && held.Gateway == gateway))) yield return Fault("lease-gateway-missing", box.Id);
        }
        foreach (var segment in state.Segments)
        {
            var (servers, asking) = (ServersOn(segment.Index), Asking(segment.Index));
            var isCutOff = InUse.Any(box => box.Uplink is not null && BridgesByRadio(box) && state.UplinkBox(box.Id) is null && state.InsideOf(box.Id) == segment.Index);
            if (servers.Count == 0 && asking.Count > 0 && !isCutOff) yield return Fault("no-dhcp-server", asking.Select(one => one.Owner).Distinct());
            if (servers.Count > 0 && asking.Count > 0)
            {
                if (servers[0].Device != "isp") yield return Fault("pool-exhausted", [servers[0].Device, .. asking.Select(one => one.Owner).Distinct()]);
                else if (!InUse.Any(box => box.Mode == DeviceMode.Switch && state.InsideOf(box.Id) == segment.Index)) yield return Fault("pool-exhausted", asking.Select(one => one.Owner).Distinct());
            }
            var rivals = servers.FindAll(one => house.FindDevice(one.Device)?.Mode is not (DeviceMode.Repeater or DeviceMode.Wds or DeviceMode.ClientBridge));
            if (rivals.Count < 2) continue;
            // The provider in a router's LAN socket is the socket's fault.
            if (rivals.Count == 2 && rivals.Exists(one => one.Device == "isp") && rivals.Exists(one => one.Device == house.Line?.Device && house.FindDevice(one.Device)!.Mode == DeviceMode.Router)) continue;
            var rightful = rivals.Find(one => one.Device == Mains(segment.Index).FirstOrDefault()?.Owner) ?? rivals[0];
            yield return Fault("two-dhcp-servers", rivals.Where(one => one != rightful).Append(rightful).Select(one => one.Device));
        }
        foreach (var box in InUse.Where(box => box.Lan is { Method: LanMethod.Static, Address: not null, DhcpServer: { Enabled: true, Pool: not null } } && box.Mode is DeviceMode.Router or DeviceMode.Passthrough or DeviceMode.Repeater or DeviceMode.Wds or DeviceMode.ClientBridge))
        {
            var (own, pool) = (box.Lan!.Address!.Value.Prefix, box.Lan.DhcpServer!.Pool!);
            if (!own.Contains(pool.Start) || !own.Contains(pool.End)) yield return Fault("pool-outside-subnet", box.Id);
        }
        foreach (var thing in house.Endpoints)
            if (thing.Connect?.Socket?.Device is { } at && house.FindDevice(at)!.Mode == DeviceMode.ClientBridge && state.UplinkBox(at) is not null
                && state.Net(thing.Id) is { Outcome: LeaseOutcome.Leased } net && net.Candidates[0].Server is { } by && by != at)
                yield return Caution("dhcp-through-bridge", thing.Id, at);
    }

    private IEnumerable<Blame> Routers()
    {
        foreach (var box in InUse.Where(box => box.Mode == DeviceMode.Router))
        {
            var (wan, lan) = (state.Wan(box.Id), state.Lan(box.Id));
            var outside = state.OutsideOf(box.Id);
            if (box.Nat && wan is not null && lan?.Address is { } own && (box.Uplink is null || box.KeptApart == true)
                && state.RoutersAbove(wan).FirstOrDefault(router => router.Nat) is { } outer && !wan.Candidates.All(one => one.Address?.Prefix.Overlaps(own.Prefix) == true))
                yield return new("double-nat", box.KeptApart != true && FailsBy(box) ? Severity.Fault : Severity.Caution, $"{box.Id} {outer.Id}");
            if (box.Nat && box.Uplink is not null && box.KeptApart != true && state.UplinkBox(box.Id) is { } joined && Mains(outside).Exists(main => main.Owner != box.Id && house.FindDevice(main.Owner)!.Nat))
                yield return new("wisp-where-repeater", FailsBy(box) ? Severity.Fault : Severity.Caution, $"{box.Id} {joined}");

            if (box.Nat && wan is { Address: { } held, Candidates: [{ Gateway: { } gateway }] } && On(wan.Segment).FirstOrDefault(one => one.Kind == InterfaceKind.Lan && one.Owner != box.Id && house.FindDevice(one.Owner)!.RoutesForItsOwn && state.InsideOf(one.Owner) == wan.Segment && one.Address?.Address == gateway) is { } above
                && house.FindDevice(above.Owner) is { Nat: true } upper && upper.DmzHost != held.Address
                && box.PortForwards.Any(one => upper.Mode == DeviceMode.Passthrough || !upper.PortForwards.Any(other => other.Protocol == one.Protocol && other.ToAddress == held.Address && (other.ToPort ?? other.Port) == one.Port)))
                yield return Fault("forward-stops-outside", box.Id, upper.Id);

            foreach (var lost in WaysIn(box)) yield return lost;

            if (house.Line is { } line && line.Device == box.Id && box.Ports.Single(port => port.Id == line.Port).Role == PortRole.Lan) yield return Fault("wrong-socket", box.Id);
            else if (box.Lan?.DhcpServer is { Enabled: true } && IsBridge(box)) yield return Fault("wrong-socket", box.Id);
        }
        foreach (var gateway in InUse.Where(box => box.Mode == DeviceMode.Passthrough && box.PassthroughShares == true))
            foreach (var lost in WaysIn(gateway)) yield return lost;
        foreach (var gateway in InUse.Where(box => box.Mode == DeviceMode.Passthrough && box.PassthroughShares != true))
        {
            var isServed = gateway.PassthroughTo is { } to && state.Wan(to)?.Candidates is [{ Server: "isp" }];
            if (!isServed && house.Line?.Device == gateway.Id) yield return Fault("passthrough-to-nobody", gateway.Id);
            var left = On(state.InsideOf(gateway.Id)).Where(one => one.Owner != gateway.Id && one.Owner != gateway.PassthroughTo && one.Kind is InterfaceKind.Net or InterfaceKind.Wan && one.IsPlugged).Select(one => one.Owner).Distinct().ToList();
            if (isServed && left.Count > 0) yield return Fault("passthrough-bystander", [.. left, gateway.Id]);
        }
    }

    /// <summary>What a box that routes lets in, and to nobody.</summary>
    private IEnumerable<Blame> WaysIn(Device box)
    {
        var opens = box.PortForwards.Length > 0 || box.DmzHost is not null;
        if (opens && state.IsLineShared) yield return Fault("forward-through-carrier", box.Id);
        var inside = On(state.InsideOf(box.Id)).SelectMany(one => one.Candidates).Where(one => one.Address is not null).Select(one => one.Address!.Value.Address).ToHashSet();
        if (box.Nat && opens && (box.PortForwards.Any(one => !inside.Contains(one.ToAddress)) || (box.DmzHost is { } host && !inside.Contains(host)))) yield return Fault("inbound-target-moved", box.Id);
    }

    /// <summary>A router with nothing on its WAN side, on a network that another leads.</summary>
    private bool IsBridge(Device box) => box.Mode == DeviceMode.Router && state.Lan(box.Id) is { } lan && !state.IsWanPlugged(box.Id) && Mains(lan.Segment).Exists(main => main.Owner != box.Id && state.IsWanPlugged(main.Owner));

    private bool FailsBy(Device box)
    {
        bool Behind(string thing) => state.Internet(thing).Hops.Contains(box.Id);
        var verdicts = Evaluation.Of(house).Wants;
        for (var i = 0; i < house.Needs.Length; i++)
        {
            var concerns = house.Needs[i] switch
            {
                Need.SingleNat single => single.Endpoint is null || Behind(single.Endpoint),
                Need.Inbound inbound => Behind(inbound.Endpoint),
                Need.Reach reach => Behind(reach.From) ^ Behind(reach.To),
                _ => false,
            };
            if (concerns && verdicts[i].Met != Answer.Yes) return true;
        }
        return false;
    }

    private IEnumerable<Blame> Boxes()
    {
        foreach (var box in InUse)
        {
            if (box.DefaultPassword == true) yield return Caution("default-admin-password", box.Id);

            var servesNobody = IsBridge(box) && box.Lan?.DhcpServer?.Enabled != true;
            var isShared = state.Lan(box.Id) is { Address: { } at } own && On(own.Segment).Count(one => one.Address?.Address == at.Address) > 1;
            if (!isShared && servesNobody && (box.Firewall || box.Upnp)) yield return Caution("idle-router-services", box.Id);

            if (box.Mode != DeviceMode.MeshSatellite && box.LeaveAsFound != true && box.Lan?.Method == LanMethod.Dhcp && state.Lan(box.Id) is { Outcome: LeaseOutcome.Leased, Candidates: [{ Address: not null, Server: { } by }] }
                && house.FindDevice(by) is { } server && !(box.Mac is { } mac && server.Lan?.DhcpServer?.Reservations.Any(one => one.Mac == mac) == true))
                yield return Caution("wandering-page", box.Id, by);

            if (box.Mode == DeviceMode.Switch && state.ProviderSegment >= 0 && state.InsideOf(box.Id) == state.ProviderSegment)
                yield return house.Endpoints.Any(thing => state.Net(thing.Id)?.Segment == state.ProviderSegment) ? Fault("switch-before-router", box.Id) : Caution("switch-before-router", box.Id);
        }
    }

    private IEnumerable<Blame> Cables()
    {
        var line = house.Line?.DownMbps;
        foreach (var box in house.Devices)
            if (box.Ports.Any(port => port.SpeedMbps < line && (house.Line!.Socket == new Socket(box.Id, port.Id)
                || house.Cables.Any(cable => cable.Medium == Medium.Ethernet && (cable.A == new Socket(box.Id, port.Id) || cable.B == new Socket(box.Id, port.Id))))))
                yield return Caution("slow-socket", box.Id);
        foreach (var cable in house.Cables)
        {
            double Speed(Socket end) => house.FindDevice(end.Device)!.Ports.Single(port => port.Id == end.Port).SpeedMbps ?? 0;
            // IEEE 802.3: 1000BASE-T over cat5e, 2.5GBASE-T over cat5e to 100 m, 5GBASE-T over cat6, 10GBASE-T over cat6 to 55 m and cat6a to 100 m; values from memory.
            double? carries = cable.Category switch { "cat5" => 1000, "cat5e" => 2500, "cat6" => cable.LengthM > 55 ? 5000 : 10_000, "cat6a" => 10_000, "cat7" => 10_000, _ => null };
            if (cable.Medium == Medium.Ethernet && (cable.LengthM > 100 || Math.Min(Speed(cable.A), Speed(cable.B)) > carries)) yield return Caution("cable-beyond-standard", cable.A.Device, cable.B.Device);

            string? Building(Socket end) => house.FindDevice(end.Device)!.Room is { } word && house.Rooms.FirstOrDefault(room => string.Equals(room.Id, word, StringComparison.OrdinalIgnoreCase) || string.Equals(room.Name, word, StringComparison.OrdinalIgnoreCase)) is { } room ? room.Building ?? "" : null;
            if (cable.Medium != Medium.Powerline && Building(cable.A) is { } a && Building(cable.B) is { } b && a != b) yield return Caution("copper-between-buildings", cable.A.Device, cable.B.Device);
        }
    }

    /// <summary>What each box in use sends.</summary>
    private IEnumerable<(Device Box, WifiNetwork Network, Band Band)> Sent() =>
        InUse.Where(box => box.SendsWifi).SelectMany(box => box.Wifi.Where(network => network.Enabled).Select(network => (box, network, box.Radios.Single(radio => radio.Id == network.Radio).Band)));

    private IEnumerable<Blame> Radio()
    {
        foreach (var weak in Sent().Where(one => one.Network.Security is WifiSecurity.Open or WifiSecurity.Wep or WifiSecurity.Wpa).Select(one => (one.Box.Id, one.Network.Ssid, one.Network.Security)).Distinct())
            yield return Caution("weak-wifi-security", weak.Id);

        foreach (var box in InUse.Where(box => !box.RoutesForItsOwn && Sent().Any(one => one.Box == box && one.Network.Guest)))
            if (state.Air.Any(one => one.Box.Id == box.Id && one.Network.Guest && Mains(one.Segment).Count > 0)) yield return Fault("guests-not-apart", box.Id);

        var own = Sent().Where(one => !one.Network.Guest).ToList();
        if (house.Needs.Any(need => need is Need.OneName) && own.Select(one => one.Network.Ssid).Distinct().Count() > 1)
        {
            var main = Main(own);
            yield return Fault("several-wifi-names", own.Where(one => one.Network.Ssid != main.Network.Ssid).Select(one => one.Box.Id).Distinct());
        }
        foreach (var name in Sent().GroupBy(one => one.Network.Ssid))
        {
            var main = Main([.. name]);
            var odd = name.Where(one => (one.Network.Key, one.Network.Security) != (main.Network.Key, main.Network.Security)).ToList();
            if (odd.Count > 0) yield return Fault("one-name-two-keys", odd.Select(one => one.Box.Id).Append(main.Box.Id).Distinct());
        }

        var silent = InUse.Where(box => box is { Mode: DeviceMode.ClientBridge, ServesWifi: false }).ToList();
        var atSilent = new Dictionary<string, List<string>>();
        foreach (var thing in house.Endpoints)
        {
            if (thing.Connect is not Attachment.Join join || state.JoinedBox(thing.Id) is not null) continue;
            if (silent.Find(box => box.Wifi.Any(one => one.Enabled && one.Ssid == join.Ssid && one.Key == join.Key)) is { } bridge) (atSilent.TryGetValue(bridge.Id, out var list) ? list : atSilent[bridge.Id] = []).Add(thing.Id);
            var named = Sent().Where(one => one.Network.Ssid == join.Ssid).ToList();
            var misses = thing.Bands.Length > 0 && named.Count > 0 && named.TrueForAll(one => !thing.Bands.Contains(one.Band));
            if (misses) yield return Fault("band-not-served", thing.Id, named[0].Box.Id);
            else if (!atSilent.Values.Any(list => list.Contains(thing.Id))) yield return Fault("thing-not-joined", thing.Id);
        }
        foreach (var (bridge, things) in atSilent) yield return Fault("bridge-serves-wired-only", [bridge, .. things]);

        for (var i = 0; i < house.Rooms.Length && state.AirMap.Sources.Count > 0; i++)
        {
            var room = house.Rooms[i];
            bool IsHere(string? word) => word is not null && Altrin.Core.Network.Rooms.Find(house, word) == room;
            if (state.AirMap.Rooms[i].Source is not null) continue;
            var lost = house.Endpoints.FirstOrDefault(thing => thing.Connect is Attachment.Join && IsHere(thing.Room) && state.JoinedBox(thing.Id) is null);
            if (lost is not null) yield return Caution("room-without-wifi", lost.Id);
            else if (house.Needs.Any(need => need is Need.Speed speed && IsHere(speed.Room))) yield return Caution("room-without-wifi", house.Devices[state.AirMap.Sources[0].Device].Id);
        }

        foreach (var box in InUse.Where(box => box.Uplink is not null))
        {
            var uplink = box.Uplink!;
            var band = box.Radios.Single(radio => radio.Id == uplink.Radio).Band;
            var joined = state.UplinkBox(box.Id);
            var willing = Sent().Where(one => one.Box != box && one.Network.Ssid == uplink.Ssid && one.Network.Key == uplink.Key && one.Band == band && Speak(one.Network.Security, uplink.Security)).Select(one => one.Box).ToList();
            if (box.Mode == DeviceMode.Wds)
            {
                if (joined is null && willing.Count > 0) yield return Fault("wds-channel", box.Id, willing[0].Id);
                var far = joined is not null ? house.FindDevice(joined) : willing.FirstOrDefault();
                if (far is not null && far.Supports.Length > 0 && far.Mode != DeviceMode.Wds && !far.Supports.Contains(DeviceMode.Wds)) yield return Caution("wds-unsupported", box.Id, far.Id);
            }
            var isUsed = box.Mode is DeviceMode.Router or DeviceMode.Repeater or DeviceMode.ClientBridge or DeviceMode.MeshSatellite or DeviceMode.Wds;
            var isFed = (box.Mode == DeviceMode.MeshSatellite && Mains(state.InsideOf(box.Id)).Count > 0) || (box.Mode == DeviceMode.Wds && willing.Count > 0);
            // Who was likely meant stands beside it; that is a matter of words.
            if (joined is null && isUsed && !isFed) yield return Fault("uplink-not-joined", box.Id);
        }
    }

    /// <summary>The network that most devices are set to; of several the first.</summary>
    private (Device Box, WifiNetwork Network, Band Band) Main(List<(Device Box, WifiNetwork Network, Band Band)> among)
    {
        int Users(WifiNetwork network) => house.Endpoints.Count(thing => thing.Connect is Attachment.Join join && join.Ssid == network.Ssid && join.Key == network.Key);
        var most = among.Max(one => Users(one.Network));
        return among.First(one => Users(one.Network) == most);
    }

    /// <summary>Section 2 of the format.</summary>
    private static bool Speak(WifiSecurity one, WifiSecurity other) => one == other
        || (one, other) is (WifiSecurity.Wpa2Wpa3, WifiSecurity.Wpa2 or WifiSecurity.Wpa3) or (WifiSecurity.Wpa2 or WifiSecurity.Wpa3, WifiSecurity.Wpa2Wpa3);
}
