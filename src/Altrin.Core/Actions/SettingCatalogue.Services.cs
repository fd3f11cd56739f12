using System.Collections.Immutable;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

// Wi-Fi, what comes in, sockets, and what is set last because it moves the page.
public static partial class SettingCatalogue
{
    private static ImmutableArray<Setting> Wifi =>
    [
        new("wifi", "Wi-Fi", SettingsPage.Wifi, box => box.SendsWifi, (box, from) => box with { Wifi = from.Wifi }, (_, now, wanted) => WifiActs(now, wanted),
            box => box with { Wifi = [.. box.Radios.Select(radio => new WifiNetwork { Radio = radio.Id, Ssid = DefaultSsid(box) })] }),
        // Who only joins is heard by others too.
        new("radio-power", "Transmit power", SettingsPage.Wifi, box => box.SendsWifi || (box.Traits.Uplink != UplinkSide.None && box.Uplink is not null), PowersOf,
            (_, now, wanted) => from radio in wanted.Radios let old = now.Radios.FirstOrDefault(one => one.Id == radio.Id) where old is not null && old.TxDbm != radio.TxDbm
                                select new SettingAct(new SetRadioPower(now.Id, radio.Id, radio.TxDbm), new SettingChange($"Transmit power at {Words<Band>.Of(radio.Band)} GHz", SetRadioPower.SayPower(old.TxDbm), SetRadioPower.SayPower(radio.TxDbm))),
            box => PowersOf(box, box with { Radios = [.. box.Radios.Select(radio => radio with { TxDbm = null })] })),
    ];

    /// <summary>The box itself where they are alike: then nothing has to be written out to be compared.</summary>
    private static Device PowersOf(Device box, Device from)
    {
        return box.Radios.All(radio => PowerOf(radio) == radio.TxDbm) ? box : box with { Radios = [.. box.Radios.Select(radio => radio with { TxDbm = PowerOf(radio) })] };

        // A radio that the other box does not have keeps its own.
        double? PowerOf(WirelessRadio radio) => from.Radios.FirstOrDefault(one => one.Id == radio.Id) is { } its ? its.TxDbm : radio.TxDbm;
    }

    /// <summary>Boxes often end their first name with the last four digits of their MAC: common practice, no source.</summary>
    private static string DefaultSsid(Device box) => box.Mac is { } mac ? $"setup-{mac.Value & 0xffff:X4}" : "setup";

    private static IEnumerable<SettingAct> WifiActs(Device now, Device wanted)
    {
        for (var i = 0; i < wanted.Wifi.Length; i++)
        {
            var old = i < now.Wifi.Length ? now.Wifi[i] : null;
            if (old is not null && SameWritten.Are(old, wanted.Wifi[i])) continue;
            yield return new(new SetWifi(now.Id, i, wanted.Wifi[i]), [.. WifiChanges.Between(old, wanted.Wifi[i]).Select(change => new SettingChange(change.Setting, change.From, change.To, change.IsSecret))]);
        }
        // A box fresh from a reset sends an open network on every radio: what the plan does not have is taken off, the last first.
        for (var i = now.Wifi.Length - 1; i >= wanted.Wifi.Length; i--)
            yield return new(new RemoveWifi(now.Id, i), now.Wifi[i].Enabled ? [new(now.Wifi[i].Ssid, "on", "off")] : []);
    }

