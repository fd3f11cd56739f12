using System.Text;
using Altrin.Core.Network;

namespace Altrin.KernelLab.Tests;

/// <summary>Puts one world in force: every address and route, and what each router translates, forwards and drops.</summary>
internal sealed class Worlds(LabHouse lab)
{
    /// <summary>The ports at which a router has sent something on, translated: read back to count translating hops.</summary>
    public const string SeenSet = "seen";

    /// <summary>More ways than this are not all tried.</summary>
    private const int Most = 12;

    /// <summary>Every way that the races between servers can end, or a dozen of them.</summary>
    public (List<World> Worlds, bool All) List()
    {
        var asking = lab.Cards.Where(card => card.Asks).ToList();
        var total = asking.Aggregate(1L, (product, card) => Math.Min(1000, product * Math.Max(1, card.Leases.Count)));
        var worlds = new List<World>();
        for (var world = 0L; world < total && worlds.Count < Most; world++)
        {
            var rest = total <= Most ? world : world * 7919;
            var leases = new Dictionary<Card, LabLease?>();
            foreach (var card in asking)
            {
                var mine = card.Leases.OrderBy(pair => pair.Key.Server,
                    StringComparer.Ordinal).ThenBy(pair => pair.Key.At).Select(pair => pair.Value).ToList();
                leases[card] = mine.Count == 0 ? null : mine[(int)(rest % mine.Count)];
                rest /= Math.Max(1, mine.Count);
            }
            // Two careful servers never give one address away twice, so such a world does not come about.
            var held = lab.Cards.Select(card =>
                (lab.Wiring.SegmentOf[card.Place], card.Fixed?.Address ?? leases.GetValueOrDefault(card)?.Address.Address)).Where(one =>
                one.Item2 is not null).ToList();
            var given = leases.Where(pair => pair.Value is not null).Select(pair =>
                (lab.Wiring.SegmentOf[pair.Key.Place], (Ipv4Address?)pair.Value!.Address.Address));
            if (given.All(one => held.Count(other => other == one) == 1)) worlds.Add(new(leases));
        }
        return (worlds, total <= Most);
    }

    public void Apply(World world)
    {
        var link = 0u;
        foreach (var cards in lab.Cards.GroupBy(card => card.Owner))
        {
            var script = new StringBuilder();
            foreach (var card in cards)
            {
                var (address, gateway) = Holds(card, world, ref link);
                script.Append($"addr flush dev {card.Link}\n");
                if (address is not { } own) continue;
                script.Append($"addr add {own} dev {card.Link}\n");
                // The rule is the format's: the gateway must lie in the sender's own prefix. A kernel refuses the route else.
                if (gateway is { } via && own.Prefix.Contains(via) && via != own.Address && card.Kind is not "guest")
                    script.Append($"route replace default via {via} dev {card.Link} onlink\n");
            }
            Kernel.Run("ip", $"-n {cards.First().Space} -force -batch -", script.ToString(), mayFail: true);
        }
        foreach (var device in lab.House.Devices.Where(device => device.Mode == DeviceMode.Router)) Route(device, world);
        Provide();
        foreach (var space in lab.Cards.Select(card => card.Space).Append(lab.Space(LabHouse.Provider)).Distinct())
            Kernel.Run("ip", $"-n {space} neigh flush all", mayFail: true);
    }

    public static InterfaceAddress? AddressIn(Card card, World world) => card.Fixed ?? world.Leases.GetValueOrDefault(card)?.Address;

    private static (InterfaceAddress? Address, Ipv4Address? Gateway) Holds(Card card, World world, ref uint link)
    {
        if (card.Fixed is { } set) return (set, card.FixedGateway);
        if (world.Leases.GetValueOrDefault(card) is { } lease) return (lease.Address, lease.Gateway);
        // Nobody answered: a router's WAN stays bare, all else gives itself a link-local address (RFC 3927).
        return card is { Asks: true, Kind: not "wan" } ? (new(Ipv4Address.Parse("169.254.1.0").Plus(link++), 16), null) : (null, null);
    }

    private void Route(Device device, World world)
    {
        var wan = lab.CardOf(device.Id, "wan");
        var outside = wan is null ? null : AddressIn(wan, world)?.Address;
        var name = wan?.Link ?? "none";
        var rules = new StringBuilder("flush ruleset\ntable ip lab {\n");
        rules.Append($"  set {SeenSet} {{ type inet_service; flags dynamic; }}\n");
        rules.Append("  chain post { type nat hook postrouting priority srcnat;\n");
        if (device.Nat) rules.Append($"    oifname \"{name}\" tcp dport 1-65535 add @{SeenSet} {{ tcp dport }}\n    oifname \"{name}\" masquerade\n");
        // What comes back in by its own outside address must be answered through the router too.
        rules.Append($"    iifname \"{Wiring.Own}\" oifname \"{Wiring.Own}\" ct status dnat masquerade\n  }}\n");
        rules.Append("  chain forward { type filter hook forward priority filter; policy drop;\n    ct state established,related accept\n    ct status dnat accept\n");
        rules.Append($"    iifname \"{Wiring.Guest}\" ip daddr {{ 10.0.0.0/8, 172.16.0.0/12, 192.168.0.0/16, 100.64.0.0/10, 169.254.0.0/16 }} drop\n");
        rules.Append($"    iifname {{ \"{Wiring.Own}\", \"{Wiring.Guest}\" }} oifname \"{name}\" accept\n    iifname \"{Wiring.Own}\" oifname \"{Wiring.Own}\" accept\n  }}\n");
        // A router's LAN address never answers from its WAN side, and behind a firewall its WAN address does not either.
        rules.Append("  chain input { type filter hook input priority filter; policy accept;\n    ct state established,related accept\n");
        rules.Append($"    iifname \"{Wiring.Guest}\" udp dport 67 accept\n    iifname \"{Wiring.Guest}\" drop\n");
        if (device.Firewall) rules.Append($"    iifname \"{name}\" drop\n");
        else if (outside is not null) rules.Append($"    iifname \"{name}\" ip daddr != {outside} drop\n");
        rules.Append("  }\n");
        if (device.Nat && outside is { } own) rules.Append(Inward(device, world, own, name));
        rules.Append("}\n");
        Kernel.In(lab.Space(device.Id), () => Kernel.Run("nft", "-f -", rules.ToString()));
    }

