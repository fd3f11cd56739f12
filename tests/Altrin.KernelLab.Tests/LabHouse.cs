using System.Text;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.KernelLab.Tests;

/// <summary>A house built for real: a namespace a box and a thing, bridges inside the boxes, veth pairs as cables and joined Wi-Fi,
/// the provider, and a host on the internet. Torn down when disposed, whatever happened.</summary>
internal sealed class LabHouse : IDisposable
{
    public const string Internet = "net", Provider = "isp";

    private static int built;

    private readonly string prefix = $"altrin-lab-{Environment.ProcessId}-{Interlocked.Increment(ref built)}-";
    private readonly Dictionary<string, StringBuilder> scripts = [];
    private readonly List<string> spaces = [];

    public LabHouse(NetworkDocument house, NetworkState state)
    {
        House = house;
        Wiring = new(house, state);
        Street = Street.Of(house, Wiring);
        if (Wiring.HasLoop) throw new InvalidOperationException("A loop is never built.");
        try { Build(); }
        catch
        {
            Dispose();
            throw;
        }
    }

    public NetworkDocument House { get; }
    public Wiring Wiring { get; }
    public Street? Street { get; }
    public List<Card> Cards { get; } = [];
    public List<Giver> Givers { get; } = [];

    public string Space(string owner) => prefix + Short(owner);

    public Card? CardOf(string owner, string kind) => Cards.Find(card => card.Owner == owner && card.Kind == kind);

    public void Dispose()
    {
        // A file with a line a namespace: one that is gone already does not keep the others.
        Kernel.Run("ip", "-force -batch -", string.Concat(spaces.Select(space => $"netns del {space}\n")), mayFail: true);
        spaces.Clear();
    }

    /// <summary>Ids may be long or odd; a namespace's name may not.</summary>
    private string Short(string owner)
    {
        if (owner is Internet or Provider) return owner;
        var d = House.Devices.ToList().FindIndex(device => device.Id == owner);
        return d >= 0 ? $"d{d}" : $"e{House.Endpoints.ToList().FindIndex(thing => thing.Id == owner)}";
    }

    private StringBuilder Script(string owner) => scripts.TryGetValue(owner, out var text) ? text : scripts[owner] = new();

    private void Build()
    {
        var owners = House.Devices.Select(device =>
            device.Id).Concat(House.Endpoints.Select(thing => thing.Id)).Append(Internet).Append(Provider).ToList();
        spaces.AddRange(owners.Select(Space));
        var root = new StringBuilder();
        foreach (var space in spaces) root.Append($"netns add {space}\n");
        Kernel.Run("ip", "-batch -", root.ToString());
        foreach (var space in spaces) Kernel.In(space, () => Quiet(space));

        foreach (var place in Wiring.Places.Where(place => place.Bridge != Wiring.Net))
            Script(place.Owner).Append($"link add {place.Bridge} type bridge forward_delay 0 mcast_snooping 0\n");
        root.Clear();
        var count = 0;
        foreach (var (a, b) in Wiring.Links) Pair(root, a, b, count++);
        Pair(root, new(Internet, "eth0"), new(Provider, "up0"), -1);
        foreach (var device in House.Devices.Where(Wiring.TakesPart)) AddCards(device, root);
        foreach (var thing in House.Endpoints) AddCard(thing);
        Provide(root);
        Kernel.Run("ip", "-batch -", root.ToString());
        foreach (var card in Cards) Script(card.Owner).Append($"link set {card.Link} address {card.Mac}\n");
        foreach (var place in Wiring.Places.Where(place =>
            place.Bridge != Wiring.Net)) Script(place.Owner).Append($"link set {place.Bridge} up\n");
        foreach (var (owner, script) in scripts)
            Kernel.Run("ip", $"-n {Space(owner)} -batch -", script.Append("link set lo up\n").ToString());
        foreach (var device in House.Devices.Where(device => device.Mode == DeviceMode.Passthrough
            && Wiring.TakesPart(device))) PassThrough(device);
        if (House.Line?.Holds is { } held) Hold(held);
    }

    /// <summary>The provider hears no frame but those of one MAC.</summary>
    private void Hold(MacAddress held) => Kernel.In(Space(Provider), () => Kernel.Run("nft", "-f -",
        $"table bridge hold {{ chain input {{ type filter hook input priority 0; policy accept; ether saddr != {held} drop\n }}\n }}\n"));