    private static ImmutableArray<Setting> Services =>
    [
        Switch(BoxFeature.Nat, "NAT", box => box.RoutesForItsOwn, box => box.Nat, (box, on) => box with { Nat = on }, true),
        Switch(BoxFeature.Firewall, "Firewall", HasServices, box => box.Firewall, (box, on) => box with { Firewall = on }, true, "the firewall"),
        Switch(BoxFeature.Upnp, "UPnP", HasServices, box => box.Upnp, (box, on) => box with { Upnp = on }, false),
        Switch(BoxFeature.Hairpin, "Hairpin", box => box.Traits.IsRouter, box => box.Hairpin, (box, on) => box with { Hairpin = on }, false, "hairpin"),
        Switch(BoxFeature.ServesWifi, "Its own Wi-Fi", box => box.Traits.Wifi == WifiSide.SendsIfItServes, box => box.ServesWifi, (box, on) => box with { ServesWifi = on }, false, "its own Wi-Fi"),
        Switch(BoxFeature.PassthroughShares, "Routes for everyone else", box => box.Traits.HandsLineOn, box => box.PassthroughShares == true,
            (box, on) => box with { PassthroughShares = on ? true : null }, false, "routing for everyone else"),
        new("forwards", "Forwards", SettingsPage.Services, box => box.RoutesForItsOwn, (box, from) => box with { PortForwards = AlikeForwards(box.PortForwards, from.PortForwards) },
            (_, now, wanted) => ForwardActs(now, wanted), box => box with { PortForwards = [] }),
        new("dmz-host", "DMZ host", SettingsPage.Services, box => box.RoutesForItsOwn, (box, from) => box with { DmzHost = from.DmzHost },
            (_, now, wanted) => now.DmzHost == wanted.DmzHost ? [] : [new(new SetDmzHost(now.Id, wanted.DmzHost), new SettingChange("DMZ host", now.DmzHost?.ToString(), wanted.DmzHost?.ToString() ?? "none"))],
            box => box with { DmzHost = null }),
        new("vlans", "VLANs", SettingsPage.Sockets, box => box.Traits.KnowsVlans, VlansOf,
            (_, now, wanted) => from port in wanted.Ports let old = now.FindPort(port.Id) where old is not null && SayVlans(old) != SayVlans(port)
                                select new SettingAct(new SetPortVlan(now.Id, port.Id, port.Vlan) { Tagged = port.Tagged }, new SettingChange($"VLAN of {Naming.PortName(wanted, port.Id)}", SayVlans(old), SayVlans(port))),
            box => box with { Ports = [.. box.Ports.Select(port => port with { Vlan = null, Tagged = [] })] }),
        new("admin-password", "Admin password", SettingsPage.Password, _ => true, (box, from) => (box.DefaultPassword == true) == (from.DefaultPassword == true) ? box : box with { DefaultPassword = from.DefaultPassword },
            (_, now, wanted) => now.DefaultPassword == true && wanted.DefaultPassword != true ? [new(new ChangeAdminPassword(now.Id))] : [],
            // Where nobody has looked, nobody knows; a reset brings back the label's.
            box => box with { DefaultPassword = box.DefaultPassword is null ? null : true })
        { IsSecret = true, WhyNoAct = "only a factory reset brings back the password on the label" },
    ];

    /// <summary>The box itself where they are alike: then nothing has to be written out to be compared.</summary>
    private static Device VlansOf(Device box, Device from) => box.Ports.All(port => ReferenceEquals(WithVlans(port, from.FindPort(port.Id) ?? port), port)) ? box
        : box with { Ports = [.. box.Ports.Select(port => WithVlans(port, from.FindPort(port.Id) ?? port))] };

    private static Port WithVlans(Port port, Port from) => port.Vlan == from.Vlan && (port.Tagged == from.Tagged || SayVlans(port) == SayVlans(from)) ? port : port with { Vlan = from.Vlan, Tagged = from.Tagged };

    private static string SayVlans(Port port)
    {
        var own = port.Vlan is { } vlan ? $"{vlan} untagged" : "its own network";
        return port.Tagged.IsDefaultOrEmpty ? own : $"{own}, {string.Join(", ", port.Tagged)} tagged";
    }

    /// <summary>The first forward of a port is the one that counts (section 3, rule 8).</summary>
    private static List<PortForward> Counting(ImmutableArray<PortForward> forwards) =>
        [.. forwards.DistinctBy(one => (one.Protocol, one.Port)).OrderBy(one => (one.Protocol, one.Port))];

    private static (Ipv4Address, int) Target(PortForward one) => (one.ToAddress, one.ToPort ?? one.Port);

    private static ImmutableArray<PortForward> AlikeForwards(ImmutableArray<PortForward> own, ImmutableArray<PortForward> other) =>
        Counting(own).Select(one => (one.Protocol, one.Port, Target(one))).SequenceEqual(Counting(other).Select(one => (one.Protocol, one.Port, Target(one)))) ? own : other;

