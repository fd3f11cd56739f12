using System.Globalization;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using CsvHelper;
using CsvHelper.Configuration;

namespace Altrin.Core.Tests.Handover;

/// <summary>Tables as section 8 of the format has them, read by a library that did not write them.</summary>
public class TableTests
{
    private static readonly string[] Tables = ["boxes.csv", "things.csv", "addresses.csv", "cables.csv", "networks.csv"];

    /// <summary>Strict: a quote out of place is an error.</summary>
    internal static List<Dictionary<string, string>> Read(string text)
    {
        using var csv = new CsvReader(new StringReader(text), new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\r\n" });
        csv.Read();
        csv.ReadHeader();
        var rows = new List<Dictionary<string, string>>();
        while (csv.Read()) rows.Add(csv.HeaderRecord!.ToDictionary(name => name, name => csv.GetField(name)!, StringComparer.Ordinal));
        return rows;
    }

    /// <summary>RFC 4180 section 2: CRLF after each record, as many fields in each; what a spreadsheet would reckon is no formula any
    /// more.</summary>
    [Fact]
    public void Every_table_of_every_house_is_read_by_another_reader()
    {
        foreach (var house in ExportHouses.All())
            foreach (var kind in Tables)
            {
                var text = ExportHouses.Export(house, kind);
                Assert.EndsWith("\r\n", text, StringComparison.Ordinal);
                var rows = Read(text);
                Assert.All(rows.SelectMany(row => row.Values),
                    cell => Assert.False(cell.Length > 0 && "=+-@\t\r\n".Contains(cell[0], StringComparison.Ordinal), cell));
                var count = kind switch
                {
                    "boxes.csv" => house.Devices.Length,
                    "things.csv" => house.Endpoints.Length,
                    "cables.csv" => house.Cables.Length,
                    _ => rows.Count
                };
                Assert.Equal(count, rows.Count);
            }
    }

    [Fact]
    public void A_cell_that_is_a_formula_gets_an_apostrophe_and_one_that_begins_with_some_one_more()
    {
        var rows = Read(ExportHouses.Export(ExportHouses.Hostiles(), "boxes.csv"));
        Assert.Equal(("'" + ExportHouses.Hostile, "''=x", "'@SUM(A1)"), (rows[0]["name"], rows[0]["hardware"], rows[0]["firmware"]));
    }

    /// <summary>The demo house, looked at by hand.</summary>
    [Fact]
    public void The_demo_house_reads_as_somebody_would_write_it_down()
    {
        var house = Examples.House("larkspur-house");
        Assert.Equal("""
            id,name,room,kit,mode,address,held,mac,page,admin_user,wifi,hangs_on,medium,hardware,firmware
            gw,Hall gateway,Hall,,router,192.168.31.1,fixed,00:00:5E:00:53:01,http://192.168.31.1,admin,larkspur,,,,
            studio,Studio router,Garden studio,,router,192.168.1.1,fixed,00:00:5E:00:53:02,http://192.168.1.1,admin,studio-old,gw,ethernet,,

            """.ReplaceLineEndings("\r\n"), ExportHouses.Export(house, "boxes.csv"));
        var addresses = Read(ExportHouses.Export(house, "addresses.csv"));
        Assert.Contains(addresses, row => row["address"] == "192.168.31.100" && (row["holder"], row["role"]) == ("studio", "box"));
        Assert.Equal(["192.168.0.0/24", "192.168.1.0/24", "192.168.31.0/24"], addresses.Select(row => row["subnet"]).Distinct());
        Assert.Equal(["gateway", "leased", "pool-first", "leased", "pool-last"],
            addresses.Where(row => row["subnet"] == "192.168.1.0/24").Select(row => row["role"]));
    }

    private static Dictionary<string, string> Thing(NetworkDocument house, string id) =>
        Read(ExportHouses.Export(house, "things.csv")).Single(row => row["id"] == id);

    private static Dictionary<string, string> Box(NetworkDocument house, string id) =>
        Read(ExportHouses.Export(house, "boxes.csv")).Single(row => row["id"] == id);

    [Fact]
    public void How_an_address_is_held_is_told_and_a_stand_in_never_leaves()
    {
        var house = new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, null,
            with: box => box with { Lan = new() { Method = LanMethod.Dhcp } }).Cable("gw:lan1", "ap:lan1")
            .Box("spare", address: "192.168.31.7/24").Thing("kept", "gw:lan2", mac: "00:00:5E:00:53:07").Thing("set", "gw:lan3",
                "192.168.31.9/24").Thing("out", null)
            .With(h => h.WithDevice("gw", box => box with
            {
                Lan = box.Lan! with { DhcpServer = box.Lan.DhcpServer! with { Reservations = [new() { Mac = MacAddress.Parse("00:00:5E:00:53:07"), Address = Ipv4Address.Parse("192.168.31.20") }] } },
            })).House;
        Assert.Equal(("192.168.31.20", "reserved"), (Thing(house, "kept")["address"], Thing(house, "kept")["held"]));
        Assert.Equal(("192.168.31.9", "fixed"), (Thing(house, "set")["address"], Thing(house, "set")["held"]));
        Assert.Equal(("", "none", "", ""),
            (Thing(house, "out")["address"], Thing(house, "out")["held"], Thing(house, "out")["hangs_on"], Thing(house, "out")["by"]));
        Assert.Equal(("leased", "gw", "ethernet"), (Box(house, "ap")["held"], Box(house, "ap")["hangs_on"], Box(house, "ap")["medium"]));
        // On the table it is told what it is set to, and hangs on nobody.
        Assert.Equal(("192.168.31.7", "fixed", ""),
            (Box(house, "spare")["address"], Box(house, "spare")["held"], Box(house, "spare")["hangs_on"]));
        // On a modem a thing has an address of the line: which one nobody has seen.
        var modem = new HouseBuilder().Gateway(mode: DeviceMode.Modem).Thing("a", "gw:lan1").House;
        Assert.Equal(("", "leased"), (Thing(modem, "a")["address"], Thing(modem, "a")["held"]));
        Assert.DoesNotContain("203.0.113.", string.Concat(Tables.Select(kind => ExportHouses.Export(modem, kind))),
            StringComparison.Ordinal);
        var seen = modem with
        {
            Line = modem.Line! with
            {
                Seen = new()
                {
                    Address = InterfaceAddress.Parse("198.51.100.7/24"),
                    Gateway = Ipv4Address.Parse("198.51.100.1")
                }
            }
        };
        Assert.Equal("198.51.100.7", Thing(seen, "a")["address"]);
    }

