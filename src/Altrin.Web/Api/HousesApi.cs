using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Simulation;
using Altrin.Data;

namespace Altrin.Web.Api;

/// <summary>The two houses of a job: deeds, undo, redo, and the plans that are proposed.</summary>
internal static class HousesApi
{
    public static void MapHouses(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs/{id}").WithTags("houses");
        api.MapPost("/{side}/deeds", Do).Produces<JobView>().ProducesValidationProblem().ProducesProblem(404).ProducesProblem(409);
        api.MapPost("/{side}/undo", Undo).Produces<JobView>().ProducesProblem(404).ProducesProblem(409);
        api.MapPost("/{side}/redo", Redo).Produces<JobView>().ProducesProblem(404).ProducesProblem(409);
        api.MapGet("/plans", Plans).Produces<PlanView[]>().ProducesProblem(404);
        api.MapGet("/{side}/trace/{from}", Trace).Produces<Trace>().ProducesProblem(404);
        api.MapGet("/{side}/reach", Reach).Produces<ReachGrid>().ProducesProblem(404);
        api.MapPut("/planned", Adopt).Produces<JobView>().ProducesValidationProblem().ProducesProblem(404).ProducesProblem(409);
    }

    public static Side? SideOf(string word) => word switch { "found" => Side.Found, "planned" => Side.Planned, _ => null };

    public static IResult NoSuchSide(string side) =>
        Results.Problem(statusCode: StatusCodes.Status404NotFound, title: $"“{side}” is no house of a job. Use found or planned.");

    private static async Task<IResult> Do(string id, string side, Deeds deeds, JobStore jobs, CancellationToken cancel)
    {
        if (SideOf(side) is not { } which) return NoSuchSide(side);
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (job.Head.Version != deeds.Version) return Answers.ChangedMeanwhile();
        var house = which == Side.Found ? job.Found.Document : job.Planned.Document;
        if (WhyNot(house, deeds.Actions) is { } problem) return problem;
        return await Answers.After(await jobs.Apply(id, which, deeds.Version, deeds.Actions, Sentence(deeds, house), cancel), jobs, id, cancel);
    }

    private static async Task<IResult> Adopt(string id, Deeds deeds, JobStore jobs, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (deeds.Actions.IsDefault) return Answers.Invalid("actions", "Missing. List the deeds of the plan.");
        if (deeds.Actions.Length > 0 && WhyNot(job.Found.Document, deeds.Actions) is { } problem) return problem;
        var say = deeds.Actions.Length == 0 ? "Begin the plan anew" : Sentence(deeds, job.Found.Document);
        return await Answers.After(await jobs.Adopt(id, deeds.Version, deeds.Actions, say, cancel), jobs, id, cancel);
    }

    private static async Task<IResult> Trace(string id, string side, string from, JobStore jobs, CancellationToken cancel)
    {
        if (SideOf(side) is not { } which) return NoSuchSide(side);
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        var house = which == Side.Found ? job.Found.Document : job.Planned.Document;
        return house.FindEndpoint(from) is null
            ? Results.Problem(statusCode: StatusCodes.Status404NotFound, title: $"There is no endpoint “{from}” in this house.")
            : Results.Ok(Simulator.Run(house).TraceOf(from));
    }

    private static async Task<IResult> Reach(string id, string side, JobStore jobs, CancellationToken cancel)
    {
        if (SideOf(side) is not { } which) return NoSuchSide(side);
        return await jobs.Find(id, cancel) is { } job
            ? Results.Ok(ReachGrid.Of(which == Side.Found ? job.Found.Document : job.Planned.Document))
            : Answers.NoSuchJob();
    }

    private static IResult? WhyNot(NetworkDocument house, ImmutableArray<InstallerAction> actions)
    {
        if (actions.IsDefaultOrEmpty) return Answers.Invalid("actions", "Missing. List at least one deed.");
        if (actions.Length > 200) return Answers.Invalid("actions", "More than 200 deeds at once. Send fewer.");
        for (var i = 0; i < actions.Length; i++)
        {
            if (actions[i] is null) return Answers.Invalid($"actions[{i}]", "Nothing stands here. Write a deed, or leave it out.");
            if (actions[i].Problem(house) is { } problem) return Answers.Invalid($"actions[{i}].{problem.Field}", problem.Message);
            house = actions[i].Apply(house);
        }
        return null;
    }

    private static string Sentence(Deeds deeds, NetworkDocument house) =>
        deeds.Say is { Length: > 0 and <= 200 } say ? say : deeds.Actions[0].Say(house);

    private static async Task<IResult> Undo(string id, string side, SeenVersion seen, JobStore jobs, CancellationToken cancel) =>
        SideOf(side) is { } which
            ? await Answers.After(await jobs.Undo(id, which, seen.Version, cancel), jobs, id, cancel)
            : NoSuchSide(side);

    private static async Task<IResult> Redo(string id, string side, SeenVersion seen, JobStore jobs, CancellationToken cancel) =>
        SideOf(side) is { } which
            ? await Answers.After(await jobs.Redo(id, which, seen.Version, cancel), jobs, id, cancel)
            : NoSuchSide(side);

    private static async Task<IResult> Plans(string id, JobStore jobs, CancellationToken cancel) =>
        await jobs.Find(id, cancel) is { } job
            ? Results.Ok(Planner.Propose(job.Found.Document).Select(plan => PlanView.Of(plan, job.Found.Document)))
            : Answers.NoSuchJob();
}
