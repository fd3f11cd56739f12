using System.Collections.Immutable;
using Altrin.Core.Documents;
using Altrin.Core.Kit;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

/// <summary>What is set in one save of one page of a box, in the order that locks nobody out: the address first, what cuts off last. Common
/// practice, no source.</summary>
public enum SettingsPage { Power, Address, Wifi, Dhcp, Wan, Services, Sockets, Password, DhcpOff, Mode }

/// <summary>One thing to type on a settings page.</summary>
/// <param name="From">Null when there was nothing before.</param>
/// <param name="IsSecret">The value names a stored secret and is not the secret itself.</param>
public sealed record SettingChange(string Setting, string? From, string To, bool IsSecret = false)
{
    /// <summary>The secret is the one that the box was sold with: it stands on its label.</summary>
    public bool IsOnLabel => IsSecret && KitKind.IsOnLabel(To);
}

/// <summary>One action that brings a setting to what is wanted, with what is typed for it.</summary>
public sealed record SettingAct(InstallerAction Action, params ImmutableArray<SettingChange> Rows)
{
    /// <summary>The rows, each with the network that it is about where the box has several.</summary>
    public IEnumerable<SettingChange> RowsAt(Device box) => Action is SetWifi { Network: var network } && box.Wifi.Length > 1
        ? Rows.Select(row => row with { Setting = $"{row.Setting} at {NameOf(box, network)}" }) : Rows;

    /// <summary>Which of a box's networks it is: by its band, and by its name where that band has several.</summary>
    private static string NameOf(Device box, WifiNetwork network)
    {
        var band = $"{Words<Band>.Of(box.Radios.First(radio => radio.Id == network.Radio).Band)} GHz";
        return box.Wifi.Count(one => one.Radio == network.Radio) > 1 ? $"{band}, {network.Ssid}" : band;
    }
}

/// <summary>One setting of a box: how it is read and set, where it exists, what it is as sold, whether it cuts off.</summary>
/// <param name="Id">As the page asks for it.</param>
/// <param name="Name">What it is called in a step, in the log and beside a field.</param>
/// <param name="Counts">Whether it has any effect in a box as it is wanted: what has none is a mere record.</param>
/// <param name="Copy">The first box with this setting of the second.</param>
/// <param name="Acts">What brings it from the one to the other; nothing where they agree, or where no person can.</param>
/// <param name="AsSold">The box with this setting as it comes out of a reset; its mode is as sold by then.</param>
public sealed record Setting(string Id, string Name, SettingsPage Page, Func<Device, bool> Counts, Func<Device, Device, Device> Copy,
    Func<NetworkDocument, Device, Device, IEnumerable<SettingAct>> Acts, Func<Device, Device> AsSold)
{
    /// <summary>Whoever sets it through the network may lose the page by it.</summary>
    public bool CutsOff { get; init; }

    public bool IsSecret { get; init; }

    /// <summary>Its name in the middle of a sentence.</summary>
    public string InSentence { get; init; } = Name;

    /// <summary>Why no action brings it to what is wanted; null where one does.</summary>
    public string? WhyNoAct { get; init; }

    /// <summary>Whether the two boxes are set alike, as far as it has any effect in the second.</summary>
    public bool IsAlike(Device now, Device wanted)
    {
        if (ReferenceEquals(now, wanted) || !Counts(wanted)) return true;
        // Lists that were never touched are the very same ones: then nothing has to be written out.
        var copy = Copy(wanted, now);
        return copy == wanted || SameWritten.Are(copy, wanted);
    }
}

/// <summary>Every setting of a box, once. The differences of two houses, the rows of a step, a factory reset, the fields of the page and
/// the
/// words of the log are read from it; a new setting is a row here, its field in the document, its action and its input.</summary>
public static partial class SettingCatalogue
{
    /// <summary>In the order in which they are set.</summary>
    public static readonly ImmutableArray<Setting> All =
    [
        new("off", "Power", SettingsPage.Power, _ => true, (box, from) => box with { Off = from.Off },
            (_, now, wanted) => (now.Off == true) == (wanted.Off == true) ? [] : [new(new SwitchPower(now.Id, wanted.Off != true))], box =>
                box) { CutsOff = true },
        .. Addresses, .. Wifi, .. Leases, .. Wan, .. Services, .. Last,
    ];

