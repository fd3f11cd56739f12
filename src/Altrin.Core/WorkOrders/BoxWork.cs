using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.WorkOrders;

/// <summary>The settings of one box, in the order that never locks the installer out: address first with a fresh log-in,
/// then Wi-Fi, then the rest, and last what cuts off (DHCP off, mode). Common practice, no source.</summary>
internal static class BoxWork
{
    private const string LastFromHere = "From here on the box gives your laptop no address. That is meant: do this last.";

    public static int RebootSeconds(Device box) => box.Label?.RebootSeconds ?? BoxLabel.UsualRebootSeconds;

    /// <summary>Brings the box from what it is now to what is planned.</summary>
    public static void Set(WorkInProgress work, Device planned)
    {
        if (SameSettings(work.House.FindDevice(planned.Id)!, planned)) return;
        LaptopMoves.ToPageOf(work, planned.Id);
        LogIn(work, planned.Id, "Log in");
        Address(work, planned);
        Wifi(work, planned);
        Pool(work, planned);
        Rest(work, planned);
        Password(work, planned);
        DhcpOff(work, planned);
        Mode(work, planned);
        // What is left has no effect in the planned mode; the record of it still follows the plan.
        if (!Same(work.House.FindDevice(planned.Id)!, planned)) work.Do(new ConfigureDevice(planned));
    }

    /// <summary>Whether a person would find nothing to set.</summary>
    public static bool SameSettings(Device now, Device planned) => Same(
        now with { Name = planned.Name, Room = planned.Room, KeptApart = planned.KeptApart, Label = planned.Label, Supports = planned.Supports, Mac = planned.Mac },
        planned);

    public static bool Same(Device a, Device b) =>
        ReferenceEquals(a, b) || System.Text.Json.JsonSerializer.Serialize(a, AltrinJson.Compact) == System.Text.Json.JsonSerializer.Serialize(b, AltrinJson.Compact);

    public static void LogIn(WorkInProgress work, string device, string brief)
    {
        var box = work.House.FindDevice(device)!;
        var user = box.Label?.DefaultUser is { } name ? $" as {name}" : "";
        // Where chance picks its lease, the address at which it was just found to answer.
        var address = work.State.Admin(Laptop.Id, device).Address;
        work.Step(new(brief, $"Log in to {box.Name}{user}")
        {
            Page = device,
            Expect = _ => [new("page", $"opens at http://{address}")],
            Cautions = ["The admin password is not the Wi-Fi password. If it is still the one on the label, change it and note the new one."],
        });
    }

    private static void Address(WorkInProgress work, Device planned)
    {
        var now = work.House.FindDevice(planned.Id)!;
        if (planned.Lan is not { Method: LanMethod.Static, Address: { } wanted } || now.Lan?.Address == wanted) return;
        work.Step(new("New address", $"Give {planned.Name} a new address")
        {
            Page = planned.Id,
            Actions = [new SetLanAddress(planned.Id, wanted)],
            Find = "Network, LAN, or Local network",
            Changes = Rows(
                ("IP address", now.Lan?.Address?.Address.ToString(), wanted.Address.ToString()),
                ("Subnet mask", Mask(now.Lan?.Address), Mask(wanted))),
            WaitSeconds = RebootSeconds(planned),
            Expect = after => [.. WorkInProgress.LaptopShows(after).Take(2), new("page", $"opens at http://{wanted.Address}")],
            Cautions = ["Save. The page will hang: the box restarts at its new address. Open the new one."],
        });
        LaptopMoves.ToPageOf(work, planned.Id);
        LogIn(work, planned.Id, "Log in again");
    }

