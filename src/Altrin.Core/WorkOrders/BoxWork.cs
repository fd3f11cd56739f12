using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;

namespace Altrin.Core.WorkOrders;

/// <summary>The settings of one box, in the order that never locks the installer out: address first with a fresh log-in,
/// then Wi-Fi, then the rest, and last what cuts off (DHCP off, mode). Common practice, no source.</summary>
internal static class BoxWork
{
    private const string AskAnew = "Your laptop keeps its old name servers until it asks again: pull its cable, or turn its Wi-Fi off, and join it anew before you look.";

    public static int RebootSeconds(Device box) => box.Label?.RebootSeconds ?? BoxLabel.UsualRebootSeconds;

    /// <summary>Brings the box from what it is now to what is planned.</summary>
    public static void Set(WorkInProgress work, Device planned)
    {
        var differ = SettingCatalogue.All.Where(setting => !setting.IsAlike(work.House.FindDevice(planned.Id)!, planned)).ToList();
        if (differ.Count == 0) return;
        // Its switch is no setting of a page.
        if (differ.TrueForAll(setting => setting.Page == SettingsPage.Power))
        {
            Power(work, planned);
            return;
        }
        LaptopMoves.ToPageOf(work, planned.Id);
        LogIn(work, planned.Id, "Log in");
        Address(work, planned);
        Wifi(work, planned);
        Page(work, planned, SettingsPage.Dhcp, "DHCP", $"Set what {planned.Name} gives out",
            ["Devices keep their old lease until they ask again: turn their Wi-Fi or the device off and on."]);
        Page(work, planned, SettingsPage.Wan, "WAN side", $"Set the WAN side of {planned.Name}", []);
        Page(work, planned, SettingsPage.Services, "Other settings", $"Set the rest of {planned.Name}", []);
        Page(work, planned, SettingsPage.Sockets, "VLANs", $"Set the VLANs of {planned.Name}", []);
        Password(work, planned);
        DhcpOff(work, planned);
        Mode(work, planned);
        Power(work, planned);
    }

    /// <summary>Whether a person would find nothing to set.</summary>
    public static bool SameSettings(Device now, Device planned) => SettingCatalogue.All.All(setting => setting.IsAlike(now, planned));

    /// <summary>What is set in one save of these pages, from the catalogue: each action on the box as the ones before it have left it.</summary>
    internal static (ImmutableArray<InstallerAction> Actions, ImmutableArray<SettingChange> Rows) Acts(NetworkDocument house, Device planned, params ReadOnlySpan<SettingsPage> pages)
    {
        var (actions, rows) = (ImmutableArray.CreateBuilder<InstallerAction>(), ImmutableArray.CreateBuilder<SettingChange>());
        // Its own address is asked for when the mode allows it: a second look finds what the first had to leave.
        for (var round = 0; round < 2; round++)
            foreach (var setting in SettingCatalogue.All)
            {
                if (!pages.Contains(setting.Page) || setting.IsAlike(house.FindDevice(planned.Id)!, planned)) continue;
                foreach (var act in setting.Acts(house, house.FindDevice(planned.Id)!, planned))
                {
                    if (act.Action.Problem(house) is not null) continue;
                    house = act.Action.Apply(house);
                    actions.Add(act.Action);
                    rows.AddRange(act.Action is SetWifi { Network: var network } && planned.Wifi.Length > 1 ? act.Rows.Select(row => row with { Setting = $"{row.Setting} at {NameOf(planned, network)}" }) : act.Rows);
                }
            }
        return (actions.ToImmutable(), rows.ToImmutable());
    }

    private static void Page(WorkInProgress work, Device planned, SettingsPage page, string brief, string title, ImmutableArray<string> cautions)
    {
        var (actions, rows) = Acts(work.House, planned, page);
        if (actions.IsEmpty) return;
        // Changing them is a usual cure: then they are what to look at, on a laptop that asked anew.
        var laptopTells = actions.Any(action => action is SetLeaseDns) && work.LaptopIsServedBy(planned.Id);
        work.Step(new(brief, title)
        {
            Page = planned.Id,
            Actions = actions,
            Find = SettingWords.Find(page, work.House.KindOf(planned)),
            Changes = rows,
            PageAfter = planned.Id,
            Expect = laptopTells ? after => after.NameServersOfLaptop() : null,
            Cautions = laptopTells ? [AskAnew, .. cautions] : cautions,
        });
    }

    public static void LogIn(WorkInProgress work, string device, string brief)
    {
        var box = work.House.FindDevice(device)!;
        var user = box.Label?.DefaultUser is { } name ? $" as {name}" : "";
        work.Step(new(brief, $"Log in to {box.Name}{user}")
        {
            Page = device,
            Expect = after => after.PageReading(device),
            Cautions =
            [
                "The admin password is not the Wi-Fi password. If it is still the one on the label, change it and note the new one.",
                .. PastFirstPage(work.House, box),
                .. AsItsKindIsSet(work.House, box),
            ],
        });
    }

