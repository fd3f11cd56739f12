using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

/// <summary>Reads the states of a job's houses from the last snapshot and the deeds since. A revision never changes, so what was read of one
/// is kept: an edit asks for the same two houses several times.</summary>
internal sealed class Histories
{
    /// <summary>States kept of each kind; past that all are let go and the next few are read again.</summary>
    private const int Most = 16;

    private const int LeastSnapshotLetters = 4096;

    private readonly ConcurrentDictionary<(string Job, int Number), NetworkDocument> found = new();
    private readonly ConcurrentDictionary<(string Job, int Number), ImmutableArray<PlannedDeed>> plans = new();
    private readonly ConcurrentDictionary<(string Job, int Found, int Planned), Replayed> planned = new();

    /// <summary>Half a snapshot's worth of deeds between two snapshots: the history stays small, and reading it quick.</summary>
    public static int SnapshotAfter(int wholeLetters) => Math.Max(LeastSnapshotLetters, wholeLetters / 2);

    /// <summary>Lets all go: what is stored was exchanged.</summary>
    public void Clear()
    {
        found.Clear();
        plans.Clear();
        planned.Clear();
    }

    public void Keep((string, int) key, NetworkDocument house) => Keep(found, key, house);
    public void Keep((string, int) key, ImmutableArray<PlannedDeed> plan) => Keep(plans, key, plan);
    public void Keep((string, int, int) key, Replayed house) => Keep(planned, key, house);

    /// <exception cref="UnreadableJobException">What is stored cannot be read.</exception>
    public async Task<NetworkDocument> Found(AltrinDb db, string job, int number, CancellationToken cancel)
    {
        if (found.TryGetValue((job, number), out var known)) return known;
        var chain = await Chain(db, job, Side.Found, number, cancel);
        var start = DocumentReader.Read(chain[0].Snapshot!);
        if (start.Document is not { } house) throw Unreadable(job, chain[0], start.Problems[0].ToString());
        foreach (var row in chain.Skip(1))
        {
            var attempt = ActionRunner.DoAll(house, Actions(job, row));
            house = attempt.House ?? throw Unreadable(job, row, attempt.Problem!.Message);
        }
        return Keep(found, (job, number), house);
    }

    /// <exception cref="UnreadableJobException">What is stored cannot be read.</exception>
    public async Task<ImmutableArray<PlannedDeed>> Plan(AltrinDb db, string job, int number, CancellationToken cancel)
    {
        if (plans.TryGetValue((job, number), out var known)) return known;
        var chain = await Chain(db, job, Side.Planned, number, cancel);
        var plan = ImmutableArray.CreateBuilder<PlannedDeed>();
        plan.AddRange(Parse<PlannedDeed>(job, chain[0], chain[0].Snapshot!));
        foreach (var row in chain.Skip(1)) plan.AddRange(Actions(job, row).Select(action => new PlannedDeed(action)));
        return Keep(plans, (job, number), plan.ToImmutable());
    }

    public Replayed Planned((string, int, int) key, NetworkDocument house, ImmutableArray<PlannedDeed> plan) =>
        planned.TryGetValue(key, out var known) ? known : Keep(planned, key, ActionRunner.Replay(house, [.. plan.Select(deed => deed.Action)]));

    private static TValue Keep<TKey, TValue>(ConcurrentDictionary<TKey, TValue> kept, TKey key, TValue value) where TKey : notnull
    {
        if (kept.Count >= Most) kept.Clear();
        return kept[key] = value;
    }

    /// <summary>From the last snapshot to that revision.</summary>
    private static async Task<List<RevisionRow>> Chain(AltrinDb db, string job, Side side, int number, CancellationToken cancel)
    {
        var word = side.ToString();
        var rows = await db.Revisions.FromSql($"""
            WITH RECURSIVE chain AS (
                SELECT * FROM revisions WHERE JobId = {job} AND Side = {word} AND Number = {number}
                UNION ALL
                SELECT r.* FROM revisions r JOIN chain c ON r.JobId = c.JobId AND r.Side = c.Side AND r.Number = c.Parent WHERE c.Snapshot IS NULL)
            SELECT * FROM chain
            """).AsNoTracking().ToListAsync(cancel);
        rows.Sort((a, b) => a.Number.CompareTo(b.Number));
        return rows is [{ Snapshot: not null }, ..] ? rows : throw new UnreadableJobException(job, $"Revision {number} of the {Say(side)} is not there.");
    }

    private static ImmutableArray<InstallerAction> Actions(string job, RevisionRow row) => Parse<InstallerAction>(job, row, row.Actions);

    private static ImmutableArray<T> Parse<T>(string job, RevisionRow row, string text)
    {
        try { return JsonSerializer.Deserialize<ImmutableArray<T>>(text, AltrinJson.Compact); }
        catch (Exception error) when (error is JsonException or NotSupportedException or InvalidOperationException) { throw Unreadable(job, row, error.Message); }
    }

    private static UnreadableJobException Unreadable(string job, RevisionRow row, string why) =>
        new(job, $"Revision {row.Number} of the {Say(row.Side)} cannot be read: {why}");

    private static string Say(Side side) => side == Side.Found ? "house as found" : "plan";
}
