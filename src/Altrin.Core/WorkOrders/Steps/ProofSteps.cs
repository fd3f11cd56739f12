using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Needs;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>What is looked at before, between and after the work: the line, a box, a rate, what the household wants.</summary>
internal static class ProofSteps
{
    public static void Line(WorkInProgress work)
    {
        if (work.House.Line is not { } line || work.House.FindDevice(line.Device) is not { } entry) return;
        // A gateway in pass-through shows its page and no internet, and a modem shows nothing: there the line is proved at the router that
        // receives
        // it. Where there is none yet, nothing is there to see.
        var gateway = entry is { Traits.HandsLineOn: true, PassthroughTo: { } id } ? work.House.FindDevice(id) ?? entry : entry;
        if (entry.Traits.IsModem && entry.Lan?.Address is null)
        {
            if (work.House.Devices.FirstOrDefault(box => ReceivesTheLine(work, box.Id)) is not { } receiver) return;
            gateway = receiver;
        }
        // Without a socket nothing is read at a box that no Wi-Fi leads to.
        if (work.Hands != Hands.Laptop && !CanBeProvedAt(work, gateway.Id)) return;
        work.Phase = "Before anything is changed";
        LaptopSteps.ToPageOf(work, gateway.Id);
        var fresh = NewAddresses.Of(work, gateway.Id);
        var looks = fresh?.IsPoolUnseen == true ? ", and see which addresses it gives out" : "";
        work.Step(new(StepKind.ProveLine, "Prove the line", $"Prove that the line works at {gateway.Name}{looks}")
        {
            About = gateway.Id,
            NeedsLaptop = true,
            // Where its page does not open from here, the laptop's own readings have to do.
            Page = work.PageOpens(gateway.Id) ? gateway.Id : null,
            Expect = after => [.. after.LaptopShows(), new OwnAddressReading(gateway.Id, after.State.Lan(gateway.Id)?.Address),
                .. OutsideOf(after, gateway.Id, IsKnown(line)), .. fresh?.MustBeSilent ?? []],
            Cautions =
            [
                .. fresh?.Cautions(work.House) ?? [],
                .. LampWords.WhereNoLine(work.House, gateway.Id),
                "Write down what you see: gateway address, Wi-Fi names, who is connected. It is the way back.",
                "The provider's box and socket are the provider's: its terms decide what may be opened or set.",
            ],
        });
    }

    private static bool ReceivesTheLine(WorkInProgress work, string device) =>
        work.State.Wan(device) is { Candidates: [{ Server: Network.Line.ProviderId }] };

    private static bool IsKnown(Line line) =>
        line is { HandOff: HandOff.Static, Agreed: not null } or { HandOff: not HandOff.Static, Seen: not null };

    /// <summary>After the public address is handed to another box the provider must see the two come up in this order: common practice, no
    /// source.</summary>
    public static void PowerInTurn(WorkInProgress work, Device gateway, string receiver)
    {
        if (!work.Has(gateway)) return;
        work.Phase = "Power, in this order";
        var router = work.House.NameOf(receiver);
        work.Step(new(StepKind.BothOff, "Both off", $"Turn off {gateway.Name} and {router}, and wait")
        {
            WaitSeconds = WorkTimes.BothOff,
            Actions = [new Restart(gateway.Id)],
            Off = [gateway.Id, receiver],
            WhyHere = "It stands behind the last setting: a line may hold on to the box it knew, and lets go of it while both are off. "
                + "Common practice, not computed.",
        });
        work.Step(new(StepKind.GatewayOn, "Gateway on", $"Turn on {gateway.Name} alone, and wait until its lamps settle")
        {
            About = gateway.Id,
            WaitSeconds = WorkTimes.GatewayAlone,
            Off = [gateway.Id, receiver],
            WhyHere = $"Together with {router} it would be asked for an address before it has the line. Common practice, not computed.",
        });
        work.Step(new(StepKind.RouterOn, "Router on", $"Turn on {router}, and wait")
        {
            WaitSeconds = WorkTimes.RouterAfter,
            Actions = [new Restart(receiver)],
            WhyHere = $"Sooner it would ask before {gateway.Name} has the line, and could go on without an address. Common practice, not "
                + $"computed.",
            // What was seen was another box's: this one may be given another.
            Expect = after => OutsideOf(after, receiver, work.House.Line is { HandOff: HandOff.Static, Agreed: not null }),
        });
    }

