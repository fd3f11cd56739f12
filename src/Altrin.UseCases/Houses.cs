using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Data;

namespace Altrin.UseCases;

/// <summary>Tells the states of a job's houses from what is stored: the last snapshot and the deeds since. A revision never changes, so what
/// was told of one is kept for a while.</summary>
internal sealed class Houses(Recent recent)
{
    private sealed record FoundKey(string Job, int Number);
    private sealed record PlanKey(string Job, int Number);
    private sealed record PlannedKey(string Job, int Found, int Planned);

    /// <summary>A list of deeds, so that it can be kept.</summary>
    private sealed record Deeds(ImmutableArray<PlannedDeed> All);

    /// <param name="Held">Deeds that cannot be done in the house as found.</param>
    public sealed record Planned(House House, ImmutableArray<HeldAction> Held);

    /// <summary>The houses of a job at one version.</summary>
    public sealed record Both(House Found, ImmutableArray<PlannedDeed> Plan, Planned Planned)
    {
        public House At(Side side) => side == Side.Found ? Found : Planned.House;
    }

    public Task<Both> Now(JobSession job, CancellationToken cancel) => At(job, new(job.Job.FoundNumber, job.Job.PlannedNumber), cancel);

    /// <exception cref="UnreadableJobException">What is stored cannot be read.</exception>
    public async Task<Both> At(JobSession job, Numbers at, CancellationToken cancel)
    {
        var found = await Found(job, at.Found, cancel);
        var plan = await Plan(job, at.Planned, cancel);
        // The plan is what is to be done to the house as found: corrected there, it is corrected here.
        var key = new PlannedKey(job.Job.Id, at.Found, at.Planned);
        return new(found, plan, recent.Find<Planned>(key) ?? recent.Keep(key, Replay(found, plan), found.Size));
    }

    /// <summary>Houses that are not kept.</summary>
    public static Both Of(House found, ImmutableArray<PlannedDeed> plan) => new(found, plan, Replay(found, plan));

    private static Planned Replay(House found, ImmutableArray<PlannedDeed> plan)
    {
        if (plan.IsEmpty) return new(found, []);
        var replayed = ActionRunner.Replay(found.Document, [.. plan.Select(deed => deed.Action)]);
        return new(ReferenceEquals(replayed.House, found.Document) ? found : new(replayed.House), replayed.Held);
    }

    /// <exception cref="UnreadableJobException">What is stored cannot be read.</exception>
    public async Task<House> Found(JobSession job, int number, CancellationToken cancel)
    {
        var id = job.Job.Id;
        if (recent.Find<House>(new FoundKey(id, number)) is { } known) return known;
        var chain = await job.Chain(Side.Found, number, cancel);
        var start = DocumentReader.Read(chain[0].Snapshot!);
        if (start.Document is not { } house) throw Unreadable(id, chain[0], start.Problems[0].ToString());
        foreach (var row in chain.Skip(1))
        {
            var attempt = ActionRunner.DoAll(house, Read<InstallerAction>(id, row, row.Actions));
            house = attempt.House ?? throw Unreadable(id, row, attempt.Problem!.Message);
        }
        return recent.Keep(new FoundKey(id, number), new House(house), house.Devices.Length + house.Endpoints.Length);
    }

    /// <exception cref="UnreadableJobException">What is stored cannot be read.</exception>
    public async Task<ImmutableArray<PlannedDeed>> Plan(JobSession job, int number, CancellationToken cancel)
    {
        var id = job.Job.Id;
        if (recent.Find<Deeds>(new PlanKey(id, number)) is { } known) return known.All;
        var chain = await job.Chain(Side.Planned, number, cancel);
        var plan = ImmutableArray.CreateBuilder<PlannedDeed>();
        plan.AddRange(Read<PlannedDeed>(id, chain[0], chain[0].Snapshot!));
        foreach (var row in chain.Skip(1)) plan.AddRange(Read<InstallerAction>(id, row, row.Actions).Select(action => new PlannedDeed(action)));
        return recent.Keep(new PlanKey(id, number), new Deeds(plan.ToImmutable()), plan.Count / 10).All;
    }

    /// <summary>The houses of a version that has just been written.</summary>
    public void Keep(StoredJob job, Both both)
    {
        recent.Keep(new FoundKey(job.Id, job.FoundNumber), both.Found, both.Found.Size);
        recent.Keep(new PlanKey(job.Id, job.PlannedNumber), new Deeds(both.Plan), both.Plan.Length / 10);
        recent.Keep(new PlannedKey(job.Id, job.FoundNumber, job.PlannedNumber), both.Planned, both.Planned.House.Size);
    }

    private static ImmutableArray<T> Read<T>(string job, StoredRevision row, string text)
    {
        try { return JsonSerializer.Deserialize<ImmutableArray<T>>(text, AltrinJson.Compact); }
        catch (Exception error) when (error is JsonException or NotSupportedException or InvalidOperationException)
        {
            throw Unreadable(job, row, error.Message);
        }
    }

    private static UnreadableJobException Unreadable(string job, StoredRevision row, string why) =>
        new(job, $"Revision {row.Number} of the {JobSession.Say(row.Side)} cannot be read: {why}");
}
