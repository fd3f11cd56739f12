using System.Collections.Immutable;
using System.Text;
using Altrin.Core.Actions;
using Altrin.Core.Handover;
using Altrin.Core.Handover.Imports;
using Altrin.Core.Handover.Records;
using Altrin.Core.Network;
using Altrin.UseCases;
using Altrin.Web.Live;
using Altrin.Web.Photos;
using Altrin.Web.Security;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <param name="File">What it is saved as.</param>
/// <param name="IsThere">It can be made of this job: some kinds need a plan.</param>
public sealed record ExportView(string Kind, string Says, string File, bool IsThere);

/// <param name="Key">As the secret is kept; null for an open network.</param>
/// <param name="IsNoted">The password is kept with the job.</param>
public sealed record CardChoice(string Ssid, string? Key, bool Guest, bool IsNoted);

/// <param name="Record">As it prints, for the next installer.</param>
/// <param name="Household">One page for the household.</param>
public sealed record HandoverView(ImmutableArray<ExportView> Kinds, ImmutableArray<RecordPart> Record, ImmutableArray<RecordPart> Household,
    ImmutableArray<MissingNote> Missing, ImmutableArray<CardChoice> Networks);

/// <param name="Table">As text, or as a data URL where the file is not UTF-8.</param>
/// <param name="Kind">Null: by its columns.</param>
public sealed record TableInput(string Table, string? Kind = null);

/// <param name="Actions">What takes it; empty where the house refuses it.</param>
/// <param name="Refused">Why it cannot be taken.</param>
public sealed record ImportDeedView(int Number, int Row, string Column, string Says, ImmutableArray<InstallerAction> Actions,
    string? Refused);

/// <param name="All">All deeds one after the other; empty where one of them is refused.</param>
public sealed record ImportView(string Kind, ImmutableArray<ImportDeedView> Deeds, ImmutableArray<InstallerAction> All,
    ImmutableArray<ImportProblem> Unmatched,
    ImmutableArray<string> Ignored, ImmutableArray<ImportProblem> Problems);

/// <param name="WithPasswords">Only where somebody has asked for it.</param>
public sealed record CardsInput(ImmutableArray<string> Ssids, bool WithPasswords);

/// <param name="Password">Null where it was not asked for, or is not noted.</param>
/// <param name="Code">A drawing that a phone joins by; null without a password that a closed network needs.</param>
public sealed record WifiCard(string Ssid, bool Guest, string? Password, string? Code);

/// <param name="Lines">What stands below the name.</param>
/// <param name="Code">The page of a box with its id; null for a cable.</param>
public sealed record StickLabel(string Title, ImmutableArray<string> Lines, string? Code);

/// <summary>What a job leaves behind, and tables that come back.</summary>
internal static class HandoverApi
{
    private const int MostTableLetters = 8 << 20;

    public static void MapHandover(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs/{id}/handover").WithTags("handover").ProducesProblem(404);
        api.MapGet("/", Get);
        api.MapGet("/file", File).Produces(200, contentType: "application/octet-stream").ProducesValidationProblem();
        api.MapPost("/table", Table).WithMetadata(new LiveApi.OnlyAsks()).ProducesValidationProblem();
        api.MapPost("/cards", Cards).WithMetadata(new LiveApi.OnlyAsks());
        api.MapGet("/labels", Labels);
    }

    private static async Task<ExportRequest> Asked(Job job, Handovers handovers, SealedSecrets secrets, TimeProvider clock, DateTime? at,
        CancellationToken cancel)
    {
        var noted = (await secrets.List(job.Head.Id, cancel)).Where(one =>
            one.Name.StartsWith(SealedSecrets.AdminOf, StringComparison.Ordinal))
            .Select(one => one.Name[SealedSecrets.AdminOf.Length..]).ToHashSet(StringComparer.Ordinal);
        return await handovers.Of(job, noted, at ?? clock.GetLocalNow().Date.AddDays(1).AddHours(9), cancel);
    }

    private static async Task<Results<Ok<HandoverView>,
        ProblemHttpResult>> Get(string id, Jobs jobs, Handovers handovers, SealedSecrets secrets, TimeProvider clock,
        CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        var asked = await Asked(job, handovers, secrets, clock, null, cancel);
        var kept = (await secrets.List(id, cancel)).Select(one => one.Name).ToHashSet(StringComparer.Ordinal);
        var left = Handovers.Left(job);
        var networks = Exports.NetworksOf(left).Select(one =>
            new CardChoice(one.Ssid, one.Key, one.Guest, one.Key is not null && kept.Contains(one.Key))).ToImmutableArray();
        return TypedResults.Ok(new HandoverView(
            [.. Exports.All.Select(kind =>
                new ExportView(kind.Kind, kind.Says, FileName(left, kind), !kind.NeedsPlan || asked.Planned is not null))],
            [.. Exports.RecordOf(asked)], [.. Exports.HouseholdPageOf(left)], [.. Exports.GapsOf(left, asked.Notes, kept)], networks));
    }

