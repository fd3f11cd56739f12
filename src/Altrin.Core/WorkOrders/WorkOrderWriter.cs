using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Rules;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Search;

namespace Altrin.Core.WorkOrders;

/// <summary>Writes the work order from a house as found to a house as planned.</summary>
/// <remarks>The order is common practice, no source: prove the line; take the second box out and set it alone; then the
/// main box; then plug; then the things; then prove it all.</remarks>
public static class WorkOrderWriter
{
    /// <returns>An order with no steps when found and planned are the same.</returns>
    public static WorkOrder Write(NetworkDocument found, NetworkDocument planned, Course? course = null, CancellationToken cancel = default) => Write(found, planned, course, new(), cancel);

    internal static WorkOrder Write(NetworkDocument found, NetworkDocument planned, Course? course, Played played, CancellationToken cancel)
    {
        found = Laptop.Away(found);
        planned = Laptop.Away(planned);
        course ??= Course.First;
        var work = new WorkInProgress(found, planned, played, cancel) { Course = course };
        if (IsSameHouse(found, planned)) return work.Finish("Nothing to do");
        var plan = new Undertaking(found, planned, played, course.Resets);
        if (course.ProvesLine) ProveLine(work);
        foreach (var thing in plan.Gone) TakeAway(work, thing);
        foreach (var box in plan.TakenAway) if (work.House.Line?.Device != box.Id) TakeAway(work, box);
        foreach (var box in plan.Alone) TakeOut(work, box);
        foreach (var box in plan.Alone) SetAlone(work, box);
        foreach (var box in plan.InPlace) SetInPlace(work, box);
        RemoveCables(work, plan);
        foreach (var box in plan.BroughtIn) BringIn(work, box);
        MoveLine(work, planned.Line);
        // The box that the line was in goes when the line is in another.
        foreach (var box in plan.TakenAway) if (work.House.FindDevice(box.Id) is not null && planned.FindDevice(box.Id) is null) TakeAway(work, box);
        foreach (var box in planned.Devices)
            if (work.House.FindDevice(box.Id) is { } now && CarryDevice.IsStillDue(found, work.House, now, box)) CarrySteps.Carry(work, new(box.Id, box.Room!));
        foreach (var box in plan.Alone.Where(work.Has)) PutBack(work, plan, box);
        AddCables(work, plan);
        PowerInTurn(work, plan);
        foreach (var thing in plan.Things) SetThing(work, thing);
        Settle(work);
        foreach (var box in plan.Alone.Where(work.Has)) ProveBox(work, box);
        Measure(work);
        ProveHouse(work);
        if (!work.EndsAsPlanned()) work.Gap("the last step does not end in the planned house.");
        return work.Finish(TitleOf(plan, found));
    }

    /// <summary>The order by search: of the acts that lead from the one house to the other the sequence that cuts the household off the least.</summary>
    /// <returns>Null where none was found.</returns>
    public static WorkOrder? Search(NetworkDocument found, NetworkDocument planned, Hands hands = Hands.Laptop, Course? course = null, CancellationToken cancel = default) =>
        Search(found, planned, hands, course, new(), cancel);

    internal static WorkOrder? Search(NetworkDocument found, NetworkDocument planned, Hands hands, Course? course, Played played, CancellationToken cancel)
    {
        found = Laptop.Away(found);
        planned = Laptop.Away(planned);
        course ??= Course.First;
        var work = new WorkInProgress(found, planned, played, cancel) { Course = course, Hands = hands };
        if (IsSameHouse(found, planned)) return work.Finish("Nothing to do");
        if (course.ProvesLine) ProveLine(work);
        if (OrderSearch.Find(work.House, planned, hands, course, played, cancel) is not { } steps) return null;
        Narrator.Say(work, steps);
        var plan = new Undertaking(found, planned, played, course.Resets);
        PowerInTurn(work, plan);
        Settle(work);
        // Set at the table, proved in its place.
        foreach (var box in planned.Devices.Where(box => work.Has(box) && (plan.Alone.Contains(box) && hands == Hands.Laptop ? CanBeProved(work, box) : (plan.Alone.Contains(box) || IsNewAtItsPlace(found, planned, box)) && CanBeProvedThere(work, box.Id)))) ProveBox(work, box);
        Measure(work);
        ProveHouse(work);
        if (!work.EndsAsPlanned()) work.Gap("the last step does not end in the planned house.");
        return work.Finish(TitleOf(new(found, planned, played), found));
    }

