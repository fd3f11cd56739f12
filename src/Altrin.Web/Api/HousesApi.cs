using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using Altrin.Data;
using Microsoft.AspNetCore.Http.HttpResults;
using JobAnswer = Microsoft.AspNetCore.Http.HttpResults.Results<Microsoft.AspNetCore.Http.HttpResults.Ok<Altrin.Web.Api.JobView>, Microsoft.AspNetCore.Http.HttpResults.ValidationProblem, Microsoft.AspNetCore.Http.HttpResults.ProblemHttpResult>;

namespace Altrin.Web.Api;

/// <summary>The two houses of a job: deeds, undo, redo, and the plans that are proposed.</summary>
internal static class HousesApi
{
    /// <summary>More than any plan of ours has: the body's size is the other bound.</summary>
    public const int MostDeeds = 20_000;

    private const int MostSentenceLetters = 200, MostChangeIdLetters = 100;

    public static void MapHouses(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs/{id}").WithTags("houses").ProducesProblem(404).ProducesProblem(409);
        api.MapPost("/{side}/deeds", Do);
        api.MapPost("/{side}/undo", Undo);
        api.MapPost("/{side}/redo", Redo);
        api.MapGet("/{side}/trace/{from}", Trace);
        api.MapGet("/{side}/reach", Reach);
        api.MapGet("/{side}/fixes", Fixes);
        api.MapPut("/planned", Adopt);
        api.MapGet("/planned/last-change", LastChange);
        api.MapPost("/planned/held", AnswerHeld);
    }

    public static Side? SideOf(string word) => word switch { "found" => Side.Found, "planned" => Side.Planned, _ => null };

