using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Readings;

namespace Altrin.Core.WorkOrders.Search;

/// <summary>Says an order that was found: where the laptop goes, which page opens, what is typed, what must then be seen.</summary>
internal static class Narrator
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

    public static void Say(WorkInProgress work, ImmutableArray<Done> steps)
    {
        string? loggedIn = null;
        foreach (var (act, moves, before, _) in steps)
        {
            work.Phase = act.Device is { } device ? $"At {(work.House.FindDevice(device) ?? work.Planned.FindDevice(device))!.Name}" : act.Label.StartsWith("join ", StringComparison.Ordinal) || act.Label.StartsWith("thing ", StringComparison.Ordinal) || act.Label.StartsWith("address ", StringComparison.Ordinal) ? "The things in the house" : "Cables";
            if (act.Actions is [CarryDevice { Device: var carried }] && !work.IsAsBefore(carried) && BoxWork.SameSettings(work.House.FindDevice(carried)!, work.Planned.FindDevice(carried)!) && WorkOrderWriter.CanBeProvedThere(work, carried))
            {
                // Proved beside the main box before it goes to its place.
                WorkOrderWriter.ProveBox(work, work.House.FindDevice(carried)!, isBeside: true);
                loggedIn = null;
            }
            if (MoveTo(work, moves, act.Page is null ? null : before)) loggedIn = null;
            // A proof may have left it in the act's way.
            if (act.Page is null && act.Actions.Any(action => action.Problem(work.House) is not null) && act.Actions.All(action => action.Problem(Laptop.Away(work.House)) is null)) Move(work, new PutLaptopAway());
            if (act.Page is { } page)
            {
                if (loggedIn != page) BoxWork.LogIn(work, page, "Log in");
                // A restart, or another address, asks for a fresh log-in.
                loggedIn = act.WaitSeconds > 0 ? null : page;
            }
            Do(work, act);
        }
    }

    /// <summary>Brings the laptop to where the search had it; by the search's own way, but for what a proof has done already or otherwise.</summary>
    /// <param name="there">The house with the laptop in that place; null where it need only be out of the way.</param>
    /// <returns>Whether it was moved.</returns>
    private static bool MoveTo(WorkInProgress work, ImmutableArray<InstallerAction> moves, NetworkDocument? there)
    {
        var isMoved = false;
        void Go(InstallerAction move)
        {
            if (SameWritten.Are(move.Apply(work.House).FindEndpoint(Laptop.Id), work.Laptop)) return;
            Move(work, move);
            isMoved = true;
        }
        bool IsThere() => there is null || SameWritten.Are(there.FindEndpoint(Laptop.Id), work.Laptop);
        if (IsThere() && there is not null) return false;
        foreach (var move in moves) Go(move);
        if (IsThere()) return isMoved;
        var wanted = there!.FindEndpoint(Laptop.Id)!;
        if (wanted.Connect?.Socket is { } socket) Go(new PlugLaptop(socket));
        else if (wanted.Connect is Attachment.Join { Near: { } near } join) Go(new JoinLaptop(join.Ssid, near, join.Security ?? WifiSecurity.Open, join.Key));
        Go(new SetLaptopAddress(wanted.Address.Address, wanted.Address.Gateway));
        return isMoved;
    }

    private static void Move(WorkInProgress work, InstallerAction move)
    {
        switch (move)
        {
            case PlugLaptop plug: LaptopSteps.Plug(work, plug); break;
            case JoinLaptop join: LaptopSteps.Join(work, join); break;
            case SetLaptopAddress { Address: { } own }: LaptopSteps.FixAddress(work, own); break;
            case SetLaptopAddress: LaptopSteps.Automatic(work); break;
            default:
                work.Step(new("Laptop out", "Take your laptop out: the plan needs that socket") { Actions = [move] });
                break;
        }
    }

    private static void Do(WorkInProgress work, Act act)
    {
        if (act is { IsForNow: true, Page: not null, Pages: [SettingsPage.Wifi] })
            work.Step(new("A key for now", $"Give the open Wi-Fi of {work.House.NameOf(act.Page)} a key of its own, for the time of the work")
            { Page = act.Page, Actions = act.Actions, Find = SettingWords.Find(SettingsPage.Wifi, work.House.KindOf(work.House.FindDevice(act.Page)!)), Cautions = ["Not the household's key: nobody guards this network yet. Join it anew with the new one."] });
        else if (!act.Pages.IsEmpty) Save(work, act);
        else if (act.Actions is [PlugCable plug])
            work.Step(new("Cable in", plug.Say(work.House)) { Actions = act.Actions, WaitSeconds = 30, Cautions = SafetyCautions.OfCable(work.Planned, plug.Cable) });
        else if (act.Actions is [UnplugCable])
            work.Step(new("Cable out", act.Actions[0].Say(work.House)) { Actions = act.Actions, Cautions = act.IsForNow ? ["It goes back later: leave it lying at its socket."] : [] });
        else if (act.Actions is [SetEndpointAddress set]) WorkOrderWriter.SetThingAddress(work, set, act.IsForNow);
        else if (act.Actions is [ConnectEndpoint or UnplugEndpoint] && act.Label.StartsWith("join ", StringComparison.Ordinal))
            work.Step(new($"Move {work.House.NameOf(act.Label[5..])}", act.Actions[0].Say(work.House)) { Actions = act.Actions, Expect = after => WorkOrderWriter.Shows(after, act.Label[5..]) });
        else if (act.Actions is [AddEndpoint thing]) WorkOrderWriter.BringIn(work, thing.Endpoint);
        else if (act.Actions is [CarryDevice carry]) CarrySteps.Carry(work, carry);
        else if (act.Actions is [FactoryReset reset]) ResetSteps.Hold(work, work.House.FindDevice(reset.Device)!);
        else if (act.Actions is [AddDevice added])
            work.Step(new("Unpack it", $"Unpack {added.Device.Name}, power on, nothing else plugged in") { Actions = act.Actions, WaitSeconds = act.WaitSeconds });
        else
            work.Step(new(act.Actions is [SetLine] ? "The line" : act.Label.StartsWith("power", StringComparison.Ordinal) ? "Power" : "By hand", string.Join("; ", act.Actions.Select(action => action.Say(work.House))))
            { Actions = act.Actions, WaitSeconds = act.WaitSeconds > 0 ? act.WaitSeconds : null, Cautions = act.Actions is [SetLine] ? ["The provider's line and socket are the provider's: its terms decide what may be moved."] : [] });
    }

    private static void Save(WorkInProgress work, Act act)
    {
        var planned = work.Planned.FindDevice(act.Device!)!;
        var isMode = act.Actions.Any(action => action is SetMode);
        var cautions = ImmutableArray.CreateBuilder<string>();
        if (act.Page is null) cautions.Add("It has no page of its own that opens here: set it at its main unit, in its app or with its button.");
        var own = act.Actions.OfType<SetLanAddress>().LastOrDefault()?.Address ?? planned.Lan?.Address;
        if (act.IsForNow) cautions.Add("Another holds the address that it is to have, and needs the one that it has: it gets its own once that is free.");
        if (act.Pages.Contains(SettingsPage.Address) && own is { } asked) cautions.Add($"Before: ping {asked.Address} and look at the neighbours. Nobody may answer there.");
        if (act.Pages.Contains(SettingsPage.Address)) cautions.Add("Save. The page will hang: the box restarts at its new address. Open the new one.");
        if (act.Pages.Contains(SettingsPage.DhcpOff) && work.LaptopIsServedBy(planned.Id)) cautions.Add(BoxWork.FromHere(work, planned, act.Actions));
        if (act.Pages.Contains(SettingsPage.Dhcp) || act.Pages.Contains(SettingsPage.DhcpOff) || act.Pages.Contains(SettingsPage.Address)) cautions.AddRange(MustAskAnew(work, planned.Id));
        if (act.Pages.Contains(SettingsPage.Mode)) cautions.AddRange(BoxWork.ModeCautions(work, planned, isMode, act.Actions).Except(cautions));
        if (act.Pages.Contains(SettingsPage.Wifi) && work.Laptop?.Connect is Attachment.Join && Simulation.Simulator.Run(act.Actions.Apply(work.House)).JoinedNetwork(Laptop.Id) is null)
            cautions.Add("The network that you are on goes with it: join the new one, with its key.");
        if (act.Pages.Contains(SettingsPage.Password)) cautions.Add("It is not the Wi-Fi password. Note the new one: without it only a reset opens the page.");
        work.Step(new(isMode || !act.Pages.Contains(SettingsPage.Mode) ? string.Join(", ", act.Pages.Select(page => Briefs[page]).Distinct()) : "What it joins", act.IsForNow ? $"Give {planned.Name} {own?.Address} for now" : Title(planned, act.Pages, isMode))
        {
            Page = act.Page,
            Actions = act.Actions,
            Find = isMode || !act.Pages.Contains(SettingsPage.Mode) ? SettingWords.Find(act.Pages[^1], work.House.KindOf(planned)) : "Wireless, Repeater, or Uplink",
            Changes = act.Rows,
            WaitSeconds = act.WaitSeconds > 0 ? act.WaitSeconds : null,
            Expect = act.Page is null ? after => after.ListedAs(planned.Id) : after => [.. after.LaptopShows(), .. after.PageReading(planned.Id)],
            Cautions = cautions.ToImmutable(),
        });
    }

    /// <summary>A lease outlives the change that made it: who holds one of this box, by name; a box behind it as well as a thing.</summary>
    private static IEnumerable<string> MustAskAnew(WorkInProgress work, string device)
    {
        bool Holds(Simulation.Interface? one) => one is { Outcome: Simulation.LeaseOutcome.Leased, Candidates: [{ Server: var server }] } && server == device;
        var holders = work.House.Endpoints.Where(thing => thing.Id != Laptop.Id && Holds(work.State.Net(thing.Id))).Select(thing => thing.Name)
            .Concat(work.House.Devices.Where(box => Holds(work.State.Wan(box.Id)) || Holds(work.State.Lan(box.Id))).Select(box => box.Name)).ToList();
        if (holders.Count > 0) yield return $"{Rules.Facts.Join(holders, 6)} hold{(holders.Count == 1 ? "s" : "")} an address from it until asked again: turn Wi-Fi off and on there, or pull the cable for a moment.";
    }

    private static string Title(Device box, ImmutableArray<SettingsPage> pages, bool isMode)
    {
        if (isMode) return $"Put {box.Name} into {box.Mode.Say()} mode";
        if (pages.Contains(SettingsPage.Mode)) return pages.Length > 1 ? $"Set the Wi-Fi of {box.Name} and what it joins" : $"Set what {box.Name} joins";
        if (pages.Contains(SettingsPage.Address)) return pages.Length > 1 ? $"Give {box.Name} a new address, and set what it gives out" : $"Give {box.Name} a new address";
        return pages[0] switch
        {
            SettingsPage.Wifi => $"Set the Wi-Fi of {box.Name}",
            SettingsPage.Dhcp => $"Set what {box.Name} gives out",
            SettingsPage.DhcpOff => $"Turn off the DHCP server of {box.Name}",
            SettingsPage.Wan => $"Set the WAN side of {box.Name}",
            SettingsPage.Sockets => $"Set the VLANs of {box.Name}",
            SettingsPage.Password => $"Change the admin password of {box.Name}",
            _ => $"Set the rest of {box.Name}",
        };
    }
}