    private static bool IsSameHouse(NetworkDocument a, NetworkDocument b) => SameWritten.Are(a, b);

    private static string TitleOf(Undertaking plan, NetworkDocument found)
    {
        if (plan.Alone is [var only, ..] && (found.FindDevice(only.Id) is not { } old || !IsJoined(found, old) || PartOf(old with { Name = only.Name }) != PartOf(only) || only.KeptApart == true)) return PartOf(only) ?? $"Set {only.Name}";
        if (plan.Alone is [var first, ..]) return $"Set {first.Name}{(plan.Alone.Length + plan.InPlace.Length is > 1 and var boxes ? $" and {boxes - 1} more" : "")}";
        if (plan.InPlace is [var main, .. var more])
            return found.FindDevice(main.Id)!.Mode != main.Mode
                ? $"Put {main.Name} into {main.Mode.Say()} mode{(more.IsEmpty ? "" : $" and set {more.Length} more")}"
                : main.Uplink is { } uplink && !SameWritten.Are(found.FindDevice(main.Id)!.Uplink, uplink) ? $"Join {main.Name} to {uplink.Ssid}{(more.IsEmpty ? "" : $" and set {more.Length} more")}"
                : $"Set {main.Name}{(more.IsEmpty ? "" : $" and {more.Length} more")}";
        return plan.Things is [var thing, .. var others] ? $"Set {thing.Name}{(others.IsEmpty ? "" : $" and {others.Length} more")}" : "Change the cables";
    }

    /// <summary>The part a box plays once it is set, as the heading of the order says it; null for a router like any other.</summary>
    private static string? PartOf(Device box) => box switch
    {
        { Traits.IsAccessPoint: true } or { Traits.IsRouter: true, Lan.DhcpServer.Enabled: false } => $"Make {box.Name} an access point",
        { Traits.BridgesByRadio: true } => $"Make {box.Name} a {box.Mode.Say()}",
        { KeptApart: true } => $"Keep the network of {box.Name} apart",
        _ => null,
    };

    private static void ProveLine(WorkInProgress work)
    {
        if (work.House.Line is not { } line || work.House.FindDevice(line.Device) is not { } entry) return;
        // A gateway in pass-through shows its page and no internet: there the line is proved at the router that receives it.
        var gateway = entry is { Traits.HandsLineOn: true, PassthroughTo: { } id } ? work.House.FindDevice(id) ?? entry : entry;
        // Without a socket nothing is read at a box that no Wi-Fi leads to.
        if (work.Hands != Hands.Laptop && !CanBeProvedThere(work, gateway.Id)) return;
        work.Phase = "Before anything is changed";
        LaptopMoves.ToPageOf(work, gateway.Id);
        work.Step(new("Prove the line", $"Prove that the line works at {gateway.Name}")
        {
            NeedsLaptop = true,
            // Where its page does not open from here, the laptop's own readings have to do.
            Page = work.PageOpens(gateway.Id) ? gateway.Id : null,
            Expect = after => [.. after.LaptopShows(), new OwnAddressReading(gateway.Id, after.State.Lan(gateway.Id)?.Address), .. OutsideOf(after, gateway.Id, work.House.Line is { HandOff: HandOff.Static, Agreed: not null } or { HandOff: not HandOff.Static, Seen: not null })],
            Cautions =
            [
                "Write down what you see: gateway address, Wi-Fi names, who is connected. It is the way back.",
                "The provider's box and socket are the provider's: its terms decide what may be opened or set.",
            ],
        });
    }