    public static ProblemHttpResult NoSuchSide(string side) =>
        TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: $"“{side}” is no house of a job. Use found or planned.");

    private static async Task<JobAnswer> Do(string id, string side, DeedList deeds, JobStore jobs, OwnKinds own, CancellationToken cancel)
    {
        if (SideOf(side) is not { } which) return NoSuchSide(side);
        if (WhyNot(deeds, least: 1) is { } problem) return problem;
        return await Answers.After(await jobs.Apply(id, which, new(deeds.Version, deeds.Id), await WithKinds(id, which, deeds.Actions, jobs, own, cancel), Sentence(deeds), cancel), jobs, id, cancel);
    }

    /// <summary>A house keeps the kinds that its boxes were taken from as they are now.</summary>
    private static async Task<ImmutableArray<InstallerAction>> WithKinds(string id, Side? side, ImmutableArray<InstallerAction> actions, JobStore jobs, OwnKinds own, CancellationToken cancel)
    {
        if (NoteKind.For(NewHouse.Empty(), actions, own.Find).IsEmpty || await jobs.Find(id, cancel) is not { } job) return actions;
        return [.. actions, .. NoteKind.For(Document(job, side ?? Side.Found), actions, own.Find)];
    }

    private static async Task<JobAnswer> Adopt(string id, DeedList deeds, JobStore jobs, OwnKinds own, CancellationToken cancel)
    {
        if (WhyNot(deeds, least: 0) is { } problem) return problem;
        return await Answers.After(await jobs.Adopt(id, new(deeds.Version, deeds.Id), await WithKinds(id, null, deeds.Actions, jobs, own, cancel), Sentence(deeds), cancel), jobs, id, cancel);
    }

    /// <summary>What the last change of the plan costs; no content where nothing was planned.</summary>
    private static async Task<Results<Ok<PlanChange>, NoContent, ProblemHttpResult>> LastChange(string id, JobStore jobs, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        return await jobs.PlannedBefore(id, cancel) is { } before
            ? TypedResults.Ok(PlanChange.Of(job.Found.Document, Evaluated.Of(before), Evaluated.Of(job.Planned.Document)))
            : TypedResults.NoContent();
    }

    private static async Task<JobAnswer> AnswerHeld(string id, HeldDeedAnswer said, JobStore jobs, CancellationToken cancel)
    {
        if (said.Answer is not ("take-out" or "keep")) return Answers.Invalid("answer", $"“{said.Answer}” is unknown here. Use take-out or keep.");
        var answer = said.Answer == "keep" ? HeldAnswer.Keep : HeldAnswer.TakeOut;
        return await Answers.After(await jobs.Answer(id, new(said.Version, said.Id), said.Index, answer, cancel), jobs, id, cancel);
    }

    private static async Task<Results<Ok<Trace>, ProblemHttpResult>> Trace(string id, string side, string from, JobStore jobs, CancellationToken cancel)
    {
        var (house, problem) = await HouseOf(id, side, jobs, cancel);
        if (house is null) return problem!;
        return house.State.House.FindEndpoint(from) is null
            ? TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: $"There is no endpoint “{from}” in this house.")
            : TypedResults.Ok(house.State.TraceOf(from));
    }

    private static async Task<Results<Ok<ReachGrid>, ProblemHttpResult>> Reach(string id, string side, JobStore jobs, CancellationToken cancel)
    {
        var (house, problem) = await HouseOf(id, side, jobs, cancel);
        return house is null ? problem! : TypedResults.Ok(ReachGrid.Of(house, cancel));
    }

    private static async Task<Results<Ok<FixesView>, ProblemHttpResult>> Fixes(string id, string side, JobStore jobs, CancellationToken cancel)
    {
        if (SideOf(side) is not { } which) return NoSuchSide(side);
        return await jobs.Find(id, cancel) is { } job ? TypedResults.Ok(FixesView.Of(job.Head.Version, Evaluated.Of(Document(job, which)), cancel)) : Answers.NoSuchJob();
    }

    /// <summary>One house of a job with what was computed of it; else why there is none.</summary>
    public static async Task<(Evaluation? House, ProblemHttpResult? Problem)> HouseOf(string id, string side, JobStore jobs, CancellationToken cancel)
    {
        if (SideOf(side) is not { } which) return (null, NoSuchSide(side));
        return await jobs.Find(id, cancel) is { } job ? (Evaluated.Of(Document(job, which)), null) : (null, Answers.NoSuchJob());
    }

    private static NetworkDocument Document(Job job, Side side) => side == Side.Found ? job.Found.Document : job.Planned.Document;

    private static ValidationProblem? WhyNot(DeedList deeds, int least)
    {
        if (deeds.Actions.IsDefault || deeds.Actions.Length < least) return Answers.Invalid("actions", "Missing. List at least one deed.");
        if (deeds.Actions.Length > MostDeeds) return Answers.Invalid("actions", $"More than {MostDeeds} deeds at once. Send fewer.");
        if (deeds.Id is { } id && id.Length is 0 or > MostChangeIdLetters) return Answers.Invalid("id", $"Write 1 to {MostChangeIdLetters} letters, or leave it out.");
        var hole = deeds.Actions.IndexOf(null!);
        return hole < 0 ? null : Answers.Invalid($"actions[{hole}]", "Nothing stands here. Write a deed, or leave it out.");
    }

    private static string? Sentence(DeedList deeds) => deeds.Say is { Length: > 0 and <= MostSentenceLetters } say ? say : null;

    private static async Task<JobAnswer> Undo(string id, string side, SeenVersion seen, JobStore jobs, CancellationToken cancel) =>
        SideOf(side) is { } which
            ? await Answers.After(await jobs.Undo(id, which, new(seen.Version, seen.Id), cancel), jobs, id, cancel)
            : NoSuchSide(side);

    private static async Task<JobAnswer> Redo(string id, string side, SeenVersion seen, JobStore jobs, CancellationToken cancel) =>
        SideOf(side) is { } which
            ? await Answers.After(await jobs.Redo(id, which, new(seen.Version, seen.Id), cancel), jobs, id, cancel)
            : NoSuchSide(side);
}
