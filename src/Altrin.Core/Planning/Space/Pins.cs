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

    /// <summary>What the household joins there goes by that name.</summary>
    public sealed record Called(string Ssid) : PinnedUse;

    /// <summary>Whether a box that is used so may come out as this: its names are settled later.</summary>
    internal bool Is(NetworkDocument house, BoxUse use) => use.IsUsed && this switch
    {
        Called => Modes.Of(use.Mode).Wifi != WifiSide.Silent,
        // By hand it is one in all but name.
        As one => use.ByHand ? Modes.Of(one.Mode).IsAccessPoint : use.Mode == one.Mode,
        Under one => use.Joined == one.By && use.Parent >= 0 && house.Devices[use.Parent].Id == one.Box,
        _ => throw new InvalidOperationException($"{this} is not handled."),
    };

    public string Say(NetworkDocument house) => this switch
    {
        Called one => $"with Wi-Fi {one.Ssid}",
        As one => $"as {one.Mode.Say()}",
        Under { By: Joined.ByWire } one => $"on a cable to {house.NameOf(one.Box)}",
        Under one => $"joined by radio to {house.NameOf(one.Box)}",
        _ => throw new InvalidOperationException($"{this} is not handled."),
    };

    /// <summary>As it stands in an address: a mode, <c>cable/box</c>, <c>radio/box</c> or <c>name/ssid</c>.</summary>
    public string Write() => this switch
    {
        Called one => Name + one.Ssid,
        As one => Words<DeviceMode>.Of(one.Mode),
        Under { By: Joined.ByWire } one => Cable + one.Box,
        Under one => Radio + one.Box,
        _ => throw new InvalidOperationException($"{this} is not handled."),
    };

    private const string Cable = "cable/", Radio = "radio/", Name = "name/";

    /// <returns>Null where it is neither a mode, nor a box of this house, nor a name that a network can have: 1 to 32 bytes.</returns>
    public static PinnedUse? Read(NetworkDocument house, string text)
    {
        PinnedUse? Box(string start, Joined by) => text.StartsWith(start, StringComparison.Ordinal) && house.FindDevice(text[start.Length..]) is { } box ? new Under(box.Id, by) : null;
        if (text.StartsWith(Name, StringComparison.Ordinal)) return Limits.WhyNoSsid(text[Name.Length..]) is null ? new Called(text[Name.Length..]) : null;
        return Words<DeviceMode>.TryRead(text, out var mode) ? new As(mode) : Box(Cable, Joined.ByWire) ?? Box(Radio, Joined.ByRadio);
    }
}

/// <summary>What the installer says of a plan beforehand: this box so, or never so.</summary>
/// <remarks>By mode, by whom it hangs at, by the name of its Wi-Fi.</remarks>
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

    /// <summary>Whether a box may be used so. One that is pinned is used. A name that is forbidden forbids no use: another can be given.</summary>
    public bool Allow(NetworkDocument house, string device, BoxUse use) =>
        All.All(pin => pin.Device != device || pin is { Use: PinnedUse.Called, IsForbidden: true } || pin.Use.Is(house, use) != pin.IsForbidden);

    /// <summary>The name that the box's Wi-Fi for the household is to have; null where that is free.</summary>
    public string? NameOf(string device) => All.Where(pin => pin.Device == device && !pin.IsForbidden).Select(pin => pin.Use).OfType<PinnedUse.Called>().FirstOrDefault()?.Ssid;

    /// <summary>Whether the box's Wi-Fi for the household may have that name.</summary>
    public bool AllowsName(string device, string ssid) =>
        (NameOf(device) is not { } name || name == ssid) && !All.Any(pin => pin.Device == device && pin is { IsForbidden: true, Use: PinnedUse.Called called } && called.Ssid == ssid);

    /// <summary>Whether every name that a house sends is as was settled; a box with a name of its own sends it.</summary>
    public bool AllowNames(NetworkDocument house, Structure structure)
    {
        if (All.All(pin => pin.Use is not PinnedUse.Called)) return true;
        for (var i = 0; i < structure.Boxes.Length; i++)
        {
            var box = house.Devices[i];
            var sent = structure.Boxes[i].IsUsed && box.SendsWifi ? box.Wifi.Where(network => network is { Enabled: true, Guest: false }).ToList() : [];
            if ((NameOf(box.Id) is not null && sent.Count == 0) || sent.Exists(network => !AllowsName(box.Id, network.Ssid))) return false;
        }
        return true;
    }
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

    /// <summary>What the box is called now, what the household wants kept, and what the other boxes are called.</summary>
    private static IEnumerable<string> NamesFor(NetworkDocument house, Device box) =>
        Sent(box).Concat(house.Needs.OfType<Need.KeepName>().Select(need => need.Ssid)).Concat(house.Devices.Where(other => other.SendsWifi).SelectMany(Sent)).Distinct().Take(MostNames);

    private static IEnumerable<string> Sent(Device box) => box.Wifi.Where(network => network is { Enabled: true, Guest: false } && network.Ssid.Length > 0).Select(network => network.Ssid);

    private const int MostNames = 6;

    private static PinChoice Of(NetworkDocument house, Device box, IReadOnlyList<BoxUse> uses)
    {
        if (box.LeaveAsFound == true) return new(box.Id, box.Name, []);
        var modes = box.Supports.Append(box.Mode).ToHashSet();
        if (box.CanRoute) modes.UnionWith(Modes.All.Where(mode => mode.IsAccessPoint).Select(mode => mode.Mode));
        var names = modes.Any(mode => Modes.Of(mode).Wifi != WifiSide.Silent) && box.Radios.Length > 0 ? NamesFor(house, box) : [];
        var under = uses.Where(use => use is { IsUsed: true, Parent: >= 0 }).Select(use => (use.Parent, use.Joined)).Distinct().OrderBy(one => one.Joined).ThenBy(one => one.Parent);
        return new(box.Id, box.Name, [.. modes.Order().Select(mode => new PinnedUse.As(mode)), .. under.Select(one => new PinnedUse.Under(house.Devices[one.Parent].Id, one.Joined)), .. names.Select(name => new PinnedUse.Called(name))]);
    }
}