    private static void Wifi(WorkInProgress work, Device planned)
    {
        var now = work.House.FindDevice(planned.Id)!;
        for (var i = 0; i < planned.Wifi.Length; i++)
        {
            var (old, wanted) = (i < now.Wifi.Length ? now.Wifi[i] : null, planned.Wifi[i]);
            if (old is not null && old == wanted) continue;
            var band = planned.Radios.First(radio => radio.Id == wanted.Radio).Band;
            var name = $"{Words<Band>.Of(band)} GHz";
            // With several on one radio the band alone does not say which.
            var which = planned.Wifi.Count(one => one.Radio == wanted.Radio) > 1 ? $"{name} Wi-Fi {wanted.Ssid}" : $"{name} Wi-Fi";
            if (!wanted.Enabled && old is not { Enabled: false })
                work.Step(new("Wi-Fi off", $"Turn off the {which} of {planned.Name}")
                {
                    Page = planned.Id,
                    Actions = [new SetWifi(planned.Id, i, wanted)],
                    Find = "Wireless, or Wi-Fi",
                    Changes = [new("Wi-Fi", "on", "off")],
                });
            else
                work.Step(new($"Wi-Fi {name}", $"Set the {which} of {planned.Name}")
                {
                    Page = planned.Id,
                    Actions = [new SetWifi(planned.Id, i, wanted)],
                    Find = "Wireless, or Wi-Fi",
                    Changes = [.. WifiChanges.Between(old, wanted).Select(change => new SettingChange(change.Setting, change.From, change.To, change.IsSecret))],
                    Cautions = wanted.Security == WifiSecurity.Open && !wanted.Guest
                        ? ["An open network lets anybody in. Use WPA2 or WPA3 unless the household knows and wants it."]
                        : [],
                });
        }
        // A box fresh from a reset sends an open network on every radio: what the plan does not have is turned off.
        var rest = now.Wifi.Select((network, place) => (network, place)).Skip(planned.Wifi.Length).Where(one => one.network.Enabled).ToList();
        if (rest.Count > 0)
            work.Step(new("Other Wi-Fi off", $"Turn off every other Wi-Fi network of {planned.Name}")
            {
                Page = planned.Id,
                Actions = [.. rest.Select(one => new SetWifi(planned.Id, one.place, one.network with { Enabled = false }))],
                Find = "Wireless, or Wi-Fi",
                Changes = [.. rest.Select(one => one.network.Ssid).Distinct().Select(name => new SettingChange(name, "on", "off"))],
            });
        if (now.Wifi.Length > planned.Wifi.Length)
            work.Do(new ConfigureDevice(work.House.FindDevice(planned.Id)! with { Wifi = planned.Wifi }));
    }

    /// <summary>The server that is to stay on: its pool, gateway and reservations.</summary>
    private static void Pool(WorkInProgress work, Device planned)
    {
        var now = work.House.FindDevice(planned.Id)!;
        if (planned.Lan?.DhcpServer is not { Enabled: true, Start: { } start, End: { } end } wanted) return;
        var old = now.Lan?.DhcpServer;
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        var rows = ImmutableArray.CreateBuilder<SettingChange>();
        if (old is not { Enabled: true })
        {
            actions.Add(new TurnOnDhcpServer(planned.Id, start, end));
            rows.Add(new("DHCP server", "off", "on"));
        }
        if (old?.Start != start || old.End != end)
        {
            if (old is { Enabled: true }) actions.Add(new MovePool(planned.Id, start, end));
            rows.AddRange(Rows(("First address", old?.Start?.ToString(), start.ToString()), ("Last address", old?.End?.ToString(), end.ToString())));
        }
        if (old is not null && old.Gateway != wanted.Gateway)
        {
            actions.Add(new SetLeaseGateway(planned.Id, wanted.Gateway));
            rows.Add(new("Gateway given", old.Gateway?.ToString() ?? "the box itself", wanted.Gateway?.ToString() ?? "the box itself"));
        }
        var before = old?.Reservations ?? [];
        foreach (var gone in before.Where(r => !wanted.Reservations.Any(w => w.Mac == r.Mac)))
        {
            actions.Add(new ReleaseReservation(planned.Id, gone.Mac));
            rows.Add(new($"Reservation {gone.Mac}", gone.Address.ToString(), "none"));
        }
        foreach (var kept in wanted.Reservations.Where(w => !before.Contains(w)))
        {
            actions.Add(new ReserveAddress(planned.Id, kept.Mac, kept.Address));
            rows.Add(new($"Reservation {kept.Mac}", before.FirstOrDefault(r => r.Mac == kept.Mac)?.Address.ToString(), kept.Address.ToString()));
        }
        if (actions.Count == 0) return;
        work.Step(new("Pool", $"Set what {planned.Name} gives out")
        {
            Page = planned.Id,
            Actions = actions.ToImmutable(),
            Find = "DHCP, LAN, or Address reservation",
            Changes = rows.ToImmutable(),
            PageAfter = planned.Id,
            Cautions = ["Devices keep their old lease until they ask again: turn their Wi-Fi or the device off and on."],
        });
    }

    /// <summary>What still differs and matters, in one step; the DHCP switch, the mode and the uplink come after it.</summary>
    private static void Rest(WorkInProgress work, Device planned)
    {
        var now = work.House.FindDevice(planned.Id)!;
        var rows = OtherSettings.Rows(now, planned);
        if (rows.IsEmpty) return;
        var settings = planned with
        {
            Mode = now.Mode,
            Lan = now.Lan,
            Wifi = now.Wifi,
            Uplink = now.Uplink,
            PassthroughTo = now.PassthroughTo,
            DefaultPassword = now.DefaultPassword,
        };
        work.Step(new("Other settings", $"Set the rest of {planned.Name}")
        {
            Page = planned.Id,
            Actions = [new ConfigureDevice(settings)],
            Changes = rows,
            PageAfter = planned.Id,
        });
    }

