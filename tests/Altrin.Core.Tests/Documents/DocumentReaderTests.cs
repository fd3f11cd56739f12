using System.Text;
using System.Text.Json.Nodes;
using Altrin.Core.Documents;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;
using Altrin.Core.Rules.Judging;

namespace Altrin.Core.Tests.Documents;

public class DocumentReaderTests
{
    private static readonly string Healthy = Examples.Text("healthy");

    /// <summary>The healthy house with one thing changed.</summary>
    private static string Changed(Action<JsonNode> change)
    {
        var node = JsonNode.Parse(Healthy)!;
        change(node);
        return node.ToJsonString();
    }

    private static string FirstProblem(string text) => DocumentReader.Read(text).Problems[0].ToString();

    [Theory, MemberData(nameof(Examples.All), MemberType = typeof(Examples))]
    public void A_round_trip_loses_nothing(string example)
    {
        var once = AltrinJson.Write(Examples.House(example));
        Assert.Equal(once, AltrinJson.Write(Examples.Read(once)));
        AssertHolds(JsonNode.Parse(Examples.Text(example)), JsonNode.Parse(once), example);
    }

    /// <summary>All that stands in the one stands in the other; a null may be left out, a bare address gets its prefix.</summary>
    private static void AssertHolds(JsonNode? expected, JsonNode? actual, string place)
    {
        switch (expected)
        {
            case JsonObject fields:
                foreach (var (name, value) in fields)
                    if (value is not null) AssertHolds(value, actual![name], $"{place}.{name}");
                break;
            case JsonArray items:
                for (var i = 0; i < items.Count; i++) AssertHolds(items[i], actual![i], $"{place}[{i}]");
                break;
            default:
                Assert.True(JsonNode.DeepEquals(expected, actual), $"{place}: {expected} became {actual}");
                break;
        }
    }

    [Fact]
    public void Fields_of_a_later_version_are_kept()
    {
        var text = Changed(house => house["devices"]![0]!["colour"] = "green");
        Assert.Contains("\"colour\": \"green\"", AltrinJson.Write(Examples.Read(text)), StringComparison.Ordinal);
    }

    public static IEnumerable<TheoryDataRow<string, string>> Slips()
    {
        yield return Row(h => h["devices"]![0]!["mode"] = "bridge", "devices[0].mode: “bridge” is unknown here. Use router, access-point, repeater, wds, client-bridge, mesh-satellite, switch, modem, passthrough.");
        yield return Row(h => h["devices"]![0]!["lan"]!["address"] = "192.168.31.255/24", "devices[0].lan.address: 192.168.31.255/24 is the broadcast address of 192.168.31.0/24, which no box may hold. Use .1 to .254.");
        yield return Row(h => h["devices"]![0]!["lan"]!["address"] = "192.168.31.0/24", "devices[0].lan.address: 192.168.31.0/24 is the network address of 192.168.31.0/24, which no box may hold. Use .1 to .254.");
        yield return Row(h => h["devices"]![0]!["lan"]!["address"] = "192.168.31.1/33", "devices[0].lan.address: “192.168.31.1/33” is not an address with its prefix length, such as 192.168.1.1/24.");
        yield return Row(h => h["devices"]![0]!["lan"]!["dhcpServer"]!["end"] = "192.168.31.9", "devices[0].lan.dhcpServer.end: The pool ends at 192.168.31.9, before it starts at 192.168.31.100. Swap the two.");
        yield return Row(h => h["devices"]![1]!["id"] = "gw", "devices[1].id: “gw” is taken by devices[0]. Give it another id.");
        yield return Row(h => h["endpoints"]![0]!["id"] = "gw", "endpoints[0].id: “gw” is taken by devices[0]. Give it another id.");
        yield return Row(h => h["cables"]![0]!["b"]!["port"] = "lan9", "cables[0].b.port: Second router has no socket “lan9”. Its sockets are wan, lan1, lan2, lan3, lan4.");
        yield return Row(h => h["cables"]![0]!["b"]!["device"] = "attic", "cables[0].b.device: There is no device “attic”. The devices are gw, second.");
        yield return Row(h => h["cables"]![0]!["a"]!["port"] = "lan1", "endpoints[0].connect.port: Socket lan1 of Hall gateway is taken by cables[0].a. Use another socket.");
        yield return Row(h => h["line"]!["port"] = "dsl", "line.port: Hall gateway has no socket “dsl”. Its sockets are line, lan1, lan2, lan3, lan4.");
        yield return Row(h => h["needs"]![0]!["endpoint"] = "fridge", "needs[0].endpoint: There is no endpoint “fridge”. The endpoints are laptop, tablet.");
        yield return Row(h => h["needs"]!.AsArray().Add(JsonNode.Parse("""{"id":"t","kind":"tunnel","prefix":"10.1.0.0/8"}""")), "needs[4].prefix: “10.1.0.0/8” is not a prefix such as 192.168.1.0/24. It has host bits set: write 10.0.0.0/8.");
        yield return Row(h => h["devices"]![0]!["Lan"] = h["devices"]![0]!["lan"]!.DeepClone(), null);
        yield return Row(h => { h["devices"]![0]!["firewal"] = true; h["devices"]![0]!.AsObject().Remove("firewall"); }, "devices[0].firewal: Not a field of altrin.network/1. Did you mean firewall?");
        yield return Row(h => h["endpoints"]![0]!["address"] = JsonNode.Parse("""{"method":"static","address":"224.0.0.5"}"""), "endpoints[0].address.address: 224.0.0.5 is a multicast address, which no device may hold.");
        yield return Row(h => h["format"] = "altrin.network/2", "format: “altrin.network/2” is another format or version. This program reads altrin.network/1.");
        yield return Row(h => h.AsObject().Remove("format"), "format: Missing. Write text.");
        yield return Row(h => h["devices"] = "none", "devices: “none” stands here. Write a list in square brackets.");
        yield return Row(h => h["devices"]![0] = 7, "devices[0]: 7 stands here. Write an object in braces.");

        static TheoryDataRow<string, string> Row(Action<JsonNode> change, string? problem) => new(Changed(change), problem ?? "");
    }

