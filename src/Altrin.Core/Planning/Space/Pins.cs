using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Space;

/// <summary>One thing that may be settled of a box beforehand.</summary>
public abstract record PinnedUse
{
    private PinnedUse() { }

    /// <summary>In this mode; a router that is made an access point by hand is one.</summary>
    public sealed record As(DeviceMode Mode) : PinnedUse;

    /// <summary>On a cable to that box, or joined to it by radio.</summary>
    public sealed record Under(string Box, Joined By) : PinnedUse;

    internal bool Is(NetworkDocument house, BoxUse use) => use.IsUsed && this switch
    {
        As one => (use.ByHand ? DeviceMode.AccessPoint : use.Mode) == one.Mode,
        Under one => use.Joined == one.By && use.Parent >= 0 && house.Devices[use.Parent].Id == one.Box,
        _ => throw new InvalidOperationException($"{this} is not handled."),
    };

    public string Say(NetworkDocument house) => this switch
    {
        As one => $"as {one.Mode.Say()}",
        Under { By: Joined.ByWire } one => $"on a cable to {house.NameOf(one.Box)}",
        Under one => $"joined by radio to {house.NameOf(one.Box)}",
        _ => throw new InvalidOperationException($"{this} is not handled."),
    };

    /// <summary>As it stands in an address: a mode, <c>cable/box</c> or <c>radio/box</c>.</summary>
    public string Write() => this switch
    {
        As one => Words<DeviceMode>.Of(one.Mode),
        Under { By: Joined.ByWire } one => Cable + one.Box,
        Under one => Radio + one.Box,
        _ => throw new InvalidOperationException($"{this} is not handled."),
    };

    private const string Cable = "cable/", Radio = "radio/";

    /// <returns>Null where it is neither a mode nor a box of this house.</returns>
    public static PinnedUse? Read(NetworkDocument house, string text)
    {
        PinnedUse? Box(string start, Joined by) => text.StartsWith(start, StringComparison.Ordinal) && house.FindDevice(text[start.Length..]) is { } box ? new Under(box.Id, by) : null;
        return Words<DeviceMode>.TryRead(text, out var mode) ? new As(mode) : Box(Cable, Joined.ByWire) ?? Box(Radio, Joined.ByRadio);
    }
}

/// <summary>What the installer says of a plan beforehand: this box so, or never so.</summary>
public sealed record Pin(string Device, PinnedUse Use, bool IsForbidden)
{
    /// <param name="text">A box and what it is to be, as <c>studio:access-point</c> or <c>studio:cable/gw</c>.</param>
    /// <returns>Null where the house has no such box, or it cannot be that.</returns>
    public static Pin? Read(NetworkDocument house, string text, bool isForbidden) => house.Devices.Where(box => text.StartsWith($"{box.Id}:", StringComparison.Ordinal))
        .Select(box => PinnedUse.Read(house, text[(box.Id.Length + 1)..]) is { } use ? new Pin(box.Id, use, isForbidden) : null).FirstOrDefault(pin => pin is not null);
}

/// <summary>All that was pinned or forbidden; what is not spoken of is free.</summary>
public sealed record Pins(ImmutableArray<Pin> All)
{
    public static readonly Pins None = new([]);

    /// <summary>Whether a box may be used so. One that is pinned is used.</summary>
    public bool Allow(NetworkDocument house, string device, BoxUse use) => All.All(pin => pin.Device != device || pin.Use.Is(house, use) != pin.IsForbidden);
}

/// <summary>What may be pinned of a box: what the space of plans has for it.</summary>
public sealed record PinChoice(string Device, string Name, ImmutableArray<PinnedUse> Uses)
{
    /// <summary>Boxes of which there is more than one thing to say, in the order of the document.</summary>
    public static ImmutableArray<PinChoice> Of(NetworkDocument found)
    {
        var ground = new Ground(Actions.Laptop.Away(found));
        var choices = new Choices(ground);
        var house = ground.Found;
        return [.. house.Devices.Select((box, i) => Of(house, box, choices.Of[i])).Where(choice => choice.Uses.Length > 1)];
    }

    private static PinChoice Of(NetworkDocument house, Device box, IReadOnlyList<BoxUse> uses)
    {
        if (box.LeaveAsFound == true) return new(box.Id, box.Name, []);
        var modes = box.Supports.Append(box.Mode).ToHashSet();
        if (modes.Contains(DeviceMode.Router)) modes.Add(DeviceMode.AccessPoint);
        var under = uses.Where(use => use is { IsUsed: true, Parent: >= 0 }).Select(use => (use.Parent, use.Joined)).Distinct().OrderBy(one => one.Joined).ThenBy(one => one.Parent);
        return new(box.Id, box.Name, [.. modes.Order().Select(mode => new PinnedUse.As(mode)), .. under.Select(one => new PinnedUse.Under(house.Devices[one.Parent].Id, one.Joined))]);
    }
}
