using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Tests.Planning;

/// <summary>Settles one box after the other to something it could be, until few enough candidates are left.</summary>
internal static class PinnedByChance
{
    /// <returns>Null where that leaves nothing, or nothing to choose.</returns>
    public static Pins? Until(NetworkDocument house, Random random, int most)
    {
        var ground = new Ground(house);
        var pins = ImmutableArray<Pin>.Empty;
        Choices Left() => new(new Ground(house) { Pins = new(pins) });
        double Count() => Left() is var left ? left.Of.Where((_, i) => i != ground.Root).Aggregate((double)left.Ways.Count, (all, list) => all * list.Count) : 0;
        foreach (var box in Enumerable.Range(0, house.Devices.Length).Where(i => i != ground.Root).OrderBy(_ => random.Next()).ToList())
        {
            if (Count() <= most) break;
            var uses = Left().Of[box];
            if (uses.Count == 0) return null;
            pins = pins.AddRange(Of(house, house.Devices[box], uses, uses[random.Next(uses.Count)]));
        }
        return Count() <= most && Count() >= most / 20.0 ? new(pins) : null;
    }

    private static IEnumerable<Pin> Of(NetworkDocument house, Device box, IReadOnlyList<BoxUse> all, BoxUse use)
    {
        // What is pinned is used: into the drawer goes what is forbidden everything.
        if (!use.IsUsed) return all.Where(one => one.IsUsed).Select(Mode).Distinct().Select(mode => new Pin(box.Id, new PinnedUse.As(mode), true));
        var pins = new List<Pin> { new(box.Id, new PinnedUse.As(Mode(use)), false) };
        if (use.Parent >= 0) pins.Add(new(box.Id, new PinnedUse.Under(house.Devices[use.Parent].Id, use.Joined), false));
        return pins;
    }

    private static DeviceMode Mode(BoxUse use) => use.ByHand ? DeviceMode.AccessPoint : use.Mode;
}
