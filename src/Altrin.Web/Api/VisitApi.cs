using Altrin.Core.Addressing;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Simulation;
using Altrin.Core.Visit;
using Altrin.Core.Visit.Asking;
using Altrin.Data;
using Altrin.UseCases;
using Altrin.Web.Live;
using Altrin.Web.Visit;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <param name="Before">A list taken before a box was plugged in.</param>
public sealed record PastedInput(string Text, string? Before = null);

/// <summary>A house that is being taken in, and its addresses.</summary>
internal static class VisitApi
{
    public static void MapVisit(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs/{id}").WithTags("visit").ProducesProblem(404);
        api.MapGet("/visit", Look);
        api.MapGet("/visit/questions", Ask);
        api.MapPost("/visit/paste", Read).WithMetadata(new LiveApi.OnlyAsks());
        api.MapGet("/{side}/addresses", Addresses);
        api.MapGet("/{side}/reckon", Reckon);
        api.MapGet("/{side}/move-subnet", Move);
        api.MapGet("/{side}/address-note", Note);
        api.MapGet("/{side}/kept-addresses", Kept);
    }

    private static async Task<Results<Ok<Walk>, ProblemHttpResult>> Look(string id, Jobs jobs, CancellationToken cancel) =>
        await jobs.Find(id, cancel) is { } job ? TypedResults.Ok(Walk.Of(job.Found.House.Evaluation.State)) : Answers.NoSuchJob();

    private static async Task<Results<Ok<JobInWords>, ValidationProblem, ProblemHttpResult>> Ask(string id, string? words, Jobs jobs,
        CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        return words?.Length > JobWords.MostLetters
            ? Answers.Invalid("words", $"More than {JobWords.MostLetters} letters. Say the job in one line.")
            : TypedResults.Ok(Questions.Of(job.Found.House.Evaluation.State, words ?? ""));
    }

    private static async Task<Results<Ok<Paste>, ValidationProblem, ProblemHttpResult>> Read(string id, PastedInput pasted, Jobs jobs,
        MakerRegistry makers, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (pasted.Text.Length > PastedText.MostLetters) return Answers.Invalid("text", "More than 4 million letters. Paste less at once.");
        return TypedResults.Ok(Paste.Of(job.Found.Document, pasted.Text, string.IsNullOrWhiteSpace(pasted.Before) ? null : pasted.Before,
            makers.Of));
    }

    private static async Task<Results<Ok<Ruler[]>, ProblemHttpResult>> Addresses(string id, string side, Jobs jobs,
        CancellationToken cancel)
    {
        var (house, problem) = await HousesApi.HouseOf(id, side, jobs, cancel);
        if (house is null) return problem!;
        var state = house.State;
        return TypedResults.Ok(Rulers.Of(state, Stairs.Of(state)).ToArray());
    }

    private static async Task<Results<Ok<Reckoning>, ValidationProblem, ProblemHttpResult>> Reckon(string id, string side, string address,
        Jobs jobs, CancellationToken cancel)
    {
        var (house, problem) = await HousesApi.HouseOf(id, side, jobs, cancel);
        if (house is null) return problem!;
        return Reckoning.Of(address, house.State) is { } reckoned
            ? TypedResults.Ok(reckoned)
            : Answers.Invalid("address", $"“{(address.Length > 60 ? address[..60] : address)}” is not {Reckoning.Expected}.");
    }

    private static async Task<Results<Ok<SubnetMove>, ValidationProblem, ProblemHttpResult>> Move(string id, string side, string segment,
        string from, string to, Jobs jobs, CancellationToken cancel)
    {
        var (house, problem) = await HousesApi.HouseOf(id, side, jobs, cancel);
        if (house is null) return problem!;
        if (!Prefix.TryParse(from.Trim(), out var old)) return Answers.Invalid("from", $"“{from}” is not {Prefix.Expected}.");
        // 192.168.7.1/24 is nearly right, and 192.168.7.0 alone is as people say it.
        if (Reckoning.Of(to.Contains('/', StringComparison.Ordinal) ? to
            : $"{to}/{old.Length}") is not { } meant) return Answers.Invalid("to", $"“{to}” is not {Prefix.Expected}.");
        var (move, why) = SubnetMove.Of(house.State, segment, old, Prefix.Parse(meant.Prefix));
        return move is not null ? TypedResults.Ok(move) : Answers.Invalid("to", why!);
    }

    private static async Task<Results<Ok<KeptAddresses>, ProblemHttpResult>> Kept(string id, string side, string[] thing, Jobs jobs,
        CancellationToken cancel)
    {
        var (house, problem) = await HousesApi.HouseOf(id, side, jobs, cancel);
        return house is null ? problem! : TypedResults.Ok(KeptAddresses.Of(house.State, thing));
    }

    private static async Task<Results<Ok<AddressNote>, NoContent, ProblemHttpResult>> Note(string id, string side, string owner,
        string address, Jobs jobs, CancellationToken cancel)
    {
        var (house, problem) = await HousesApi.HouseOf(id, side, jobs, cancel);
        if (house is null) return problem!;
        var state = house.State;
        return AddressNote.Of(state, Stairs.Of(state), owner, address) is { } note ? TypedResults.Ok(note) : TypedResults.NoContent();
    }
}
