using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Kit;

/// <summary>The kinds of boxes that come with the program: invented archetypes, common practice, no source.</summary>
public class KitShelfTests
{
    private static readonly MacAddress Mac = MacAddress.Parse("00:00:5E:00:53:A7");

    public static IEnumerable<TheoryDataRow<string>> Boxes() => KitShelf.All.Where(kind => kind.Sold is not null).Select(kind => new TheoryDataRow<string>(kind.Kit));

    public static IEnumerable<TheoryDataRow<string>> Kinds() => KitShelf.All.Select(kind => new TheoryDataRow<string>(kind.Kit));

    /// <summary>What the shelf must hold, by what it can do; the words are ours.</summary>
    [Fact]
    public void The_shelf_has_the_kinds_of_the_trade()
    {
        Assert.True(KitShelf.All.Length >= 24);
        DeviceMode[] Can(string kit) => [.. KitShelf.Find(kit)!.Sold!.Supports];
        Assert.Contains(DeviceMode.Modem, Can("gateway-modem-mode"));
        Assert.Contains(DeviceMode.Passthrough, Can("gateway-pass-through"));
        Assert.Equal([DeviceMode.Router], Can("gateway-dmz-host"));
        Assert.True(KitShelf.Find("gateway-locked")!.Sold!.LeaveAsFound);
        Assert.Equal([DeviceMode.Router], Can("router-old-54"));
        Assert.Equal("g", Assert.Single(KitShelf.Find("router-old-54")!.Sold!.Radios).Generation);
        Assert.All(KitShelf.Find("router-old-300")!.Sold!.Ports, port => Assert.Equal(100, port.SpeedMbps));
        Assert.Equal([DeviceMode.Router, DeviceMode.AccessPoint, DeviceMode.ClientBridge, DeviceMode.Repeater], Can("router-mode-switch"));
        Assert.Contains(DeviceMode.Wds, Can("router-wds"));
        Assert.Equal(3, KitShelf.Find("router-tri-band")!.Sold!.Radios.Length);
        Assert.Equal(SetBy.App, KitShelf.Find("mesh-main")!.SetUp.By);
        Assert.Equal(PoeClass.At, KitShelf.Find("access-point-ceiling")!.Sold!.Ports[0].PoeNeeds);
        Assert.Equal(LanMethod.Dhcp, KitShelf.Find("access-point-asks")!.Sold!.Lan!.Method);
        Assert.Equal((false, true), (KitShelf.Find("bridge-wired")!.Sold!.ServesWifi, KitShelf.Find("bridge-with-wifi")!.Sold!.ServesWifi));
        Assert.Equal(4, KitShelf.Find("switch-managed")!.Sold!.Ports.Count(port => port.PoeGives is not null));
        Assert.Equal([Medium.Powerline, Medium.Coax], KitShelf.All.Where(kind => kind.Link is not null).Select(kind => kind.Link!.Value).Order());
    }

    [Theory, MemberData(nameof(Boxes))]
    public void A_box_of_any_kind_can_be_added_and_lies_on_the_table(string kit)
    {
        var box = KitShelf.Find(kit)!.Make("new", "New box", "loft", Mac);
        var house = new AddDevice(box).Apply(new HouseBuilder().Gateway().House);
        Assert.Null(HouseCheck.WhyNot(house));
        Assert.Equal((kit, "loft"), (house.FindDevice("new")!.Kit, house.FindDevice("new")!.Room));
        Assert.False(Simulator.Run(house).IsInUse("new"));
        Assert.All(box.Wifi, network => Assert.Equal(KitShelf.Find(kit)!.Sold!.Wifi[0].Ssid.Replace(KitKind.LastFour, "53A7", StringComparison.Ordinal), network.Ssid));
    }

    [Theory, MemberData(nameof(Kinds))]
    public void A_kind_is_written_and_read_as_it_was(string kit)
    {
        var text = KitReader.Write(KitShelf.Find(kit)!);
        var read = KitReader.Read(text);
        Assert.Empty(read.Problems);
        Assert.Equal(text, KitReader.Write(read.Kind!));
    }

