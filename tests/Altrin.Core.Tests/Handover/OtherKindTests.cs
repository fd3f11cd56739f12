using System.Diagnostics;
using System.Text;
using System.Text.RegularExpressions;
using System.Xml;
using System.Xml.Linq;
using Altrin.Core.Documents;
using Altrin.Core.Handover;
using Altrin.Core.Handover.Letters;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Ical.Net;
using Markdig;
using Markdig.Syntax;

namespace Altrin.Core.Tests.Handover;

/// <summary>The other kinds of section 8, each by a reader that is not ours.</summary>
public partial class OtherKindTests
{
    private static readonly XNamespace GraphSpace = "http://graphml.graphdrawing.org/xmlns";

    /// <summary>GraphML 1.0: every node has its id once, every edge two nodes that are there, every datum a key that is declared for its
    /// kind.</summary>
    [Fact]
    public void The_graph_is_whole()
    {
        foreach (var house in ExportHouses.All())
        {
            var graph = XDocument.Parse(ExportHouses.Export(house, "chain.graphml")).Root!;
            var nodes = graph.Descendants(GraphSpace + "node").Select(node => node.Attribute("id")!.Value).ToList();
            Assert.Equal(house.Devices.Select(box => box.Id).Concat(house.Endpoints.Select(thing => thing.Id)), nodes);
            var keys = graph.Elements(GraphSpace + "key").ToDictionary(key => key.Attribute("id")!.Value,
                key => key.Attribute("for")!.Value);
            Assert.All(graph.Descendants(GraphSpace + "data"),
                data => Assert.Equal(data.Parent!.Name.LocalName, keys[data.Attribute("key")!.Value]));
            var edges = graph.Descendants(GraphSpace + "edge").ToList();
            Assert.All(edges,
                edge => Assert.Subset(nodes.ToHashSet(),
                new HashSet<string> { edge.Attribute("source")!.Value, edge.Attribute("target")!.Value }));
            var wires = house.Cables.Length + house.Endpoints.Count(thing => thing.Connect?.Socket is not null);
            Assert.Equal(wires,
                edges.Count(edge => edge.Elements().First(data => data.Attribute("key")!.Value == "medium").Value != "radio"));
        }
    }

    [Fact]
    public void The_picture_is_one_file_of_letters_with_every_box()
    {
        foreach (var house in ExportHouses.All())
        {
            var picture = XDocument.Parse(ExportHouses.Export(house, "stairs.svg"));
            Assert.Equal("svg", picture.Root!.Name.LocalName);
            Assert.Equal(house.Devices.Length,
                picture.Descendants().Count(one => one.Name.LocalName == "rect" && one.Attribute("class")!.Value == "box"));
            Assert.DoesNotContain(picture.Descendants(), one => one.Name.LocalName is "script" or "image" or "foreignObject" or "use");
            // A shortened name stands whole in a title.
            var told = picture.Descendants().Where(one => one.Name.LocalName is "title" or "text").Select(one =>
                one.Value.Trim('\u2068', '\u2069')).ToHashSet();
            Assert.All(house.Devices, box => Assert.Contains(Normal(box.Name), told.Select(Normal)));
        }
    }

    /// <summary>XML makes one of all line ends (XML 1.0 section 2.11).</summary>
    private static string Normal(string text) => text.ReplaceLineEndings("\n").Trim();

    /// <summary>CommonMark by Markdig: headings as asked for, one table of wants, no HTML and no link but what was written.</summary>
    [Fact]
    public void The_record_has_its_headings_and_no_html_whatever_names_say()
    {
        foreach (var house in ExportHouses.All())
        {
            var text = ExportHouses.Export(house, "record.md", house);
            var record = Markdown.Parse(text, new MarkdownPipelineBuilder().UsePipeTables().Build());
            var heads = record.OfType<HeadingBlock>().Select(head => (head.Level, Plain(head))).ToList();
            Assert.Equal(["The chain", "The boxes", "What changed", "Wants", "Tested and seen", "Left alone", "Cautions", "Good to know",
                "For the next installer"],
                heads.Where(head => head.Level == 2).Select(head => head.Item2));
            Assert.Equal(house.Devices.Length, heads.Count(head => head.Level == 3));
            Assert.DoesNotContain(record.Descendants(),
                block =>
                block is HtmlBlock or Markdig.Syntax.Inlines.HtmlInline or Markdig.Syntax.Inlines.LinkInline or Markdig.Syntax.Inlines.CodeInline);
            var tables = record.Descendants<Markdig.Extensions.Tables.Table>().ToList();
            Assert.Equal(house.Needs.IsEmpty ? 0 : 1, tables.Count);
            if (tables.Count == 1) Assert.Equal(house.Needs.Length + 1, tables[0].Count);
            Assert.DoesNotContain("What changed", ExportHouses.Export(house, "record.md"), StringComparison.Ordinal);
        }
    }