    /// <summary>Some kinds are set in an app or by a button, and some want the live line meanwhile: “alone first” does not go there. Common practice, no
    /// source.</summary>
    private static IEnumerable<string> AsItsKindIsSet(NetworkDocument house, Device box)
    {
        if (house.KindOf(box)?.SetUp is not { } way) yield break;
        if (way.By == SetBy.App) yield return "This kind is set in its app on a phone: mobile data off, and let the phone not join the old network by itself. What stands here is what to choose there.";
        if (way.By == SetBy.Button) yield return "This kind is paired by its button: first at the box it joins, then here, within two minutes.";
        if (way.NeedsLine) yield return "This kind wants the live line while it is set: plug it where there is internet before you begin.";
    }

    /// <summary>A box as sold shows something else first; its kind says what, and the way past.</summary>
    internal static string[] PastFirstPage(NetworkDocument house, Device box) =>
        box.DefaultPassword == true && house.KindOf(box)?.SetUp.Past is { } past ? [$"Its first page is no settings page. {past}"] : [];

    private static void Address(WorkInProgress work, Device planned)
    {
        var (actions, rows) = Acts(work.House, planned, SettingsPage.Address);
        if (actions.IsEmpty || planned.Lan?.Address is not { } wanted) return;
        work.Step(new("New address", $"Give {planned.Name} a new address")
        {
            Page = planned.Id,
            Actions = actions,
            Find = SettingWords.Find(SettingsPage.Address, work.House.KindOf(planned)),
            Changes = rows,
            WaitSeconds = RebootSeconds(planned),
            Expect = after => [.. after.LaptopShows().Where(reading => reading is AddressReading or GatewayReading), new PageReading(planned.Id, wanted.Address, true)],
            Cautions = ["Save. The page will hang: the box restarts at its new address. Open the new one."],
        });
        LaptopMoves.ToPageOf(work, planned.Id);
        LogIn(work, planned.Id, "Log in again");
    }

    private static void Wifi(WorkInProgress work, Device planned)
    {
        var now = work.House.FindDevice(planned.Id)!;
        var acts = SettingCatalogue.On(SettingsPage.Wifi).Where(setting => !setting.IsAlike(now, planned)).SelectMany(setting => setting.Acts(work.House, now, planned)).ToList();
        foreach (var act in acts)
        {
            if (act.Action is not SetWifi { Place: var place, Network: var wanted }) continue;
            var name = BandOf(planned, wanted);
            // With several on one radio the band alone does not say which.
            var which = planned.Wifi.Count(one => one.Radio == wanted.Radio) > 1 ? $"{name} Wi-Fi {wanted.Ssid}" : $"{name} Wi-Fi";
            var goesOff = !wanted.Enabled && now.Wifi.ElementAtOrDefault(place) is not { Enabled: false };
            work.Step(new(goesOff ? "Wi-Fi off" : $"Wi-Fi {name}", $"{(goesOff ? "Turn off" : "Set")} the {which} of {planned.Name}")
            {
                Page = planned.Id,
                Actions = [act.Action],
                Find = SettingWords.Find(SettingsPage.Wifi, work.House.KindOf(planned)),
                Changes = goesOff ? [new("Wi-Fi", "on", "off")] : act.Rows,
                Cautions = wanted is { Enabled: true, Security: WifiSecurity.Open, Guest: false }
                    ? ["An open network lets anybody in. Use WPA2 or WPA3 unless the household knows and wants it."]
                    : [],
            });
        }
        if (acts.Where(act => act.Action is SetRadioPower).ToList() is { Count: > 0 } powers)
            work.Step(new("Transmit power", $"Set how strong {planned.Name} sends")
            {
                Page = planned.Id,
                Actions = [.. powers.Select(act => act.Action)],
                Find = SettingWords.Find(SettingsPage.Wifi, work.House.KindOf(planned)),
                Changes = [.. powers.SelectMany(act => act.Rows)],
                Cautions = ["More than the country allows is unlawful; often its settings page asks for the country and keeps to it."],
            });
        var rest = acts.Where(act => act.Action is RemoveWifi).ToList();
        if (rest.Exists(act => !act.Rows.IsEmpty))
            work.Step(new("Other Wi-Fi off", $"Turn off every other Wi-Fi network of {planned.Name}")
            {
                Page = planned.Id,
                Actions = [.. rest.Select(act => act.Action)],
                Find = SettingWords.Find(SettingsPage.Wifi, work.House.KindOf(planned)),
                Changes = [.. rest.SelectMany(act => act.Rows).Distinct()],
            });
        // What was off already is only struck from the record.
        else work.Do([.. rest.Select(act => act.Action)]);
    }

    private static string BandOf(Device planned, WifiNetwork network) => $"{Words<Band>.Of(planned.Radios.First(radio => radio.Id == network.Radio).Band)} GHz";

