using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Merging;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Merging;

/// <summary>Two change a house at the same time, or one changes it twice before the first answer is drawn.</summary>
public class MergeTests
{
    private static readonly NetworkDocument Drawn = Larkspur() with
    {
        Rooms = [Room("barn", "Barn", 0), Room("hall", "Hall", 0)],
        Country = "GB",
    };

    private static NetworkDocument Larkspur() => Examples.House("larkspur-house");

    private static Device Gateway(NetworkDocument house) => house.FindDevice("gw")!;

    private static NetworkDocument Do(NetworkDocument house, params InstallerAction[] actions) =>
        ActionRunner.DoAll(house, [.. actions]).House ?? throw new InvalidOperationException(ActionRunner.DoAll(house, [.. actions]).Problem!.Message);

    /// <summary>One hand, twice: the sender knows its own first change, and spoke of the house as it was drawn.</summary>
    private static NetworkDocument Quick(NetworkDocument known, InstallerAction second) =>
        Do(known, [.. Merge.Of([second], Drawn, known, known)!.Value]);

    private static DescribeHouse House(params Room[] rooms) => new(Drawn.Name, Drawn.Country, Drawn.Building)
    {
        Rooms = [.. rooms],
        Runs = Drawn.Runs,
        Neighbours = Drawn.Neighbours,
    };

    private static Room Room(string id, string name, int floor) => new() { Id = id, Name = name, Floor = floor };

    private static Room Barn => Drawn.Rooms[0];
    private static Room Hall => Drawn.Rooms[1];

    [Fact]
    public void What_one_room_was_said_to_be_stays_when_another_is_said_to_be_something_too()
    {
        var known = Do(Drawn, House(Barn with { Building = "barn" }, Hall));
        Assert.Equal([Barn with { Building = "barn" }, Hall with { Outdoor = true }], Quick(known, House(Barn, Hall with { Outdoor = true })).Rooms);
    }

    [Fact]
    public void Two_parts_of_one_room_and_the_country_beside_them()
    {
        var known = Do(Drawn, House(Barn with { Building = "barn" }, Hall) with { Country = "DE" });
        var now = Quick(known, House(Barn with { Floor = 1 }, Hall));
        Assert.Equal("DE", now.Country);
        Assert.Equal(Barn with { Building = "barn", Floor = 1 }, now.Rooms[0]);
    }

    [Fact]
    public void A_room_that_is_new_and_one_that_is_gone_on_either_side()
    {
        var (attic, porch) = (Room("attic", "Attic", 2), Room("porch", "Porch", 0));
        var known = Do(Drawn, House(Hall, attic));
        Assert.Equal([Hall, attic, porch], Quick(known, House(Barn, Hall, porch)).Rooms);
        Assert.Equal([attic], Quick(known, House(Barn)).Rooms);
    }

    [Fact]
    public void What_was_taken_away_meanwhile_does_not_come_back_with_what_was_only_drawn()
    {
        var known = Do(Drawn, House(Barn, Hall) with { Country = null });
        Assert.Null(Quick(known, House(Barn, Hall)).Country);
    }

    [Fact]
    public void Fields_of_a_label_one_after_the_other()
    {
        var gw = Gateway(Drawn);
        var known = Do(Drawn, new DescribeDevice(gw with { Label = new() { DefaultUser = "admin", PageName = "setup.lan" }, Room = "Hall" }));
        var now = Quick(known, new DescribeDevice(gw with { Label = (gw.Label ?? new()) with { DefaultAddress = Ipv4Address.Parse("10.0.0.1") } }));
        Assert.Equal(("setup.lan", Ipv4Address.Parse("10.0.0.1"), "Hall"), (Gateway(now).Label!.PageName, Gateway(now).Label!.DefaultAddress!.Value, Gateway(now).Room));
    }