    /// <summary>Answers for an address only on the interface that holds it, routes only where a router does, and never advises
    /// others of a better way: as separate boxes behave, not as one machine with many cards.</summary>
    private bool Quiet(string space)
    {
        var routes = space == Space(Provider) || House.Devices.Any(device => device.Mode == DeviceMode.Router && Space(device.Id) == space);
        Set("ipv6/conf/all/disable_ipv6", "1");
        Set("ipv6/conf/default/disable_ipv6", "1");
        // What a bridge carries is no business of the box's firewall.
        Set("bridge/bridge-nf-call-iptables", "0");
        Set("ipv4/ip_forward", routes ? "1" : "0");
        foreach (var scope in new[] { "all", "default" })
        {
            Set($"ipv4/conf/{scope}/arp_ignore", "1");
            Set($"ipv4/conf/{scope}/arp_announce", "2");
            Set($"ipv4/conf/{scope}/send_redirects", "0");
            Set($"ipv4/conf/{scope}/accept_redirects", "0");
        }
        return true;

        void Set(string name, string value)
        {
            if (File.Exists($"/proc/sys/net/{name}")) File.WriteAllText($"/proc/sys/net/{name}", value);
        }
    }

    private void Pair(StringBuilder root, Place a, Place b, int number)
    {
        var (near, far) = (End(a, $"v{number}a"), End(b, $"v{number}b"));
        root.Append($"link add name {near} netns {Space(a.Owner)} type veth peer name {far} netns {Space(b.Owner)}\n");
        Join(a, near);
        Join(b, far);

        static string End(Place place, string name) => place.Bridge is Wiring.Net or "up0" ? place.Bridge : name;
    }

    private void Join(Place place, string link)
    {
        var script = Script(place.Owner);
        if (place.Bridge != link) script.Append($"link set {link} master {place.Bridge}\n");
        script.Append($"link set {link} up\n");
    }

    private void AddCards(Device device, StringBuilder root)
    {
        var number = House.Devices.IndexOf(device);
        if (device.Mode == DeviceMode.Router && Wiring.Places.Contains(new(device.Id, Wiring.Wan)))
        {
            var wan = device.Wan ?? new();
            var link = Wiring.Wan;
            var place = new Place(device.Id, Wiring.Wan);
            // A PPPoE session is a link of its own to the provider, over whatever cables lead there; here a pair of its own.
            if (wan.Method == WanMethod.Pppoe)
            {
                link = "ppp0";
                if (House.Line is { HandOff: HandOff.Pppoe }
                    && (Wiring.SegmentOf[place] == Wiring.SegmentOf[Wiring.Provider] || IsPassedThrough(device.Id, place)))
                {
                    root.Append($"link add name ppp0 netns {Space(device.Id)} type veth peer name s{number} netns {Space(Provider)}\n");
                    Join(new(Provider, "bsession"), $"s{number}");
                }
                else Script(device.Id).Append("link add ppp0 type bridge\n");
                Script(device.Id).Append("link set ppp0 up\n");
            }
            Cards.Add(new(device.Id, "wan", Space(device.Id), place, link, device.Mac ?? Invented(number, 1))
            {
                Asks = wan.Method is WanMethod.Dhcp or WanMethod.Pppoe && Wiring.IsPlugged(place),
                Fixed = wan.Method == WanMethod.Static && Wiring.IsPlugged(place) ? wan.Address : null,
                FixedGateway = wan.Gateway,
            });
        }
        AddLan(device, number);
        if (Wiring.GuestVlans(device) is null || device.Lan is not { Method: LanMethod.Static, Address: not null }) return;
        var guest = GuestAddress(number, device.Lan.Address.Value);
        Cards.Add(new(device.Id, "guest", Space(device.Id), new(device.Id, Wiring.Guest), Wiring.Guest,
            Invented(number, 3))
        { Fixed = guest });
        var first = guest.Prefix.Network;
        Givers.Add(new(device.Id, Space(device.Id), new(device.Id, Wiring.Guest), guest, first.Plus(10), first.Plus(250), guest.Address,
            [], null));
    }

    /// <summary>Whether a gateway in pass-through hands the line to this box over the network that the box's WAN is on.</summary>
    private bool IsPassedThrough(string box, Place wan) => House.Devices.Any(gateway =>
        gateway.Mode == DeviceMode.Passthrough && gateway.PassthroughTo == box && House.Line?.Device == gateway.Id
        && Wiring.SegmentOf[wan] == Wiring.SegmentOf[new(gateway.Id, Wiring.Own)] && Wiring.Places.Contains(new(gateway.Id, Wiring.Wan)));

