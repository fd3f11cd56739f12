using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Altrin.Web.Cli;

namespace Altrin.Web.Tests;

public class CommandLineTests
{
    private static (int Status, string Output, string Error) Run(string input, params string[] arguments)
    {
        using var output = new MemoryStream();
        using var error = new StringWriter();
        var status = SimulateCommand.Run(arguments, () => new MemoryStream(Encoding.UTF8.GetBytes(input)), output, error);
        return (status, Encoding.UTF8.GetString(output.ToArray()), error.ToString());
    }

    private static string File(string example) => Path.Combine(TestApp.Root, "docs", "examples", $"{example}.json");

    [Fact]
    public void A_file_gives_its_state()
    {
        var (status, output, error) = Run("", File("double-nat"));
        var state = JsonDocument.Parse(output).RootElement;
        Assert.Equal((0, "", "altrin.state/1"), (status, error, state.GetProperty("format").GetString()));
        Assert.Equal("double-nat", state.GetProperty("findings")[0].GetProperty("rule").GetString());
        Assert.Equal(2, state.GetProperty("reach").GetArrayLength());        // two things, so two ordered pairs
        Assert.Equal(4, state.GetProperty("admin").GetArrayLength());        // two things, two devices
    }

    /// <summary>A house whose complete lists would fill a disk is refused with the mend, at once; the parts of it are still to be had.</summary>
    [Fact]
    public void A_house_of_six_thousand_things_is_answered_in_parts()
    {
        var things = string.Join(",", Enumerable.Range(0, 6000).Select(i => $$$"""{"id":"e{{{i}}}","connect":{"ssid":"n"}}"""));
        var house = $$$"""{"format":"altrin.network/1","devices":[{"id":"b","mode":"router","radios":[{"id":"r","band":"5"}],"wifi":[{"radio":"r","ssid":"n"}],"lan":{"address":"10.0.0.1/16"}}],"endpoints":[{{{things}}}]}""";
        var (status, output, error) = Run(house, "-");
        Assert.Equal((2, ""), (status, output));
        Assert.Matches("^endpoints: 6000 of them make 36006000 rows of reach and admin\\. Ask for less: --only segments,[a-z,]+\\.\n$", error);
        (status, output, _) = Run(house, "--only", "segments,internet,findings", "-");
        Assert.Equal((0, 6000), (status, JsonDocument.Parse(output).RootElement.GetProperty("internet").GetArrayLength()));
    }

    /// <summary>Examples with bytes changed, cut out, doubled or swapped for pieces of other examples: a state, or one line and status 2.</summary>
    [Fact]
    public void Any_bytes_give_a_state_or_one_line()
    {
        var examples = Directory.GetFiles(Path.Combine(TestApp.Root, "docs", "examples"), "*.json").Order(StringComparer.Ordinal).Select(System.IO.File.ReadAllBytes).ToList();
        var random = new Random(17);
        var (states, refusals) = (0, 0);
        for (var n = 0; n < 1500; n++)
        {
            var bytes = examples[n % examples.Count].ToList();
            for (var times = random.Next(1, 4); times > 0 && bytes.Count > 0; times--)
            {
                var at = random.Next(bytes.Count);
                // Every other one stays JSON: a digit for a digit, so that what is behind the reader gets its share.
                if (n % 2 == 0)
                {
                    while (at < bytes.Count && !char.IsAsciiDigit((char)bytes[at])) at++;
                    if (at < bytes.Count) bytes[at] = (byte)('0' + random.Next(10));
                    continue;
                }
                switch (random.Next(5))
                {
                    case 0: bytes[at] = (byte)random.Next(256); break;
                    case 1: bytes[at] = (byte)"0123456789.:/\"{}[],tfn-"[random.Next(23)]; break;
                    case 2: bytes.RemoveRange(at, Math.Min(random.Next(1, 40), bytes.Count - at)); break;
                    case 3: bytes.InsertRange(at, bytes.Skip(random.Next(bytes.Count)).Take(random.Next(1, 60)).ToList()); break;
                    default: bytes.InsertRange(at, examples[random.Next(examples.Count)].Skip(random.Next(400)).Take(random.Next(1, 60))); break;
                }
            }
            using var output = new MemoryStream();
            using var error = new StringWriter();
            var status = SimulateCommand.Run(["-"], () => new MemoryStream([.. bytes]), output, error);
            if (status == 0)
            {
                states++;
                Assert.Equal("altrin.state/1", JsonDocument.Parse(output.ToArray()).RootElement.GetProperty("format").GetString());
                continue;
            }
            refusals++;
            Assert.Equal(2, status);
            Assert.Matches(@"^[^\r\n]{8,2000}\n$", error.ToString());
            Assert.DoesNotContain("   at ", error.ToString(), StringComparison.Ordinal);
        }
        Assert.True(states > 150 && refusals > 500, $"{states} states, {refusals} refusals");
    }

