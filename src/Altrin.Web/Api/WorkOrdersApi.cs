using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Otherwise;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Core.WorkOrders.Watching;
using Altrin.Data;
using Altrin.UseCases;
using Altrin.Web.Eyes;
using Altrin.Web.Live;
using Altrin.Web.Photos;
using Altrin.Web.Share;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <summary>The work order of a job, and what the installer says about each step.</summary>
internal static class WorkOrdersApi
{
    private const int MostNoteLetters = 4000;

    public static void MapWorkOrders(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs/{id}/work-order").WithTags("work order");
        api.MapGet("/", Get).ProducesValidationProblem().ProducesProblem(404).ProducesProblem(409);
        api.MapPut("/{step}", Say).ProducesProblem(404).ProducesProblem(409);
        api.MapGet("/{step}/rehearsal", Rehearse).ProducesValidationProblem().ProducesProblem(404);
        api.MapGet("/{step}/code", Code).Produces(200, contentType: "image/svg+xml").ProducesProblem(404);
        api.MapPost("/{step}/compare", Compare).WithMetadata(new LiveApi.OnlyAsks()).ProducesValidationProblem().ProducesProblem(404);
        api.MapPost("/{step}/watch",
            WatchStep).WithMetadata(new LiveApi.OnlyAsks()).ProducesProblem(400).ProducesProblem(404).ProducesProblem(409);
        api.MapPost("/{step}/otherwise", Explain).WithMetadata(new LiveApi.OnlyAsks()).ProducesValidationProblem().ProducesProblem(404);
        api.MapPost("/{step}/turn", Turn).ProducesValidationProblem().ProducesProblem(404).ProducesProblem(409);
        api.MapDelete("/turns/{number:int}", TakeBack).ProducesProblem(404).ProducesProblem(409);
    }

    /// <param name="way"><c>keep</c>: boxes keep what is set on them, found by search; <c>reset</c>: a box with a new part to play begins
    /// with a reset, as the trade does it; <c>back:</c> and the key of a step: from after that step back to how the house was found,
    /// without a key from where the work now begins. Nothing: the better of the two.</param>
    /// <param name="with"><c>laptop</c>: with a socket; <c>no-socket</c>; <c>phone</c>.</param>
    private static async Task<Results<Ok<WorkOrderView>,
        ProblemHttpResult>> Get(string id, string? way, string? with, Jobs jobs, Orders orders, CancellationToken cancel)
    {
        var (_, desk, problem) = await Desk(id, way, with, jobs, orders, cancel);
        if (desk is null) return problem!;
        var order = desk.Order;
        return TypedResults.Ok(new WorkOrderView(order, order.IsProven,
            [.. KeyedAsNow(order, await orders.Ticks(id, cancel)).Select(View)], desk.Way, desk.CutMinutes,
            desk.Other is var (other, else_, cut) ? new(other, else_.Minutes, cut, else_.Steps.Length, else_.IsProven) : null,
            HandsOf(with),
                [.. desk.Turns.Select(turn => new TurnView(turn.Number, turn.StepTitle, turn.Seen, turn.Sentence, turn.At, turn.Done))],
            order.Steps.ToImmutableDictionary(step => step.Key, step => StepSighting.PossibleAt(step).ToImmutableArray())));
    }

    /// <summary>What was said of a step when keys hung on titles is said of the same step still.</summary>
    private static ImmutableArray<Tick> KeyedAsNow(WorkOrder order, ImmutableArray<Tick> ticks)
    {
        var said = ticks.Select(tick => tick.StepKey).ToHashSet(StringComparer.Ordinal);
        var now = order.Steps.Where(step => !said.Contains(step.Key)).DistinctBy(step => step.KeyBefore)
            .ToDictionary(step => step.KeyBefore, step => step.Key, StringComparer.Ordinal);
        return [.. ticks.Select(tick => now.TryGetValue(tick.StepKey, out var key) ? tick with { StepKey = key, Revision = 0 } : tick)];
    }