    private static IEnumerable<SettingAct> ForwardActs(Device now, Device wanted)
    {
        var (before, after) = (Counting(now.PortForwards), Counting(wanted.PortForwards));
        foreach (var one in after)
        {
            var old = before.Find(other => (other.Protocol, other.Port) == (one.Protocol, one.Port));
            if (old is not null && Target(old) == Target(one)) continue;
            yield return new(new SetForward(now.Id, one), new SettingChange(SayForward(one), old is null ? null : SayTarget(old), SayTarget(one)));
        }
        foreach (var gone in before.Where(one => !after.Exists(other => (other.Protocol, other.Port) == (one.Protocol, one.Port))))
            yield return new(new RemoveForward(now.Id, gone.Protocol, gone.Port), new SettingChange(SayForward(gone), SayTarget(gone), "remove"));
    }

    private static string SayForward(PortForward one) => $"Forward {Words<TransportProtocol>.Of(one.Protocol)} {one.Port}";
    private static string SayTarget(PortForward one) => $"{one.ToAddress}:{one.ToPort ?? one.Port}";

    private static ImmutableArray<Setting> Last =>
    [
        new("mode", "Mode", SettingsPage.Mode, _ => true, (box, from) => box with { Mode = from.Mode },
            (_, now, wanted) => now.Mode == wanted.Mode ? [] : [new(new SetMode(now.Id, wanted.Mode), new SettingChange("Mode", now.Mode.Say(), wanted.Mode.Say()))],
            box => box with { Mode = box.ModeThat(mode => mode.IsRouter) ?? (box.Supports.IsEmpty ? box.Mode : box.Supports[0]) }) { CutsOff = true, WhyNoAct = "the box has no such mode" },
        new("uplink", "Joins", SettingsPage.Mode, box => box.Traits.Uplink != UplinkSide.None, (box, from) => box with { Uplink = from.Uplink },
            (house, now, wanted) => SameWritten.Are(now.Uplink, wanted.Uplink) ? [] : [new(new SetUplink(now.Id, wanted.Uplink), UplinkRows(house, wanted, now.Uplink, wanted.Uplink))],
            box => box with { Uplink = null }) { CutsOff = true },
        new("passthrough-to", "Pass through to", SettingsPage.Mode, box => box.Traits.HandsLineOn, (box, from) => box with { PassthroughTo = from.PassthroughTo },
            (house, now, wanted) => now.PassthroughTo == wanted.PassthroughTo ? []
                : [new(new SetPassthroughTarget(now.Id, wanted.PassthroughTo), new SettingChange("Pass through to", SayBox(house, now.PassthroughTo), SayBox(house, wanted.PassthroughTo)))],
            box => box with { PassthroughTo = null }) { CutsOff = true, WhyNoAct = "a box cannot hand the line to itself" },
    ];

    private static string SayBox(NetworkDocument house, string? box) => box is null ? "nobody" : house.NameOf(box);

    private static ImmutableArray<SettingChange> UplinkRows(NetworkDocument house, Device box, Uplink? old, Uplink? wanted)
    {
        if (wanted is null) return [new("Joins", old?.Ssid, "nobody’s Wi-Fi")];
        var rows = Rows(("Joins (SSID)", old?.Ssid, wanted.Ssid), ("Joins over", BandOf(box, old), BandOf(box, wanted)), ("Its security", old?.Security.Say(), wanted.Security.Say()));
        if (wanted.Key is { } key && key != old?.Key) rows = rows.Add(new("Its password", null, key, IsSecret: true));
        if (wanted.Near != old?.Near) rows = rows.Add(new("Joins which box", old?.Near is { } was ? house.NameOf(was) : null, wanted.Near is { } near ? house.NameOf(near) : "whichever it hears"));
        return rows;
    }

    private static string? BandOf(Device box, Uplink? uplink) => box.Radios.FirstOrDefault(radio => radio.Id == uplink?.Radio) is { } radio ? $"{Words<Band>.Of(radio.Band)} GHz" : null;

    /// <summary>A mode that only bridges stops these and hides them: common practice, no source.</summary>
    private static bool HasServices(Device box) => box.Traits.IsRouter || box.Traits.HandsLineOn;
}
