using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Data;

namespace Altrin.UseCases;

/// <summary>The jobs: list them, begin, open, change and delete one. Knows what is stored and what the core makes of it.</summary>
public sealed partial class Jobs(JobStore store, Recent recent, OwnKinds own)
{
    private sealed record JobKey(string Id, int Version);

    private readonly Houses houses = new(recent);

    /// <summary>Jobs, the last changed first; see <see cref="JobStore.List"/>.</summary>
    public async Task<ImmutableArray<JobHead>> List(string? find, int take, CancellationToken cancel) =>
        [.. (await store.List(find, take, cancel)).Select(JobHead.Of)];

    /// <returns>The id of the new job.</returns>
    /// <summary>Where the last house stood that says it: an installer seldom works in two countries. Null where none of the last few
    /// does.</summary>
    public async Task<string?> LastCountry(CancellationToken cancel)
    {
        const int MostLookedAt = 5;
        foreach (var head in await List(null, MostLookedAt, cancel))
        {
            try
            {
                if ((await Find(head.Id, cancel))?.Found.Document.Country is { } country) return country;
            }
            // A job that cannot be read says nothing; it is told in the list.
            catch (UnreadableJobException) { }
        }
        return null;
    }

    public Task<string> Create(NetworkDocument house, CancellationToken cancel)
    {
        // What the document itself says of a kind goes before what the shelf says.
        var unknown = NoteKind.For(house, house.Devices.Select(box => new DescribeDevice(box)),
            kit => house.Kinds.Any(kind => kind.Kit == kit) ? null : own.Find(kit));
        var begun = new House(unknown.Apply(house));
        var summary = HouseSummary.Of(begun.Evaluation);
        return store.Create(house.Name, AltrinJson.WriteCompact(begun.Document),
            (new JobSummary(summary, summary).Write(), HouseSummary.Build),
            cancel);
    }

    /// <exception cref="UnreadableJobException">What is stored of it cannot be read.</exception>
    public async Task<Job?> Find(string id, CancellationToken cancel)
    {
        await using var session = await store.Session(id, cancel);
        if (session is null) return null;
        // A version never changes: what was read of it is what it is.
        if (recent.Find<Job>(new JobKey(id, session.Job.Version)) is { } known) return known with { Head = JobHead.Of(session.Job) };
        var takes = await session.Takes(cancel);
        return Keep(session.Job, await houses.Now(session, cancel), takes);
    }

    private Job Keep(StoredJob job, Houses.Both both, (Takes Found, Takes Planned) takes) =>
        recent.Keep(new JobKey(job.Id, job.Version), new Job(JobHead.Of(job), new(job.FoundNumber, both.Found, takes.Found),
            new(job.PlannedNumber, both.Planned.House, takes.Planned), both.Plan, both.Planned.Held), 1);

    /// <summary>How the job stands; computed and stored where no build of these rules has yet.</summary>
    /// <exception cref="UnreadableJobException">What is stored of it cannot be read.</exception>
    public async Task<JobSummary?> Summary(string id, CancellationToken cancel)
    {
        await using var session = await store.Session(id, cancel);
        if (session is null) return null;
        if (JobHead.Of(session.Job).Summary is { } known) return known;
        Summarize(session, await houses.Now(session, cancel));
        // Whoever changed it meanwhile has written a newer one.
        await session.Save(cancel);
        return JobHead.Of(session.Job).Summary;
    }

    /// <summary>What the last change of the plan costs; null where nothing was planned.</summary>
    /// <exception cref="UnreadableJobException">What is stored of it cannot be read.</exception>
    public async Task<PlanChange?> LastChange(string id, CancellationToken cancel)
    {
        await using var session = await store.Session(id, cancel);
        if (session is null || await session.Parent(Side.Planned, session.Job.PlannedNumber, cancel) is not { } before) return null;
        var now = await houses.Now(session, cancel);
        var then = await houses.At(session, new(session.Job.FoundNumber, before), cancel);
        return PlanChange.Of(now.Found.Document, then.Planned.House.Evaluation, now.Planned.House.Evaluation);
    }

    public Task<bool> Delete(string id, CancellationToken cancel) => store.Delete(id, cancel);

    public Task<byte[]?> AsStored(string id, CancellationToken cancel) => store.AsStored(id, cancel);

    public Task<ImmutableArray<LogEntry>?> Log(string id, CancellationToken cancel) => store.Log(id, cancel);

    public Copies Copies => store.Copies;

    /// <summary>Puts a copy in the place of all jobs; see <see cref="JobStore.PutBack"/>.</summary>
    /// <exception cref="StoreTroubleException">There is no such copy, or it or the database cannot be read or written.</exception>
    public string? PutBack(string copy)
    {
        try { return store.PutBack(copy); }
        // A number may mean another revision now.
        finally { recent.Clear(); }
    }

    private static void Summarize(JobSession session, Houses.Both both) =>
        session.Summarize(new JobSummary(HouseSummary.Of(both.Found.Evaluation), HouseSummary.Of(both.Planned.House.Evaluation)).Write(),
            HouseSummary.Build);
}