    private void AddLan(Device device, int number)
    {
        var asks = device.Mode == DeviceMode.MeshSatellite || device.Lan?.Method == LanMethod.Dhcp;
        if ((device.Lan is null && !asks) || (device.Mode == DeviceMode.Modem && asks)) return;
        var place = new Place(device.Id, Wiring.Own);
        var lan = new Card(device.Id, "lan", Space(device.Id), place, Wiring.Own,
            device.Mode != DeviceMode.Router && device.Mac is { } mac ? mac : Invented(number, 2))
        {
            Asks = asks && Wiring.IsPlugged(place),
            Fixed = asks ? null : device.Lan!.Address,
        };
        Cards.Add(lan);
        if (asks || device.Mode is DeviceMode.AccessPoint or DeviceMode.Switch or DeviceMode.Modem) return;
        if (device.Lan!.DhcpServer is not { Enabled: true } server) return;
        // Nobody has looked at its pool: the whole subnet.
        var (start, end) = (server.Start ?? lan.Fixed!.Value.Prefix.FirstUsable, server.End ?? lan.Fixed!.Value.Prefix.LastUsable);
        MacAddress? ignored = device is { Mode: DeviceMode.Passthrough, PassthroughTo: { } target } ? House.FindDevice(target)?.Mac : null;
        Givers.Add(new(device.Id, lan.Space, place, lan.Fixed!.Value, start, end, server.Gateway
            ?? lan.Fixed.Value.Address, server.Reservations, ignored));
    }

    private void AddCard(Endpoint thing)
    {
        var place = new Place(thing.Id, Wiring.Net);
        if (!Wiring.IsPlugged(place))
        {
            Script(thing.Id).Append("link add eth0 type bridge\n");
            return;
        }
        Cards.Add(new(thing.Id, "net", Space(thing.Id), place, Wiring.Net, thing.Mac ?? Invented(House.Endpoints.IndexOf(thing), 4))
        {
            Asks = thing.Address.Method == EndpointMethod.Dhcp,
            Fixed = thing.Address.Method == EndpointMethod.Static ? thing.Address.Address : null,
            FixedGateway = thing.Address.Gateway,
        });
    }

    /// <summary>The provider's router and, behind it, one host of the internet that answers on any port.</summary>
    private void Provide(StringBuilder root)
    {
        _ = root;
        Script(Provider).Insert(0, "link add bsession type bridge forward_delay 0\n");
        Script(Provider).Append("addr add 198.51.100.254/24 dev up0\nlink set bsession up\n");
        Script(Internet).Append("addr add 198.51.100.1/24 dev eth0\nlink set eth0 up\nroute add default via 198.51.100.254\n");
        // Nobody is there on a line that is down.
        if (House.Line is not { Down: not true } line || Street is not { } street) return;
        var own = new InterfaceAddress(street.Router, street.Link.Length);
        var place = line.HandOff == HandOff.Pppoe ? new Place(Provider, "bsession") : Wiring.Provider;
        Script(Provider).Append($"addr add {own} dev {place.Bridge}\n");
        if (line.HandOff == HandOff.Static || line.Addresses == 0) return;
        // Its own address is none of those that it gives out.
        var last = street.First.Plus((uint)line.Addresses - 1);
        if (street.Router >= street.First && street.Router <= last) last = last.Next();
        Givers.Add(new(Provider, Space(Provider), place, own, street.First, last, own.Address, [], null));
    }

    /// <summary>The gateway bridges the line through to one box alone; everybody else stays on its LAN.</summary>
    private void PassThrough(Device gateway)
    {
        if (gateway.PassthroughTo is not { } id || CardOf(id, "wan") is not { } target || !IsPassedThrough(id, target.Place)) return;
        Kernel.Run("ip", $"-n {Space(gateway.Id)} -batch -",
            $"link add through type veth peer name line\nlink set through master {Wiring.Own}\nlink set line master {Wiring.Wan}\nlink set through up\nlink set line up\n");
        // Frames of the one box cross, and what is for it or for all comes back; the gateway itself never speaks on the line.
        Kernel.In(Space(gateway.Id), () => Kernel.Run("nft", "-f -", $$"""
            table bridge pass {
              chain forward { type filter hook forward priority 0; policy accept;
                oifname "through" ether saddr != {{target.Mac}} drop
                iifname "through" ether daddr != { {{target.Mac}}, ff:ff:ff:ff:ff:ff } drop
              }
              chain output { type filter hook output priority 0; policy accept; oifname { "through", "line" } drop
              }
            }
            """));
    }

    /// <summary>As the format leaves it to each router: a /24 of its own (192.168.200.0 for the first device, and so on).</summary>
    private static InterfaceAddress GuestAddress(int number, InterfaceAddress lan)
    {
        var address = Ipv4Address.Parse("192.168.200.1").Plus((uint)number << 8);
        return new(lan.Prefix.Contains(address) ? new(address.Value ^ 0x4000) : address, 24);
    }

    private static MacAddress Invented(int number, int kind) => new(0x0200_0000_0000UL | ((ulong)kind << 16) | (uint)number);
}