    /// <summary>Everything off the box, so that it talks to nothing but the laptop while it is set.</summary>
    private static void TakeOut(WorkInProgress work, Device box)
    {
        work.Phase = $"At {box.Name}";
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        foreach (var cable in work.House.Cables)
            if (cable.A.Device == box.Id || cable.B.Device == box.Id) actions.Add(new UnplugCable(cable.Id));
        foreach (var endpoint in work.House.Endpoints)
            if (endpoint.Connect?.Socket?.Device == box.Id) actions.Add(new UnplugEndpoint(endpoint.Id));
        if (actions.Count == 0) return;
        work.Step(new("Unplug it", $"Unplug everything from {box.Name}")
        {
            Actions = actions.ToImmutable(),
            Changes = [.. actions.Select(action => new SettingChange(Where(work.House, action, box), null, "out"))],
            Cautions = ["Label each cable before you pull it. Leave the power in.", "Do not plug this box into the house again until the step that says so."],
        });
    }

    private static string Where(NetworkDocument house, InstallerAction action, Device box) => action switch
    {
        UnplugCable { Cable: var id } when house.FindCable(id) is { } cable =>
            $"{Naming.PortName(box, Remedies.EndAt(cable, box.Id).Port)}, to {house.NameOf(Remedies.EndOpposite(cable, box.Id).Device)}",
        UnplugEndpoint { Endpoint: var id } when house.FindEndpoint(id)?.Connect?.Socket?.Port is { } port => $"{Naming.PortName(box, port)}, to {house.NameOf(id)}",
        _ => action.Say(house),
    };

    private static void TakeAway(WorkInProgress work, Device box)
    {
        work.Phase = $"At {box.Name}";
        work.Step(new("Take it out", new RemoveDevice(box.Id).Say(work.House)) { Actions = [new RemoveDevice(box.Id)] });
    }

    private static void TakeAway(WorkInProgress work, Endpoint thing)
    {
        work.Phase = "The things in the house";
        work.Step(new("Take it out", new RemoveEndpoint(thing.Id).Say(work.House)) { Actions = [new RemoveEndpoint(thing.Id)] });
    }

    private static void BringIn(WorkInProgress work, Device box)
    {
        work.Phase = "Cables";
        work.Step(new(box.Name, $"Put {box.Name} in its place, power on") { Actions = [new AddDevice(box)], WaitSeconds = BoxWork.RebootSeconds(box) });
    }

    private static void MoveLine(WorkInProgress work, Line? line)
    {
        if (line is null && work.House.Line is not null)
        {
            work.Phase = "Cables";
            work.Step(new("The line", new RemoveLine().Say(work.House)) { Actions = [new RemoveLine()], Cautions = ["The provider's line and socket are the provider's: its terms decide what may be moved."] });
        }
        if (line is null || work.House.Line?.Socket == line.Socket) return;
        work.Phase = "Cables";
        FreeLaptopSocket(work, work.Planned);
        work.Step(new("The line", new SetLine(line).Say(work.House))
        {
            Actions = [new SetLine(line)],
            WaitSeconds = 120,
            Cautions = ["The provider's line and socket are the provider's: its terms decide what may be moved. Where the line ends in a fixed socket, ask them."],
        });
    }

    private static void SetAlone(WorkInProgress work, Device planned)
    {
        work.Phase = $"At the table, {planned.Name} alone";
        if (work.House.FindDevice(planned.Id) is not { } now)
        {
            work.Step(new("Unpack it", $"Unpack {planned.Name}, power on, nothing else plugged in")
            {
                Actions = [new AddDevice(SettingCatalogue.AsSold(work.Planned, planned))],
                WaitSeconds = BoxWork.RebootSeconds(planned),
            });
            if (work.Has(planned)) BoxWork.Set(work, planned);
            return;
        }
        ResetSteps.Hold(work, now);
        BoxWork.Set(work, planned);
    }

    private static void SetInPlace(WorkInProgress work, Device planned)
    {
        if (!work.Has(planned) || BoxWork.SameSettings(work.House.FindDevice(planned.Id)!, planned)) return;
        work.Phase = $"At {planned.Name}";
        BoxWork.Set(work, planned);
    }

    private static void RemoveCables(WorkInProgress work, Undertaking plan)
    {
        foreach (var cable in plan.CablesOut.Where(cable => work.House.FindCable(cable.Id) is not null))
        {
            work.Phase = "Cables";
            work.Step(new("Cable out", new UnplugCable(cable.Id).Say(work.House)) { Actions = [new UnplugCable(cable.Id)] });
        }
    }

