using System.Diagnostics;
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
    public void A_hostile_text_of_a_megabyte_is_answered_in_bounded_time(string piece)
    {
        foreach (var text in new[] { string.Concat(Enumerable.Repeat(piece, (1 << 20) / piece.Length)), string.Join('\n', Enumerable.Repeat(piece, 5_000)) })
        {
            var clock = Stopwatch.StartNew();
            PastedText.Read(text);
            Assert.True(clock.Elapsed < TimeSpan.FromSeconds(10), $"{clock.Elapsed}");
        }
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
