using Altrin.Core.WorkOrders;
using Altrin.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <summary>The work order of a job, and what the installer says about each step.</summary>
internal static class WorkOrdersApi
{
    private const int MostNoteLetters = 4000;

    public static void MapWorkOrders(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs/{id}/work-order").WithTags("work order");
        api.MapGet("/", Get).ProducesProblem(404).ProducesProblem(409);
        api.MapPut("/{step}", Say).ProducesProblem(404).ProducesProblem(409);
    }

    private static async Task<Results<Ok<WorkOrderView>, ProblemHttpResult>> Get(string id, JobStore jobs, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        var order = WorkOrderWriter.Write(job.Found.Document, job.Planned.Document, cancel);
        return TypedResults.Ok(new WorkOrderView(order, order.IsProven, [.. (await jobs.Ticks(id, cancel)).Select(View)]));
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
