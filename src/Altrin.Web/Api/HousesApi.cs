using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using Altrin.Data;
using Altrin.UseCases;
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

    private static async Task<JobAnswer> Do(string id, string side, DeedList deeds, Jobs jobs, CancellationToken cancel)
    {
        if (SideOf(side) is not { } which) return NoSuchSide(side);
        if (WhyNot(deeds, least: 1) is { } problem) return problem;
        return await Answers.After(await jobs.Apply(id, which, new(deeds.Version, deeds.Id, deeds.Drawn), deeds.Actions, Sentence(deeds), cancel), jobs, id, deeds.OnlyChanges, cancel);
    }

    private static async Task<JobAnswer> Adopt(string id, DeedList deeds, Jobs jobs, CancellationToken cancel)
    {
        if (WhyNot(deeds, least: 0) is { } problem) return problem;
        return await Answers.After(await jobs.Adopt(id, new(deeds.Version, deeds.Id), deeds.Actions, Sentence(deeds), cancel), jobs, id, deeds.OnlyChanges, cancel);
    }

    /// <summary>What the last change of the plan costs; no content where nothing was planned.</summary>
    private static async Task<Results<Ok<PlanChange>, NoContent, ProblemHttpResult>> LastChange(string id, Jobs jobs, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is null) return Answers.NoSuchJob();
        return await jobs.LastChange(id, cancel) is { } change ? TypedResults.Ok(change) : TypedResults.NoContent();
    }

    private static async Task<JobAnswer> AnswerHeld(string id, HeldDeedAnswer said, Jobs jobs, CancellationToken cancel)
    {
        if (said.Answer is not ("take-out" or "keep")) return Answers.Invalid("answer", $"“{said.Answer}” is unknown here. Use take-out or keep.");
        var answer = said.Answer == "keep" ? HeldAnswer.Keep : HeldAnswer.TakeOut;
        return await Answers.After(await jobs.Answer(id, new(said.Version, said.Id), said.Index, answer, cancel), jobs, id, said.OnlyChanges, cancel);
    }

    private static async Task<Results<Ok<Trace>, ProblemHttpResult>> Trace(string id, string side, string from, Jobs jobs, CancellationToken cancel)
    {
        var (house, problem) = await HouseOf(id, side, jobs, cancel);
        if (house is null) return problem!;
        return house.State.House.FindEndpoint(from) is null
            ? TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: $"There is no endpoint “{from}” in this house.")
            : TypedResults.Ok(house.State.TraceOf(from));
    }

    private static async Task<Results<Ok<ReachGrid>, ProblemHttpResult>> Reach(string id, string side, Jobs jobs, CancellationToken cancel)
    {
        var (house, problem) = await HouseOf(id, side, jobs, cancel);
        return house is null ? problem! : TypedResults.Ok(ReachGrid.Of(house, cancel));
    }

    private static async Task<Results<Ok<FixesView>, ProblemHttpResult>> Fixes(string id, string side, Jobs jobs, CancellationToken cancel)
    {
        if (SideOf(side) is not { } which) return NoSuchSide(side);
        return await jobs.Find(id, cancel) is { } job ? TypedResults.Ok(FixesView.Of(job.Head.Version, job.At(which).House.Evaluation, cancel)) : Answers.NoSuchJob();
    }

    /// <summary>One house of a job with what was computed of it; else why there is none.</summary>
    public static async Task<(Evaluation? House, ProblemHttpResult? Problem)> HouseOf(string id, string side, Jobs jobs, CancellationToken cancel)
    {
        if (SideOf(side) is not { } which) return (null, NoSuchSide(side));
        return await jobs.Find(id, cancel) is { } job ? (job.At(which).House.Evaluation, null) : (null, Answers.NoSuchJob());
    }

    private static ValidationProblem? WhyNot(DeedList deeds, int least)
    {
        if (deeds.Actions.IsDefault || deeds.Actions.Length < least) return Answers.Invalid("actions", "Missing. List at least one deed.");
        if (deeds.Actions.Length > MostDeeds) return Answers.Invalid("actions", $"More than {MostDeeds} deeds at once. Send fewer.");
        if (deeds.Id is { } id && id.Length is 0 or > MostChangeIdLetters) return Answers.Invalid("id", $"Write 1 to {MostChangeIdLetters} letters, or leave it out.");
        var hole = deeds.Actions.IndexOf(null!);
        return hole < 0 ? null : Answers.Invalid($"actions[{hole}]", "Nothing stands here. Write a deed, or leave it out.");
    }

    private static string? Sentence(DeedList deeds) => deeds.Say is { Length: > 0 and <= MostSentenceLetters } say ? say : null;

    private static async Task<JobAnswer> Undo(string id, string side, SeenVersion seen, Jobs jobs, CancellationToken cancel) =>
        SideOf(side) is { } which
            ? await Answers.After(await jobs.Undo(id, which, new(seen.Version, seen.Id), cancel), jobs, id, seen.OnlyChanges, cancel)
            : NoSuchSide(side);

    private static async Task<JobAnswer> Redo(string id, string side, SeenVersion seen, Jobs jobs, CancellationToken cancel) =>
        SideOf(side) is { } which
            ? await Answers.After(await jobs.Redo(id, which, new(seen.Version, seen.Id), cancel), jobs, id, seen.OnlyChanges, cancel)
            : NoSuchSide(side);
}
