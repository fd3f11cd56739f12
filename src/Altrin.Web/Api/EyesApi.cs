using System.Collections.Immutable;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Visit;
using Altrin.Data;
using Altrin.UseCases;
using Altrin.Web.Eyes;
using Altrin.Web.Live;
using Altrin.Web.Visit;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <param name="Sweep">Everybody in the laptop's own subnet is asked first: at most a /22, 50 a second.</param>
/// <param name="After">Held against the look before: what came since is new.</param>
public sealed record EyesInput(bool Sweep = false, bool After = false);

/// <param name="Says">Who looked.</param>
/// <param name="Asked">How many addresses were asked.</param>
public sealed record EyesSight(string Says, int Asked, ImmutableArray<string> Did, ImmutableArray<string> LeftOut, Paste Paste);

/// <param name="Says">Null where looking is switched off for good.</param>
public sealed record EyesState(string? Says);

/// <summary>The laptop that the program runs on looks for itself: by these verbs only, and only when somebody presses.</summary>
internal static class EyesApi
{
    public static void MapEyes(this IEndpointRouteBuilder routes)
    {
        routes.MapGet("/api/eyes",
            (HouseEyes eyes) =>
            new EyesState(eyes.Kind switch
            {
                EyesKind.Off => null,
                EyesKind.ThisLaptop => "this laptop",
                _ => "a simulated laptop"
            })).WithTags("eyes");
        routes.MapPost("/api/jobs/{id}/eyes/look",
            Look).WithTags("eyes").WithMetadata(new LiveApi.OnlyAsks()).ProducesProblem(404).ProducesProblem(409);
    }

    private static async Task<Results<Ok<EyesSight>,
        ProblemHttpResult>> Look(string id, EyesInput input, Jobs jobs, HouseEyes all, MakerRegistry makers, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (all.For(job.Found.Document) is not { } eyes) return TypedResults.Problem("Looking is switched off: the program was started with --no-eyes. Paste what the laptop shows.", statusCode: 409);
        var sight = await eyes.Look(Glance.Plain, cancel);
        var asked = 0;
        if (input.Sweep)
        {
            var (subnet, why) = Manners.OwnSubnet(sight.Reading);
            if (why is not null) return TypedResults.Problem(why, statusCode: 409);
            asked = subnet.Length;
            sight = await eyes.Look(new(subnet, []), cancel);
        }
        var before = input.After ? all.Before(id) : null;
        all.Keep(id, sight.Reading);
        // Who did not answer a question to everybody is no news.
        var shown = sight.Reading with { Pings = [] };
        return TypedResults.Ok(new EyesSight(eyes.Says, asked, sight.Did, sight.LeftOut,
            Paste.Of(job.Found.Document, shown, before, input.Sweep, makers.Of)));
    }
}
