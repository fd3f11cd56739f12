using System.Buffers.Binary;
using Altrin.Core.Network;
using Altrin.Core.Radio;

namespace Altrin.Core.Tests.Radio;

public class ChannelTests
{
    [Theory, Trait("source", "IEEE 802.11 channel centres; values from memory")]
    [InlineData(Band.Ghz24, 1, 20, 2412)]
    [InlineData(Band.Ghz24, 6, 20, 2437)]
    [InlineData(Band.Ghz24, 13, 20, 2472)]
    [InlineData(Band.Ghz24, 14, 20, 2484)]
    [InlineData(Band.Ghz24, 1, 40, 2422)]
    [InlineData(Band.Ghz24, 11, 40, 2452)]
    [InlineData(Band.Ghz5, 36, 20, 5180)]
    [InlineData(Band.Ghz5, 40, 40, 5190)]
    [InlineData(Band.Ghz5, 48, 80, 5210)]
    [InlineData(Band.Ghz5, 52, 160, 5250)]
    [InlineData(Band.Ghz5, 100, 80, 5530)]
    [InlineData(Band.Ghz5, 157, 80, 5775)]
    [InlineData(Band.Ghz6, 1, 20, 5955)]
    [InlineData(Band.Ghz6, 5, 80, 5985)]
    [InlineData(Band.Ghz6, 37, 160, 6185)]
    [InlineData(Band.Ghz6, 1, 320, 6105)]
    public void A_channel_has_its_middle(Band band, int channel, int width, double mhz) => Assert.Equal(mhz, Channels.CentreOf(band, channel, width));

    [Theory, Trait("source", "common practice, no source: 1, 6 and 11 do not overlap, nor do 1, 5, 9 and 13 of 20 MHz by their masks of 22")]
    [InlineData(1, 20, 6, 20, false)]
    [InlineData(6, 20, 11, 20, false)]
    [InlineData(1, 20, 5, 20, true)]
    [InlineData(1, 20, 4, 20, true)]
    [InlineData(1, 40, 6, 20, true)]
    [InlineData(11, 40, 1, 20, false)]
    [InlineData(null, 20, 6, 20, true)]
    public void At_two_point_four_they_overlap(int? a, int wa, int? b, int wb, bool overlaps) =>
        Assert.Equal(overlaps, new RadioChannel(Band.Ghz24, a, wa).Overlaps(new(Band.Ghz24, b, wb)));

    [Theory]
    [InlineData(36, 80, 48, 20, true)]
    [InlineData(36, 80, 52, 80, false)]
    [InlineData(36, 20, 40, 20, false)]
    [InlineData(36, 160, 64, 20, true)]
    public void Above_by_their_blocks(int a, int wa, int b, int wb, bool overlaps)
    {
        Assert.Equal(overlaps, new RadioChannel(Band.Ghz5, a, wa).Overlaps(new(Band.Ghz5, b, wb)));
        Assert.False(new RadioChannel(Band.Ghz5, a, wa).Overlaps(new(Band.Ghz6, b, wb)));
    }

    /// <summary>Ten countries by hand, EIRP on 2.4 GHz channel 6, and on 36 and 100 at 5 GHz; values from memory of the database, one decimal.</summary>
    [Theory, Trait("source", "wireless-regdb; values from memory")]
    [InlineData("GB", 20, 23, 27)]
    [InlineData("DE", 20, 23, 26.99)]
    [InlineData("FR", 20, 23, 26.99)]
    [InlineData("ES", 20, 23, 26.99)]
    [InlineData("NL", 20, 23, 26.99)]
    [InlineData("US", 30, 23, 24)]
    [InlineData("SE", 20, 23, 26.99)]
    [InlineData("AU", 36, 23, 27)]
    [InlineData("NZ", 36, 30, 27)]
    [InlineData("JP", 20, 20, 23)]
    public void The_limits_of_ten_countries(string country, double six, double thirtySix, double hundred)
    {
        var rules = Regulations.Of(country)!.Value;
        Assert.Equal(six, Regulations.MostDbm(rules, 2437)!.Value, 0.05);
        Assert.Equal(thirtySix, Regulations.MostDbm(rules, 5180)!.Value, 0.05);
        Assert.Equal(hundred, Regulations.MostDbm(rules, 5500)!.Value, 0.05);
    }

    /// <summary>The installed file, read by other code than the tool's. Its date may be another: then most countries must still agree.</summary>
    [Fact]
    public void The_snapshot_is_what_the_installed_database_says()
    {
        const string Path = "/lib/firmware/regulatory.db";
        Assert.SkipUnless(File.Exists(Path), "DATABASE NOT COMPARED: the package wireless-regdb is not installed.");
        ReadOnlySpan<byte> db = File.ReadAllBytes(Path);
        Assert.True(db[..4].SequenceEqual("RGDB"u8));
        var (alike, all) = (0, 0);
        for (var country = db[8..]; country[0] != 0; country = country[4..])
        {
            var code = System.Text.Encoding.ASCII.GetString(country[..2]);
            if (!char.IsAsciiLetter(code[0]) || !char.IsAsciiLetter(code[1])) continue;
            var list = db[(BinaryPrimitives.ReadUInt16BigEndian(country[2..]) << 2)..];
            var pointers = list[((list[0] + 3) & ~3)..];
            var rules = new List<RadioRule>();
            for (var i = 0; i < list[1]; i++)
            {
                var rule = db[(BinaryPrimitives.ReadUInt16BigEndian(pointers[(2 * i)..]) << 2)..];
                rules.Add(new(BinaryPrimitives.ReadUInt32BigEndian(rule[4..]) / 1e3, BinaryPrimitives.ReadUInt32BigEndian(rule[8..]) / 1e3, BinaryPrimitives.ReadUInt32BigEndian(rule[12..]) / 1e3,
                    BinaryPrimitives.ReadUInt16BigEndian(rule[2..]) / 1e2, (rule[1] & 2) != 0, (rule[1] & 4) != 0, (rule[1] & 8) != 0));
            }
            all++;
            if (Regulations.Of(code) is { } ours && ours.SequenceEqual(rules)) alike++;
        }
        Assert.True(all > 150 && alike >= all * 0.9, $"{alike} of {all}");
    }

    [Fact]
    public void Power_is_the_usual_or_as_noted_and_within_the_law()
    {
        WirelessRadio radio = new() { Id = "5g", Band = Band.Ghz5 };
        RadioChannel At(int? channel, int width = 20) => new(Band.Ghz5, channel, width);
        Assert.Equal(23, RadioPower.Of(radio, At(36), null));
        Assert.Equal(18, RadioPower.Of(radio with { TxDbm = 18 }, At(36), null));
        Assert.Equal(20, RadioPower.Of(radio, At(36), Regulations.Of("JP")));
        // 160 MHz from 36 reach into the lower part: the lowest of all of them counts.
        Assert.Equal(20, RadioPower.Of(radio, At(36, 160), Regulations.Of("GB")));
        Assert.Equal(30, RadioPower.Of(radio with { TxDbm = 40 }, At(36), Regulations.Of("NZ")));
        Assert.Equal(20, RadioPower.Of(radio with { Band = Band.Ghz24 }, new(Band.Ghz24, null, 20), Regulations.Of("US")));
        Assert.Null(Regulations.Of("XX"));
    }
}
