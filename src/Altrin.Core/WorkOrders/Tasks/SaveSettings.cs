using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Tasks;

/// <summary>One save at one box: a page, or pages that are saved together.</summary>
/// <param name="Wanted">As the box is to be in the end.</param>
/// <param name="Opened">The box whose page opens for it; null where it has none.</param>
/// <param name="IsAlone">Nothing but the laptop is on the box by then.</param>
internal sealed record SaveSettings(Device Wanted, ImmutableArray<SettingsPage> Saved, ImmutableArray<InstallerAction> Does,
    ImmutableArray<SettingChange> Rows,
    string? Opened, int Wait, bool IsAlone) : OrderTask($"save {Wanted.Id} {string.Join('+', Saved)}", Does)
{
    private static readonly ImmutableDictionary<SettingsPage, string> Briefs = new Dictionary<SettingsPage, string>
    {
        [SettingsPage.Address] = "New address",
        [SettingsPage.Dhcp] = "DHCP",
        [SettingsPage.DhcpOff] = "DHCP off",
        [SettingsPage.Wifi] = "Wi-Fi",
        [SettingsPage.Wan] = "WAN side",
        [SettingsPage.Services] = "Other settings",
        [SettingsPage.Sockets] = "VLANs",
        [SettingsPage.Password] = "Admin password",
        [SettingsPage.Mode] = "Mode",
        [SettingsPage.Power] = "Power",
    }.ToImmutableDictionary();

    private const string AskAnew =
        "Your laptop keeps its old name servers until it asks again: pull its cable, or turn its Wi-Fi off, and join it anew before you "
            + "look.";

    internal const string PasswordCaution =
        "The page password is not the Wi-Fi password. Note the new one: without it only a reset opens the page.";

    public override string? Page => Opened;
    public override string Device => Wanted.Id;
    public override int WaitSeconds => Wait;
    public override ImmutableArray<SettingsPage> Pages => Saved;
    public override string Phase(NetworkDocument house, NetworkDocument planned) =>
        IsAlone ? $"At the table, {Wanted.Name} alone" : base.Phase(house, planned);
    public override TradePlace Place => IsAlone ? TradePlace.SetAlone : TradePlace.SetInPlace;

    public override void Write(WorkInProgress work)
    {
        var planned = work.Planned.FindDevice(Wanted.Id)!;
        var isMode = Actions.Any(action => action is SetMode);
        var cautions = ImmutableArray.CreateBuilder<string>();
        // Changing them is a usual cure: then they are what to look at, on a laptop that asked anew.
        var laptopTells = Does.Any(action => action is SetLeaseDns) && work.LaptopIsServedBy(planned.Id);
        if (laptopTells) cautions.Add(AskAnew);
        if (Page is null)
            cautions.Add("It has no page of its own that opens here: set it at its main unit, in its app or with its button.");
        var own = Actions.OfType<SetLanAddress>().LastOrDefault()?.Address ?? planned.Lan?.Address;
        if (IsForNow)
            cautions.Add("Another holds the address that it is to have, and needs the one that it has: it gets its own once that is free.");
        if (Does.Any(action => action is SetUplink)) cautions.AddRange(LampWords.WhereNotJoined(work.Planned, planned.Id));
        // From a box alone nobody else could answer: there it was looked at before.
        if (Pages.Contains(SettingsPage.Address) && own is { } asked && work.LaptopIsOnTheHouse(planned.Id))
            cautions.Add($"Before: ping {asked.Address} and look at the neighbours. Nobody may answer there.");
        if (Pages.Contains(SettingsPage.Address))
            cautions.Add("Save. The page will hang: the box restarts at its new address. Open the new one.");
        if (Pages.Contains(SettingsPage.DhcpOff) && work.LaptopIsServedBy(planned.Id)) cautions.Add(FromHere(work, planned, Actions));
        if (Pages.Contains(SettingsPage.Dhcp) || Pages.Contains(SettingsPage.DhcpOff) || Pages.Contains(SettingsPage.Address))
            cautions.AddRange(MustAskAnew(work, planned.Id));
        if (Pages.Contains(SettingsPage.Mode)) cautions.AddRange(ModeCautions(work, planned, isMode, Actions).Except(cautions));
        if (Pages.Contains(SettingsPage.Wifi) && work.Laptop?.Connect is Attachment.Join
            && Simulation.Simulator.Run(Actions.Apply(work.House)).JoinedNetwork(Laptop.Id) is null)
            cautions.Add("The network that you are on goes with it: join the new one, with its key.");
        if (Pages.Contains(SettingsPage.Password))
            cautions.Add(PasswordCaution);
        work.Step(new(StepKind.SaveSettings, isMode || !Pages.Contains(SettingsPage.Mode)
            ? string.Join(", ", Pages.Select(page => Briefs[page]).Distinct()) : "What it joins", IsForNow
                ? $"Give {planned.Name} {own?.Address} for now" : Title(planned, Pages, isMode, Actions))
        {
            Page = Page,
            Actions = Actions,
            Find = isMode || !Pages.Contains(SettingsPage.Mode) ? SettingWords.Find(Pages[^1], work.House.KindOf(planned))
                : "Wireless, Repeater, or Uplink",
            Changes = Rows,
            WaitSeconds = WaitSeconds > 0 ? WaitSeconds : null,
            Expect = Page is null ? after => [.. JoinedLamp(after, planned.Id), .. after.ListedAs(planned.Id)]
                : after => [.. after.LaptopShows(), .. JoinedLamp(after, planned.Id), .. laptopTells ? after.NameServersOfLaptop()
                    : [], .. after.PageReading(planned.Id)],
            Cautions = cautions.ToImmutable(),
        });
    }

    /// <summary>By the save that makes it join.</summary>
    private ImmutableArray<Reading> JoinedLamp(WorkInProgress after, string device) =>
        Does.Any(action => action is SetUplink) ? after.JoinedLamp(device) : [];

    /// <summary>A lease outlives the change that made it: who holds one of this box, by name; a box behind it as well as a thing.</summary>
    private static IEnumerable<string> MustAskAnew(WorkInProgress work, string device)
    {
        bool Holds(Simulation.Interface? one) =>
            one is { Outcome: Simulation.LeaseOutcome.Leased, Candidates: [{ Server: var server }] } && server == device;
        var holders = work.House.Endpoints.Where(thing => thing.Id != Laptop.Id && Holds(work.State.Net(thing.Id))).Select(thing =>
            thing.Name)
            .Concat(work.House.Devices.Where(box => Holds(work.State.Wan(box.Id)) || Holds(work.State.Lan(box.Id))).Select(box =>
                box.Name)).ToList();
        if (holders.Count > 0)
            yield return $"{Rules.Facts.Join(holders, 6)} hold{(holders.Count == 1 ? "s" : "")} an address from it until asked again: "
                + $"turn Wi-Fi off and on there, or pull the cable for a moment.";
    }

    private static string Title(Device box, ImmutableArray<SettingsPage> pages, bool isMode, ImmutableArray<InstallerAction> does)
    {
        if (isMode) return $"Put {box.Name} into {box.Mode.Say()} mode";
        if (pages.Contains(SettingsPage.Mode))
            return pages.Length > 1 ? $"Set the Wi-Fi of {box.Name} and what it joins" : $"Set what {box.Name} joins";
        if (pages.Contains(SettingsPage.Address))
            return pages.Length > 1 ? $"Give {box.Name} a new address, and set what it gives out" : $"Give {box.Name} a new address";
        return pages[0] switch
        {
            SettingsPage.Wifi => $"Set the Wi-Fi of {box.Name}",
            SettingsPage.Dhcp => $"Set what {box.Name} gives out",
            SettingsPage.DhcpOff => $"Turn off the DHCP server of {box.Name}",
            SettingsPage.Wan => $"Set the WAN side of {box.Name}",
            SettingsPage.Sockets => $"Set the VLANs of {box.Name}",
            SettingsPage.Password => $"Change the admin password of {box.Name}",
            _ => ServicesTitle(box, does),
        };
    }

    /// <summary>Switches that all go one way are named.</summary>
    private static string ServicesTitle(Device box, ImmutableArray<InstallerAction> does)
    {
        var switches = does.OfType<SetFeature>().ToList();
        if (switches.Count == 0 || switches.Count < does.Length
            || switches.Exists(one => one.On != switches[0].On)) return $"Set the other settings of {box.Name}";
        return $"Turn {(switches[0].On ? "on" : "off")} {Rules.Facts.Join(switches.Select(one => SettingCatalogue.Of(one.Feature).InSentence))} of {box.Name}";
    }

    private static ImmutableArray<string> ModeCautions(WorkInProgress work, Device planned, bool isMode,
        ImmutableArray<InstallerAction> actions)
    {
        if (isMode && work.Laptop?.Connect is Attachment.Join && Simulator.Run(actions.Apply(work.House)).JoinedNetwork(Laptop.Id) is null)
            return [$"Its Wi-Fi goes off with it: your {work.Hands.Word()} is on no network then. Do this last."];
        if (planned.Traits.Caution is { } caution && (isMode || planned.Traits.BridgesByRadio)) return [caution];
        return isMode && work.LaptopIsServedBy(planned.Id) ? [FromHere(work, planned, actions)] : [];
    }

    /// <summary>What becomes of a laptop that the box has served until now.</summary>
    private static string FromHere(WorkInProgress work, Device planned, ImmutableArray<InstallerAction> actions)
    {
        var after = Simulator.Run(actions.Apply(work.House));
        return after.Net(Laptop.Id) is { Outcome: LeaseOutcome.Leased, Candidates: [{ Server: { } server }] } && server != planned.Id
            ? $"Your {work.Hands.Word()} gets its address from "
                + $"{(server == Line.ProviderId ? "the provider" : after.House.NameOf(server))} then. Where none comes, "
                + (after.House.FindEndpoint(Laptop.Id)!.Connect is Attachment.Join ? "turn its Wi-Fi off and on."
                    : "pull its cable for a moment.")
            : $"From here on the box gives your {work.Hands.Word()} no address. That is meant: do this last.";
    }
}

