using System.Collections.Immutable;
using System.Text;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Diagnosis;
using Altrin.Core.Diagnosis.Causes;
using Altrin.Core.Diagnosis.Looking;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Data;
using Altrin.UseCases;
using Altrin.Web.Live;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <param name="Seen">An entry of <c>altrin.sightings/1</c>.</param>
public sealed record SeenView(JsonElement Seen, string Says, bool IsOdd);

/// <param name="Left">How many groups of causes an answer leaves.</param>
/// <param name="Seen">What the answer adds to what was seen.</param>
public sealed record AnswerView(string Says, int Left, ImmutableArray<JsonElement> Seen);

/// <param name="Key">Names it while the house stays the same: what cannot be done is put aside by it.</param>
/// <param name="Reading">Its kind.</param>
/// <param name="Look">What is looked at, as an entry of <c>altrin.sightings/1</c> without its value.</param>
public sealed record LookView(string Key, string Do, ReadingKind Reading, JsonElement Look, double Minutes, double Bits,
    ImmutableArray<AnswerView> Answers);

/// <param name="Sentences">All that no look tells apart, the likeliest first.</param>
/// <param name="Explains">How much of what was seen it shows.</param>
/// <param name="Against">What of it it does not show, in words.</param>
/// <param name="Advice">What else is done about it.</param>
/// <param name="Boxes">Boxes concerned.</param>
public sealed record CauseView(double Sure, ImmutableArray<string> Sentences, string Kind, int Explains, ImmutableArray<string> Against,
    double MendMinutes,
    bool IsProved, ImmutableArray<string> Mend, string? Advice, bool IsProviders, ImmutableArray<string> Boxes);

public sealed record RuledOutView(string Sentence, int By);

/// <param name="Agrees">The house as believed shows all that was seen.</param>
/// <param name="Confirm">A look that makes sure of what is left.</param>
/// <param name="ForProvider">What to tell the provider on the telephone; null where it is not the provider's.</param>
public sealed record FoundOut(bool Agrees, bool IsSettled, bool ArePairs, ImmutableArray<CauseView> Causes,
    ImmutableArray<RuledOutView> RuledOut,
    ImmutableArray<LookView> Looks, LookView? Confirm, string? ForProvider);

/// <param name="Says">The complaint it began with.</param>
public sealed record PastDiagnosis(int Number, string Says, string? Cause, string? Mend, int Looks, DateTimeOffset StartedAt,
    DateTimeOffset? EndedAt);

/// <param name="Number">Of the one at hand, or of the next.</param>
/// <param name="Revision">0 while nothing was seen.</param>
/// <param name="Side">The house that is believed in: found or planned.</param>
/// <param name="Lost">Why what was seen cannot be used any more; null where it can.</param>
/// <param name="Found">Null while nothing was seen.</param>
public sealed record DiagnosisView(int Number, int Revision, string Side, ImmutableArray<SeenView> Seen, ImmutableArray<string> Aside,
    string? Lost, FoundOut? Found,
    ImmutableArray<PastDiagnosis> Past);

/// <param name="Seen">Entries of <c>altrin.sightings/1</c>, in order.</param>
public sealed record SetDiagnosis(int Number, int Revision, string Side, ImmutableArray<JsonElement> Seen, ImmutableArray<string> Aside);

/// <param name="Cause">Which of the causes it was; null where it was given up.</param>
public sealed record EndDiagnosis(int Number, int Revision, int? Cause);

/// <param name="From">Where the laptop stands, as <c>from</c> of a sighting.</param>
public sealed record PastedAt(string Text, JsonElement From);

/// <summary>It does not do what it should: what was seen, which causes are left, which look is next.</summary>
internal static class DiagnosisApi
{
    private const int MostAside = 200, MostKeyLetters = 2000;

    public static void MapDiagnosis(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs/{id}/diagnosis").WithTags("diagnosis").ProducesProblem(404).ProducesProblem(409);
        api.MapGet("/", Get);
        api.MapPut("/", Set).ProducesValidationProblem();
        api.MapPost("/end", End).ProducesValidationProblem();
        api.MapGet("/mend", Mend);
        api.MapPost("/paste", Paste).WithMetadata(new LiveApi.OnlyAsks()).ProducesValidationProblem();
    }

    private static async Task<Results<Ok<DiagnosisView>,
        ProblemHttpResult>> Get(string id, string? with, Jobs jobs, Diagnoses diagnoses, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        var stored = await diagnoses.List(id, cancel);
        return TypedResults.Ok(View(job, diagnoses, stored, HandsOf(with)));
    }