    [Fact]
    public void Settings_of_a_line_a_wan_and_a_wifi()
    {
        var (line, wan, wifi) = (Drawn.Line!, Gateway(Drawn).Wan!, Gateway(Drawn).Wifi[0]);
        var known = Do(Drawn, new SetLine(line with { DownMbps = 330 }), new SetWan("gw", wan with { Dns = [Ipv4Address.Parse("198.51.100.53")] }), new SetWifi("gw", 0, wifi with { Ssid = "hawthorn" }));
        Assert.Equal((330.0, 50.0), Quick(known, new SetLine(line with { UpMbps = 50 })).Line is { } both ? ((double)both.DownMbps!, (double)both.UpMbps!) : default);
        Assert.Equal((WanMethod.Pppoe, 1), Gateway(Quick(known, new SetWan("gw", wan with { Method = WanMethod.Pppoe }))).Wan is { } set ? (set.Method, set.Dns.Length) : default);
        Assert.Equal(("hawthorn", "k2"), Gateway(Quick(known, new SetWifi("gw", 0, wifi with { Key = "k2" }))).Wifi[0] is { } network ? (network.Ssid, network.Key) : default);
    }

    [Fact]
    public void The_second_end_of_a_pool_goes_with_the_first_which_was_drawn_otherwise()
    {
        var pool = Gateway(Drawn).Lan!.DhcpServer!;
        var (start, end) = (Ipv4Address.Parse("192.168.31.105"), Ipv4Address.Parse("192.168.31.180"));
        var now = Gateway(Quick(Do(Drawn, new MovePool("gw", start, pool.End!.Value)), new MovePool("gw", pool.Start!.Value, end))).Lan!.DhcpServer!;
        Assert.Equal((start, end), (now.Start, now.End));
    }

    [Fact]
    public void Of_one_hand_that_changes_the_same_twice_the_last_is_meant()
    {
        var known = Do(Drawn, House(Barn, Hall) with { Country = "DE" });
        Assert.Equal("FR", Quick(known, House(Barn, Hall) with { Country = "FR" }).Country);
    }

    /// <summary>What another changed is not known to the sender: where it is something else, both hold, also within one whole.</summary>
    [Fact]
    public void Two_people_who_change_different_parts_of_one_box_both_have_their_way()
    {
        var gw = Gateway(Drawn);
        var now = Do(Drawn, new DescribeDevice(gw with { Room = "Attic" }));
        var meant = Merge.Of([new DescribeDevice(gw with { Label = new() { PageName = "setup.lan" } })], Drawn, Drawn, now);
        Assert.Equal(("Attic", "setup.lan"), Gateway(Do(now, [.. meant!.Value])) is { } box ? (box.Room, box.Label?.PageName) : default);
    }

    [Fact]
    public void Two_people_who_change_the_same_are_told()
    {
        var now = Do(Drawn, new Rename("gw", "A"));
        Assert.Null(Merge.Of([new Rename("gw", "B")], Drawn, Drawn, now));
        Assert.Equal([new Rename("studio", "B")], Merge.Of([new Rename("studio", "B")], Drawn, Drawn, now)!.Value);
    }

    /// <summary>A law over every kind of deed that says a whole: where nobody else changed anything, it is meant as it was said.</summary>
    [Fact]
    public void With_nothing_else_changed_a_deed_is_meant_as_it_was_said()
    {
        InstallerAction[] deeds =
        [
            House(Barn), new DescribeDevice(Gateway(Drawn) with { Room = "Attic" }), new DescribeEndpoint(Drawn.Endpoints[0] with { Name = "Other" }),
            new SetLine(Drawn.Line! with { DownMbps = 7 }), new SetWan("gw", Gateway(Drawn).Wan! with { Method = WanMethod.Pppoe }), new Rename("gw", "Box"),
        ];
        var copy = DocumentReader.Read(AltrinJson.Write(Drawn)).Document!;
        foreach (var deed in deeds)
            Assert.Equal(Json(deed), Json(Assert.Single(Merge.Of([deed], Drawn, copy, copy)!.Value)));

        static string Json(InstallerAction deed) => JsonNode.Parse(JsonSerializer.Serialize(deed, AltrinJson.Compact))!.ToJsonString();
    }
}
