namespace Altrin.Data;

/// <summary>Which of a job's two houses: the one that was found, or the one that is planned.</summary>
public enum Side { Found, Planned }

internal sealed class JobRow
{
    public required string Id { get; set; }
    public required string Name { get; set; }
    public required DateTimeOffset CreatedAt { get; set; }
    public required DateTimeOffset ChangedAt { get; set; }

    /// <summary>Goes up with every change of either house; whoever writes must name the one they saw.</summary>
    public required int Version { get; set; }

    public required int FoundNumber { get; set; }
    public required int PlannedNumber { get; set; }
}

/// <summary>Never changed once written: undo and redo only move the job's pointer.</summary>
internal sealed class RevisionRow
{
    public required string JobId { get; set; }
    public required Side Side { get; set; }
    public required int Number { get; set; }

    /// <summary>The revision that undo goes back to; null for the first.</summary>
    public required int? Parent { get; set; }

    /// <summary>The house at that time, as altrin.network/1.</summary>
    public required string Document { get; set; }

    /// <summary>What was done, as JSON: of a found house the last deed, of a planned house every deed since the house as found.</summary>
    public required string Actions { get; set; }

    public required string Sentence { get; set; }
    public required DateTimeOffset At { get; set; }
}

internal sealed class TickRow
{
    public required string JobId { get; set; }
    public required string StepKey { get; set; }
    public required int Revision { get; set; }
    public required string Outcome { get; set; }
    public required string Note { get; set; }
    public DateTimeOffset? StartedAt { get; set; }
    public DateTimeOffset? DoneAt { get; set; }
}