    /// <summary>Which of a box's networks it is: by its band, and by its name where that band has several.</summary>
    private static string NameOf(Device planned, WifiNetwork network) =>
        planned.Wifi.Count(one => one.Radio == network.Radio) > 1 ? $"{BandOf(planned, network)}, {network.Ssid}" : BandOf(planned, network);

    private static void Password(WorkInProgress work, Device planned)
    {
        var (actions, _) = Acts(work.House, planned, SettingsPage.Password);
        if (actions.IsEmpty) return;
        work.Step(new("Admin password", $"Change the admin password of {planned.Name}")
        {
            Page = planned.Id,
            Actions = actions,
            Find = SettingWords.Find(SettingsPage.Password, work.House.KindOf(planned)),
            Cautions = ["It is not the Wi-Fi password. Note the new one: without it only a reset opens the page."],
        });
    }

    private static void DhcpOff(WorkInProgress work, Device planned)
    {
        // With the mode it goes off in the same breath.
        if (planned.Mode != work.House.FindDevice(planned.Id)!.Mode) return;
        var (actions, rows) = Acts(work.House, planned, SettingsPage.DhcpOff);
        if (actions.IsEmpty) return;
        work.Step(new("DHCP off", $"Turn off the DHCP server of {planned.Name}")
        {
            Page = planned.Id,
            Actions = actions,
            Find = SettingWords.Find(SettingsPage.DhcpOff, work.House.KindOf(planned)),
            Changes = rows,
            WaitSeconds = RebootSeconds(planned),
            Cautions = [work.LaptopIsServedBy(planned.Id) ? FromHere(work, planned, actions) : "A device with an address from it keeps that until it asks again: turn its Wi-Fi or the device off and on."],
        });
    }

    /// <summary>The mode, and with it what it joins or hands on: the last thing set, for it moves the page. A repeater's server would go on
    /// running: off with it in the same breath, before it meets the house.</summary>
    private static void Mode(WorkInProgress work, Device planned)
    {
        var isMode = work.House.FindDevice(planned.Id)!.Mode != planned.Mode;
        var (actions, rows) = Acts(work.House, planned, SettingsPage.DhcpOff, SettingsPage.Mode);
        if (actions.IsEmpty) return;
        work.Step(new(isMode ? $"{Capital(planned.Mode.Say())} mode" : "What it joins",
            isMode ? $"Put {planned.Name} into {planned.Mode.Say()} mode" : $"Set what {planned.Name} joins")
        {
            Page = planned.Id,
            Actions = actions,
            Find = isMode ? SettingWords.Find(SettingsPage.Mode, work.House.KindOf(planned)) : "Wireless, Repeater, or Uplink",
            Changes = rows,
            WaitSeconds = Math.Max(planned.Traits.SaveSeconds, RebootSeconds(planned)),
            Expect = after => after.LaptopShows(),
            Cautions = ModeCautions(work, planned, isMode, actions),
        });
    }

    private static void Power(WorkInProgress work, Device planned)
    {
        var (actions, _) = Acts(work.House, planned, SettingsPage.Power);
        if (actions is not [SwitchPower power]) return;
        work.Step(new(power.On ? "Power on" : "Power off", power.Say(work.House)) { Actions = actions, WaitSeconds = power.On ? RebootSeconds(planned) : null });
    }

    internal static ImmutableArray<string> ModeCautions(WorkInProgress work, Device planned, bool isMode, ImmutableArray<InstallerAction> actions)
    {
        if (isMode && work.Laptop?.Connect is Attachment.Join && Simulator.Run(actions.Apply(work.House)).JoinedNetwork(Laptop.Id) is null)
            return [$"Its Wi-Fi goes off with it: your {work.Hands.Word()} is on no network then. Do this last."];
        if (planned.Traits.Caution is { } caution && (isMode || planned.Traits.BridgesByRadio)) return [caution];
        return isMode && work.LaptopIsServedBy(planned.Id) ? [FromHere(work, planned, actions)] : [];
    }

    /// <summary>What becomes of a laptop that the box has served until now.</summary>
    internal static string FromHere(WorkInProgress work, Device planned, ImmutableArray<InstallerAction> actions)
    {
        var after = Simulator.Run(actions.Apply(work.House));
        return after.Net(Laptop.Id) is { Outcome: LeaseOutcome.Leased, Candidates: [{ Server: { } server }] } && server != planned.Id
            ? $"Your {work.Hands.Word()} gets its address from {(server == Line.ProviderId ? "the provider" : after.House.NameOf(server))} then. Where none comes, {(after.House.FindEndpoint(Laptop.Id)!.Connect is Attachment.Join ? "turn its Wi-Fi off and on" : "pull its cable for a moment")}."
            : $"From here on the box gives your {work.Hands.Word()} no address. That is meant: do this last.";
    }

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