    private static void PutBack(WorkInProgress work, Undertaking plan, Device box)
    {
        work.Phase = $"{box.Name} into the house";
        FreeLaptopSocket(work, plan.Planned);
        foreach (var cable in plan.Planned.Cables.Where(cable => (cable.A.Device == box.Id || cable.B.Device == box.Id) && work.House.FindCable(cable.Id) is null))
        {
            // The other end may still be waiting in a box that is set later.
            var (own, far) = (Remedies.EndAt(cable, box.Id), Remedies.EndOpposite(cable, box.Id));
            var role = box.FindPort(own.Port)?.Role == PortRole.Wan ? "WAN" : "LAN";
            var empty = role == "LAN" && box.Traits.IsRouter && box.Ports.Any(port => port.Role == PortRole.Wan)
                ? ImmutableArray.Create("Its WAN socket stays empty: in WAN it would be a router again.")
                : [];
            work.Step(new($"Cable to {role}", $"Plug the cable from {plan.Planned.SocketName(far)} into {plan.Planned.SocketName(own)}")
            {
                Actions = [new PlugCable(cable)],
                WaitSeconds = 30,
                Cautions = empty.AddRange(SafetyCautions.OfCable(plan.Planned, cable)),
            });
        }
        foreach (var endpoint in plan.Planned.Endpoints.Where(one => one.Connect?.Socket?.Device == box.Id && work.House.FindEndpoint(one.Id)?.Connect is null))
            work.Step(new($"Plug {endpoint.Name}", new ConnectEndpoint(endpoint.Id, endpoint.Connect!).Say(plan.Planned))
            {
                Actions = [new ConnectEndpoint(endpoint.Id, endpoint.Connect!)],
                Expect = after => Shows(after, endpoint.Id),
            });
    }

    /// <summary>The laptop may sit in a socket that the plan needs: out with it, as a step of its own.</summary>
    private static void FreeLaptopSocket(WorkInProgress work, NetworkDocument planned)
    {
        if (work.Laptop?.Connect?.Socket is not { } socket || planned.OccupantOf(socket) is null) return;
        work.Step(new("Laptop out", $"Take your laptop out of {work.House.SocketName(socket)}: the plan needs that socket") { Actions = [new PutLaptopAway()] });
    }

    private static void AddCables(WorkInProgress work, Undertaking plan)
    {
        foreach (var cable in plan.Planned.Cables.Where(cable => work.House.FindCable(cable.Id) is null))
        {
            work.Phase = "Cables";
            FreeLaptopSocket(work, plan.Planned);
            work.Step(new("Cable in", new PlugCable(cable).Say(plan.Planned)) { Actions = [new PlugCable(cable)], WaitSeconds = 30, Cautions = SafetyCautions.OfCable(plan.Planned, cable) });
        }
    }

    /// <summary>After the public address is handed to another box the provider must see the two come up in this order: common
    /// practice, no source.</summary>
    private static void PowerInTurn(WorkInProgress work, Undertaking plan)
    {
        foreach (var (gateway, receiver) in plan.HandsOn)
        {
            if (!work.Has(gateway)) continue;
            work.Phase = "Power, in this order";
            var router = work.House.NameOf(receiver);
            work.Step(new("Both off", $"Turn off {gateway.Name} and {router}, and wait")
            {
                WaitSeconds = 120,
                Actions = [new Restart(gateway.Id)],
                Off = [gateway.Id, receiver],
                WhyHere = "It stands behind the last setting: a line may hold on to the box it knew, and lets go of it while both are off. Common practice, not computed.",
            });
            work.Step(new("Gateway on", $"Turn on {gateway.Name} alone, and wait until its lamps settle")
            {
                WaitSeconds = 240,
                Off = [gateway.Id, receiver],
                WhyHere = $"Together with {router} it would be asked for an address before it has the line. Common practice, not computed.",
            });
            work.Step(new("Router on", $"Turn on {router}, and wait")
            {
                WaitSeconds = 180,
                Actions = [new Restart(receiver)],
                WhyHere = $"Sooner it would ask before {gateway.Name} has the line, and could go on without an address. Common practice, not computed.",
                // What was seen was another box's: this one may be given another.
                Expect = after => OutsideOf(after, receiver, work.House.Line is { HandOff: HandOff.Static, Agreed: not null }),
            });
        }
    }