    [Fact]
    public void Standard_input_is_read_and_several_files_are_a_line_each()
    {
        var (status, output, _) = Run(TestApp.Example("loop"), File("healthy"), "-");
        var lines = output.TrimEnd('\n').Split('\n');
        Assert.Equal((0, 2), (status, lines.Length));
        Assert.Contains(JsonDocument.Parse(lines[1]).RootElement.GetProperty("segments").EnumerateArray(), segment => segment.GetProperty("loop").GetBoolean());
    }

    [Theory]
    [InlineData("""{"format":"altrin.network/1","devices":[{"id":"a","mode":"router","lan":{"address":"192.168.1.300/24"}}]}""", "devices[0].lan.address: ")]
    [InlineData("nonsense", "This is not JSON at line 1, column 2")]
    [InlineData("", "This is not JSON")]
    public void What_cannot_be_read_is_one_line_and_status_2(string input, string start)
    {
        var (status, output, error) = Run(input, "-");
        Assert.Equal((2, ""), (status, output));
        Assert.StartsWith(start, error, StringComparison.Ordinal);
        Assert.Single(error.TrimEnd('\n', '\r').Split('\n'));
    }

    [Theory]
    [InlineData("no-such-file.json")]
    [InlineData("/")]
    [InlineData("--only", "nothing", "-")]
    [InlineData("--only")]
    public void Bad_arguments_are_one_line_and_status_2(params string[] arguments)
    {
        var (status, _, error) = Run("{}", arguments);
        Assert.Equal(2, status);
        Assert.Single(error.TrimEnd('\n', '\r').Split('\n'));
    }

    [Fact]
    public void Only_the_parts_asked_for_are_written()
    {
        var (_, output, _) = Run("", "--only", "segments,needs", File("healthy"));
        Assert.Equal(["format", "segments", "needs"], JsonDocument.Parse(output).RootElement.EnumerateObject().Select(property => property.Name));
    }

    private static (int Status, string Output, string Error) ReadPasted(byte[] input)
    {
        using var output = new MemoryStream();
        using var error = new StringWriter();
        var status = ReadCommand.Run(["-"], () => new MemoryStream(input), output, error);
        return (status, Encoding.UTF8.GetString(output.ToArray()), error.ToString());
    }

    [Fact]
    public void A_pasted_output_gives_its_reading_and_several_a_line_each()
    {
        const string Ping = "PING 192.168.31.1 (192.168.31.1) 56(84) bytes of data.\n\n--- 192.168.31.1 ping statistics ---\n1 packets transmitted, 1 received, 0% packet loss, time 0ms\n";
        var (status, output, error) = ReadPasted(Encoding.UTF8.GetBytes(Ping));
        Assert.Equal((0, "", "altrin.reading/1"), (status, error, JsonDocument.Parse(output).RootElement.GetProperty("format").GetString()));
        (_, output, _) = ReadPasted(Encoding.UTF8.GetBytes(Ping + "\n192.168.31.1 dev eth0 lladdr 02:00:5e:10:00:01 REACHABLE\n"));
        Assert.Equal(["ping", "ip-neigh"], output.TrimEnd('\n').Split('\n').Select(line => JsonDocument.Parse(line).RootElement.GetProperty("source").GetString()));
    }

