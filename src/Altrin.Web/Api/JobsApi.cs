using System.Text;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Data;
using Altrin.UseCases;
using Altrin.Web.Demo;
using Microsoft.AspNetCore.Http.HttpResults;
using JobAnswer = Microsoft.AspNetCore.Http.HttpResults.Results<Microsoft.AspNetCore.Http.HttpResults.Ok<Altrin.Web.Api.JobView>,
    Microsoft.AspNetCore.Http.HttpResults.ValidationProblem, Microsoft.AspNetCore.Http.HttpResults.ProblemHttpResult>;

namespace Altrin.Web.Api;

/// <summary>The list of jobs: look, open, begin, bring in, take out, delete.</summary>
internal static class JobsApi
{
    private const int UsualAtOnce = 200, MostAtOnce = 1000;

    public static void MapJobs(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs").WithTags("jobs");
        api.MapGet("/", List);
        api.MapPost("/", Create);
        api.MapPost("/import", Import).Accepts<NetworkDocument>("application/json");
        api.MapGet("/{id}", Get).ProducesProblem(404).ProducesProblem(409);
        api.MapDelete("/{id}", Delete).ProducesProblem(404);
        api.MapGet("/{id}/log", Log).ProducesProblem(404);
        api.MapPost("/{id}/set-back", SetBack).ProducesProblem(404).ProducesProblem(409);
        api.MapGet("/{id}/as-stored", AsStored).Produces(200, contentType: "application/json").ProducesProblem(404);
        api.MapGet("/{id}/{side}/document", Export).Produces<NetworkDocument>().ProducesProblem(404);
    }

    /// <summary>How a job stands is stored with it. One that cannot be read is listed as such and hides no other.</summary>
    /// <param name="find">Words that stand in the name.</param>
    /// <param name="take">At most so many, the last changed first; 200 where nothing is said.</param>
    private static async Task<Results<Ok<JobLine[]>, ValidationProblem>> List(string? find, int? take, Jobs jobs, CancellationToken cancel)
    {
        if (take is < 1 or > MostAtOnce) return Answers.Invalid("take",
            $"“{take}” is out of range. Ask for 1 to {MostAtOnce} jobs at once.");
        if (find is { Length: > Limits.NameLetters }) return Answers.Invalid("find",
            $"Longer than {Limits.NameLetters} letters. Shorten it.");
        var list = new List<JobLine>();
        foreach (var head in await jobs.List(find, take ?? UsualAtOnce, cancel))
        {
            var (summary, unreadable) = (head.Summary, (string?)null);
            try { summary ??= await jobs.Summary(head.Id, cancel); }
            catch (UnreadableJobException error) { unreadable = error.Message; }
            if (summary is not null
                || unreadable is not null) list.Add(new(head.Id, head.Name, head.CreatedAt, head.ChangedAt, head.Version, summary?.Found,
                summary?.Planned, unreadable));
        }
        return TypedResults.Ok(list.ToArray());
    }

    private static async Task<JobAnswer> Create(NewJob request, Jobs jobs, CancellationToken cancel)
    {
        var house = request.From switch
        {
            "demo" => DemoHouses.Larkspur(),
            "demo-farm" => DemoHouses.Hawthorn(),
            "demo-terrace" => DemoHouses.Millrace(),
            null or "empty" => NewHouse.Empty() with { Country = await jobs.LastCountry(cancel) },
            _ => null,
        };
        if (house is null) return Answers.Invalid("from", $"“{request.From}” is unknown here. Use empty, demo, demo-terrace or demo-farm.");
        if (request.Name is { Length: > Limits.NameLetters }) return Answers.Invalid("name",
            $"Longer than {Limits.NameLetters} letters. Shorten it.");
        if (!string.IsNullOrWhiteSpace(request.Name)) house = house with { Name = request.Name.Trim() };
        var id = await jobs.Create(house, cancel);
        return await Answers.After(ChangeResult.Done, jobs, id, false, cancel);
    }

    private static async Task<JobAnswer> Import(HttpRequest request, Jobs jobs, CancellationToken cancel)
    {
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel);
        var result = DocumentReader.Read(body.ToArray());
        if (result.Document is not { } house) return SimulationApi.Unreadable(result);
        return await Answers.After(ChangeResult.Done, jobs, await jobs.Create(house, cancel), false, cancel);
    }

    private static async Task<JobAnswer> Get(string id, Jobs jobs, CancellationToken cancel) =>
        await Answers.After(ChangeResult.Done, jobs, id, false, cancel);

    private static async Task<Results<NoContent, ProblemHttpResult>> Delete(string id, Jobs jobs, CancellationToken cancel) =>
        await jobs.Delete(id, cancel) ? TypedResults.NoContent() : Answers.NoSuchJob();

    private static async Task<JobAnswer> SetBack(string id, SeenVersion seen, Jobs jobs, CancellationToken cancel)
    {
        var outcome = await jobs.SetBack(id, new(seen.Version, seen.Id), cancel);
        return outcome.Result == ChangeResult.NothingThere
            ? TypedResults.Problem(statusCode: StatusCodes.Status409Conflict,
                title: "No state of this job can be read. Take it out as it is stored, then delete it.")
            : await Answers.After(outcome, jobs, id, false, cancel);
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> AsStored(string id, Jobs jobs, CancellationToken cancel) =>
        await jobs.AsStored(id, cancel) is { } stored ? TypedResults.File(stored, "application/json", $"altrin-{id}-as-stored.json")
            : Answers.NoSuchJob();

    private static async Task<Results<Ok<LogView[]>, ProblemHttpResult>> Log(string id, Jobs jobs, CancellationToken cancel) =>
        await jobs.Log(id, cancel) is { } log
            ? TypedResults.Ok(log.Select(entry =>
                new LogView(entry.Side == Side.Found ? "found"
                : "planned", entry.Number, entry.Sentence, entry.At, entry.IsCurrent)).ToArray())
            : Answers.NoSuchJob();

    private static async Task<Results<FileContentHttpResult,
        ProblemHttpResult>> Export(string id, string side, Jobs jobs, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (HousesApi.SideOf(side) is not { } which) return HousesApi.NoSuchSide(side);
        return TypedResults.File(Encoding.UTF8.GetBytes(AltrinJson.Write(job.At(which).Document)), "application/json",
            $"altrin-{id}-{side}.json");
    }
}
