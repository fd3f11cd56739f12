using Altrin.Core.Documents;
using Altrin.Core.Handover;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Handover;

/// <summary>Houses for what goes out: the examples, random ones, and one whose names are as hostile as names can be.</summary>
internal static class ExportHouses
{
    public const string Hostile = "=1+1 \"a\", 'b';\tx\r\ny | <b>&amp; [z](http://192.0.2.1) `q` \\";

    private static readonly DateTime At = new(2026, 12, 3, 9, 0, 0);

    public static IEnumerable<NetworkDocument> All()
    {
        foreach (var name in Examples.Names()) yield return Examples.House(name);
        for (var seed = 1; seed <= 60; seed++) yield return Houses.Make(seed, Enum.GetValues<DeviceMode>());
        yield return Hostiles();
    }

    /// <summary>Every name is hostile, and a few run from the right.</summary>
    public static NetworkDocument Hostiles()
    {
        var house = Examples.House("larkspur-house");
        return house with
        {
            Name = Hostile,
            Devices = [.. house.Devices.Select((box, i) =>
                box with { Name = i == 0 ? Hostile : "שלום בית", Firmware = "@SUM(A1)", Hardware = "'=x" })],
            Endpoints = [.. house.Endpoints.Select((thing, i) => thing with { Name = $"{Hostile}{i}" })],
        };
    }

    public static string Export(NetworkDocument house, string kind, NetworkDocument? planned = null) =>
        Exports.Find(kind)!.Write(new(house, planned, At))!;
}