    /// <param name="way">Of the order that the step was seen in; as at <see cref="Get"/>.</param>
    private static async Task<Results<Ok<TickView>, ValidationProblem,
        ProblemHttpResult>> Say(string id, string step, SetTick said, string? way, string? with, Jobs jobs, Orders orders,
        CancellationToken cancel)
    {
        if (said.Outcome is not ("open" or "as-said" or "something-else"))
            return Answers.Invalid("outcome", $"“{said.Outcome}” is unknown here. Use open, as-said or something-else.");
        if (said.Note is { Length: > MostNoteLetters }) return Answers.Invalid("note",
            $"Longer than {MostNoteLetters} letters. Shorten it.");
        if (said.Seen is { Length: > MostNoteLetters }) return Answers.Invalid("seen",
            $"Longer than {MostNoteLetters} letters. Shorten it.");
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        // What was said of a step stays open to be said otherwise, also when the order has moved on.
        if (!(await orders.Ticks(id, cancel)).Any(tick => tick.StepKey == step)
            && !await IsThere(job, step, way, with, orders, cancel)) return NoSuchStep();
        var (result, tick) = await orders.SetTick(id, new(step, said.Revision, said.Outcome, said.Note ?? "", said.StartedAt, null,
            said.Seen ?? ""),
            cancel);
        return result switch
        {
            ChangeResult.Done => TypedResults.Ok(View(tick!)),
            ChangeResult.NoSuchJob => Answers.NoSuchJob(),
            ChangeResult.ChangedMeanwhile => Answers.ChangedMeanwhile(),
            _ => throw new InvalidOperationException($"{result} is no answer to a tick."),
        };
    }

    /// <summary>In the order as it was asked for, or in the one that is shown to whoever asks for nothing.</summary>
    private static async Task<bool> IsThere(Job job, string step, string? way, string? with, Orders orders, CancellationToken cancel)
    {
        var asked = Orders.Knows(way) ? await orders.Of(job, way, HandsOf(with), cancel) : null;
        if (asked?.Order.Steps.Any(one => one.Key == step) == true) return true;
        return await orders.Of(job, null, Hands.Laptop, cancel) is { } usual
            && (usual.Order.Steps.Any(one => one.Key == step) || usual.Other?.Order.Steps.Any(one => one.Key == step) == true);
    }

    private static async Task<Results<Ok<RehearsalView>,
        ProblemHttpResult>> Rehearse(string id, string step, string? way, string? with, Jobs jobs, Orders orders, CancellationToken cancel)
    {
        var (job, desk, problem) = await Desk(id, way, with, jobs, orders, cancel);
        if (desk is null) return problem!;
        if (desk.Order.Steps.FirstOrDefault(one => one.Key == step) is not { After: { } after }) return NoSuchStep();
        return TypedResults.Ok(new RehearsalView(step, HouseView.Of(Evaluation.Of(HandsOf(with).Named(after))),
            [.. new CutOff(job!.Found.Document).In(Simulator.Run(after)).Select(thing => thing.Name)],
            Sooner.WhyNot(desk.Order, step, HandsOf(with))));
    }

