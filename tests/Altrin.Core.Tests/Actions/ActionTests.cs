using System.Collections.Immutable;
using System.Reflection;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Altrin.Core.Tests.Actions;

public class ActionTests
{
    private static readonly NetworkDocument Demo = Examples.House("larkspur-house");

    /// <summary>One of each deed, every one possible in the demo house.</summary>
    public static readonly ImmutableArray<InstallerAction> OneOfEach =
    [
        new PlugCable(new() { Id = "new", A = new("gw", "lan4"), B = new("studio", "lan4") }),
        new UnplugCable("c1"),
        new MoveCableEnd("c1", new("studio", "wan"), new("studio", "lan2")),
        new ConnectEndpoint("work-laptop", Attachment.To(new("gw", "lan4"))),
        new UnplugEndpoint("printer"),
        new SetEndpointAddress("printer", new()),
        new PlugLaptop(new("gw", "lan4")),
        new JoinLaptop("larkspur", "gw", WifiSecurity.Wpa2, "home"),
        new SetLaptopAddress(InterfaceAddress.Parse("192.168.1.9/24")),
        new PutLaptopAway(),
        new SetMode("gw", DeviceMode.Modem),
        new SetLanAddress("studio", InterfaceAddress.Parse("192.168.31.2/24")),
        new AskForLanAddress("studio"),
        new TurnOnDhcpServer("studio", Ipv4Address.Parse("192.168.1.10"), Ipv4Address.Parse("192.168.1.20")),
        new TurnOffDhcpServer("studio"),
        new MovePool("gw", Ipv4Address.Parse("192.168.31.10"), Ipv4Address.Parse("192.168.31.20")),
        new SetLeaseGateway("gw"),
        new ReserveAddress("gw", MacAddress.Parse("00:00:5E:00:53:11"), Ipv4Address.Parse("192.168.31.20")),
        new ReleaseReservation("gw", MacAddress.Parse("00:00:5E:00:53:11")),
        new SetWan("studio", new() { Method = WanMethod.Pppoe }),
        new SetWifi("gw", 0, new() { Radio = "2g", Ssid = "other", Security = WifiSecurity.Wpa3, Key = "k" }),
        new SetFeature("gw", BoxFeature.Upnp, false),
        new SetForward("gw", new() { Protocol = TransportProtocol.Tcp, Port = 8080, ToAddress = Ipv4Address.Parse("192.168.31.120"),
            ToPort = 80 }),
        new RemoveForward("gw", TransportProtocol.Tcp, 8080),
        new SetDmzHost("gw", Ipv4Address.Parse("192.168.31.120")),
        new SetPassthroughTarget("gw", "studio"),
        new SetUplink("studio", new() { Radio = "2g", Ssid = "larkspur", Security = WifiSecurity.Wpa2, Key = "home" }),
        new SetRadioPower("studio", "2g", 17),
        new SetPortVlan("gw", "lan4", 20) { Tagged = [30] },
        new ChangeAdminPassword("gw"),
        new ReplaceCable("c1", Medium.Powerline),
        new KeepApart("studio", true),
        new ConfigureDevice(Demo.Devices[1] with { Upnp = true }),
        new FactoryReset("studio"),
        new Restart("gw"),
        new AddDevice(new() { Id = "switch", Name = "Switch", Mode = DeviceMode.Switch, Ports = [new() { Id = "p1",
            Role = PortRole.Lan }] }),
        new RemoveDevice("studio"),
        new CarryDevice("studio", "hall"),
        new PlaceAt("printer", "hall", new(1, 1.5)),
        new DrawRoom(new() { Id = "hall", Name = "Hall", Rect = new(0, 0, 3, 4) }),
        new AddEndpoint(new() { Id = "tv", Name = "Television" }),
        new RemoveEndpoint("printer"),
        new Rename("gw", "Gateway in the hall"),
        new SetNeed(new Need.Internet { Id = "n9", Endpoint = "printer" }),
        new RemoveNeed("n1"),
        new SetLine(Demo.Line! with { UpMbps = 50 }),
        new RemoveLine(),
        new SetLeaseDns("gw") { Servers = [Ipv4Address.Parse("192.0.2.53")] },
        new SetLeaseTime("gw", 90),
        new SetWanDns("gw") { Servers = [Ipv4Address.Parse("192.0.2.53")] },
        new RemoveWifi("gw", 0),
        new SwitchPower("studio", false),
        new DescribeDevice(Demo.Devices[1] with { Firmware = "1.2" }),
        new DescribeEndpoint(Demo.Endpoints[0] with { Room = "hall" }),
        new NoteRun("hall", "Cellar", Medium.Powerline),
        new NoteKind("mine") { Kind = KitShelf.Find("router-old-54")! with { Kit = "mine" } },
        new DescribeHouse("Larkspur House", "GB") { Rooms = [new() { Id = "hall", Name = "Hall" }] },
        new NoteMeasured(new() { Id = "m2", Room = "hall", Mbps = 38 }),
        new ForgetMeasured("m1"),
        new PutInOrder { Devices = ["studio"] },
    ];