    private static string Plain(LeafBlock block) => string.Concat(block.Inline!.Descendants().Select(one => one switch
    {
        Markdig.Syntax.Inlines.LiteralInline text => text.Content.ToString(),
        Markdig.Syntax.Inlines.HtmlEntityInline text => text.Transcoded.ToString(),
        _ => "",
    }));

    [Fact]
    public void The_record_as_a_page_closes_every_tag_runs_nothing_and_links_to_box_pages_alone()
    {
        foreach (var house in ExportHouses.All())
        {
            var text = ExportHouses.Export(house, "record.html");
            var page = XDocument.Parse(text.Replace("<!DOCTYPE html>", "", StringComparison.Ordinal));
            Assert.DoesNotContain(page.Descendants(), one => one.Name.LocalName is "script" or "link" or "img" or "iframe" or "form");
            Assert.All(page.Descendants("a"), link => Assert.Matches(@"\Ahttp://\d+\.\d+\.\d+\.\d+\z", link.Attribute("href")!.Value));
            Assert.DoesNotContain(page.Descendants().Attributes(),
                attribute => attribute.Name.LocalName.StartsWith("on", StringComparison.Ordinal));
        }
    }

    /// <summary>Each sentence of what changed names the box or thing, the old and the new value.</summary>
    [Fact]
    public void What_changed_is_told_with_the_old_and_the_new()
    {
        var found = Examples.House("larkspur-house");
        var record = ExportHouses.Export(found, "record.md", PlanSearch.Of(found).Plans[0].House);
        Assert.Contains("- Studio router: DHCP server was on, is now off.", record, StringComparison.Ordinal);
        Assert.Contains("- Hall gateway: Channel at 2.4 GHz was 6, is now 1.", record, StringComparison.Ordinal);
        Assert.Contains("| Kitchen tablet reaches Recorder on tcp 554 | fails | holds |", record, StringComparison.Ordinal);
    }

    /// <summary>RFC 5545 by Ical.Net; lines of at most 75 octets (section 3.1).</summary>
    [Fact]
    public void The_visit_is_an_appointment_as_long_as_the_order()
    {
        var found = Examples.House("larkspur-house");
        var planned = PlanSearch.Of(found).Plans[0].House;
        var text = ExportHouses.Export(found, "visit.ics", planned);
        Assert.All(text.Split("\r\n"), line => Assert.InRange(Encoding.UTF8.GetByteCount(line), 0, 75));
        var visit = Assert.Single(Calendar.Load(text)!.Events);
        var order = Core.WorkOrders.OrderWays.Of(found, planned).Best;
        Assert.Equal(TimeSpan.FromMinutes(order.Minutes), visit.EffectiveDuration.ToTimeSpanUnspecified());
        Assert.Equal(new DateTime(2026, 12, 3, 9, 0, 0), visit.Start!.Value);
        Assert.Contains("Studio tablet", visit.Description!, StringComparison.Ordinal);
        Assert.Equal(text, ExportHouses.Export(found, "visit.ics", planned));
        Assert.Null(Exports.Find("visit.ics")!.Write(new(found, null, DateTime.UnixEpoch)));
    }

    /// <summary>RFC 1123 section 2.1: letters, digits, hyphens, none at an end, at most 63.</summary>
    [Theory]
    [InlineData("Küche – Drucker №1", "kuche-drucker-no1")]
    [InlineData("  -- ", "x9")]
    [InlineData("192", "h-192")]
    [InlineData("localhost", "localhost-2")]
    [InlineData("ﬁrst", "first")]
    public void A_name_becomes_a_host_name(string name, string host) => Assert.Equal(host, new HostNames().Give(name, "x9"));

    [Fact]
    public void Of_two_alike_the_second_is_numbered_and_stays_short_enough()
    {
        var names = new HostNames();
        var long_ = new string('a', 70);
        Assert.Equal((new string('a', 63), new string('a', 61) + "-2"), (names.Give(long_, "x"), names.Give(long_, "y")));
    }

