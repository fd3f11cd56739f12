using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air;

/// <summary>Networks for guests: those there are, and one that could be made.</summary>
/// <param name="Names">Of those on the air, each once.</param>
/// <param name="By">The boxes that make them.</param>
/// <param name="Ssid">What a new one would be called; null where none is offered.</param>
/// <param name="Says">What making it means here, or why none is offered.</param>
/// <param name="Actions">What makes it; empty where none is offered.</param>
public sealed record GuestOffer(ImmutableArray<string> Names, ImmutableArray<string> By, string? Device, string? Ssid, string Says, ImmutableArray<InstallerAction> Actions)
{
    private const string Ending = "-guests";

    /// <summary>The name under which the password of a guests' network is kept.</summary>
    private const string UsualKey = "guests";

    /// <summary>A network for guests on that radio, never open; with security and password of another where there is one.</summary>
    internal static WifiNetwork Network(WirelessRadio radio, string ssid, WifiNetwork? like = null) =>
        new() { Radio = radio.Id, Ssid = ssid, Guest = true, Security = like?.Security is null or WifiSecurity.Open ? WifiSecurity.Wpa2 : like.Security, Key = like?.Key ?? UsualKey };

    public static GuestOffer Of(NetworkState state)
    {
        var guests = state.Air.Where(one => one.Network.Guest).ToList();
        if (guests.Count > 0) return new([.. guests.Select(one => one.Network.Ssid).Distinct()], [.. guests.Select(one => one.Box.Id).Distinct()], null, null, "", []);
        if (MakerOf(state) is not { } box) return None(WhyNone(state));
        var taken = state.House.Devices.SelectMany(one => one.Wifi).Select(network => network.Ssid).ToHashSet(StringComparer.Ordinal);
        var main = OneWifi.Main(state, [.. state.Air]);
        var ssid = WifiNames.Free(taken, WifiNames.With(main.Network.Ssid, Ending, spare: 2), spare: 0);
        var security = main.Network.Security is WifiSecurity.Open or WifiSecurity.Wep or WifiSecurity.Wpa ? WifiSecurity.Wpa2 : main.Network.Security;
        var radios = box.Radios.Where(radio => box.Wifi.Any(network => network.Enabled && network.Radio == radio.Id)).ToList();
        return new([], [], box.Id, ssid, $"{box.Name} would make it, {(radios.Count == 1 ? "on its radio" : $"on {radios.Count} radios")}: whoever is on it has the internet and reaches nobody else of the home. It has a password of its own, and nothing of the household has to be touched. "
            + "Boxes that only bridge cannot keep guests apart: it is heard as far as this one reaches.",
            [.. radios.Select((radio, i) => new SetWifi(box.Id, box.Wifi.Length + i, Network(radio, ssid) with { Security = security }))]);
    }

    /// <summary>The router that sends and has somebody of the household behind it: that of the network most things are on, else the first.</summary>
    private static Device? MakerOf(NetworkState state)
    {
        var routers = state.Air.Where(one => one.Box.RoutesForItsOwn && one.Box.LeaveAsFound != true && one.Box.KeptApart != true).Select(one => one.Box).DistinctBy(box => box.Id).ToList();
        if (routers.Count == 0) return null;
        var main = OneWifi.Main(state, [.. state.Air]);
        return routers.FirstOrDefault(box => box.Id == main.Box.Id) ?? routers.FirstOrDefault(box => state.InsideOf(box.Id) == main.Segment) ?? routers[0];
    }

    private static string WhyNone(NetworkState state) =>
        state.Air.IsEmpty ? "No box sends Wi-Fi."
        : state.Air.Any(one => one.Box.RoutesForItsOwn) ? "The router that could make one is to be left as it is."
        : "No router of the house sends Wi-Fi, and a box that only bridges cannot keep guests apart: turn the router’s Wi-Fi on first.";

    private static GuestOffer None(string says) => new([], [], null, null, says, []);
}