    private static void Password(WorkInProgress work, Device planned)
    {
        if (work.House.FindDevice(planned.Id)!.DefaultPassword != true || planned.DefaultPassword == true) return;
        work.Step(new("Admin password", $"Change the admin password of {planned.Name}")
        {
            Page = planned.Id,
            Actions = [new ChangeAdminPassword(planned.Id)],
            Find = "System, Administration, or Password",
            Cautions = ["It is not the Wi-Fi password. Note the new one: without it only a reset opens the page."],
        });
    }

    private static void DhcpOff(WorkInProgress work, Device planned)
    {
        var now = work.House.FindDevice(planned.Id)!;
        if (now.Lan?.DhcpServer is not { Enabled: true } || planned.Lan?.DhcpServer is { Enabled: true }) return;
        if (planned.Lan?.Method == LanMethod.Dhcp || planned.Mode != now.Mode) return;
        work.Step(new("DHCP off", $"Turn off the DHCP server of {planned.Name}")
        {
            Page = planned.Id,
            Actions = [new TurnOffDhcpServer(planned.Id)],
            Find = "DHCP, or LAN",
            Changes = [new("DHCP server", "on", "off")],
            WaitSeconds = RebootSeconds(planned),
            Cautions = [work.LaptopIsServedBy(planned.Id) ? LastFromHere : "A device with an address from it keeps that until it asks again: turn its Wi-Fi or the device off and on."],
        });
    }

    /// <summary>The mode, and with it what it joins or hands on: the last thing set, for it moves the page.</summary>
    private static void Mode(WorkInProgress work, Device planned)
    {
        var now = work.House.FindDevice(planned.Id)!;
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        var rows = ImmutableArray.CreateBuilder<SettingChange>();
        if (now.Mode != planned.Mode)
        {
            // A repeater's server would go on running: off with it in the same breath, before it meets the house.
            if (now.Lan?.DhcpServer is { Enabled: true } && planned.Lan?.DhcpServer is not { Enabled: true } && planned.Traits.RunsServer)
            {
                actions.Add(new TurnOffDhcpServer(planned.Id));
                rows.Add(new("DHCP server", "on", "off"));
            }
            actions.Add(new SetMode(planned.Id, planned.Mode));
            rows.Add(new("Mode", now.Mode.Say(), planned.Mode.Say()));
        }
        if (planned.Lan is { Method: LanMethod.Dhcp } && now.Lan?.Method != LanMethod.Dhcp && planned.Traits.MayAskForAddress)
        {
            actions.Add(new AskForLanAddress(planned.Id));
            rows.Add(new("Its own address", now.Lan?.Address?.Address.ToString(), "automatic"));
        }
        if (now.Uplink != planned.Uplink)
        {
            actions.Add(new SetUplink(planned.Id, planned.Uplink));
            rows.AddRange(UplinkRows(work.House, now.Uplink, planned.Uplink));
        }
        if (now.PassthroughTo != planned.PassthroughTo)
        {
            actions.Add(new SetPassthroughTarget(planned.Id, planned.PassthroughTo));
            rows.Add(new("Pass through to", now.PassthroughTo is { } old ? work.House.NameOf(old) : "nobody", planned.PassthroughTo is { } to ? work.House.NameOf(to) : "nobody"));
        }
        if (actions.Count == 0) return;
        var isMode = now.Mode != planned.Mode;
        work.Step(new(isMode ? $"{Capital(planned.Mode.Say())} mode" : "What it joins",
            isMode ? $"Put {planned.Name} into {planned.Mode.Say()} mode" : $"Set what {planned.Name} joins")
        {
            Page = planned.Id,
            Actions = actions.ToImmutable(),
            Find = isMode ? "Operation mode, or Working mode" : "Wireless, Repeater, or Uplink",
            Changes = rows.ToImmutable(),
            WaitSeconds = Math.Max(planned.Traits.SaveSeconds, RebootSeconds(planned)),
            Expect = WorkInProgress.LaptopShows,
            Cautions = ModeCautions(planned, isMode),
        });
    }

    private static ImmutableArray<string> ModeCautions(Device planned, bool isMode)
    {
        if (planned.Traits.Caution is { } caution && (isMode || planned.Traits.BridgesByRadio)) return [caution];
        return isMode ? [LastFromHere] : [];
    }

    private static ImmutableArray<SettingChange> UplinkRows(NetworkDocument house, Uplink? old, Uplink? wanted)
    {
        if (wanted is null) return [new("Joins", old?.Ssid, "nobody’s Wi-Fi")];
        var rows = Rows(("Joins (SSID)", old?.Ssid, wanted.Ssid), ("Security", old?.Security.Say(), wanted.Security.Say()));
        if (wanted.Key is { } key && key != old?.Key) rows = rows.Add(new("Password", null, key, IsSecret: true));
        if (wanted.Near is { } near && near != old?.Near) rows = rows.Add(new("Joins which box", old?.Near is { } was ? house.NameOf(was) : null, house.NameOf(near)));
        return rows;
    }

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];

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
