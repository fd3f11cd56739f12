using System.Collections.Immutable;
using System.Security.Cryptography;
using Altrin.Core.Secrets;
using Altrin.Data;
using Altrin.Web.Live;
using Altrin.Web.Security;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <summary>A secret without its value.</summary>
/// <param name="Against">What speaks against it; nothing where it is good, or cannot be opened here.</param>
public sealed record SecretView(string Name, DateTimeOffset At, ImmutableArray<string> Against);

/// <param name="Name">What a network’s <c>key</c> says, or <c>admin of</c> and the id of a box.</param>
public sealed record SecretName(string Name);

public sealed record SecretInput(string Name, string Value);

/// <summary>The value, fetched because somebody pressed for it.</summary>
public sealed record SecretValue(string Value);

/// <param name="Sayable">Can be said over the telephone.</param>
/// <param name="Plain">Can be read off a card.</param>
public sealed record GoodKeys(string Sayable, string Plain);

/// <summary>Wi-Fi keys and admin passwords of a job: kept sealed, shown one at a time, never in an address.</summary>
internal static class SecretsApi
{
    public static void MapSecrets(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs/{id}/secrets").WithTags("secrets").ProducesProblem(404);
        api.MapGet("/", List);
        api.MapPut("/", Keep);
        api.MapPost("/show", Show).WithMetadata(new LiveApi.OnlyAsks()).ProducesProblem(409);
        api.MapPost("/forget", Forget);
        routes.MapPost("/api/secrets/suggest", Suggest).WithTags("secrets");
    }

    private static async Task<Ok<SecretView[]>> List(string id, SealedSecrets secrets, CancellationToken cancel)
    {
        var judged = await secrets.Judge(id, cancel);
        return TypedResults.Ok((await secrets.List(id, cancel)).Select(one => new SecretView(one.Name, one.At, judged.GetValueOrDefault(one.Name, []))).ToArray());
    }

    private static async Task<Results<Ok<SecretView>, ValidationProblem, ProblemHttpResult>> Keep(string id, SecretInput input, SealedSecrets secrets, TimeProvider clock, CancellationToken cancel)
    {
        if (input.Name.Length is 0 or > 200) return Answers.Invalid("name", "Write a name of 1 to 200 letters.");
        if (input.Value.Length is 0 or > KeyStrength.Most) return Answers.Invalid("value", $"Write 1 to {KeyStrength.Most} characters.");
        if (!input.Name.StartsWith(SealedSecrets.AdminOf, StringComparison.Ordinal) && KeyStrength.WhyNoWifiKey(input.Value) is { } why) return Answers.Invalid("value", why);
        if (!await secrets.Keep(id, input.Name, input.Value, cancel))
            return TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: $"There is no such job, or it keeps {SecretStore.MostPerJob} passwords already.");
        return TypedResults.Ok(new SecretView(input.Name, clock.GetUtcNow(), (await secrets.Judge(id, cancel)).GetValueOrDefault(input.Name, [])));
    }

    private static async Task<Results<Ok<SecretValue>, ProblemHttpResult>> Show(string id, SecretName asked, SealedSecrets secrets, HttpContext context, CancellationToken cancel)
    {
        context.Response.Headers.CacheControl = "no-store";
        var open = await secrets.Open(id, asked.Name, cancel);
        if (open.IsLost)
            return TypedResults.Problem(statusCode: StatusCodes.Status409Conflict, title: "This password was sealed on another machine, or its key ring is gone. Nothing else is lost: type it again.");
        return open.Value is { } value ? TypedResults.Ok(new SecretValue(value)) : TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: "No password is kept under that name.");
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Forget(string id, SecretName asked, SealedSecrets secrets, CancellationToken cancel) =>
        await secrets.Forget(id, asked.Name, cancel) ? TypedResults.NoContent() : TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: "No password is kept under that name.");

    private static Ok<GoodKeys> Suggest(HttpContext context)
    {
        context.Response.Headers.CacheControl = "no-store";
        return TypedResults.Ok(new GoodKeys(GoodKey.Sayable(RandomNumberGenerator.GetInt32), GoodKey.Plain(RandomNumberGenerator.GetInt32)));
    }
}