    public static IEnumerable<TheoryDataRow<InstallerAction>> Each() => OneOfEach.Select(action =>
        new TheoryDataRow<InstallerAction>(action) { TestDisplayName = action.GetType().Name });

    [Fact]
    public void There_is_a_row_for_every_deed() => Assert.Equal(
        typeof(InstallerAction).Assembly.GetTypes().Where(type => type.IsSubclassOf(typeof(InstallerAction))
            && !type.IsAbstract).Select(type => type.Name).Order(),
        OneOfEach.Select(action => action.GetType().Name).Order());

    [Theory, MemberData(nameof(Each))]
    public void A_deed_survives_being_written_and_read(InstallerAction action)
    {
        var text = JsonSerializer.Serialize(action, AltrinJson.Compact);
        var back = JsonSerializer.Deserialize<InstallerAction>(text, AltrinJson.Compact)!;
        Assert.Equal(text, JsonSerializer.Serialize(back, AltrinJson.Compact));
        Assert.Equal(action.GetType(), back.GetType());
    }

    [Fact]
    public void What_a_deed_leaves_out_is_as_the_records_say()
    {
        var action = JsonSerializer.Deserialize<InstallerAction>("""{"do":"add-device","device":{"id":"b","name":"B","mode":"router"}}""",
            AltrinJson.Compact);
        var box = Assert.IsType<AddDevice>(action).Device;
        Assert.True(box is { Nat: true, Firewall: true, Upnp: false, Ports.IsEmpty: true, Wifi.IsEmpty: true });
        Assert.Null(action.Problem(Demo));
    }

    /// <summary>The state writes deeds by a way of its own, for speed: to the letter what the serializer writes.</summary>
    [Theory, MemberData(nameof(Each))]
    public void A_deed_in_a_state_is_written_as_anywhere_else(InstallerAction action)
    {
        using var memory = new MemoryStream();
        using (var json = new Utf8JsonWriter(memory, new() { Encoder = AltrinJson.Compact.Encoder })) ActionWriter.Write(json, action);
        Assert.Equal(JsonSerializer.Serialize(action, AltrinJson.Compact), System.Text.Encoding.UTF8.GetString(memory.ToArray()));
    }

    [Theory, MemberData(nameof(Each))]
    public void A_deed_says_itself_as_an_order(InstallerAction action) => Assert.Matches("^[A-Z][^{}]{6,}[^. ]$", action.Say(Demo));

    [Theory, MemberData(nameof(Each))]
    public void A_deed_leaves_a_document_that_the_reader_takes(InstallerAction action) =>
        Assert.Empty(DocumentReader.Read(AltrinJson.Write(action.Apply(Demo))).Problems);

    [Theory, MemberData(nameof(Each))]
    public void A_deed_is_total_where_nothing_it_names_is_there(InstallerAction action)
    {
        var empty = new NetworkDocument { Name = "Empty" };
        var after = action.Apply(empty);
        Assert.True(action.Problem(empty) is null || ReferenceEquals(after, empty));
        Assert.NotEmpty(action.Say(empty));
    }

    [Theory]
    [MemberData(nameof(Refusals))]
    public void What_cannot_be_done_is_refused_with_field_and_mend(InstallerAction action, string field, string message)
    {
        var problem = action.Problem(Demo);
        Assert.Equal((field, message), (problem?.Field, problem?.Message));
        Assert.Same(Demo, action.Apply(Demo));
    }