    private static string FileName(NetworkDocument house, ExportKind kind) =>
        $"{FileNames.StemOf(house)}-{kind.Kind.Replace("altrin.network/1", "network", StringComparison.Ordinal)}{kind.Extension}";

    private static async Task<Results<FileContentHttpResult, ValidationProblem,
        ProblemHttpResult>> File(string id, string kind, string? at, bool? spreadsheet, Jobs jobs,
        Handovers handovers, SealedSecrets secrets, TimeProvider clock, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (Exports.Find(kind) is not { } export) return Answers.Invalid("kind",
            $"There is no such kind. Use one of {string.Join(", ", Exports.All.Select(one => one.Kind))}.");
        DateTime? begins = null;
        if (!string.IsNullOrWhiteSpace(at))
        {
            if (!DateTime.TryParseExact(at, ["yyyy-MM-dd'T'HH:mm", "yyyy-MM-dd'T'HH:mm:ss"],
                System.Globalization.CultureInfo.InvariantCulture, System.Globalization.DateTimeStyles.None, out var said))
                return Answers.Invalid("at", "Write a day and a time such as 2026-12-03T09:00.");
            begins = said;
        }
        if (export.Write(await Asked(job, handovers, secrets, clock, begins, cancel)) is not { } text)
            return Answers.Invalid("kind", "This needs a plan with a work order: take one at Options first.");
        var bytes = new UTF8Encoding(spreadsheet == true);
        return TypedResults.File([.. bytes.Preamble, .. bytes.GetBytes(text)], export.MediaType, FileName(Handovers.Left(job), export));
    }

    private static async Task<Results<Ok<ImportView>, ValidationProblem,
        ProblemHttpResult>> Table(string id, TableInput input, Jobs jobs, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (input.Table.Length > MostTableLetters) return Answers.Invalid("table",
            "More than 8 million letters: that is no table of a home.");
        var house = job.Found.Document;
        if (TableImports.Read(house, Encoding.UTF8.GetBytes(input.Table), input.Kind,
            out var problem) is not { } import) return Answers.Invalid("table", problem);
        var all = ImmutableArray.CreateBuilder<InstallerAction>();
        var (after, isWhole) = (house, true);
        foreach (var deed in import.Deeds)
        {
            var actions = deed.Make(after);
            if (deed.Apply(after, out _) is not { } next)
            {
                isWhole = false;
                break;
            }
            all.AddRange(actions);
            after = next;
        }
        return TypedResults.Ok(new ImportView(import.Kind, [.. import.Deeds.Select(deed => View(deed, house))], isWhole ? all.ToImmutable()
            : [], import.Unmatched, import.Ignored, import.Problems));
    }

    private static ImportDeedView View(ImportDeed deed, NetworkDocument house) =>
        deed.Apply(house, out var refused) is null ? new(deed.Number, deed.Row, deed.Column, deed.Says, [], refused!.Message)
            : new(deed.Number, deed.Row, deed.Column, deed.Says, deed.Make(house), null);

    private static async Task<Results<Ok<WifiCard[]>,
        ProblemHttpResult>> Cards(string id, CardsInput input, Jobs jobs, SealedSecrets secrets, HttpContext context,
        CancellationToken cancel)
    {
        context.Response.Headers.CacheControl = "no-store";
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        var cards = new List<WifiCard>();
        foreach (var network in Exports.NetworksOf(Handovers.Left(job)).Where(one => input.Ssids.Contains(one.Ssid)))
        {
            var isOpen = network.Security == WifiSecurity.Open;
            var password = input.WithPasswords && !isOpen && network.Key is { } key ? (await secrets.Open(id, key, cancel)).Value : null;
            cards.Add(new(network.Ssid, network.Guest, password, isOpen || password is not null
                ? QrCodes.Draw(WifiCode.Of(network.Ssid, password, !network.Broadcast)) : null));
        }
        return TypedResults.Ok(cards.ToArray());
    }

    private static async Task<Results<Ok<StickLabel[]>, ProblemHttpResult>> Labels(string id, Jobs jobs, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        var house = Handovers.Left(job);
        var labels = new List<StickLabel>();
        foreach (var (box, page) in Exports.PagesOf(house))
            labels.Add(new(box.Name, [.. new[] { page, box.Room, box.Id }.OfType<string>()], page is null ? null
                : QrCodes.Draw($"{page}/#{box.Id}")));
        // A cable has two ends, and each says where the other is.
        foreach (var cable in house.Cables)
            foreach (var (here, there) in new[] { (cable.A, cable.B), (cable.B, cable.A) })
                labels.Add(new(cable.Id, [house.SocketName(here), $"to {house.SocketName(there)}"], null));
        return TypedResults.Ok(labels.ToArray());
    }
}