    /// <summary>Forwards first, then what UPnP opened, then the DMZ host.</summary>
    private string Inward(Device device, World world, Ipv4Address outside, string wan)
    {
        var rules = new StringBuilder("  chain pre { type nat hook prerouting priority dstnat;\n");
        var sides = device.Hairpin ? $"{{ \"{wan}\", \"{Wiring.Own}\" }}" : $"\"{wan}\"";
        var taken = new HashSet<(TransportProtocol, int)>();
        foreach (var forward in device.PortForwards)
            if (taken.Add((forward.Protocol, forward.Port)))
                Send($"{Words<TransportProtocol>.Of(forward.Protocol)} dport {forward.Port}",
                    $"{forward.ToAddress}:{forward.ToPort ?? forward.Port}");
        foreach (var (protocol, port, to, at) in UpnpMappings(device, world))
            if (taken.Add((protocol, at))) Send($"{Words<TransportProtocol>.Of(protocol)} dport {at}", $"{to}:{port}");
        if (device.DmzHost is { } host) Send("meta l4proto { tcp, udp }", host.ToString());
        return rules.Append("  }\n").ToString();

        void Send(string match, string to) => rules.Append($"    iifname {sides} ip daddr {outside} {match} dnat to {to}\n");
    }

    /// <summary>Each thing on the router's own LAN asks it to open an outside port for each of its services: its own number, or
    /// another when a forward has that. A router whose own outside address is private opens none: behind it stands another that translates,
    /// and what it would open nobody could reach (the usual daemon refuses; value from memory).</summary>
    public IEnumerable<(TransportProtocol Protocol, int Port, Ipv4Address To, int At)> UpnpMappings(Device device, World world)
    {
        if (!device.Upnp || lab.CardOf(device.Id, "lan") is not { Fixed: { } own } lan) yield break;
        if (lab.CardOf(device.Id, "wan") is { } wan && AddressIn(wan, world)?.Address is { } outside
            && AddressRanges.DiesAtTheLine(outside)) yield break;
        var taken = device.PortForwards.Select(one => (one.Protocol, one.Port)).ToHashSet();
        var next = 40_000;
        foreach (var thing in lab.House.Endpoints)
            foreach (var service in thing.Services)
            {
                if (lab.CardOf(thing.Id, "net") is not { } card
                    || lab.Wiring.SegmentOf[card.Place] != lab.Wiring.SegmentOf[lan.Place]) continue;
                if (AddressIn(card, world)?.Address is not { } to || !own.Prefix.Contains(to)) continue;
                var at = taken.Add((service.Protocol, service.Port)) ? service.Port : next++;
                yield return (service.Protocol, service.Port, to, at);
            }
    }

    private void Provide()
    {
        var rules = new StringBuilder("flush ruleset\ntable ip lab {\n");
        rules.Append($"  set {SeenSet} {{ type inet_service; flags dynamic; }}\n  chain forward {{ type filter hook forward priority filter; policy drop;\n    ct state established,related accept\n");
        if (lab.House.Line is { ClosedPorts.IsEmpty: false } line)
            rules.Append($"    iifname \"up0\" th dport {{ {string.Join(", ", line.ClosedPorts)} }} drop\n");
        // Private, shared and link-local destinations die at the line, and a customer's traffic does not turn round there.
        rules.Append("    oifname \"up0\" ip daddr { 10.0.0.0/8, 172.16.0.0/12, 192.168.0.0/16, 100.64.0.0/10, 169.254.0.0/16 } drop\n");
        // A static line answers the address agreed and nothing else (section 3, rule 3); a line that gives out none answers nobody.
        var answersNobody = lab.House.Line is { HandOff: HandOff.Static, Addresses: 0 };
        if (!answersNobody && lab.Street is { } street)
        {
            // To the others nothing comes in either.
            var answered = street.AnswersOne ? street.First.ToString() : street.Link.ToString();
            rules.Append($"    oifname \"up0\" ip saddr {answered} accept\n");
            if (!street.IsShared) rules.Append($"    iifname \"up0\" ip daddr {answered} accept\n");
        }
        rules.Append("  }\n  chain post { type nat hook postrouting priority srcnat;\n");
        if (lab.Street is { IsShared: true })
            rules.Append($"    oifname \"up0\" tcp dport 1-65535 add @{SeenSet} {{ tcp dport }}\n    oifname \"up0\" masquerade\n");
        rules.Append("  }\n}\n");
        Kernel.In(lab.Space(LabHouse.Provider), () => Kernel.Run("nft", "-f -", rules.ToString()));
    }
}
