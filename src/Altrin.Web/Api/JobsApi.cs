using System.Text;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Data;
using Altrin.Web.Demo;

namespace Altrin.Web.Api;

/// <summary>The list of jobs: look, open, begin, bring in, take out, delete.</summary>
internal static class JobsApi
{
    public static void MapJobs(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs").WithTags("jobs");
        api.MapGet("/", List).Produces<JobSummary[]>();
        api.MapPost("/", Create).Produces<JobView>().ProducesValidationProblem();
        api.MapPost("/import", Import).Accepts<NetworkDocument>("application/json").Produces<JobView>().ProducesValidationProblem();
        api.MapGet("/{id}", Get).Produces<JobView>().ProducesProblem(404);
        api.MapDelete("/{id}", Delete).Produces(204).ProducesProblem(404);
        api.MapGet("/{id}/log", Log).Produces<LogView[]>();
        api.MapGet("/{id}/{side}/document", Export).Produces<NetworkDocument>().ProducesProblem(404);
    }

    private static async Task<IResult> List(JobStore jobs, CancellationToken cancel)
    {
        var list = new List<JobSummary>();
        foreach (var head in await jobs.List(cancel))
            if (await jobs.Find(head.Id, cancel) is { } job)
                list.Add(new(head.Id, head.Name, head.CreatedAt, head.ChangedAt,
                    Verdict.Of(Evaluation.Of(job.Found.Document)), Verdict.Of(Evaluation.Of(job.Planned.Document))));
        return Results.Ok(list);
    }

    private static async Task<IResult> Create(NewJob request, JobStore jobs, CancellationToken cancel)
    {
        var house = request.From switch
        {
            "demo" => DemoHouses.Larkspur(),
            "demo-farm" => DemoHouses.Hawthorn(),
            null or "empty" => NewHouse.WithGateway(),
            _ => null,
        };
        if (house is null) return Answers.Invalid("from", $"“{request.From}” is unknown here. Use empty, demo or demo-farm.");
        if (request.Name is { Length: > 200 }) return Answers.Invalid("name", "Longer than 200 letters. Shorten it.");
        if (!string.IsNullOrWhiteSpace(request.Name)) house = house with { Name = request.Name.Trim() };
        var id = await jobs.Create(house, cancel);
        return await Answers.After(ChangeResult.Done, jobs, id, cancel);
    }

    private static async Task<IResult> Import(HttpRequest request, JobStore jobs, CancellationToken cancel)
    {
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel);
        var result = DocumentReader.Read(body.ToArray());
        if (result.Document is not { } house) return SimulationApi.Unreadable(result);
        return await Answers.After(ChangeResult.Done, jobs, await jobs.Create(house, cancel), cancel);
    }

    private static async Task<IResult> Get(string id, JobStore jobs, CancellationToken cancel) =>
        await Answers.After(ChangeResult.Done, jobs, id, cancel);

    private static async Task<IResult> Delete(string id, JobStore jobs, CancellationToken cancel) =>
        await jobs.Delete(id, cancel) ? Results.NoContent() : Answers.NoSuchJob();

    private static async Task<IResult> Log(string id, JobStore jobs, CancellationToken cancel) =>
        Results.Ok((await jobs.Log(id, cancel)).Select(entry =>
            new LogView(entry.Side == Side.Found ? "found" : "planned", entry.Number, entry.Sentence, entry.At, entry.IsCurrent)));

    private static async Task<IResult> Export(string id, string side, JobStore jobs, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (HousesApi.SideOf(side) is not { } which) return HousesApi.NoSuchSide(side);
        var document = which == Side.Found ? job.Found.Document : job.Planned.Document;
        return Results.File(Encoding.UTF8.GetBytes(AltrinJson.Write(document)), "application/json", $"altrin-{id}-{side}.json");
    }
}
