using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Laws;

/// <summary>Each rule is asked in every mode in which its subject can be. Modes that the table makes alike in what a rule looks at are alike to the rule:
/// where it blames a box in one of them, it blames boxes in all of them, or the exception stands here with its reason.</summary>
public class RuleModeLaws
{
    /// <summary>A row of the table, and pass-through once more for the gateway that goes on routing.</summary>
    private sealed record Row(string Name, Func<Device, bool> Is, Func<Device, Device> Make);

    private static readonly ImmutableArray<Row> Rows =
    [
        .. Modes.All.Select(mode => new Row(Words<DeviceMode>.Of(mode.Mode), box => box.Mode == mode.Mode && box.PassthroughShares != true,
            box => box with { Mode = mode.Mode, PassthroughShares = null, Supports = [.. box.Supports.Union([mode.Mode])] })),
        new("shares", box => box is { Mode: DeviceMode.Passthrough, PassthroughShares: true },
            box => box with { Mode = DeviceMode.Passthrough, PassthroughShares = true, Supports = [.. box.Supports.Union([DeviceMode.Passthrough])] }),
    ];

    /// <summary>Who is alike to whom, by what the table says of the modes.</summary>
    private static readonly (string Name, Func<Device, bool> Is)[] Families =
    [
        ("routes for its own", box => box.RoutesForItsOwn),
        ("bridges by radio", box => box.Traits.BridgesByRadio),
        ("bridges and may give addresses", box => box.Traits.OnlyBridges),
        ("sends Wi-Fi", box => box.SendsWifi),
    ];

    private static IEnumerable<Row> Members(Func<Device, bool> isIn) =>
        Rows.Where(row => isIn(row.Make(new() { Id = "box", Name = "Box", Mode = default })));

    private static readonly (string Why, string[] Of)[] Exceptions =
    [
        ("A satellite has no address of its own to be set: it asks, and its page has neither address, server nor services.",
        [
            "address-held-twice of mesh-satellite", "admin-page-out-of-reach of mesh-satellite",
            "static-in-pool of mesh-satellite", "wandering-page of mesh-satellite",
        ]),
        ("A satellite runs no server.",
            ["bridge-gives-addresses of mesh-satellite", "lease-gateway-missing of mesh-satellite", "pool-outside-subnet of mesh-satellite"]),
        ("A satellite breaks every circle that it is in.", ["cable-beside-radio of mesh-satellite", "loop of mesh-satellite"]),
        ("An access point runs no server.", ["lease-gateway-missing of access-point", "pool-outside-subnet of access-point"]),
        ("An access point joins nobody.",
        [
            "backhaul-on-old-band of access-point", "beside-its-parent of access-point", "joined-too-weak of access-point", "satellites-in-row of access-point",
            "uplink-not-joined of access-point",
        ]),
        ("A gateway in pass-through stands at the line: above it is nobody, and it joins nobody.",
        [
            "backhaul-on-old-band of shares", "beside-its-parent of shares", "double-nat of shares", "forward-stops-outside of shares", "joined-too-weak of shares",
            "satellites-in-row of shares", "static-in-pool of shares", "uplink-not-joined of shares", "wisp-where-repeater of shares", "wrong-socket of shares",
        ]),
        ("Who routes keeps guests apart.", ["guests-not-apart of router", "guests-not-apart of shares"]),
        ("A router in router mode hands the line to nobody.", ["forward-handed-on of router"]),
        ("It routes: its services are not idle.", ["idle-router-services of shares"]),
    ];

    private static IEnumerable<string> Excepted => Exceptions.SelectMany(one => one.Of).Order(StringComparer.Ordinal);

    /// <summary>Every example with every box of it in every mode, and as it is.</summary>
    private static IEnumerable<NetworkDocument> Houses()
    {
        foreach (var name in Examples.Names().Where(name => name is not ("hawthorn-farm" or "millrace-terrace")))
        {
            var house = Examples.House(name);
            yield return house;
            foreach (var box in house.Devices)
                foreach (var row in Rows)
                {
                    var other = house.WithDevice(box.Id, one => row.Make(one) with { ServesWifi = true });
                    yield return other;
                    // A WDS link comes up only on one channel that both have set.
                    if (Modes.Of(other.FindDevice(box.Id)!.Mode).NeedsFixedChannel) yield return other with { Devices = [.. other.Devices.Select(OnFixedChannels)] };
                    // It asks, and nobody answers, or one address is all there is.
                    var asks = other.WithDevice(box.Id, one => one.Lan is null ? one : one with { Lan = one.Lan with { Method = LanMethod.Dhcp, DhcpServer = null } });
                    yield return asks with { Devices = [.. asks.Devices.Select(one => WithServer(one, server => server with { Enabled = false }))] };
                    yield return asks with { Devices = [.. asks.Devices.Select(one => WithServer(one, server => server with { End = server.Start, Reservations = [] }))] };
                    // What the gateway's page showed overlaps its own network.
                    if (house.Line is { } line && box.Lan?.Address is { } own)
                        yield return other with { Line = line with { Seen = new() { Address = new(own.Address.Plus(1), 24), Gateway = own.Address.Plus(2) } } };
                }
        }
    }

    private static Device WithServer(Device box, Func<DhcpServer, DhcpServer> change) =>
        box.Lan?.DhcpServer is { } server ? box with { Lan = box.Lan with { DhcpServer = change(server) } } : box;

    private static Device OnFixedChannels(Device box) => box with
    {
        Wifi = [.. box.Wifi.Select(network => network with { Channel = new(box.Radios.First(radio => radio.Id == network.Radio).Band == Band.Ghz24 ? 6 : 36) })],
    };

    [Fact]
    public void What_a_rule_says_of_a_mode_it_says_of_those_that_are_alike()
    {
        var spoken = new SortedDictionary<string, SortedSet<string>>(StringComparer.Ordinal);
        foreach (var house in Houses())
            foreach (var finding in Evaluation.Of(house).Findings)
                foreach (var box in finding.Blamed.Select(house.FindDevice).OfType<Device>())
                {
                    if (!spoken.TryGetValue(finding.Rule, out var modes)) spoken[finding.Rule] = modes = new(StringComparer.Ordinal);
                    modes.Add(Rows.First(row => row.Is(box)).Name);
                }
        var silent = (from rule in spoken
                      from family in Families
                      let members = Members(family.Is).Select(row => row.Name).ToList()
                      where members.Count(rule.Value.Contains) * 2 >= members.Count
                      from missing in members.Where(mode => !rule.Value.Contains(mode))
                      select $"{rule.Key} of {missing}").Distinct().Order(StringComparer.Ordinal).ToList();
        Assert.True(silent.SequenceEqual(Excepted),
            $"without a reason: [{string.Join("; ", silent.Except(Excepted))}]; reasons too many: [{string.Join("; ", Excepted.Except(silent))}]");
        Assert.True(spoken.Count > 40, $"{spoken.Count} rules blamed a box");
    }
}
