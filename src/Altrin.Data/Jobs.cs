using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Data;

/// <param name="ChangedAt">When either house was last changed.</param>
public sealed record JobHead(string Id, string Name, DateTimeOffset CreatedAt, DateTimeOffset ChangedAt, int Version);

/// <summary>One house of a job at its present revision.</summary>
/// <param name="Undo">What undo would take back; null at the first revision.</param>
/// <param name="Redo">What redo would bring back; null where nothing was taken back.</param>
/// <param name="Actions">Of the planned house: every deed since the house as found. Of the found house: the last deed.</param>
public sealed record HouseAt(int Number, NetworkDocument Document, ImmutableArray<InstallerAction> Actions, string? Undo, string? Redo);

public sealed record Job(JobHead Head, HouseAt Found, HouseAt Planned);

/// <summary>One line of what was changed, when.</summary>
public sealed record LogEntry(Side Side, int Number, string Sentence, DateTimeOffset At, bool IsCurrent);

/// <summary>What the installer said about one step of the work order.</summary>
/// <param name="Revision">Goes up with every change; 0 is a step nobody has touched.</param>
/// <param name="Outcome"><c>open</c>, <c>as-said</c> or <c>something-else</c>.</param>
public sealed record Tick(string StepKey, int Revision, string Outcome, string Note, DateTimeOffset? StartedAt, DateTimeOffset? DoneAt);

/// <summary>How a change went.</summary>
public enum ChangeResult { Done, NoSuchJob, ChangedMeanwhile, NothingThere }