    private static async Task<Results<Ok<DiagnosisView>, ValidationProblem,
        ProblemHttpResult>> Set(string id, SetDiagnosis said, string? with, Jobs jobs,
        Diagnoses diagnoses, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (HousesApi.SideOf(said.Side) is not { } side) return Answers.Invalid("side",
            $"“{said.Side}” is no house of a job. Use found or planned.");
        if (said.Aside.IsDefault || said.Aside.Length > MostAside || said.Aside.Any(key => key is null or { Length: > MostKeyLetters }))
            return Answers.Invalid("aside", $"No more than {MostAside} looks can be put aside.");
        if (said.Seen.IsDefault) return Answers.Invalid("seen", "Missing. Write a list of what was seen.");
        var text = Sightings(said.Seen);
        var (_, problems) = SightingsReader.Read(Encoding.UTF8.GetBytes(text), (side == Side.Planned ? job.Planned : job.Found).Document);
        if (problems.Count > 0) return Answers.Invalid(problems[0].Place, problems[0].Message);
        var result = await diagnoses.Save(id, new(said.Number, said.Revision, side, text, said.Aside, default), cancel);
        return result == ChangeResult.Done ? TypedResults.Ok(View(job, diagnoses, await diagnoses.List(id, cancel), HandsOf(with)))
            : result == ChangeResult.NoSuchJob ? Answers.NoSuchJob() : Answers.ChangedMeanwhile();
    }

    private static async Task<Results<Ok<DiagnosisView>, ValidationProblem,
        ProblemHttpResult>> End(string id, EndDiagnosis ended, string? with, Jobs jobs,
        Diagnoses diagnoses, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        var stored = await diagnoses.List(id, cancel);
        if (stored.LastOrDefault() is not { EndedAt: null } open || open.Number != ended.Number
            || open.Revision != ended.Revision) return Answers.ChangedMeanwhile();
        var found = diagnoses.Of(job, open, HandsOf(with));
        if (ended.Cause is { } index && (found.Result is not { } result || index < 0 || index >= result.Causes.Length))
            return Answers.Invalid("cause", "There is no such cause among those that are left.");
        var group = ended.Cause is { } at ? found.Result!.Causes[at] : null;
        var outcome = await diagnoses.Save(id, open with
        {
            EndedAt = open.StartedAt,
            Cause = group?.Alike[0].Sentence,
            Mend = group is null ? null : string.Join(". ", MendWords(found.Believed, group)),
        }, cancel);
        return outcome == ChangeResult.Done ? TypedResults.Ok(View(job, diagnoses, await diagnoses.List(id, cancel), HandsOf(with)))
            : Answers.ChangedMeanwhile();
    }

