using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Tests.Readings;

/// <summary>Whatever is pasted is answered, soon, and says nothing that is not in it.</summary>
public class PastedTextLaws
{
    /// <summary>The longer texts of the tests beside this one, as they stand there.</summary>
    private static readonly string[] Samples = [.. File.ReadAllText(Path.Combine(Examples.Root, "tests", "Altrin.Core.Tests", "Readings", "PastedTextTests.cs"))
        .Split("\"\"\"").Where((_, i) => i % 2 == 1).Select(text => string.Join('\n', text.Split('\n').Select(line => line.StartsWith("            ", StringComparison.Ordinal) ? line[12..] : line)))];

    [Fact]
    public void Nothing_that_is_cut_doubled_or_damaged_throws()
    {
        Assert.True(Samples.Length > 15, $"{Samples.Length} samples");
        var random = new Random(1);
        var recognised = 0;
        for (var n = 0; n < 2000; n++)
        {
            var text = Samples[random.Next(Samples.Length)];
            var damaged = (n % 6) switch
            {
                0 => text[..random.Next(text.Length + 1)],
                1 => text[random.Next(text.Length)..],
                2 => text.Replace("\n", "\r\n", StringComparison.Ordinal),
                3 => string.Concat(text.Select(letter => random.Next(12) == 0 ? (char)random.Next(1, 0x2fff) : letter)),
                4 => text + "\n" + Samples[random.Next(Samples.Length)],
                _ => string.Join('\n', text.Split('\n').OrderBy(_ => random.Next())),
            };
            foreach (var reading in PastedText.Read(damaged))
            {
                recognised++;
                ReadingWriter.Write(reading);
                Assert.All(reading.Unread, line => Assert.InRange(line, 1, damaged.Split('\n').Length));
                // An address that is read stands in the text.
                foreach (var address in reading.Neighbours.Select(one => one.Address).Concat(reading.Hops.Select(one => one.Address)).OfType<string>()) Assert.Contains(address, damaged, StringComparison.Ordinal);
            }
        }
        Assert.True(recognised > 300, $"{recognised} were recognised");
    }

    [Theory]
    [InlineData("2: a: <")]
    [InlineData("   IPv4 Address. . . . . . . . . . . : ")]
    [InlineData("WIFI:S:\\\\\\\\")]
    [InlineData("[{\"ifname\":[")]
    [InlineData(" 1  * ")]
    [InlineData("SSID 1 : ")]
    [InlineData("\t\t\t")]
    [InlineData("1?: [LOCALHOST]")]
    [InlineData("\u001b[")]
    [InlineData("64 bytes from 192.0.2.1: icmp_seq=1 ttl=64 time=1 ms\n")]
    public void A_hostile_text_of_a_megabyte_is_answered_in_bounded_time(string piece)
    {
        foreach (var text in new[] { string.Concat(Enumerable.Repeat(piece, (1 << 20) / piece.Length)), string.Join('\n', Enumerable.Repeat(piece, 5_000)) })
            Assert.InRange(WorkOf(() => PastedText.Read(text)).Processor, TimeSpan.Zero, TimeSpan.FromSeconds(10));
    }

    /// <summary>No tool prints a line of a megabyte for people, and none is read as if: what stands about it is. What is meant for programs stands on one line, however long.</summary>
    [Fact]
    public void A_line_longer_than_any_that_is_printed_is_unread_and_one_for_programs_is_read()
    {
        var longLine = string.Concat(Enumerable.Repeat("02:00:5e:10:00:01  192.0.2.1 ", 200));
        var ping = Assert.Single(PastedText.Read($"{longLine}\nPING 192.0.2.1 (192.0.2.1) 56(84) bytes of data.\n64 bytes from 192.0.2.1: icmp_seq=1 ttl=64 time=1.2 ms"));
        Assert.Equal([1], ping.Unread);
        Assert.Equal("192.0.2.1", Assert.Single(ping.Pings).Target);
        var links = string.Join(',', Enumerable.Range(1, 60).Select(n => $$"""{"ifindex":{{n}},"ifname":"eth{{n}}","address":"02:00:5e:10:00:{{n:x2}}","link_type":"ether","addr_info":[{"family":"inet","local":"192.0.2.{{n}}","prefixlen":24}]}"""));
        Assert.True(links.Length > 4096);
        Assert.Equal(60, Assert.Single(PastedText.Read($"[{links}]")).Adapters.Length);
    }

