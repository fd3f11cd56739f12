using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Planning.Space;

/// <summary>Reads the structure off the house as found: from the line outward over cables, then over radio joins.</summary>
internal sealed class AsFoundReader(Ground ground)
{
    private readonly NetworkDocument house = ground.Found;

    public Structure Read()
    {
        var uses = new BoxUse[house.Devices.Length];
        var seen = new bool[uses.Length];
        for (var i = 0; i < uses.Length; i++)
            uses[i] = ground.InUse[i] ? BoxUse.Drawer with { IsUsed = true, Mode = house.Devices[i].Mode } : BoxUse.Drawer;
        if (ground.Root >= 0) Spread(ground.Root, uses, seen);
        // What is cut off from the line is read from its first box.
        for (var i = 0; i < uses.Length; i++)
            if (uses[i].IsUsed && !seen[i]) Spread(i, uses, seen);
        var root = ground.Root >= 0 ? house.Devices[ground.Root] : null;
        var passes = root is { Traits.HandsLineOn: true, PassthroughTo: { } to } && ground.IndexOf.TryGetValue(to, out var target) ? target : -1;
        var dmz = root is { Traits.IsRouter: true, DmzHost: { } host } ? ground.State.Interfaces.FirstOrDefault(one => one.Kind == Simulation.InterfaceKind.Wan && one.Address?.Address == host)?.Device ?? -1 : -1;
        var modem = root is { Traits.IsModem: true } ? Array.FindIndex(uses, use => use.Parent == ground.Root && use.Routes) : -1;
        return new([.. uses], passes >= 0 ? passes : dmz >= 0 ? dmz : modem, passes < 0 && dmz >= 0);
    }

    private void Spread(int from, BoxUse[] uses, bool[] seen)
    {
        seen[from] = true;
        var wired = new Queue<int>([from]);
        while (true)
        {
            while (wired.TryDequeue(out var at))
                foreach (var cable in house.Cables)
                {
                    var (own, far) = cable.A.Device == house.Devices[at].Id ? (cable.A, cable.B) : (cable.B, cable.A);
                    if (own.Device != house.Devices[at].Id || !ground.IndexOf.TryGetValue(far.Device, out var to) || seen[to] || !uses[to].IsUsed) continue;
                    var box = house.Devices[to];
                    var isLan = box.FindPort(far.Port)?.Role == PortRole.Lan;
                    uses[to] = uses[to] with { Joined = Joined.ByWire, Parent = at, Medium = cable.Medium, ByHand = box.Traits.IsRouter && isLan };
                    seen[to] = true;
                    wired.Enqueue(to);
                }
            var next = -1;
            for (var i = 0; i < uses.Length && next < 0; i++)
                if (uses[i].IsUsed && !seen[i] && ground.State.UplinkBox(house.Devices[i].Id) is { } above && seen[ground.IndexOf[above]])
                {
                    uses[i] = uses[i] with { Joined = Joined.ByRadio, Parent = ground.IndexOf[above], Band = BandOf(house.Devices[i]) };
                    next = i;
                }
            if (next < 0) return;
            seen[next] = true;
            wired.Enqueue(next);
        }
    }

    private static Band BandOf(Device box) => box.Radios.First(radio => radio.Id == box.Uplink!.Radio).Band;
}
