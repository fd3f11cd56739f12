using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>Where on the shelf a kind stands.</summary>
[JsonConverter(typeof(WordConverter<KitGroup>))]
public enum KitGroup { Gateway, Router, Mesh, Repeater, AccessPoint, Bridge, Switch, Link }

/// <summary>What a kind is set with.</summary>
[JsonConverter(typeof(WordConverter<SetBy>))]
public enum SetBy { Page, App, Button, Nobody }

/// <summary>What its page shows when it is opened for the first time.</summary>
[JsonConverter(typeof(WordConverter<FirstPage>))]
public enum FirstPage { Settings, Wizard, NewPassword, NoBroadband, None }

/// <summary>A place in the menus of a settings page.</summary>
[JsonConverter(typeof(WordConverter<MenuItem>))]
public enum MenuItem { Mode, Lan, Dhcp, Reservation, Wifi, Wan, Dns, Password, Forwards, PassThrough, Vlan }

/// <summary>What a lamp can tell.</summary>
[JsonConverter(typeof(WordConverter<Lamp>))]
public enum Lamp { ResetTook, NoLine, Joined, Weak, OutOfRange, WrongKey, ReadyToSet }

/// <summary>How a kind is brought to its first setting.</summary>
/// <param name="NeedsLine">It wants the live line while it is set.</param>
/// <param name="Past">The way past the first page; null where it is the settings page.</param>
/// <param name="ModeAndJoinAreOneSave">The page that sets its mode asks at once whom it joins.</param>
/// <param name="AddressAndDhcpAreOneSave">Its own address and its DHCP server are saved together, with one restart.</param>
public sealed record KitSetUp(SetBy By, bool NeedsLine, FirstPage FirstPage, string? Past, bool AddressAndDhcpAreOneSave,
    bool ModeAndJoinAreOneSave,
    bool PowerSwitch)
{
    /// <summary>Where a kind says nothing else.</summary>
    public static KitSetUp Usual { get; } = new(SetBy.Page, false, FirstPage.Settings, null, true, false, true);
}

/// <summary>A kind of box as it is sold, without brand or model: <c>altrin.kit/1</c>. Invented archetypes; common practice, no
/// source.</summary>
/// <param name="Kit">Its id on the shelf, which a box of the kind names in its field <c>kit</c>.</param>
/// <param name="Link">Set for a pair that is a cable of another medium and no box.</param>
/// <param name="Sold">The box as it comes out of its carton; null for a pair. In its Wi-Fi names <c>{mac4}</c> stands for the last four of
/// its MAC.</param>
/// <param name="Menus">What its settings page calls things, and where they are.</param>
/// <param name="Lamps">What its lamps look like when they tell it.</param>
public sealed record KitKind(
    string Kit, string Name, KitGroup Group, string About, Medium? Link, Device? Sold, KitSetUp SetUp,
    ImmutableDictionary<MenuItem, string> Menus, ImmutableDictionary<Lamp, string> Lamps)
{
    public const string CurrentFormat = "altrin.kit/1";

    /// <summary>Stands in a default Wi-Fi name for the last four of the box's MAC.</summary>
    public const string LastFour = "{mac4}";

    /// <summary>Stands for a password that is each box's own.</summary>
    public const string AsSold = "as-sold";

    private const string OnLabel = " as sold";

    /// <summary>Whether a key is the one that the box was sold with: it stands on its label.</summary>
    public static bool IsOnLabel(string key) => key.EndsWith(OnLabel, StringComparison.Ordinal);

    private const string NoMac = "0000";

    /// <summary>A box of this kind, fresh from its carton.</summary>
    /// <param name="address">As its label says; null: as the kind is sold.</param>
    /// <exception cref="InvalidOperationException">The kind is a pair and no box.</exception>
    public Device Make(string id, string name, string? room = null, MacAddress? mac = null, Ipv4Address? address = null)
    {
        var sold = Sold ?? throw new InvalidOperationException($"{Name} is no box.");
        var box = Complete(sold with { Id = id, Name = name, Room = room, Mac = mac, Kit = Kit });
        if (address is not { } own) return box;
        return box with
        {
            Label = (box.Label ?? new()) with { DefaultAddress = own },
            Lan = box.Lan is { Method: LanMethod.Static, Address: { } was } lan ? lan.MovedTo(new(own, was.Prefix.Length)) : box.Lan,
        };
    }

    /// <summary>What a kind leaves open is the box's own: the last four of its MAC in its names, and a password as sold that no other box
    /// has.</summary>
    public static Device Complete(Device box)
    {
        var last = box.Mac?.ToString().Replace(":", "", StringComparison.Ordinal)[^4..] ?? NoMac;
        return box with
        {
            Wifi = [.. box.Wifi.Select(network => network with
            {
                Ssid = network.Ssid.Replace(LastFour, last, StringComparison.Ordinal),
                Key = network.Key == AsSold ? $"{box.Id}{OnLabel}" : network.Key,
            })],
        };
    }
}