    /// <summary>A code to be printed beside a step: it leads back to it, by the address under which this page was opened; where a phone is
    /// answered, by the one at which it finds the laptop.</summary>
    private static async Task<Results<ContentHttpResult,
        ProblemHttpResult>> Code(string id, string step, HttpRequest request, ShareSettings share, Jobs jobs, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is null) return Answers.NoSuchJob();
        if (step.Length > 64 || !step.All(char.IsAsciiLetterOrDigit)) return NoSuchStep();
        var door = share.On && !FromTheHouse.Is(request.HttpContext) && share.Addresses() is [var own, ..]
            ? $"https://{own.Address}:{share.Port}" : $"{request.Scheme}://{request.Host}";
        return TypedResults.Content(QrCodes.Draw($"{door}/job/{id}/work?side=planned&step={step}"), "image/svg+xml");
    }

    /// <summary>What a terminal showed, held against what the step said.</summary>
    private static async Task<Results<Ok<Comparison>,
        ProblemHttpResult>> Compare(string id, string step, ShownText shown, string? way, string? with, Jobs jobs, Orders orders,
        CancellationToken cancel)
    {
        if (shown.Text.Length > PastedText.MostLetters) return Answers.Wrong("text", "More than 4 million letters. Paste less at once.");
        var (job, desk, problem) = await Desk(id, way, with, jobs, orders, cancel);
        if (desk is null) return problem!;
        return desk.Order.Steps.FirstOrDefault(one => one.Key == step) is { } found
            ? TypedResults.Ok(Comparison.Of(found, shown.Text, HandsOf(with))) : NoSuchStep();
    }

    /// <summary>One look of the program's own eyes at what the step names.</summary>
    private static async Task<Results<Ok<WatchView>,
        ProblemHttpResult>> WatchStep(string id, string step, WatchInput input, string? way, string? with, Jobs jobs, Orders orders,
        HouseEyes eyes, TimeProvider clock, CancellationToken cancel)
    {
        var (_, desk, problem) = await Desk(id, way, with, jobs, orders, cancel);
        if (desk is null) return problem!;
        if (desk.Order.Steps.FirstOrDefault(one => one.Key == step) is not { } found) return NoSuchStep();
        if (eyes.At(found, input.Acted) is not { } look) return EyesApi.SwitchedOff();
        var outside = input.Outside is null ? eyes.OutsideOf(found.After!) : null;
        if (!string.IsNullOrWhiteSpace(input.Outside))
        {
            if (!Ipv4Address.TryParse(input.Outside.Trim(), out var typed)) return Answers.Wrong("outside",
                $"“{input.Outside}” is no IPv4 address. Write it like 203.0.113.1, or leave it out.");
            outside = typed;
        }
        var glance = Watch.GlanceOf(found, outside);
        if (Manners.Refuse(glance) is { } refused) return Answers.Wrong("outside", refused);
        var sight = await look.Look(glance, cancel);
        var now = clock.GetUtcNow();
        var started = (await orders.Ticks(id, cancel)).FirstOrDefault(tick => tick.StepKey == step)?.StartedAt;
        var waited = eyes.Kind == EyesKind.Simulated ? input.Acted * HouseEyes.Hurry : (now - started)?.TotalSeconds;
        return TypedResults.Ok(new WatchView(look.Says, now, Watch.Of(found, HouseAdapter.Only(sight.Reading, input.Adapter), waited),
            AdaptersView.Of(sight.Reading, input.Adapter), $"{glance.Outside}"));
    }

    private static async Task<Results<Ok<ImmutableArray<MeaningView>>,
        ProblemHttpResult>> Explain(string id, string step, SeenOtherwise seen, string? way, string? with, Jobs jobs, Orders orders,
        CancellationToken cancel)
    {
        var (job, desk, problem) = await Desk(id, way, with, jobs, orders, cancel);
        if (desk is null) return problem!;
        var (meanings, refusal) = Meanings(desk, step, seen, KeyedAsNow(desk.Order, await orders.Ticks(id, cancel)));
        if (refusal is not null) return refusal;
        return TypedResults.Ok(meanings.Select(one => View(one, desk, job!.Found.Document, HandsOf(with), cancel)).ToImmutableArray());
    }

    private static async Task<Results<NoContent,
        ProblemHttpResult>> Turn(string id, string step, TakenTurn taken, string? way, string? with, Jobs jobs, Orders orders,
        CancellationToken cancel)
    {
        var (job, desk, problem) = await Desk(id, way, with, jobs, orders, cancel);
        if (desk is null) return problem!;
        if (taken.Turns != desk.Turns.Length) return Answers.ChangedMeanwhile();
        var ticks = KeyedAsNow(desk.Order, await orders.Ticks(id, cancel));
        var (meanings, refusal) = Meanings(desk, step, new(taken.Seen, taken.Address, taken.Device, taken.Need), ticks);
        if (refusal is not null) return refusal;
        if (meanings.FirstOrDefault(one => one.Key == taken.Meaning) is not { } meaning) return Answers.Wrong("meaning",
            "It does not explain what was seen any more. Choose another.");
        if (meaning.House is null) return Answers.Wrong("meaning", "That is mended on the spot: the order goes on as it is.");
        var said = ticks.Where(tick => tick.Outcome != "open").ToDictionary(tick => tick.StepKey);
        var done = desk.Order.Steps.Where(one => said.ContainsKey(one.Key)).Select(one =>
            new DoneStep(one.Title, said[one.Key].Outcome, said[one.Key].Note, said[one.Key].DoneAt)).ToImmutableArray();
        return await orders.Take(id,
            new(desk.Turns.Length + 1, desk.Order.Steps.First(one => one.Key == step).Title, Words<SeenInstead>.Of(taken.Seen),
            meaning.Sentence, meaning.House, [.. meaning.Resets], done, default), cancel) switch
        {
            ChangeResult.Done => TypedResults.NoContent(),
            ChangeResult.NoSuchJob => Answers.NoSuchJob(),
            _ => Answers.ChangedMeanwhile(),
        };
    }

    private static async Task<Results<NoContent,
        ProblemHttpResult>> TakeBack(string id, int number, Orders orders, CancellationToken cancel) =>
        await orders.TakeBack(id, number, cancel) switch
        {
            ChangeResult.Done => TypedResults.NoContent(),
            ChangeResult.NothingThere => TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: "There is no such turn."),
            _ => Answers.ChangedMeanwhile(),
        };

    /// <summary>The order as it is asked for; without one, what was wrong with the question.</summary>
    private static async Task<(Job? Job, JobOrder? Desk, ProblemHttpResult? Problem)> Desk(string id, string? way, string? with, Jobs jobs,
        Orders orders, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return (null, null, Answers.NoSuchJob());
        if (!Orders.Knows(way)) return (job, null,
            Answers.Wrong("way",
            $"“{way}” is no way to do it. Use {Orders.Keep}, {Orders.Reset}, or {Orders.Back} and the key of a step."));
        if (with is not null
            && !Words<Hands>.TryRead(with, out _)) return (job, null,
            Answers.Wrong("with", $"“{with}” is nothing to work with. Use {string.Join(", ", Words<Hands>.All)}."));
        return await orders.Of(job, way, HandsOf(with), cancel) is { } desk
            ? (job, desk, null)
            : (job, null, Answers.Wrong("way", "That step is in neither order any more. Go back from one that is."));
    }

    private static (ImmutableArray<Meaning> Meanings, ProblemHttpResult? Refusal) Meanings(JobOrder desk, string step, SeenOtherwise seen,
        ImmutableArray<Tick> ticks)
    {
        if (desk.Order.Steps.FirstOrDefault(one => one.Key == step) is not { } found) return ([], NoSuchStep());
        if (!StepSighting.PossibleAt(found).Contains(seen.Seen)) return ([],
            Answers.Wrong("seen", "That cannot be seen at this step. Choose another."));
        Ipv4Address? address = null;
        if (seen.Seen == SeenInstead.OtherAddress)
        {
            if (!Ipv4Address.TryParse(seen.Address?.Trim(), out var typed)) return ([],
                Answers.Wrong("address", $"“{seen.Address}” is no IPv4 address. Write it like 192.168.1.1."));
            address = typed;
        }
        if (seen.Seen == SeenInstead.OtherPage
            && (seen.Device is null || found.After!.FindDevice(seen.Device) is null)) return ([],
            Answers.Wrong("device", "Say whose page it was: choose a box of the house."));
        if (seen.Seen == SeenInstead.WantFails
            && !found.Readings.Any(reading => reading is WantReading want && want.Need == seen.Need)) return ([],
            Answers.Wrong("need", "Say which want does not hold: choose one of the step."));
        return (Meaning.Of(desk.Order, step, new(seen.Seen, address, seen.Device, seen.Need),
            ticks.Where(tick => tick.Outcome == "as-said").Select(tick => tick.StepKey).ToHashSet()), null);
    }

    private static MeaningView View(Meaning meaning, JobOrder desk, NetworkDocument household, Hands hands, CancellationToken cancel)
    {
        NextOrder? next = null;
        // A plan that stands on a mode that is not there has to be made anew: no order leads to it.
        if (meaning is { House: { } house, Forbids: null })
        {
            var ways = OrderWays.Of(house, desk.To, hands, new(desk.Turns.Length + 1, meaning.Resets, ProvesLine: false, household),
                cancel);
            var order = ways.Best;
            next = new(order.Steps.Length, order.Minutes, ways.BestCutMinutes, order.IsProven, order.Steps.FirstOrDefault()?.Title);
        }
        return new(meaning.Key, meaning.Sentence, meaning.Then, meaning.House is null, next, meaning.Forbids is var (device, mode)
            ? new(device, mode) : null);
    }

    private static Hands HandsOf(string? with) => Words<Hands>.TryRead(with, out var hands) ? hands : Hands.Laptop;

    private static ProblemHttpResult NoSuchStep() =>
        TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: "There is no such step in this order any more.");

    private static TickView View(Tick tick) => new(tick.StepKey, tick.Revision, tick.Outcome, tick.Note, tick.StartedAt, tick.DoneAt,
        tick.Seen);
}
