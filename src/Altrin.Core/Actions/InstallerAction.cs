using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

/// <summary>Something a person does to a house: plug, unplug, change one setting, hold reset, move the laptop.</summary>
/// <remarks>The one vocabulary of edits, fixes, plans and work orders. <see cref="Apply"/> is total: what cannot be done
/// leaves the house as it was, and <see cref="Problem"/> says why. Each is named in JSON, in its field <c>do</c>, where it is written: saved jobs hold the name.</remarks>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "do")]
public abstract partial record InstallerAction
{
    /// <summary>The house after it; the same document when it cannot be done.</summary>
    public NetworkDocument Apply(NetworkDocument house) => Problem(house) is null ? Do(house) : house;

    /// <summary>Why it cannot be done in this house: the field of the action, and a sentence; null when it can.</summary>
    public abstract ActionProblem? Problem(NetworkDocument house);

    /// <summary>The deed in the trade's words, as an order: “Move the cable …”.</summary>
    public abstract string Say(NetworkDocument house);

    /// <summary>It writes something down and changes nothing that a person would have to do.</summary>
    public virtual bool IsRecord(NetworkDocument house) => false;

    /// <summary>The box that is handled: set, reset, carried, switched, brought; null for cables, things and what is only written down.</summary>
    public virtual string? BoxTouched() => null;

    /// <summary>The sockets that must be free for it.</summary>
    public virtual IEnumerable<Socket> SocketsNeeded() => [];

    /// <summary>It moves the installer's own laptop and changes nothing in the house.</summary>
    public virtual bool MovesLaptop() => false;

    protected abstract NetworkDocument Do(NetworkDocument house);
}

/// <param name="Field">The field of the action that is wrong, in the spelling of its JSON.</param>
public sealed record ActionProblem(string Field, string Message);

public static class ActionList
{
    /// <summary>The house after all of them, in order.</summary>
    public static NetworkDocument Apply(this IEnumerable<InstallerAction> actions, NetworkDocument house) =>
        actions.Aggregate(house, (now, action) => action.Apply(now));
}