    /// <summary>A list of a hundred thousand lines is no longer to work on, line by line, than one of a hundred: else a text of a few kilobytes would hold the server for minutes.</summary>
    [Fact]
    public void Four_times_the_lines_are_four_times_the_work()
    {
        foreach (var sample in Samples.Select(sample => sample.Trim('\n')).Distinct())
        {
            var lines = sample.Split('\n').Where(line => line.Trim().Length > 0).ToList();
            // The whole output again and again, and its first line with each other one again and again: a list under a head.
            foreach (var (head, again) in lines.Skip(1).Select(line => (Head: lines[0] + "\n", Again: line)).Prepend((Head: "", Again: sample)))
            {
                var times = Math.Max(1, 200 / again.Split('\n').Length);
                PastedText.Read(Long(head, again, 2));
                var (_, small) = WorkOf(() => PastedText.Read(Long(head, again, times)));
                var (_, large) = WorkOf(() => PastedText.Read(Long(head, again, 4 * times)));
                Assert.True(large < 5 * small + 100_000, $"{small} and {large} bytes for four times {again}");
            }
        }
    }

    /// <summary>Numbers within the words differ from line to line, as they do in a long list.</summary>
    private static string Long(string head, string again, int times)
    {
        var random = new Random(times);
        return head + string.Join('\n', Enumerable.Range(0, times).Select(_ => string.Concat(again.Select((letter, i) =>
            i > 0 && char.IsAsciiDigit(letter) && char.IsAsciiLetterOrDigit(again[i - 1]) && random.Next(2) == 0 ? (char)('0' + random.Next(10)) : letter))));
    }

    /// <summary>What a work takes of the processor, whatever else the machine does meanwhile, and of memory, which does not differ from run to run.</summary>
    private static (TimeSpan Processor, long Bytes) WorkOf(Action work)
    {
        var (processor, bytes) = (ThreadClock.Now, GC.GetAllocatedBytesForCurrentThread());
        work();
        return (ThreadClock.Now - processor, GC.GetAllocatedBytesForCurrentThread() - bytes);
    }

    [Theory]
    [InlineData("02-00-5E-10-00-01")]
    [InlineData("02:00:5e:10:00:01")]
    [InlineData("0200.5e10.0001")]
    [InlineData("02005E100001")]
    [InlineData("2:0:5e:10:0:1")]
    [Trait("source", "IEEE 802 (hyphens), RFC 7042 (colons); dotted triples, bare and short digits: common practice, no source")]
    public void A_hardware_address_is_the_same_in_every_notation(string text) => Assert.Equal("02:00:5E:10:00:01", Scan.Mac(text));

    [Theory]
    [InlineData("ff:ff:ff:ff:ff:ff")]
    [InlineData("00:00:00:00:00:00")]
    [InlineData("02:00:5e:10:00")]
    [InlineData("192.168.31.1")]
    [InlineData("2026-11-28")]
    public void What_is_none_is_none(string text) => Assert.Null(Scan.Mac(text));

    [Theory, Trait("source", "IEEE 802.11: channel centres (values from memory)")]
    [InlineData(2412, "2.4", 1)]
    [InlineData(2472, "2.4", 13)]
    [InlineData(2484, "2.4", 14)]
    [InlineData(5180, "5", 36)]
    [InlineData(5825, "5", 165)]
    [InlineData(5955, "6", 1)]
    [InlineData(7115, "6", 233)]
    public void A_middle_in_megahertz_is_a_channel(double mhz, string band, int channel) => Assert.Equal((band, channel), (Scan.BandOf(mhz), Scan.ChannelOf(mhz)));

    [Theory, Trait("source", "RFC 950, RFC 4632")]
    [InlineData("255.255.255.0", 24)]
    [InlineData("0xffffff00", 24)]
    [InlineData("255.255.255.252", 30)]
    [InlineData("0.0.0.0", 0)]
    [InlineData("255.255.255.255", 32)]
    [InlineData("255.0.255.0", null)]
    public void A_mask_is_a_length_or_nothing(string mask, int? length) => Assert.Equal(length, Scan.PrefixLength(mask));
}
