using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Space;

/// <summary>What can be made of each box in this house, whatever is made of the others.</summary>
public sealed class Choices
{
    private const int MostHeard = 3;
    private const double Margin = 12;

    private readonly Ground ground;
    private readonly Hearing hearing;

    public Choices(Ground ground)
    {
        (this.ground, hearing) = (ground, new(ground.Found));
        var pins = ground.Pins;
        Of = [.. Enumerable.Range(0, ground.Found.Devices.Length).Select(box =>
            box == ground.Root ? []
                : List(box).Distinct().Where(use => pins.Allow(ground.Found, ground.Found.Devices[box].Id, use)).ToList())];
        Likely = [.. Of.Select((list, box) =>
            list.Where(use => use.Joined != Joined.ByRadio || use == ground.AsFound.Boxes[box] || IsLoud(box, use)).ToList())];
        Ways = [.. RootWays().Distinct().Where(way =>
            ground.Root < 0 || pins.Allow(ground.Found, ground.Found.Devices[ground.Root].Id, way.Item1))];
    }

    /// <summary>For each box but the one at the line, as found first.</summary>
    public IReadOnlyList<IReadOnlyList<BoxUse>> Of { get; }

    /// <summary>The same to be asked.</summary>
    private HashSet<BoxUse>[]? asked;

    public bool MayBe(int box, BoxUse use) => (asked ??= [.. Of.Select(list => list.ToHashSet())])[box].Contains(use);

    /// <summary>The same without radio joins to any but the few boxes that are heard best: where all cannot be tried.</summary>
    public IReadOnlyList<IReadOnlyList<BoxUse>> Likely { get; }

    /// <summary>How the box at the line hands on; as found first.</summary>
    public IReadOnlyList<(BoxUse Root, int HandsTo, bool IsDmz)> Ways { get; }

    /// <summary>What the box that is handed the line must be for it.</summary>
    public bool IsHeir(int box, BoxUse use) => use.Routes && use.Joined == Joined.ByWire
        && (use.Parent == ground.Root || use.Parent >= 0 && ground.Found.Devices[use.Parent].Traits.IsSwitch
            || use == ground.AsFound.Boxes[box]);

    /// <summary>Whether a box may hang at the one at the line, handing on as it does.</summary>
    public bool MayHangAtRoot(int box, BoxUse root, int handsTo) => Modes.Of(root.Mode) switch
    {
        { IsModem: true } => box == handsTo || ground.Found.Line is { Addresses: > 1 },
        { HandsLineOn: true } => box == handsTo || ground.Found.Devices[ground.Root].PassthroughShares == true,
        _ => true,
    };

    private IEnumerable<(BoxUse, int, bool)> RootWays()
    {
        if (ground.Root < 0)
        {
            yield return (BoxUse.Drawer, -1, false);
            yield break;
        }
        var (box, found) = (ground.Found.Devices[ground.Root], ground.AsFound.Boxes[ground.Root]);
        yield return (found, ground.AsFound.HandsTo, ground.AsFound.IsDmz);
        if (box.LeaveAsFound == true) yield break;
        var used = found with { IsUsed = true, Joined = Joined.ToNothing, Parent = -1, ByHand = false };
        if (RouterMode(box) is { } router) yield return (used with { Mode = router }, -1, false);
        for (var heir = 0; heir < ground.Found.Devices.Length; heir++)
        {
            if (heir == ground.Root || !Of[heir].Any(use => IsHeir(heir, use))) continue;
            foreach (var mode in Modes.All)
                if (mode.AtTheLine is not null && box.CanBe(mode.Mode)) yield return (used with { Mode = mode.Mode }, heir, false);
            if (RouterMode(box) is { } dmz) yield return (used with { Mode = dmz }, heir, true);
        }
    }

    private IEnumerable<BoxUse> List(int i)
    {
        var (box, found) = (ground.Found.Devices[i], ground.AsFound.Boxes[i]);
        if (ground.InUse[i]) yield return found;
        else if (box.MustUse != true) yield return BoxUse.Drawer;
        // Away with it only where another may take its place.
        if (ground.InUse[i] && box.MustUse != true && Enumerable.Range(0, ground.InUse.Length).Any(other => !ground.InUse[other]))
            yield return BoxUse.Drawer;
        foreach (var room in ground.RoomsFor(i))
            for (var parent = 0; parent < ground.Found.Devices.Length; parent++)
                if (parent != i)
                    foreach (var use in Below(i, box, room, parent)) yield return use;
    }