    /// <summary>What the page of the box that is fed by the line shows of it.</summary>
    private static ImmutableArray<Reading> OutsideOf(WorkInProgress work, string device, bool isKnown) => work.State.Wan(device) is { Candidates: [{ Address: { } outside, Server: Line.ProviderId }] }
        ? [new OutsideAddressReading(device, outside.Address, isKnown)] : [];

    private static void SetThing(WorkInProgress work, Endpoint planned)
    {
        work.Phase = "The things in the house";
        if (work.House.FindEndpoint(planned.Id) is not { } now)
        {
            FreeLaptopSocket(work, work.Planned);
            BringIn(work, planned);
            return;
        }
        if (!SameWritten.Are(now.Connect, planned.Connect))
        {
            FreeLaptopSocket(work, work.Planned);
            InstallerAction move = planned.Connect is { } to ? new ConnectEndpoint(planned.Id, to) : new UnplugEndpoint(planned.Id);
            work.Step(new($"Move {planned.Name}", move.Say(work.House)) { Actions = [move], Expect = after => Shows(after, planned.Id) });
        }
        if (!SameWritten.Are(now.Address, planned.Address)) SetThingAddress(work, new(planned.Id, planned.Address));
    }

    internal static void BringIn(WorkInProgress work, Endpoint thing)
    {
        var where = thing.Connect?.Match(cable => $", into {work.House.SocketName(cable.Into)}", join => $", on Wi-Fi {join.Ssid}");
        work.Step(new(thing.Name, $"Bring in {thing.Name}{where}") { Actions = [new AddEndpoint(thing)], Expect = after => Shows(after, thing.Id) });
    }

    /// <param name="isForNow">It gives its address up for another, and gets its own later.</param>
    internal static void SetThingAddress(WorkInProgress work, SetEndpointAddress set, bool isForNow = false)
    {
        var (now, address) = (work.House.FindEndpoint(set.Endpoint)!, set.Address);
        work.Step(new(now.Name, $"At {now.Name}'s own panel: {(address.Method == EndpointMethod.Static ? "a fixed address" : "automatic addressing")}{(isForNow ? ", for now" : "")}")
        {
            Actions = [set],
            Find = "Network, TCP/IP, or Wired settings",
            Changes = address.Method == EndpointMethod.Static
                ?
                [
                    new("IP address", now.Address.Address?.Address.ToString() ?? "automatic", address.Address!.Value.Address.ToString()),
                    new("Subnet mask", null, new Ipv4Address(address.Address!.Value.Prefix.Mask).ToString()),
                    new("Gateway", now.Address.Gateway?.ToString(), address.Gateway?.ToString() ?? "leave empty"),
                ]
                : [new("Addressing", now.Address.Address?.Address.ToString(), "automatic (DHCP)")],
            Expect = after => Shows(after, set.Endpoint),
            Cautions = isForNow ? ["Another needs the address that it has, and holds the one that it is to have: it gets its own once that is free."]
                : address.Method == EndpointMethod.Static ? ["Whoever uses it by its old address must learn the new one."] : [],
        });
    }

    internal static ImmutableArray<Reading> Shows(WorkInProgress work, string endpoint) =>
        [Expected.Address(work.State, endpoint), new InternetReading(endpoint, work.State.Internet(endpoint).Reachable), .. work.ListedAs(endpoint)];

    /// <summary>What no step has done is said: what is left between the house as the steps have made it and the one that is planned. Mere
    /// records follow the plan.</summary>
    private static void Settle(WorkInProgress work)
    {
        var left = Difference.Between(Laptop.Away(work.House), work.Planned);
        foreach (var action in left.All)
        {
            if (!action.IsRecord(work.House)) work.Gap($"no step does this: {action.Say(work.House)}.");
            else work.Record(action);
        }
        foreach (var one in left.Left)
            work.Gap($"no step sets “{one.Setting.Name}” of {work.House.NameOf(one.Device)} as planned{(one.Setting.WhyNoAct is { } why ? $": {why}" : "")}.");
    }

