using System.Collections.Immutable;
using Altrin.Core.Actions;

namespace Altrin.Web.Api;

/// <param name="From"><c>empty</c>: a gateway at a line and nothing else; <c>demo</c>: the small demo house; <c>demo-farm</c>: the big one.</param>
public sealed record NewJob(string? Name = null, string? From = null);

/// <summary>Deeds to be done as one step of undo.</summary>
/// <param name="Version">The version of the job that the sender saw.</param>
/// <param name="Say">What the log shall call them; the deed itself where there is one only.</param>
public sealed record Deeds(int Version, ImmutableArray<InstallerAction> Actions, string? Say = null);

public sealed record SeenVersion(int Version);

/// <param name="Revision">The tick's own revision as the sender saw it; 0 for a step nobody has touched.</param>
/// <param name="Outcome"><c>open</c>, <c>as-said</c> or <c>something-else</c>.</param>
public sealed record SetTick(int Revision, string Outcome, string? Note = null, DateTimeOffset? StartedAt = null);
