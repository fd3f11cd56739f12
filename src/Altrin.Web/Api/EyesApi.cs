using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Visit;
using Altrin.Core.WorkOrders.Watching;
using Altrin.Data;
using Altrin.UseCases;
using Altrin.Web.Eyes;
using Altrin.Web.Live;
using Altrin.Web.Visit;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <param name="Sweep">Everybody in the laptop's own subnet is asked first: at most a /22, 50 a second.</param>
/// <param name="After">Held against the look before: what came since is new.</param>
/// <param name="Adapter">The one on the house's network, where the laptop is on two; null: as the laptop prefers.</param>
public sealed record EyesInput(bool Sweep = false, bool After = false, string? Adapter = null);

/// <param name="Outside">The address outside that is pinged once to see whether the internet answers; empty: the internet is not asked;
/// null:
/// the provider's gateway, where the house says it.</param>
/// <param name="Acted">Seconds since the step was done in an invented house; null: not yet.</param>
public sealed record WatchInput(string? Outside = null, string? Adapter = null, double? Acted = null);

/// <param name="At">When it was looked.</param>
/// <param name="Outside">The address outside that was asked; empty where none was.</param>
public sealed record WatchView(string Says, DateTimeOffset At, WatchedStep Step, AdaptersView Adapters, string Outside);

/// <param name="Ask">The question which adapter is on the house's network; null where it is plain.</param>
/// <param name="Fixed">A warning that the laptop's own address is typed in; null where it is not.</param>
public sealed record AdaptersView(ImmutableArray<AdapterView> All, string? Ask, string? Fixed)
{
    public static AdaptersView Of(PastedReading reading, string? chosen) => new(
        [.. HouseAdapter.Hanging(reading).Select(one => new AdapterView(one.Name, HouseAdapter.Say(one)))],
        HouseAdapter.Ask(reading, chosen), HouseAdapter.Fixed(reading));
}

public sealed record AdapterView(string Name, string Says);

/// <param name="Adapter">As at <see cref="EyesInput"/>.</param>
public sealed record MeasureInput(string? Adapter = null);

/// <param name="Speed">What was measured.</param>
/// <param name="Says">In sentences.</param>
/// <param name="Advice">What to look at next; null where all is well.</param>
/// <param name="Source">The box that the laptop is joined to, where its Wi-Fi name or MAC says which.</param>
public sealed record MeasureView(GatewaySpeed Speed, string Says, string? Advice, string? Source);

/// <param name="Says">Who looked.</param>
/// <param name="Asked">How many addresses were asked.</param>
public sealed record EyesSight(string Says, int Asked, ImmutableArray<string> Did, ImmutableArray<string> LeftOut, Paste Paste,
    AdaptersView Adapters);

/// <param name="Says">Null where looking is switched off for good.</param>
/// <param name="IsSimulated">The house is an invented one, and so is the laptop in it.</param>
public sealed record EyesState(string? Says, bool IsSimulated);

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
            }, eyes.Kind == EyesKind.Simulated)).WithTags("eyes");
        routes.MapPost("/api/jobs/{id}/eyes/measure",
            Measure).WithTags("eyes").WithMetadata(new LiveApi.OnlyAsks()).ProducesProblem(404).ProducesProblem(409);
        routes.MapPost("/api/jobs/{id}/eyes/look",
            Look).WithTags("eyes").WithMetadata(new LiveApi.OnlyAsks()).ProducesProblem(404).ProducesProblem(409);
    }

    private static async Task<Results<Ok<EyesSight>,
        ProblemHttpResult>> Look(string id, EyesInput input, Jobs jobs, HouseEyes all, MakerRegistry makers, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (all.For(job.Found.Document) is not { } eyes) return SwitchedOff();
        var sight = await eyes.Look(Glance.Plain, cancel);
        var asked = 0;
        if (input.Sweep)
        {
            var (subnet, why) = Manners.OwnSubnet(HouseAdapter.Only(sight.Reading, input.Adapter));
            if (why is not null) return TypedResults.Problem(why, statusCode: 409);
            asked = subnet.Length;
            sight = await eyes.Look(new(subnet, []) { Names = true }, cancel);
        }
        var before = input.After ? all.Before(id) : null;
        all.Keep(id, sight.Reading);
        // Who did not answer a question to everybody is no news.
        var shown = HouseAdapter.Only(sight.Reading, input.Adapter) with { Pings = [] };
        return TypedResults.Ok(new EyesSight(eyes.Says, asked, sight.Did, sight.LeftOut,
            Paste.Of(job.Found.Document, shown, before, input.Sweep, makers.Of),
            AdaptersView.Of(sight.Reading, input.Adapter)));
    }

    private static async Task<Results<Ok<MeasureView>, ProblemHttpResult>> Measure(string id, MeasureInput input, Jobs jobs, HouseEyes all,
        CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (all.For(job.Found.Document) is not { } eyes) return SwitchedOff();
        var reading = HouseAdapter.Only((await eyes.Look(Glance.Plain with { Air = false }, cancel)).Reading, input.Adapter);
        if (HouseAdapter.Hanging(reading).Select(one => one.Gateway).FirstOrDefault(one => one is not null) is not { } text
            || !Ipv4Address.TryParse(text, out var gateway))
            return TypedResults.Problem("The laptop has no gateway: plug it in, or join a Wi-Fi of the house.", statusCode: 409);
        if (Manners.Refuse(gateway) is { } why) return TypedResults.Problem(why, statusCode: 409);
        var speed = await eyes.Measure(gateway, cancel);
        return TypedResults.Ok(new MeasureView(speed, speed.Says, speed.Advice, Joined.BoxOf(job.Found.Document, speed.Link)));
    }

    internal static ProblemHttpResult SwitchedOff() =>
        TypedResults.Problem("Looking is switched off: the program was started with --no-eyes. Paste what the laptop shows.",
            statusCode: 409);
}
