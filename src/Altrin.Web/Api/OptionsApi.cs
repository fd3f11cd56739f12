using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.Planning.Space;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using Altrin.Data;
using Altrin.UseCases;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <summary>The plans of a house side by side.</summary>
/// <param name="IsFirst">A first look: the best that a short search finds, without what was ruled out and what cannot be had.</param>
/// <param name="IsExact">Nothing better exists for these boxes, cables and wants.</param>
/// <param name="Searched">Houses that were simulated whole.</param>
/// <param name="AtBest">What a plan that was not looked at could have before the best of these, at most, in a sentence; null where that is nothing.</param>
public sealed record OptionsView(ImmutableArray<OptionView> Plans, ImmutableArray<RuledOut> RuledOut, ImmutableArray<ConflictView> Conflicts, bool IsExact, int Searched, string? AtBest, ImmutableArray<PinView> Pinnable, bool IsFirst);

/// <param name="WorstRoom">The room with the least to expect, and how much; null where no room is listed.</param>
/// <param name="Actions">What makes the house as found this one.</param>
/// <param name="Deeds">The same in words.</param>
/// <param name="CutMinutes">Null in a first look: no order was written yet, and the minutes are a sum by table.</param>
/// <param name="Gaps">What of its order could not be proved.</param>
/// <param name="Why">What puts the best before the next, and each other behind the best.</param>
public sealed record OptionView(string Title, ImmutableArray<MiniTread> Stairs, int WantsHeld, int Wants, int Faults, int Cautions, int NatLayers, int WirelessHops, WorstRoomView? WorstRoom,
    int Touches, int Settings, int Minutes, int? CutMinutes, ImmutableArray<string> Gives, ImmutableArray<string> Losses, ImmutableArray<string> Buys,
    ImmutableArray<InstallerAction> Actions, ImmutableArray<string> Deeds, ImmutableArray<string> Gaps, string Why);

public sealed record WorstRoomView(string Room, double Mbps);

/// <param name="Wants">In words.</param>
public sealed record ConflictView(ImmutableArray<string> Needs, ImmutableArray<string> Wants, string Because, string Mend, ImmutableArray<InstallerAction> MendActions);

/// <param name="Uses">What can be pinned or forbidden of that box.</param>
public sealed record PinView(string Device, string Name, ImmutableArray<PinUseView> Uses);

/// <param name="Use">A mode, whom it is to hang at, or the name of its Wi-Fi: <c>access-point</c>, <c>cable/gw</c>, <c>radio/gw</c>, <c>name/larkspur</c>.</param>
public sealed record PinUseView(string Use, string Say);

/// <summary>The ways to set a house, found by search.</summary>
internal static class OptionsApi
{
    public static void MapOptions(this IEndpointRouteBuilder routes) =>
        routes.MapGet("/api/jobs/{id}/options", Get).WithTags("options").ProducesValidationProblem().ProducesProblem(404);

    /// <param name="pin">A box and a mode, a cable or radio join of it, or a name of its Wi-Fi, as <c>studio:access-point</c>, <c>studio:cable/gw</c>, <c>studio:radio/gw</c>, <c>studio:name/larkspur</c>: it is to be so.</param>
    /// <param name="forbid">The same: it is never to be so.</param>
    /// <param name="first">A first look, in about a second: the best way where that can be proved so soon, else what a short search finds.</param>
    private static async Task<Results<Ok<OptionsView>, ValidationProblem, ProblemHttpResult>> Get(string id, string[]? pin, string[]? forbid, bool? first, Jobs jobs, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        var house = job.Found.Document;
        var pins = ImmutableArray.CreateBuilder<Pin>();
        foreach (var (field, text) in (pin ?? []).Select(text => ("pin", text)).Concat((forbid ?? []).Select(text => ("forbid", text))))
        {
            if (Pin.Read(house, text, field == "forbid") is not { } read)
                return Answers.Invalid(field, $"“{text}” is no box of this house with a mode, a cable, a radio join or a name. Write {house.Devices.FirstOrDefault()?.Id ?? "studio"}:access-point, or cable/ or radio/ and the box it is to hang at, or name/ and 1 to 32 bytes of a Wi-Fi name.");
            pins.Add(read);
        }
        var settled = new Pins(pins.ToImmutable());
        ImmutableArray<PinView> pinnable = [.. PinChoice.Of(house).Select(choice => new PinView(choice.Device, choice.Name, [.. choice.Uses.Select(use => new PinUseView(use.Write(), use.Say(house)))]))];
        using var lid = new MemoryLid();
        if (first == true)
        {
            var look = PlanSearch.First(house, cancel, settled);
            return TypedResults.Ok(new OptionsView([.. look.Plans.Select(plan => View(house, plan, null))], [], [], look.IsExact, look.Searched, look.AtBest, pinnable, true));
        }
        var found = PlanSearch.Of(house, cancel, pins: settled);
        var plans = Plans.WithOrders(house, found.Plans, cancel).Select(one => View(house, one.Plan, one.Ways));
        var wants = found.Conflicts.IsEmpty ? [] : Evaluation.Of(house).Wants;
        return TypedResults.Ok(new OptionsView([.. plans], found.RuledOut, [.. found.Conflicts.Select(one => new ConflictView(one.Needs, [.. one.Needs.Select(need => wants.First(want => want.Need == need).Sentence)], one.Because, one.Mend, one.Actions))],
            found.IsExact, found.Searched, found.AtBest, pinnable, false));
    }

    private static OptionView View(NetworkDocument found, RankedPlan plan, OrderWays? ways)
    {
        var actions = Difference.Actions(found, plan.House);
        var rooms = plan.After.State.AirMap.Rooms;
        var worst = rooms.IsEmpty ? null : rooms.MinBy(room => room.Expected.Mbps);
        return new(plan.Title, MiniStairs.Of(found, plan.After.State), plan.WantsHeld, plan.After.Wants.Length, plan.Faults, plan.Cautions, plan.NatLayers, plan.WirelessHops,
            worst is null ? null : new(plan.House.Rooms[worst.Room].Name, Math.Round(worst.Expected.Mbps, 1)), plan.Touches, plan.Settings, ways?.Best.Minutes ?? plan.Minutes, ways?.BestCutMinutes, plan.Gives, plan.Losses,
            [.. plan.Buys.Select(buy => Say(plan.House, buy))], actions, HouseView.InWords([.. actions.Where(action => action is not PutInOrder)], found), [.. ways?.Best.Gaps.Select(gap => gap.Says) ?? []], plan.Why);
    }

    private static string Say(NetworkDocument house, Purchase buy) => buy switch
    {
        Purchase.Cable cable => $"{(cable.LengthM is { } metres ? $"{metres:0.#} m of " : "")}{(cable.Medium == Medium.Ethernet ? "cable" : Words<Medium>.Of(cable.Medium))}, {Rooms.Say(house, cable.From)} to {Rooms.Say(house, cable.To)}",
        Purchase.Box box => $"{house.Devices.First(one => one.Kit == box.Kit).Name}{(box.Room is { } room ? $" for {Rooms.Say(house, room)}" : "")}",
        _ => throw new InvalidOperationException($"{buy} is not handled."),
    };
}
