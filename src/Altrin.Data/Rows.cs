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

    /// <summary>How both houses stand, as JSON; null until it was computed.</summary>
    public string? Summary { get; set; }

    /// <summary>By which build of the rules, so that another one computes it anew.</summary>
    public string? SummaryBy { get; set; }
}

/// <summary>Never changed once written: undo and redo only move the job's pointer.</summary>
internal sealed class RevisionRow
{
    public required string JobId { get; set; }
    public required Side Side { get; set; }
    public required int Number { get; set; }

    /// <summary>The revision that undo goes back to; null for the first.</summary>
    public required int? Parent { get; set; }

    /// <summary>What was done to the parent's state, as JSON.</summary>
    public required string Actions { get; set; }

    /// <summary>Now and then the whole state: of a found house its document, of a planned one the list of what is planned. Null: the
    /// parent's with these actions.</summary>
    public string? Snapshot { get; set; }

    /// <summary>Letters of actions since the last snapshot, these included: tells when the next one is due.</summary>
    public required int SinceSnapshot { get; set; }

    public required string Sentence { get; set; }
    public required DateTimeOffset At { get; set; }
}

/// <summary>A change that was sent and made: sent again, by a lost answer or a second press, it is not made again.</summary>
internal sealed class ChangeRow
{
    public required string JobId { get; set; }

    /// <summary>Chosen by the sender.</summary>
    public required string Id { get; set; }

    /// <summary>The version that it made.</summary>
    public required int Version { get; set; }

    /// <summary>The revisions of both houses at that version, so that a change made by somebody who saw it can still be judged; null where
    /// an older program wrote it.</summary>
    public int? FoundNumber { get; set; }
    public int? PlannedNumber { get; set; }
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

    /// <summary>What the program's own eyes saw, a line a change; empty where they did not look.</summary>
    public string Seen { get; set; } = "";
}

/// <summary>Where something else was seen than a step said, and the house the work went on from. Gone with the job.</summary>
internal sealed class TurnRow
{
    public required string JobId { get; set; }

    /// <summary>From 1, without gaps.</summary>
    public required int Number { get; set; }

    public required string StepTitle { get; set; }
    public required string Seen { get; set; }
    public required string Sentence { get; set; }

    /// <summary>The document, the laptop aside.</summary>
    public required string House { get; set; }

    /// <summary>Ids of boxes to be reset, as a list in JSON.</summary>
    public required string Resets { get; set; }

    /// <summary>What had been done by then, as a list in JSON.</summary>
    public required string Done { get; set; }

    public required DateTimeOffset At { get; set; }
}

/// <summary>A picture of a label or a place. Gone with the job.</summary>
internal sealed class PhotoRow
{
    public required string JobId { get; set; }
    public required string Id { get; set; }

    /// <summary>The box, thing or room that it shows.</summary>
    public required string Subject { get; set; }

    /// <summary>By its content, not by its name: <c>image/jpeg</c>, <c>image/png</c> or <c>image/webp</c>.</summary>
    public required string MediaType { get; set; }

    public required byte[] Content { get; set; }
    public required DateTimeOffset At { get; set; }
}

/// <summary>A Wi-Fi key or an admin password, sealed. Gone with the job.</summary>
internal sealed class SecretRow
{
    public required string JobId { get; set; }

    /// <summary>The name that a network's <c>key</c> says.</summary>
    public required string Name { get; set; }

    public required byte[] Sealed { get; set; }
    public required DateTimeOffset At { get; set; }
}

/// <summary>What was looked for when something did not work, and what was seen. Gone with the job.</summary>
internal sealed class DiagnosisRow
{
    public required string JobId { get; set; }

    /// <summary>From 1, without gaps; the last without an end is the one at hand.</summary>
    public required int Number { get; set; }

    public required int Revision { get; set; }

    /// <summary>The house that was believed in.</summary>
    public required Side Side { get; set; }

    /// <summary>What was seen, as <c>altrin.sightings/1</c>.</summary>
    public required string Seen { get; set; }

    /// <summary>Looks that cannot be done here, as a list in JSON.</summary>
    public required string Aside { get; set; }

    public required DateTimeOffset StartedAt { get; set; }
    public DateTimeOffset? EndedAt { get; set; }

    /// <summary>The cause that it was, in words; null where none was found.</summary>
    public string? Cause { get; set; }

    /// <summary>How it was mended, in words.</summary>
    public string? Mend { get; set; }
}
