using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Tests.Planning;

namespace Altrin.Core.Tests.Documents;

/// <summary>What is compared without being written is alike exactly where it is written alike.</summary>
public class SameWrittenTests
{
    private static bool AreWritten<T>(T a, T b) => System.Text.Json.JsonSerializer.Serialize(a, AltrinJson.Compact) == System.Text.Json.JsonSerializer.Serialize(b, AltrinJson.Compact);

    [Fact]
    public void Boxes_and_things_of_houses_made_by_chance_are_alike_where_they_are_written_alike()
    {
        var (alike, not) = (0, 0);
        for (var seed = 1; seed <= 60; seed++)
        {
            var (one, other) = (TradeHouses.Make(seed, 5), TradeHouses.Make(seed + (seed % 3 == 0 ? 1 : 0), 5));
            foreach (var (a, b) in one.Devices.Zip(other.Devices)) Hold(a, b);
            foreach (var (a, b) in one.Endpoints.Zip(other.Endpoints)) Hold(a, b);
            foreach (var (a, b) in one.Needs.Zip(other.Needs)) Hold(a, b);
            foreach (var (a, b) in one.Devices.Zip(other.Devices))
                foreach (var setting in SettingCatalogue.All) Hold(setting.Copy(a, b), a);
            Hold(one, other);
        }
        Assert.True(alike > 500 && not > 500, $"{alike} alike, {not} not");

        void Hold<T>(T a, T b)
        {
            var isWritten = AreWritten(a, b);
            Assert.Equal(isWritten, SameWritten.Are(a, b));
            if (isWritten) alike++;
            else not++;
        }
    }

    [Fact]
    public void What_is_left_out_when_empty_is_no_difference()
    {
        var box = new Device { Id = "a", Name = "A", Mode = DeviceMode.Router };
        var port = new Port { Id = "lan1", Role = PortRole.Lan };
        Assert.True(SameWritten.Are(box with { Ports = [port] }, box with { Ports = [port with { Tagged = [] }] }));
        Assert.False(SameWritten.Are(box with { Ports = [port with { Tagged = [2] }] }, box with { Ports = [port with { Tagged = [3] }] }));
        Assert.False(SameWritten.Are(box with { Ports = [port] }, box));
        Assert.False(SameWritten.Are<Attachment?>(new Attachment.Join { Ssid = "oak" }, Attachment.To(new("gw", "lan1"))));
    }
}