    private static bool CanBeProved(WorkInProgress work, Device box) =>
        !box.Traits.AlwaysAsks && work.State.Lan(box.Id)?.Address is { } own && !AddressRanges.LinkLocal.Contains(own.Address);

    /// <summary>A box that joins by radio or by cable as it did not before, or stands where it did not: whether it carries is seen at it alone.</summary>
    private static bool IsNewAtItsPlace(NetworkDocument found, NetworkDocument planned, Device box) => box.Id != found.Line?.Device && found.FindDevice(box.Id) is var old
        && (old is null || (box.Uplink is not null && !SameWritten.Are(old.Uplink, box.Uplink)) || CarryDevice.IsDue(found, old, box) || (!IsWired(found, box) && IsWired(planned, box)));

    private static bool IsJoined(NetworkDocument house, Device box) => IsWired(house, box) || box.Uplink is not null || house.Line?.Device == box.Id;

    private static bool IsWired(NetworkDocument house, Device box) => house.Cables.Any(cable => cable.A.Device == box.Id || cable.B.Device == box.Id);

    /// <summary>Whether its page opens from where the laptop would be: tried on the simulated house. A proof that cannot be had is no step.</summary>
    internal static bool CanBeProvedThere(WorkInProgress work, string device)
    {
        if (!CanBeProved(work, work.House.FindDevice(device)!)) return false;
        var trial = new WorkInProgress(work.House, work.Planned, work.Played) { Hands = work.Hands };
        LaptopMoves.ToPageOf(trial, device, asAThing: true);
        return trial.PageOpens(device);
    }

    internal static void ProveBox(WorkInProgress work, Device box, bool isBeside = false)
    {
        work.Phase = isBeside ? $"{box.Name}, beside the main box" : "Prove it";
        LaptopMoves.ToPageOf(work, box.Id, asAThing: true);
        work.Step(new($"At {box.Name}", $"Prove it at {box.Name}{(isBeside ? ", before it is carried" : "")}")
        {
            NeedsLaptop = true,
            Page = box.Id,
            Expect = after => [.. after.LaptopShows(), .. after.PageReading(box.Id)],
            Cautions = isBeside || work.WasProved(box.Id) || work.State.Wan(box.Id) is { Candidates: [{ Server: Line.ProviderId }] } ? [] : ["Prove it beside the main router first, then again where the box will stay."],
        });
    }

    /// <summary>A rate that is wanted is measured where it is wanted: best of three, beside what was there before. Common practice, no source.</summary>
    private static void Measure(WorkInProgress work)
    {
        work.Phase = "Prove it";
        foreach (var need in work.Planned.Needs.OfType<Need.Speed>())
        {
            var where = need.Room is { } wanted ? Rooms.Say(work.House, wanted) : work.House.FindEndpoint(need.Endpoint!)?.Room is { } there ? Rooms.Say(work.House, there) : work.House.NameOf(need.Endpoint!);
            var verdict = NeedBook.Judge(new(work.State), need);
            var room = need.Room ?? work.House.FindEndpoint(need.Endpoint!)?.Room;
            var before = room is null ? null : work.House.Measured.LastOrDefault(one => one.Mbps is not null && Rooms.AreSame(work.House, one.Room, room));
            var beside = before is null ? "beside what was measured before" : $"beside the {before.Mbps} Mb/s measured before{(before.At is { } day ? $", {day}" : "")}";
            work.Step(new($"Measure in {where}", $"Go to {where}, join there and measure: 20 MB or 30 s, the best of three, {beside}")
            { Expect = _ => [new WantReading(need.Id, verdict.Sentence, verdict.Met ?? Answer.No)], Cautions = ["A rate near the line’s own says only that it is at least that."] });
        }
    }

    private static void ProveHouse(WorkInProgress work)
    {
        work.Phase = "Prove it";
        if (work.Laptop is not null) work.Do(new PutLaptopAway());
        var after = Evaluation.Of(work.House);
        if (after.Wants.IsEmpty) return;
        work.Step(new("The household", "Prove what the household wants")
        {
            Expect = _ => [.. after.Wants.Where(want => want.Met is not null).Select(want => new WantReading(want.Need, want.Sentence, want.Met!.Value))],
            Cautions = [work.Hands.BackCaution()],
        });
    }
}
