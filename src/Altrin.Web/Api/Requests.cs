using System.Collections.Immutable;
using Altrin.Core.Actions;

namespace Altrin.Web.Api;

/// <param name="From"><c>empty</c>: nothing yet; <c>demo</c>: the small demo house; <c>demo-farm</c>: the big one.</param>
public sealed record NewJob(string? Name = null, string? From = null);

/// <summary>Deeds to be done as one step of undo.</summary>
/// <param name="Version">The version of the job that the sender saw.</param>
/// <param name="Say">What the log shall call them; the deed itself where there is one only.</param>
/// <param name="Id">The change's own id, chosen by the sender: it is made once, however often it arrives.</param>
public sealed record DeedList(int Version, ImmutableArray<InstallerAction> Actions, string? Say = null, string? Id = null);

/// <param name="Id">As of <see cref="DeedList"/>.</param>
public sealed record SeenVersion(int Version, string? Id = null);

/// <summary>What becomes of a planned deed that cannot be done in the house as found.</summary>
/// <param name="Index">Its place in the plan.</param>
/// <param name="Answer"><c>take-out</c> or <c>keep</c>.</param>
public sealed record HeldDeedAnswer(int Version, int Index, string Answer, string? Id = null);

/// <param name="Revision">The tick's own revision as the sender saw it; 0 for a step nobody has touched.</param>
/// <param name="Outcome"><c>open</c>, <c>as-said</c> or <c>something-else</c>.</param>
public sealed record SetTick(int Revision, string Outcome, string? Note = null, DateTimeOffset? StartedAt = null);