    private IEnumerable<BoxUse> Below(int i, Device box, string? room, int parent)
    {
        var use = BoxUse.Drawer with { IsUsed = true, Room = room, Parent = parent };
        var isSame = ground.InUse[i] ? ground.AsFound.Boxes[i] : default;
        if (!AreOneFamily(i, parent)) yield break;
        foreach (var medium in Enum.GetValues<Medium>())
        {
            if (!CanReach(i, room, parent, medium)) continue;
            foreach (var (mode, byHand) in WiredModes(box, isSame))
                yield return use with { Mode = mode, ByHand = byHand, Joined = Joined.ByWire, Medium = medium };
        }
        if (box.LeaveAsFound == true) yield break;
        foreach (var band in box.Radios.Select(radio => radio.Band).Distinct().Where(band =>
            ground.Found.Devices[parent].Radios.Any(radio => radio.Band == band)))
        {
            // What would not be heard is no join. A channel moves the limit by a few decibels at most.
            if (Level(i, room, parent, band) is { } level && level < Radio.LinkRate.LeastDbm(band) - Margin) continue;
            var modes = box.KeptApart == true ? [] : Modes.RadioChoices.Where(mode => box.CanBe(mode.Mode)
                && (!mode.NeedsFixedChannel || ground.Found.Devices[parent].Supports.IsEmpty
                    || ground.Found.Devices[parent].CanBe(mode.Mode))).Select(mode => mode.Mode).ToList();
            // The choice that translates is for whom no other is left.
            if (modes.Count == 0 && isSame.Joined == Joined.ByRadio && isSame.Routes) modes = [isSame.Mode];
            foreach (var mode in modes) yield return use with { Mode = mode, Joined = Joined.ByRadio, Band = band };
        }
    }

    /// <summary>A mesh satellite joins boxes of its own family alone. Of a box from no shelf nobody knows.</summary>
    private bool AreOneFamily(int box, int parent)
    {
        if (!ground.Found.Devices[box].Traits.BreaksLoops || ground.Found.Devices[box].Kit is null || ground.AsFound.Boxes[box].Parent == parent) return true;
        return ground.Found.KindOf(ground.Found.Devices[parent]) is not { } kind || kind.Group == KitGroup.Mesh;
    }

    /// <summary>How loud the upper box would be there, in dBm; null where a place is not known, and it is believed.</summary>
    private double? Level(int box, string? room, int parent, Band band)
    {
        var found = ground.Found;
        if (found.Devices[parent].Radios.FirstOrDefault(radio => radio.Band == band) is not { } sender) return null;
        // Where the upper box is put may be open too: then nothing is known.
        if (!ground.InUse[parent] && ground.RoomsFor(parent).Skip(1).Any()) return null;
        var here = room is null ? hearing.PlaceOf(box) : hearing.Plan.PlaceOf(room, null);
        if (!hearing.AreKnown(here, hearing.PlaceOf(parent))) return null;
        return hearing.LevelDbm(parent, sender, Hearing.Configured(found.Devices[parent], sender), here);
    }

    private bool IsLoud(int box, BoxUse use)
    {
        var louder = 0;
        if (Level(box, use.Room, use.Parent, use.Band) is not { } level) return true;
        for (var other = 0; other < ground.Found.Devices.Length; other++)
            // Whoever routes or makes the household's Wi-Fi by cable before one that joins by radio itself.
            if (other != box && other != use.Parent && Level(box, use.Room, other, use.Band) is { } more
                && (Hops(other), -more).CompareTo((Hops(use.Parent), -level)) < 0) louder++;
        return louder < MostHeard;
    }

    private int Hops(int box) => ground.AsFound.Boxes[box].Joined == Joined.ByRadio ? 1 : ground.AsFound.Boxes[box].IsUsed ? 0 : 1;

    /// <summary>Of a box of whose own network nobody has noted anything no router is planned: its page is not known to open.</summary>
    private static DeviceMode? RouterMode(Device box) =>
        box.Traits.IsRouter || box.Lan is not null ? box.ModeThat(mode => mode.IsRouter) : null;

    private static IEnumerable<(DeviceMode Mode, bool ByHand)> WiredModes(Device box, BoxUse found)
    {
        if (box.LeaveAsFound == true)
        {
            yield return (box.Mode, found.ByHand || box.Traits.IsRouter && box.Lan?.DhcpServer is not { Enabled: true });
            yield break;
        }
        var router = RouterMode(box);
        if (router is { } own && box.Ports.Any(port => port.Role == PortRole.Wan)) yield return (own, false);
        if (box.KeptApart == true) yield break;
        var any = false;
        foreach (var mode in Modes.All.Where(mode => mode.IsWireChoice).Select(mode => mode.Mode))
            if (box.CanBe(mode))
            {
                any = true;
                yield return (mode, false);
            }
        if (router is { } byHand && (box.ModeThat(mode => mode.IsAccessPoint) is null || found.ByHand)
            && box.Ports.Any(port => port.Role == PortRole.Lan))
            yield return (byHand, true);
        // A repeater on a cable, its uplink off, does an access point's work.
        if (!any)
            foreach (var mode in Modes.RadioChoices.Where(mode => box.CanBe(mode.Mode))) yield return (mode.Mode, false);
    }

    /// <summary>Whether a cable of that medium may lie between the two, wherever the upper one is put.</summary>
    private bool CanReach(int box, string? room, int parent, Medium medium)
    {
        var own = room is null ? ground.PlaceOf(ground.Found.Devices[box].Id) : ground.PlaceOfRoom(room);
        return ground.RoomsFor(parent).Any(there =>
            ground.Ways(own, there is null ? ground.PlaceOf(ground.Found.Devices[parent].Id) : ground.PlaceOfRoom(there), medium) > 0);
    }
}
