using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Data;

namespace Altrin.UseCases;

/// <param name="ChangedAt">When either house was last changed.</param>
/// <param name="Summary">How both houses stood when that version was made; null where no build of these rules has computed it.</param>
public sealed record JobHead(string Id, string Name, DateTimeOffset CreatedAt, DateTimeOffset ChangedAt, int Version, JobSummary? Summary)
{
    public static JobHead Of(StoredJob job) => new(job.Id, job.Name, job.CreatedAt, job.ChangedAt, job.Version,
        job.Summary is { } text && job.SummaryBy == HouseSummary.Build ? JsonSerializer.Deserialize<JobSummary>(text, AltrinJson.Compact) : null);
}

/// <summary>How both houses of a job stand, in numbers.</summary>
public sealed record JobSummary(HouseSummary Found, HouseSummary Planned)
{
    public string Write() => JsonSerializer.Serialize(this, AltrinJson.Compact);
}

/// <summary>One house of a job at its present revision.</summary>
public sealed record HouseAt(int Number, House House, Takes Takes)
{
    public NetworkDocument Document => House.Document;
}

/// <param name="Planned">The very house as found where nothing is planned.</param>
/// <param name="Plan">Every deed since the house as found, in order.</param>
/// <param name="Held">Those of them that cannot be done in the house as it was found to be.</param>
public sealed record Job(JobHead Head, HouseAt Found, HouseAt Planned, ImmutableArray<PlannedDeed> Plan, ImmutableArray<HeldAction> Held)
{
    public HouseAt At(Side side) => side == Side.Found ? Found : Planned;
}

/// <summary>A deed of the plan.</summary>
/// <param name="Later">The installer knows that it cannot be done now and keeps it: it is done as soon as the house allows.</param>
public sealed record PlannedDeed(InstallerAction Action, bool Later = false);

/// <summary>What becomes of a planned deed that cannot be done any more.</summary>
public enum HeldAnswer { TakeOut, Keep }

/// <param name="Refusal">Which deed could not be done and why; only with <see cref="ChangeResult.Refused"/>.</param>
/// <param name="After">The job as the change left it; null where this very change had been made before.</param>
/// <param name="Before">The revisions of both houses before it.</param>
public readonly record struct ChangeOutcome(ChangeResult Result, Attempt Refusal = default, Job? After = null, Numbers? Before = null)
{
    public static implicit operator ChangeOutcome(ChangeResult result) => new(result);
}

/// <summary>What a sender says with every change.</summary>
/// <param name="Seen">The version of the job that the sender knew when it was sent, with the sender's own earlier changes in it.</param>
/// <param name="Id">The change's own id: it is made once, however often it arrives. Null: each arrival is a change.</param>
/// <param name="Drawn">The version that was on screen when the person spoke; null: the one that was seen.</param>
public readonly record struct ChangeKey(int Seen, string? Id = null, int? Drawn = null);