    [Theory, MemberData(nameof(Slips))]
    public void A_slip_is_named_with_its_place_and_its_mend(string text, string problem)
    {
        var result = DocumentReader.Read(text);
        Assert.Equal(problem, result.Problems.Count == 0 ? "" : result.Problems[0].ToString());
        Assert.Equal(problem.Length == 0, result.Document is not null);
    }

    [Fact]
    public void All_slips_are_told_at_once()
    {
        var text = Changed(house =>
        {
            house["devices"]![0]!["mode"] = "bridge";
            house["devices"]![1]!["lan"]!["address"] = "here";
        });
        Assert.Equal(["devices[0].mode", "devices[1].lan.address"], DocumentReader.Read(text).Problems.Select(problem => problem.Place));
    }

    [Fact]
    public void Text_that_is_no_json_is_told_its_line_and_column() =>
        Assert.StartsWith("This is not JSON at line 2, column 3", FirstProblem("{\n  nonsense }"), StringComparison.Ordinal);

    [Fact]
    public void A_field_written_twice_is_refused() => Assert.Null(DocumentReader.Read("""{"format":"altrin.network/1","format":"x"}""").Document);

    [Theory]
    [InlineData("")]
    [InlineData("null")]
    [InlineData("[]")]
    [InlineData("\"\\ud800\"")]
    [InlineData("""{"format":"altrin.network/1","name":"\ud800"}""")]
    [InlineData("""{"format":"altrin.network/1","\ud800":1}""")]
    [InlineData("""{"format":"altrin.network/1","devices":[{"id":"a","mode":"router","ports":[{"id":"p","role":"lan","speedMbps":1e999}]}]}""")]
    public void Odd_input_gives_problems_and_no_exception(string text) => Assert.NotEmpty(DocumentReader.Read(text).Problems);

    [Fact]
    public void Deep_nesting_is_refused() => Assert.NotEmpty(DocumentReader.Read(new string('[', 100_000)).Problems);

    [Property(MaxTest = 400)]
    public bool Nothing_throws_on_any_bytes(byte[] bytes)
    {
        var result = DocumentReader.Read(bytes);
        return (result.Document is null) == (result.Problems.Count > 0);
    }

    [Fact]
    public void Nothing_throws_on_an_example_with_bytes_changed()
    {
        var random = new Random(20261123);
        var texts = Examples.Names().Select(name => Encoding.UTF8.GetBytes(Examples.Text(name))).ToList();
        var readable = 0;
        for (var i = 0; i < 4000; i++)
        {
            var bytes = (byte[])texts[i % texts.Count].Clone();
            for (var n = random.Next(1, 3); n > 0; n--) bytes[random.Next(bytes.Length)] = (byte)random.Next(32, 127);
            var result = DocumentReader.Read(bytes);
            Assert.Equal(result.Document is null, result.Problems.Count > 0);
            if (result.Document is null) continue;
            readable++;
            Altrin.Core.Rules.Judging.Evaluation.Of(result.Document);
        }
        Assert.InRange(readable, 100, 3900);    // else the changes were all harmless, or all fatal, and little was tried
    }
}