    /// <summary>What the page of the box that is fed by the line shows of it.</summary>
    private static ImmutableArray<Reading> OutsideOf(WorkInProgress work, string device, bool isKnown) =>
        work.State.Wan(device) is { Candidates: [{ Address: { } outside, Server: Network.Line.ProviderId }] }
            ? [new OutsideAddressReading(device, outside.Address, isKnown)] : [];

    /// <summary>Whether its page can open at all: its address is its own, and known.</summary>
    public static bool HasOwnAddress(WorkInProgress work, Device box) =>
        !box.Traits.AlwaysAsks && work.State.Lan(box.Id)?.Address is { } own && !AddressRanges.LinkLocal.Contains(own.Address);

    /// <summary>Whether its page opens from where the laptop would be: tried on the simulated house. A proof that cannot be had is no
    /// step.</summary>
    public static bool CanBeProvedAt(WorkInProgress work, string device) =>
        HasOwnAddress(work, work.House.FindDevice(device)!)
            && new Spots(work.Hands, work.Planned).AsAThingAt(work.House, device) is not null;

    /// <summary>Whether there is anything to see at it: its page, or the Wi-Fi that it sends.</summary>
    public static bool CanBeProved(WorkInProgress work, Device box) =>
        CanBeProvedAt(work, box.Id) || WifiProof.Of(work, box, isBeside: false) is not null;

    /// <param name="isBeside">Beside the main box, before it is carried to its place.</param>
    public static void Box(WorkInProgress work, Device box, bool isBeside = false)
    {
        work.Phase = isBeside ? $"{box.Name}, beside the main box" : "Prove it";
        if (WifiProof.Of(work, box, isBeside) is { } proof)
        {
            proof.Write(work);
            return;
        }
        if (isBeside && work.ShowsAlready(box.Id)) return;
        LaptopSteps.ToPageOf(work, box.Id);
        work.Step(new(StepKind.ProveBox, $"At {box.Name}", $"Prove it at {box.Name}{(isBeside ? ", before it is carried" : "")}")
        {
            NeedsLaptop = true,
            Page = box.Id,
            Expect = after => [.. after.LaptopShows(), .. after.PageReading(box.Id)],
        });
    }

    /// <summary>A rate that is wanted is measured where it is wanted: best of three, beside what was there before. Common practice, no
    /// source.</summary>
    public static void Measure(WorkInProgress work)
    {
        work.Phase = "Prove it";
        foreach (var need in work.Planned.Needs.OfType<Need.Speed>())
        {
            var room = need.Room ?? work.House.FindEndpoint(need.Endpoint!)?.Room;
            var where = room is { } there ? Rooms.Say(work.House, there) : work.House.NameOf(need.Endpoint!);
            var verdict = NeedBook.Judge(new(work.State), need);
            var before = room is null ? null
                : work.House.Measured.LastOrDefault(one => one.Mbps is not null && Rooms.AreSame(work.House, one.Room, room));
            var beside = before is null ? "beside what was measured before"
                : $"beside the {before.Mbps} Mb/s measured before{(before.At is { } day ? $", {day}" : "")}";
            work.Step(new(StepKind.Measure, $"Measure in {where}",
                $"Go to {where}, join there and measure: 20 MB or 30 s, the best of three, {beside}")
            {
                About = need.Id,
                Expect = _ => [new WantReading(need.Id, verdict.Sentence, verdict.Met ?? Answer.No)],
                Cautions = ["A rate near the line’s own says only that it is at least that."],
            });
        }
    }

    public static void Household(WorkInProgress work)
    {
        work.Phase = "Prove it";
        var after = Evaluation.Of(Laptop.Away(work.House));
        // Where nothing is left to prove it goes back to automatic by a step of its own: else it has no internet in the next house.
        if (after.Wants.IsEmpty && work.Laptop?.Address.Method == EndpointMethod.Static) LaptopSteps.Automatic(work);
        if (work.Laptop is not null) work.Do(new PutLaptopAway());
        if (after.Wants.IsEmpty) return;
        work.Step(new(StepKind.ProveHouse, "The household", "Prove what the household wants")
        {
            Expect = _ => [.. after.Wants.Where(want => want.Met is not null).Select(want =>
                new WantReading(want.Need, want.Sentence, want.Met!.Value))],
            Cautions = [work.Hands.BackCaution()],
        });
    }
}
