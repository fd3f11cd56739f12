using System.Text;
using Altrin.Core.Documents;
using Altrin.Core.Handover.Imports;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Handover;

/// <summary>Tables that come back from a spreadsheet.</summary>
public class ImportTests
{
    private static TableImport Read(NetworkDocument house, string table, string? kind = null) =>
        TableImports.Read(house, Encoding.UTF8.GetBytes(table), kind, out _)!;

    /// <summary>Law: what went out and comes back unchanged changes nothing, in whatever dress.</summary>
    [Fact]
    public void A_table_that_comes_back_unchanged_gives_no_deed()
    {
        foreach (var house in ExportHouses.All())
            foreach (var kind in TableImports.All)
            {
                var text = ExportHouses.Export(house, kind);
                foreach (var bytes in new[] { Encoding.UTF8.GetBytes(text), [0xEF, 0xBB, 0xBF, .. Encoding.UTF8.GetBytes(text)],
                    [.. Encoding.Unicode.GetPreamble(), .. Encoding.Unicode.GetBytes(text)] })
                {
                    var import = TableImports.Read(house, bytes, kind, out var problem);
                    Assert.True(import is not null, problem);
                    Assert.Empty(import!.Deeds);
                    Assert.Empty(import.Unmatched);
                    Assert.Empty(import.Problems);
                }
            }
    }

    [Fact]
    public void What_differs_is_a_deed_each_and_taken_it_is_so()
    {
        var house = Examples.House("larkspur-house");
        var import = Read(house, "id;name;room;address;colour\r\ngw;Hub;Loft;192.168.31.2;red\r\nnobody;X;;;\r\n");
        Assert.Equal(("boxes.csv", "colour"), (import.Kind, Assert.Single(import.Ignored)));
        Assert.Equal(["name", "room", "address"], import.Deeds.Select(deed => deed.Column));
        Assert.Equal((3, "No box of the house has this id, “nobody”."), (Assert.Single(import.Unmatched).Row, import.Unmatched[0].Says));
        var after = house;
        foreach (var deed in import.Deeds)
        {
            after = deed.Apply(after, out var problem)!;
            Assert.Null(problem);
        }
        var box = after.FindDevice("gw")!;
        Assert.Equal(("Hub", "Loft", "192.168.31.2/24"), (box.Name, box.Room, box.Lan!.Address.ToString()));
        Assert.Null(HouseCheck.WhyNot(after));
    }

    /// <summary>By id, then MAC, then name; columns in any order; MACs as any system writes them.</summary>
    [Theory]
    [InlineData("firmware,id\n9.1,studio\n")]
    [InlineData("firmware\tmac\n9.1\t00-00-5e-00-53-02\n")]
    [InlineData("Firmware,Name\n9.1,studio router\n")]
    [InlineData("firmware,name,id\n9.1,Hall gateway,studio\n")]
    public void A_row_is_found_by_id_then_mac_then_name(string table)
    {
        var house = Examples.House("larkspur-house");
        var deed = Read(house, table, "boxes.csv").Deeds.Single(one => one.Column == "firmware");
        Assert.Equal("9.1", deed.Apply(house, out _)!.FindDevice("studio")!.Firmware);
    }

    [Fact]
    public void Things_cables_and_addresses_come_back_too()
    {
        var house = Examples.House("larkspur-house");
        var things = Read(house, "id,address,held,services\nprinter,192.168.31.9,fixed,tcp/443 udp/161\nrecorder,,leased,\n", "things.csv");
        var after = things.Deeds.Aggregate(house, (now, deed) => deed.Apply(now, out _)!);
        Assert.Equal(("192.168.31.9/24", 2),
            (after.FindEndpoint("printer")!.Address.Address.ToString(), after.FindEndpoint("printer")!.Services.Length));
        Assert.Equal(EndpointMethod.Dhcp, after.FindEndpoint("recorder")!.Address.Method);

        var cables = Read(house, "id;to_socket;category;length_m\nc1;lan2;cat6;20,5\n", "cables.csv");
        after = cables.Deeds.Aggregate(house, (now, deed) => deed.Apply(now, out _)!);
        Assert.Equal(("lan2", "cat6", 20.5),
            (after.FindCable("c1")!.B.Port, after.FindCable("c1")!.Category, after.FindCable("c1")!.LengthM));

        var addresses = Read(house,
            "holder,role,address\ngw,pool-first,192.168.31.110\nprinter,fixed,192.168.31.9\ngw,gateway,192.168.31.254\nnobody,box,192.168.31.3\n", "addresses.csv");
        after = addresses.Deeds.Aggregate(house, (now, deed) => deed.Apply(now, out _)!);
        Assert.Equal(("192.168.31.110", "192.168.31.9/24", "192.168.31.254/24"),
            (after.FindDevice("gw")!.Lan!.DhcpServer!.Start.ToString(), after.FindEndpoint("printer")!.Address.Address.ToString(),
                after.FindDevice("gw")!.Lan!.Address.ToString()));
        Assert.Single(addresses.Unmatched);
    }

    [Theory]
    [InlineData("id,mac\ngw,nonsense\n", "mac")]
    [InlineData("id,mode\ngw,toaster\n", "mode")]
    [InlineData("id,address\ngw,192.168.31.999\n", "address")]
    public void A_cell_that_cannot_be_read_is_named_and_changes_nothing(string table, string column)
    {
        var import = Read(Examples.House("larkspur-house"), table, "boxes.csv");
        Assert.Empty(import.Deeds);
        Assert.Equal((2, column), (Assert.Single(import.Problems).Row, import.Problems[0].Column));
    }

    /// <summary>What the house refuses is refused with its reason, not half done.</summary>
    [Fact]
    public void A_deed_that_the_house_refuses_says_why()
    {
        var deed = Assert.Single(Read(Examples.House("larkspur-house"), "id,mode\nstudio,modem\n", "boxes.csv").Deeds);
        Assert.Null(deed.Apply(Examples.House("larkspur-house"), out var problem));
        Assert.NotNull(problem);
    }

    [Theory]
    [InlineData("")]
    [InlineData("colour,size\nred,2\n")]
    [InlineData("id,name\n\"gw,open\n")]
    public void What_is_no_table_is_refused_in_words(string table)
    {
        Assert.Null(TableImports.Read(Examples.House("larkspur-house"), Encoding.UTF8.GetBytes(table), "boxes.csv", out var problem));
        Assert.NotEmpty(problem);
    }
}
