using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.WorkOrders.Otherwise;

namespace Altrin.Web.Api;

/// <param name="From"><c>empty</c>: nothing yet; <c>demo</c>: the small demo house; <c>demo-terrace</c>: one with boxes to be planned;
/// <c>demo-farm</c>: the big one.</param>
public sealed record NewJob(string? Name = null, string? From = null);

/// <summary>Deeds to be done as one step of undo.</summary>
/// <param name="Version">The version of the job that the sender knew, its own earlier changes included.</param>
/// <param name="Say">What the log shall call them; the deed itself where there is one only.</param>
/// <param name="Id">The change's own id, chosen by the sender: it is made once, however often it arrives.</param>
/// <param name="Drawn">The version that was on screen when the person spoke: of what a deed says as a whole the part that was changed
/// since is
/// meant, and the rest is as it stands. Nothing: the version that was known.</param>
/// <param name="OnlyChanges">The sender has both houses of that version: a house that is as it was is left out of the answer.</param>
public sealed record DeedList(int Version, ImmutableArray<InstallerAction> Actions, string? Say = null, string? Id = null,
    int? Drawn = null,
    bool? OnlyChanges = null);

/// <param name="Id">As of <see cref="DeedList"/>.</param>
/// <param name="OnlyChanges">As of <see cref="DeedList"/>.</param>
public sealed record SeenVersion(int Version, string? Id = null, bool? OnlyChanges = null);

/// <summary>What becomes of a planned deed that cannot be done in the house as found.</summary>
/// <param name="Index">Its place in the plan.</param>
/// <param name="Answer"><c>take-out</c> or <c>keep</c>.</param>
public sealed record HeldDeedAnswer(int Version, int Index, string Answer, string? Id = null, bool? OnlyChanges = null);

/// <param name="Revision">The tick's own revision as the sender saw it; 0 for a step nobody has touched.</param>
/// <param name="Outcome"><c>open</c>, <c>as-said</c> or <c>something-else</c>.</param>
/// <param name="Seen">What the program's own eyes saw, a line a change with its time.</param>
public sealed record SetTick(int Revision, string Outcome, string? Note = null, DateTimeOffset? StartedAt = null, string? Seen = null);

/// <summary>What was seen instead of what a step said.</summary>
/// <param name="Address">Where the box came back; with <c>other-address</c>.</param>
/// <param name="Device">Whose page it was; with <c>other-page</c>.</param>
/// <param name="Need">Which want does not hold; with <c>want-fails</c>.</param>
public sealed record SeenOtherwise(SeenInstead Seen, string? Address = null, string? Device = null, string? Need = null);

/// <summary>What was seen is taken to mean this: the work goes on from that house.</summary>
/// <param name="Turns">How many turns the sender knew of.</param>
/// <param name="Meaning">The key of what it is taken to mean.</param>
public sealed record TakenTurn(int Turns, SeenInstead Seen, string Meaning, string? Address = null, string? Device = null,
    string? Need = null);

/// <param name="Text">What the terminal showed.</param>
public sealed record ShownText(string Text);