    /// <summary>The mend as a work order of its own.</summary>
    private static async Task<Results<Ok<WorkOrder>,
        ProblemHttpResult>> Mend(string id, int cause, string? with, Jobs jobs, Diagnoses diagnoses, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        var open = (await diagnoses.List(id, cancel)).LastOrDefault();
        if (open is not { EndedAt: null }
            || diagnoses.Mend(job, diagnoses.Of(job, open, HandsOf(with)), cause, HandsOf(with), cancel) is not { } order)
            return TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: "There is no such cause any more.");
        return TypedResults.Ok(order);
    }

    private static async Task<Results<Ok<ImmutableArray<SeenView>>, ValidationProblem,
        ProblemHttpResult>> Paste(string id, PastedAt pasted, Jobs jobs, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (pasted.Text.Length > PastedText.MostLetters) return Answers.Invalid("text", "More than 4 million letters. Paste less at once.");
        var house = job.Found.Document;
        // The place is read as a sighting's is.
        var probe = Sightings([JsonSerializer.SerializeToElement(new { from = pasted.From, reading = "internet", value = "no" })]);
        var (seen, problems) = SightingsReader.Read(Encoding.UTF8.GetBytes(probe), house);
        if (problems.Count > 0) return Answers.Invalid(problems[0].Place, problems[0].Message);
        return TypedResults.Ok(PastedSightings.Of(house, seen[0].Look.From!, PastedText.Read(pasted.Text))
            .Select(one => new SeenView(Json(one), AnswerWords.Say(house, one), false)).ToImmutableArray());
    }

    private static Hands HandsOf(string? with) => Words<Hands>.TryRead(with, out var hands) ? hands : Hands.Laptop;

    private static string Sightings(ImmutableArray<JsonElement> seen) =>
        JsonSerializer.Serialize(new { format = SightingsReader.Format, seen });

    private static DiagnosisView View(Job job, Diagnoses diagnoses, ImmutableArray<StoredDiagnosis> stored, Hands hands)
    {
        var last = stored.LastOrDefault();
        var past = stored.Where(one => one.EndedAt is not null).Reverse().Select(one =>
            Past(job, diagnoses, one, hands)).ToImmutableArray();
        if (last is not { EndedAt: null }) return new((last?.Number ?? 0) + 1, 0, "found", [], [], null, null, past);
        var diagnosis = diagnoses.Of(job, last, hands);
        var side = Words<Side>.Of(last.Side);
        var seen = diagnosis.Seen.Select((one, i) =>
            new SeenView(Json(one), AnswerWords.Say(diagnosis.Believed, one), diagnosis.Result!.Odd.Contains(i))).ToImmutableArray();
        return new(last.Number, last.Revision, side, seen, last.Aside, diagnosis.Lost, diagnosis.Result is null ? null
            : Found(diagnosis, last.Aside), past);
    }

    private static PastDiagnosis Past(Job job, Diagnoses diagnoses, StoredDiagnosis one, Hands hands)
    {
        var believed = (one.Side == Side.Planned ? job.Planned : job.Found).Document;
        var (seen, _) = SightingsReader.Read(Encoding.UTF8.GetBytes(one.Seen), believed);
        return new(one.Number, seen.IsEmpty ? ""
            : AnswerWords.Say(believed, seen[0]), one.Cause, one.Mend, Math.Max(0, seen.Length - 1), one.StartedAt, one.EndedAt);
    }

    private static FoundOut Found(JobDiagnosis diagnosis, ImmutableArray<string> aside)
    {
        var (house, result) = (diagnosis.Believed, diagnosis.Result!);
        var looks = result.Looks.Select(look => View(house, look)).ToImmutableArray();
        return new(result.Agrees, result.IsSettled, result.ArePairs, [.. result.Causes.Select(group => View(diagnosis, group))],
            [.. result.RuledOut.Select(one => new RuledOutView(one.Cause.Sentence, one.By))],
            [.. looks.Where(look => !aside.Contains(look.Key)), .. looks.Where(look => aside.Contains(look.Key))],
            result.Confirm is { } confirm ? View(house, confirm) : null,
            result.Causes is [{ Alike: [var first, ..] }, ..] && result.IsSettled && first.IsOfProvider
                ? ProviderWords.Say(house, diagnosis.Seen, first) : null);
    }

    private static CauseView View(JobDiagnosis diagnosis, CauseGroup group)
    {
        var first = group.Alike[0];
        return new(group.Sure, [.. group.Alike.Select(cause => cause.Sentence)], first.Kind.Name,
            diagnosis.Seen.Length - group.Against.Length,
            [.. group.Against.Select(i => AnswerWords.Say(diagnosis.Believed, diagnosis.Seen[i]))], group.MendMinutes, group.IsProved,
            [.. MendWords(diagnosis.Believed, group)], first.MendAdvice, first.IsOfProvider, [.. first.Boxes(diagnosis.Believed)]);
    }

    /// <summary>What is done, in words.</summary>
    private static IEnumerable<string> MendWords(NetworkDocument believed, CauseGroup group)
    {
        if (group.Alike[0].MendInWords is { } instead) return [instead];
        var house = group.House;
        var words = new List<string>();
        foreach (var action in group.Mend)
        {
            if (action is not DescribeDevice && !action.IsRecord(house)) words.Add(action.Say(house));
            house = action.Apply(house);
        }
        return words;
    }

    private static LookView View(NetworkDocument house, NextLook look)
    {
        var json = Json(new Sighting(look.Look, ""));
        return new(json.GetRawText(), look.Do, look.Look.Reading, json, look.Minutes, look.Bits,
            [.. look.Answers.Select(answer => View(house, look.Look, answer))]);
    }

    private static AnswerView View(NetworkDocument house, Look look, LookAnswer answer)
    {
        IEnumerable<Sighting> seen = look.Reading != ReadingKind.Laptop ? [new(look, answer.Value.Sample ?? "")]
            : answer.Value.Rows.Where(row => row.Value.Sample is not null).Select(row =>
                new Sighting(look with { Reading = row.Kind }, row.Value.Sample!));
        return new(AnswerWords.Say(house, look, answer.Value), answer.Causes.Length, [.. seen.Select(Json)]);
    }

    private static JsonElement Json(Sighting sighting)
    {
        using var buffer = new MemoryStream();
        using (var json = new Utf8JsonWriter(buffer, new() { Encoder = AltrinJson.Compact.Encoder })) DiagnosisWriter.Write(sighting, json);
        using var document = JsonDocument.Parse(buffer.ToArray());
        return document.RootElement.Clone();
    }
}
