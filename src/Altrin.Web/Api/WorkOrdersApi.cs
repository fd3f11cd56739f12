using Altrin.Core.Actions;
using Altrin.Core.WorkOrders;
using Altrin.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <summary>The work order of a job, and what the installer says about each step.</summary>
internal static class WorkOrdersApi
{
    private const int MostNoteLetters = 4000;
    private const string Keep = "keep", Reset = "reset", Back = "back:";

    public static void MapWorkOrders(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs/{id}/work-order").WithTags("work order");
        api.MapGet("/", Get).ProducesProblem(404).ProducesProblem(409);
        api.MapPut("/{step}", Say).ProducesProblem(404).ProducesProblem(409);
    }

    /// <param name="way"><c>keep</c>: boxes keep what is set on them, found by search; <c>reset</c>: a box with a new part to play begins with a reset, as
    /// the trade does it; <c>back:</c> and the key of a step: from after that step back to how the house was found. Nothing: the better of the two.</param>
    private static async Task<Results<Ok<WorkOrderView>, ValidationProblem, ProblemHttpResult>> Get(string id, string? way, JobStore jobs, CancellationToken cancel)
    {
        if (way is not (null or Keep or Reset) && way?.StartsWith(Back, StringComparison.Ordinal) != true) return Answers.Invalid("way", $"“{way}” is no way to do it. Use {Keep}, {Reset}, or {Back} and the key of a step.");
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        var (found, planned) = (job.Found.Document, job.Planned.Document);
        var ways = OrderWays.Of(found, planned, cancel: cancel);
        var (keep, reset) = (ways.Keep, ways.Reset);
        if (way?.StartsWith(Back, StringComparison.Ordinal) == true)
        {
            // From where the work has got to, back to how the house was found: an order like any other.
            var key = way[Back.Length..];
            if ((keep?.Steps.FirstOrDefault(step => step.Key == key) ?? reset.Steps.FirstOrDefault(step => step.Key == key)) is not { After: { } reached }) return Answers.Invalid("way", "That step is in neither order any more. Go back from one that is.");
            var now = Laptop.Away(reached);
            var back = OrderWays.Of(now, found, cancel: cancel).Best;
            return TypedResults.Ok(new WorkOrderView(back with { Title = "Back to how it was found" }, back.IsProven, [.. (await jobs.Ticks(id, cancel)).Select(View)], way, back.CutMinutes(now), null));
        }
        var isKept = way is null ? ways.IsKeepBetter : way == Keep && keep is not null;
        var (order, other) = isKept ? (keep!, reset) : (reset, keep);
        // Two ways that are one are no choice.
        var isOne = other is null || other.Steps.Select(step => step.Key).SequenceEqual(order.Steps.Select(step => step.Key));
        return TypedResults.Ok(new WorkOrderView(order, order.IsProven, [.. (await jobs.Ticks(id, cancel)).Select(View)], isKept ? Keep : Reset, order.CutMinutes(found),
            isOne ? null : new(isKept ? Reset : Keep, other!.Minutes, other.CutMinutes(found), other.Steps.Length, other.IsProven)));
    }

    private static async Task<Results<Ok<TickView>, ValidationProblem, ProblemHttpResult>> Say(string id, string step, SetTick said, JobStore jobs, CancellationToken cancel)
    {
        if (said.Outcome is not ("open" or "as-said" or "something-else"))
            return Answers.Invalid("outcome", $"“{said.Outcome}” is unknown here. Use open, as-said or something-else.");
        if (said.Note is { Length: > MostNoteLetters }) return Answers.Invalid("note", $"Longer than {MostNoteLetters} letters. Shorten it.");
        if (step.Length > 64) return Answers.Invalid("step", "No step has so long a key.");
        var (result, tick) = await jobs.SetTick(id, new(step, said.Revision, said.Outcome, said.Note ?? "", said.StartedAt, null), cancel);
        return result switch
        {
            ChangeResult.Done => TypedResults.Ok(View(tick!)),
            ChangeResult.NoSuchJob => Answers.NoSuchJob(),
            ChangeResult.ChangedMeanwhile => Answers.ChangedMeanwhile(),
            _ => throw new InvalidOperationException($"{result} is no answer to a tick."),
        };
    }

    private static TickView View(Tick tick) => new(tick.StepKey, tick.Revision, tick.Outcome, tick.Note, tick.StartedAt, tick.DoneAt);
}