    /// <summary>Reset gives what the carton held: held against the kind itself, whatever was set in between.</summary>
    [Theory, MemberData(nameof(Boxes))]
    public void A_reset_gives_back_what_the_carton_held(string kit)
    {
        var sold = KitShelf.Find(kit)!.Make("b", "B", null, Mac);
        NetworkDocument house = new() { Name = "House", Devices = [sold] };
        InstallerAction[] deeds =
        [
            new SetLanAddress("b", InterfaceAddress.Parse("10.9.8.7/24")), new TurnOffDhcpServer("b"), new ChangeAdminPassword("b"),
            .. sold.Supports.Select(mode => (InstallerAction)new SetMode("b", mode)), .. sold.Wifi.Select((network, i) => new SetWifi("b", i, network with { Ssid = "other", Enabled = false })),
        ];
        var changed = deeds.Apply(house);
        var back = new FactoryReset("b").Apply(changed).FindDevice("b")!;
        Assert.True(SettingCatalogue.All.All(setting => setting.IsAlike(back, sold)), AltrinJson.WriteCompact(house with { Devices = [back] }));
    }

    [Fact]
    public void The_labels_address_wins_over_the_kinds()
    {
        var box = KitShelf.Find("router-dual-band")!.Make("b", "B", null, null, Ipv4Address.Parse("10.0.5.1"));
        Assert.Equal(("10.0.5.1/24", "10.0.5.100", "10.0.5.199"), (box.Lan!.Address.ToString(), box.Lan.DhcpServer!.Start.ToString(), box.Lan.DhcpServer.End.ToString()));
        NetworkDocument house = new() { Name = "House", Devices = [box with { Lan = box.Lan with { Address = InterfaceAddress.Parse("192.168.7.1/24") } }] };
        Assert.Equal("10.0.5.1/24", new FactoryReset("b").Apply(house).FindDevice("b")!.Lan!.Address.ToString());
    }

    [Fact]
    public void Menus_and_lamps_are_said_in_the_kinds_own_words()
    {
        Assert.Equal("Operation mode > Repeater (not WISP)", SettingWords.Find(SettingsPage.Mode, KitShelf.Find("router-wisp-first")));
        Assert.Equal("Operation mode, or Working mode", SettingWords.Find(SettingsPage.Mode, KitShelf.Find("no-such-kind")));
        NetworkDocument house = new() { Name = "House", Devices = [KitShelf.Find("repeater-plug-in-dual")!.Make("r", "R")] };
        Assert.Equal(KitShelf.Find("repeater-plug-in-dual")!.Lamps[Lamp.Weak], ReadingWords.Say(new LampReading("r", Lamp.Weak), house, "laptop").Value);
    }

    [Theory]
    [InlineData("""{"format":"altrin.kit/1","kit":"x","name":"X","group":"router"}""", "device", "Missing")]
    [InlineData("""{"format":"altrin.kit/2","kit":"x","name":"X","group":"link","link":"coax"}""", "format", "altrin.kit/1")]
    [InlineData("""{"format":"altrin.kit/1","kit":"Big X","name":"X","group":"link","link":"coax"}""", "kit", "small letters")]
    [InlineData("""{"format":"altrin.kit/1","kit":"x","name":"X","group":"link","link":"ethernet"}""", "link", "powerline or coax")]
    [InlineData("""{"format":"altrin.kit/1","kit":"x","name":"X","group":"wardrobe","link":"coax"}""", "group", "gateway")]
    [InlineData("""{"format":"altrin.kit/1","kit":"x","name":"X","group":"router","device":{"mode":"router","wifi":[{"radio":"9g","ssid":"a"}]}}""", "device.wifi[0].radio", "")]
    [InlineData("""{"format":"altrin.kit/1","kit":"x","name":"X","group":"router","menues":{}}""", "menues", "Did you mean menus")]
    [InlineData("{", "", "not JSON")]
    public void A_bad_kind_is_refused_with_the_field_and_the_mend(string text, string place, string says)
    {
        var problem = KitReader.Read(text).Problems.First(one => one.Place == place);
        Assert.Contains(says, problem.Message, StringComparison.Ordinal);
    }
}