/// <summary>The open Wi-Fi of a box as sold gets a key of its own for the time of the work: the household's is not typed over a network
/// that nobody guards.</summary>
internal sealed record SecureWifi(Device Box) : OrderTask($"secure {Box.Id}",
    [
        .. Box.Wifi.Select((network, i) => (network, i)).Where(one =>
            one.network is { Enabled: true, Security: WifiSecurity.Open, Guest: false })
            .Select(one => (InstallerAction)new SetWifi(Box.Id, one.i,
                one.network with { Security = WifiSecurity.Wpa2, Key = LaptopSteps.KeyForNow(Box.Id) })),
    ])
{
    public override string Page => Box.Id;
    public override string Device => Box.Id;
    public override ImmutableArray<SettingsPage> Pages => [SettingsPage.Wifi];
    public override TradePlace Place => TradePlace.SetAlone;

    public override void Write(WorkInProgress work) =>
        work.Step(new(StepKind.SecureWifi, "A key for now", $"Give the open Wi-Fi of {Box.Name} a key of its own, for the time of the work")
        {
            Page = Page,
            Actions = Actions,
            Find = SettingWords.Find(SettingsPage.Wifi, work.House.KindOf(Box)),
            Cautions = ["Not the household's key: nobody guards this network yet. Join it anew with the new one."],
        });
}