    /// <summary>Law: what is printed as held is what the simulation says, and every row is in order.</summary>
    [Fact]
    public void Addresses_stand_in_order_and_each_is_held()
    {
        foreach (var house in ExportHouses.All())
        {
            var state = Simulator.Run(house);
            var rows = Read(ExportHouses.Export(house, "addresses.csv"));
            var order = rows.Select(row =>
                (Prefix.TryParse(row["subnet"], out var subnet) ? subnet : default, Ipv4Address.Parse(row["address"]))).ToList();
            for (var i = 1; i < order.Count; i++)
                Assert.True((order[i - 1].Item1.Network.Value, order[i - 1].Item1.Length,
                    order[i - 1].Item2.Value).CompareTo((order[i].Item1.Network.Value, order[i].Item1.Length, order[i].Item2.Value)) <= 0);
            foreach (var row in rows.Where(row => row["role"] is "gateway" or "box" or "fixed" or "leased"))
                Assert.Contains(state.Interfaces, one => one.Owner == row["holder"] && one.Address?.Address.ToString() == row["address"]);
        }
    }

    [Fact]
    public void A_room_is_called_as_it_is_listed_and_by_its_id_where_its_name_leads_elsewhere()
    {
        NetworkDocument In(string room, params Room[] rooms) =>
            new HouseBuilder().Gateway().With(h => h with { Rooms = [.. rooms] }).With(h =>
            h.WithDevice("gw", box => box with { Room = room })).House;
        Assert.Equal("Hall way", Box(In("hall", new Room { Id = "hall", Name = "Hall way" }), "gw")["room"]);
        Assert.Equal("attic?", Box(In("attic?"), "gw")["room"]);
        Assert.Equal("b", Box(In("b", new Room { Id = "a", Name = "Twin" }, new Room { Id = "b", Name = "Twin" }), "gw")["room"]);
    }
}