    [Fact]
    public void An_old_code_page_and_two_bytes_a_letter_are_read_as_well()
    {
        const string Text = "Windows-IP-Konfiguration\r\n\r\nDrahtlos-LAN-Adapter WLAN für Gäste:\r\n\r\n   IPv4-Adresse  . . . . . . . . . . : 192.168.31.104(Bevorzugt)\r\n   Subnetzmaske  . . . . . . . . . . : 255.255.255.0\r\n";
        foreach (var encoding in new[] { Encoding.UTF8, Encoding.Latin1, Encoding.Unicode, Encoding.BigEndianUnicode })
        {
            var (status, output, _) = ReadPasted([.. encoding.GetPreamble(), .. encoding.GetBytes(Text)]);
            var adapter = JsonDocument.Parse(output).RootElement.GetProperty("adapters")[0];
            Assert.Equal((0, "WLAN für Gäste", "192.168.31.104/24"), (status, adapter.GetProperty("name").GetString(), adapter.GetProperty("address").GetString()));
        }
    }

    [Fact]
    public void What_is_not_recognised_is_one_line_and_status_2()
    {
        var (status, output, error) = ReadPasted("Dear all,\nthe printer is broken."u8.ToArray());
        Assert.Equal((2, ""), (status, output));
        Assert.Matches("^-: nothing here is recognised\\. [^\n]+\n$", error);
        Assert.Equal(2, ReadPasted([0xff, 0x00, 0xc3, 0x28]).Status);
    }

    private static (int Status, string Output, string Error) Command(Func<string[], Func<Stream>, Stream, TextWriter, int> command, params string[] arguments)
    {
        using var output = new MemoryStream();
        using var error = new StringWriter();
        var status = command(arguments, () => new MemoryStream(Encoding.UTF8.GetBytes(TestApp.Example("larkspur-house"))), output, error);
        return (status, Encoding.UTF8.GetString(output.ToArray()), error.ToString());
    }

    [Fact]
    public void A_plan_is_printed_and_its_document_leads_to_an_order()
    {
        var plans = Command(PlanCommands.Plan, "-", "--most", "1");
        Assert.Equal((0, ""), (plans.Status, plans.Error));
        var best = Assert.Single(JsonNode.Parse(plans.Output)!["plans"]!.AsArray())!;
        var file = Path.GetTempFileName();
        System.IO.File.WriteAllText(file, best["document"]!.ToJsonString());
        var order = Command(PlanCommands.Order, "-", file);
        System.IO.File.Delete(file);
        Assert.Equal((0, ""), (order.Status, order.Error));
        var read = JsonNode.Parse(order.Output)!;
        Assert.Equal("altrin.order/1", (string)read["format"]!);
        Assert.Empty(read["gaps"]!.AsArray());
        Assert.True(read["steps"]!.AsArray().Count > 10);
        Assert.Equal((int)best["cutMinutes"]!, (int)read["cutMinutes"]!);
    }

    [Fact]
    public void Plans_and_orders_answer_bad_arguments_in_one_line()
    {
        foreach (var answer in new[] { Command(PlanCommands.Plan), Command(PlanCommands.Plan, "-", "--most", "none"), Command(PlanCommands.Plan, "no-such-file"), Command(PlanCommands.Order, "-"), Command(PlanCommands.Order, "-", "no-such-file") })
        {
            Assert.Equal((2, ""), (answer.Status, answer.Output));
            Assert.Single(answer.Error.Trim().Split('\n'));
        }
    }
}