    public static IEnumerable<Setting> On(SettingsPage page) => All.Where(setting => setting.Page == page);

    /// <summary>Whether a person would find nothing to set.</summary>
    public static bool AreAlike(Device now, Device wanted) => All.All(setting => setting.IsAlike(now, wanted));

    public static Setting Of(string id) => All.First(setting => setting.Id == id);

    /// <summary>The switch that a feature is.</summary>
    public static Setting Of(BoxFeature feature) => Of(Words<BoxFeature>.Of(feature));

    /// <summary>Every setting as the label says, the mode first: what a box is sold as decides what the rest is.</summary>
    /// <param name="house">Knows the kinds that its boxes were taken from.</param>
    public static Device AsSold(NetworkDocument house, Device box) => KitShelf.Sold(house, box) is { } sold
        // A box without a page of its own has nothing there to be copied.
        ? All.Aggregate(box, (now, setting) => setting.Copy(now, sold)) is var reset && sold.Lan is null
            ? reset with { Lan = null, DefaultPassword = sold.DefaultPassword } : reset
        : All.OrderBy(setting => setting.Id != "mode").Aggregate(box, (now, setting) => setting.AsSold(now));

    /// <summary>A box that is described anew, set as it is now where a setting has any effect.</summary>
    /// <remarks>While anything is still to be set, whatever has an effect now keeps it: a description alone changes nothing in a
    /// house.</remarks>
    internal static Device Described(Device now, Device described)
    {
        var isSettled = All.All(setting => setting.IsAlike(now, described));
        return OnItsRadios(All.Aggregate(described, (box, setting) => setting.Counts(described) || (!isSettled && setting.Counts(now))
            ? setting.Copy(box, now) : box));
    }

    /// <summary>Described with other radios it keeps no network of one that it does not have.</summary>
    private static Device OnItsRadios(Device box)
    {
        bool Has(string radio) => box.Radios.Any(one => one.Id == radio);
        if (box.Wifi.All(network => Has(network.Radio)) && (box.Uplink is null || Has(box.Uplink.Radio))) return box;
        return box with
        {
            Wifi = [.. box.Wifi.Where(network => Has(network.Radio))],
            Uplink = box.Uplink is { } uplink && Has(uplink.Radio)
            ? uplink : null
        };
    }

    private static Setting Switch(BoxFeature feature, string name, Func<Device, bool> counts, Func<Device, bool> read, Func<Device, bool,
        Device> with, bool asSold, string? inSentence = null) =>
        new(Words<BoxFeature>.Of(feature), name, SettingsPage.Services, counts, (box, from) => with(box, read(from)),
            (_, now, wanted) =>
                read(now) == read(wanted) ? []
                : [new(new SetFeature(now.Id, feature, read(wanted)), new SettingChange(name, OnOff(read(now)), OnOff(read(wanted))))],
            box => with(box, asSold))
        { InSentence = inSentence ?? name };

    private static string OnOff(bool on) => on ? "on" : "off";

    private static string List(ImmutableArray<Ipv4Address> servers, string none) =>
        servers.IsDefaultOrEmpty ? none : string.Join(", ", servers);

    private static string? Mask(InterfaceAddress? address) => address is { } given ? new Ipv4Address(given.Prefix.Mask).ToString() : null;

    /// <summary>Rows for what changes; what stays is not typed.</summary>
    private static ImmutableArray<SettingChange> Rows(params ReadOnlySpan<(string Setting, string? From, string? To)> rows)
    {
        var list = ImmutableArray.CreateBuilder<SettingChange>();
        foreach (var (setting, from, to) in rows)
            if (to is not null && from != to) list.Add(new(setting, from, to));
        return list.ToImmutable();
    }
}