    public static IEnumerable<TheoryDataRow<InstallerAction, string, string>> Refusals() =>
    [
        new(new SetLanAddress("gw", InterfaceAddress.Parse("192.168.31.255/24")), "address",
            "192.168.31.255/24 is the broadcast address of 192.168.31.0/24, which no box may hold. Use .1 to .254."),
        new(new SetLanAddress("attic", InterfaceAddress.Parse("192.168.31.2/24")), "device", "There is no device “attic” in this house."),
        new(new SetMode("studio", DeviceMode.AccessPoint), "mode", "Studio router has no access point mode. It can be router."),
        new(new MoveCableEnd("c1", new("studio", "wan"), new("gw", "lan1")), "to",
            "Socket LAN 1 of Hall gateway is taken by Recorder. Unplug that first, or use another socket."),
        new(new MovePool("gw", Ipv4Address.Parse("192.168.31.20"), Ipv4Address.Parse("192.168.31.10")), "end",
            "The pool ends at 192.168.31.10, before it starts at 192.168.31.20. Swap the two."),
        new(new ReserveAddress("gw", MacAddress.Parse("00:00:5E:00:53:11"), Ipv4Address.Parse("192.168.1.5")), "address",
            "192.168.1.5 is outside 192.168.31.0/24. Choose one inside."),
        new(new RemoveDevice("gw"), "device", "The provider's line enters Hall gateway. Let it enter another box first."),
        new(new SetWifi("gw", 0, new() { Radio = "2g", Ssid = new string('x', 33) }), "network.ssid",
            "Longer than 32 bytes, which no Wi-Fi name may be (IEEE 802.11). Shorten it."),
        new(new Rename("gw", "  "), "name", "Empty. Give it a name."),
    ];

    [Fact]
    public void A_moved_lan_takes_its_pool_and_reservations_along()
    {
        var house = new ReserveAddress("studio", MacAddress.Parse("00:00:5E:00:53:15"), Ipv4Address.Parse("192.168.1.40")).Apply(Demo);
        var server = new SetLanAddress("studio",
            InterfaceAddress.Parse("192.168.7.1/24")).Apply(house).FindDevice("studio")!.Lan!.DhcpServer!;
        Assert.Equal(("192.168.7.100 to 192.168.7.199", "192.168.7.40"), (server.Pool!.ToString(),
            server.Reservations[0].Address.ToString()));
    }

    [Fact]
    public void A_reset_box_is_as_its_label_says()
    {
        var box = new FactoryReset("studio").Apply(Demo).FindDevice("studio")!;
        Assert.Equal((DeviceMode.Router, "192.168.1.1/24", true), (box.Mode, box.Lan!.Address.ToString(), box.Lan.DhcpServer!.Enabled));
        Assert.All(box.Wifi, network => Assert.Equal(WifiSecurity.Open, network.Security));
    }

    /// <summary>Undo keeps the document before: whatever was done, going back gives the same bytes, and redo the same again.</summary>
    [Property(MaxTest = 200)]
    public Property Any_series_undone_gives_back_the_same_bytes() => Prop.ForAll(
        Gen.Choose(1, 100000).ToArbitrary(), Gen.ListOf(Gen.Choose(0, OneOfEach.Length - 1)).ToArbitrary(), (seed, picks) =>
        {
            var house = seed % 3 == 0 ? Demo : Houses.Make(seed);
            var (history, bytes) = (new Stack<NetworkDocument>(), new Stack<string>());
            foreach (var pick in picks)
            {
                history.Push(house);
                bytes.Push(AltrinJson.Write(house));
                house = OneOfEach[pick].Apply(house);
            }
            var done = AltrinJson.Write(house);
            var same = true;
            var first = history.Count > 0 ? history.Last() : house;
            while (history.TryPop(out var before)) same &= AltrinJson.Write(before) == bytes.Pop();
            return (same && AltrinJson.Write(picks.Select(pick => OneOfEach[pick]).Apply(first)) == done).Classify(picks.Count == 0,
                "nothing done");
        });
}
