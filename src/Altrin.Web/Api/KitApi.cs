using System.Collections.Immutable;
using System.Text;
using Altrin.Core.Documents;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Data;
using Altrin.UseCases;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <param name="IsOwn">An installer's own, and not one that comes with the program.</param>
/// <param name="IsUsualAtLine">What is taken where nobody has said which box stands at the line.</param>
/// <param name="Sold">The box as it comes out of its carton; null for a pair.</param>
/// <param name="Says">What it is set with and what it shows first, in one line.</param>
public sealed record KitView(string Kit, string Name, KitGroup Group, string About, bool IsOwn, bool IsUsualAtLine, Medium? Link,
    Device? Sold, string Says, string? Past,
    ImmutableArray<WordPair> Menus, ImmutableArray<WordPair> Lamps, ImmutableArray<KitMode> Modes, ImmutableArray<PartChoice> Parts);

public sealed record WordPair(string What, string Say);

/// <summary>A kind to be made of a box of a job.</summary>
public sealed record NewKind(string Job, string Box, string Name);

/// <summary>The kit shelf: look, take a box from it, put own kinds on it.</summary>
internal static class KitApi
{
    private const string NoSuchKind = "There is no such kind on the shelf. It may have been taken away in another tab.";

    public static void MapKit(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/kit").WithTags("kit");
        api.MapGet("/",
            (OwnKinds own) =>
            TypedResults.Ok(KitShelf.All.Select(kind => View(kind, false)).Concat(own.All().Select(kind => View(kind, true))).ToArray()));
        api.MapGet("/{kit}", Export).Produces(200, contentType: "application/json").ProducesProblem(404);
        api.MapPost("/", Import).Accepts<object>("application/json");
        api.MapPost("/from-box", FromBox).ProducesProblem(404);
        api.MapDelete("/{kit}", Remove).ProducesProblem(404);
    }

    private static KitKind? Find(string kit, OwnKinds own) => KitShelf.Find(kit) ?? own.Find(kit);

    private static ProblemHttpResult Missing() => TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: NoSuchKind);

    private static Results<FileContentHttpResult, ProblemHttpResult> Export(string kit, OwnKinds own) => Find(kit, own) is { } kind
        ? TypedResults.File(Encoding.UTF8.GetBytes(KitReader.Write(kind)), "application/json", $"{kind.Kit}.kit.json")
        : Missing();

    private static async Task<Results<Ok<KitView>, ValidationProblem>> Import(HttpRequest request, OwnKinds own, CancellationToken cancel)
    {
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel);
        var read = KitReader.Read(body.ToArray());
        var problem = read.Kind is { } kind ? own.Keep(kind) : read.Problems[0];
        return problem is null ? TypedResults.Ok(View(read.Kind!, true)) : Answers.Invalid(problem.Place, problem.ToString());
    }

    private static async Task<Results<Ok<KitView>, ValidationProblem,
        ProblemHttpResult>> FromBox(NewKind asked, Jobs jobs, OwnKinds own, CancellationToken cancel)
    {
        if (await jobs.Find(asked.Job, cancel) is not { } job) return Answers.NoSuchJob();
        if (job.Found.Document.FindDevice(asked.Box) is not { } box) return Answers.Invalid("box",
            "There is no such box in the house as found.");
        if (string.IsNullOrWhiteSpace(asked.Name)
            || asked.Name.Length > Limits.NameLetters) return Answers.Invalid("name",
            $"Write a name of 1 to {Limits.NameLetters} letters.");
        var read = KitReader.Read(KitReader.Write(OwnKind.Of(box, FreshKit(asked.Name, own), asked.Name.Trim(), box.Kit is { } like
            ? Find(like, own) : null)));
        var problem = read.Kind is { } kind ? own.Keep(kind) : read.Problems[0];
        return problem is null ? TypedResults.Ok(View(read.Kind!, true)) : Answers.Invalid(problem.Place, problem.ToString());
    }

    /// <summary>What is left of the name in small letters, and a number where that is taken.</summary>
    private static string FreshKit(string name, OwnKinds own)
    {
        var plain = new string([.. name.ToLowerInvariant().Select(letter => letter is (>= 'a' and <= 'z') or (>= '0' and <= '9') ? letter
            : '-')]).Trim('-');
        var stem = $"own-{(plain.Length == 0 ? "kind" : plain[..Math.Min(plain.Length, 60)])}";
        for (var n = 1; ; n++)
            if ((n == 1 ? stem : $"{stem}-{n}") is var kit && Find(kit, own) is null) return kit;
    }

    private static Results<NoContent, ProblemHttpResult> Remove(string kit, OwnKinds own) => KitShelf.Comes(kit)
        ? TypedResults.Problem(statusCode: StatusCodes.Status409Conflict, title: "That kind comes with Altrin and stays.")
        : own.Remove(kit) ? TypedResults.NoContent() : Missing();

    private static KitView View(KitKind kind, bool isOwn) =>
        new(kind.Kit, kind.Name, kind.Group, kind.About, isOwn, kind.Kit == KitShelf.UsualGateway.Kit, kind.Link, kind.Sold,
        KitWords.Say(kind), kind.SetUp.Past,
        [.. kind.Menus.OrderBy(one => one.Key).Select(one => new WordPair(KitWords.Say(one.Key), one.Value))],
        [.. kind.Lamps.OrderBy(one => one.Key).Select(one => new WordPair(KitWords.Say(one.Key), one.Value))], KitModes.Of(kind),
            KitModes.Parts(kind));
}