    [Fact]
    public void Hosts_of_every_house_are_names_that_stand_once()
    {
        foreach (var house in ExportHouses.All())
        {
            var names = ExportHouses.Export(house, "hosts").Split('\n',
                StringSplitOptions.RemoveEmptyEntries).Select(line => line.Split(' ')).ToList();
            Assert.All(names, one => Assert.Matches(HostName(), one[1]));
            Assert.Equal(names.Count, names.Select(one => one[1]).Distinct().Count());
        }
    }

    [GeneratedRegex(@"\A(?=.{1,63}\z)[a-z0-9]([a-z0-9-]*[a-z0-9])?\z")]
    private static partial Regex HostName();

    /// <summary>The program itself reads them, where it is there.</summary>
    [Fact]
    public void Lines_for_dnsmasq_are_taken_by_dnsmasq()
    {
        Assert.SkipUnless(File.Exists("/usr/sbin/dnsmasq"), "dnsmasq is not installed.");
        var file = Path.GetTempFileName();
        try
        {
            foreach (var house in ExportHouses.All())
            {
                File.WriteAllText(file, ExportHouses.Export(house, "dnsmasq"));
                using var test = Process.Start(new ProcessStartInfo("/usr/sbin/dnsmasq",
                    ["--test", "-C", file])
                { RedirectStandardError = true })!;
                var says = test.StandardError.ReadToEnd();
                test.WaitForExit();
                Assert.True(test.ExitCode == 0, says);
            }
        }
        finally
        {
            File.Delete(file);
        }
    }

    /// <summary>A router's MAC is that of its WAN side: its LAN address never stands beside it.</summary>
    [Fact]
    public void A_router_is_told_by_its_wan()
    {
        var house = new HouseBuilder().Gateway().Box("own",
            with: box => box with { Mac = MacAddress.Parse("00:00:5E:00:53:44") }).Cable("gw:lan1", "own:wan").House;
        Assert.Empty(ExportHouses.Export(house, "dnsmasq"));
        var kept = house.WithDevice("gw", box => box with
        {
            Lan = box.Lan! with { DhcpServer = box.Lan.DhcpServer! with { Reservations = [new() { Mac = MacAddress.Parse("00:00:5E:00:53:44"), Address = Ipv4Address.Parse("192.168.31.44") }, new() { Mac = MacAddress.Parse("00:00:5E:00:53:45"), Address = Ipv4Address.Parse("192.168.31.45") }] } },
        });
        Assert.Equal("dhcp-host=00:00:5E:00:53:44,192.168.31.44,own\ndhcp-host=00:00:5E:00:53:45,192.168.31.45\n",
            ExportHouses.Export(kept, "dnsmasq"));
    }

    /// <summary>No field that the format does not know goes out, in any kind; the same input gives the same bytes.</summary>
    [Fact]
    public void Strange_fields_come_out_nowhere()
    {
        var text = Examples.Text("larkspur-house").Replace("\"id\": \"gw\",", "\"id\": \"gw\", \"planted\": \"hunter-2\", ",
            StringComparison.Ordinal);
        var house = Examples.Read(text);
        Assert.Contains("hunter-2", AltrinJson.Write(house), StringComparison.Ordinal);
        foreach (var kind in Exports.All)
        {
            var written = kind.Write(new(house, house, DateTime.UnixEpoch));
            Assert.DoesNotContain("hunter-2", written!, StringComparison.Ordinal);
            Assert.Equal(written, kind.Write(new(Examples.Read(text), Examples.Read(text), DateTime.UnixEpoch)));
        }
        Assert.Equal(AltrinJson.Write(Examples.House("larkspur-house")), ExportHouses.Export(house, "altrin.network/1"));
    }

    [Fact]
    public void Whatever_is_a_letter_stays_inside_its_quotes_in_dot()
    {
        foreach (var house in ExportHouses.All())
            foreach (var line in ExportHouses.Export(house, "chain.dot").Split('\n',
                StringSplitOptions.RemoveEmptyEntries).Skip(1).SkipLast(1))
                Assert.Matches(DotLine(), line);
    }

    [GeneratedRegex("""\A  "([^"\\]|\\.)+"( -- "([^"\\]|\\.)+")? \[[a-z_]+="([^"\\]|\\.)*"( [a-z_]+="([^"\\]|\\.)*")*\];\z""")]
    private static partial Regex DotLine();
}
