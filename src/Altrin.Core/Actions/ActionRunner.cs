using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

/// <summary>What came of doing all of a list or nothing.</summary>
/// <param name="House">Null when it was not done.</param>
/// <param name="Index">Which one could not be done.</param>
public readonly record struct Attempt(NetworkDocument? House, int Index, ActionProblem? Problem);

/// <summary>A deed that was planned and cannot be done in the house as it is now.</summary>
/// <param name="Index">Its place in the list.</param>
public sealed record HeldAction(int Index, InstallerAction Action, ActionProblem Why);

/// <param name="Held">Those that could not be done, in order; the others were.</param>
public sealed record Replayed(NetworkDocument House, ImmutableArray<HeldAction> Held);

/// <summary>Does deeds to a house, and lets no house come of it that the reader would not take.</summary>
public static class ActionRunner
{
    /// <summary>All of them, or nothing and why not.</summary>
    public static Attempt DoAll(NetworkDocument house, ImmutableArray<InstallerAction> actions)
    {
        var after = house;
        for (var i = 0; i < actions.Length; i++)
        {
            if (WhyNot(actions[i], after) is { } problem) return new(null, i, problem);
            after = actions[i].Apply(after);
        }
        if (HouseCheck.Read(after).Document is { } read) return new(SharedParts.With(read, house), -1, null);
        // Some house on the way was the first that could not be read: which deed made it is looked for only now.
        after = house;
        for (var i = 0; i < actions.Length; i++)
        {
            after = actions[i].Apply(after);
            if (HouseCheck.WhyNot(after) is { } unreadable) return new(null, i, InTheWordsOf(actions[i], unreadable));
        }
        throw new InvalidOperationException("A house that cannot be read came of deeds each of which left one that can.");
    }

    /// <summary>Each that can be done, in order. They were taken before: a list of them has no holes.</summary>
    public static Replayed Replay(NetworkDocument house, ImmutableArray<InstallerAction> actions)
    {
        var quick = Replay(house, actions, checkEach: false);
        // With nothing done it is the very house that it was.
        if (quick.Held.Length == actions.Length) return quick;
        if (HouseCheck.Read(quick.House).Document is { } read) return quick with { House = SharedParts.With(read, house) };
        var slow = Replay(house, actions, checkEach: true);
        return slow.Held.Length == actions.Length ? slow : slow with { House = SharedParts.With(HouseCheck.Read(slow.House).Document!, house) };
    }

    private static Replayed Replay(NetworkDocument house, ImmutableArray<InstallerAction> actions, bool checkEach)
    {
        var held = ImmutableArray.CreateBuilder<HeldAction>();
        for (var i = 0; i < actions.Length; i++)
        {
            var why = checkEach ? WhyNot(actions[i], house) : actions[i].Problem(house);
            var after = why is null ? actions[i].Apply(house) : house;
            if (why is null && checkEach && HouseCheck.WhyNot(after) is { } unreadable) why = InTheWordsOf(actions[i], unreadable);
            if (why is not null) held.Add(new(i, actions[i], why));
            else house = after;
        }
        return new(house, held.ToImmutable());
    }

    /// <summary>A list with nothing at some place of it is no value of any field; past here no deed meets one.</summary>
    private static ActionProblem? WhyNot(InstallerAction action, NetworkDocument house) => Hole(action) ?? action.Problem(house);

    private static ActionProblem? Hole(InstallerAction action)
    {
        JsonElement json;
        try { json = JsonSerializer.SerializeToElement(action, AltrinJson.Compact); }
        // What no JSON can hold, such as a number that is none, or half a letter.
        catch (Exception error) when (error is ArgumentException or JsonException or InvalidOperationException) { return new("", HouseCheck.Unwritable); }
        var (place, _) = Fields(json).FirstOrDefault(field => field.Place.EndsWith(']') && field.Value.ValueKind == JsonValueKind.Null);
        return place is null ? null : new(place, "Nothing stands here. Write a value, or leave it out.");
    }

    /// <summary>The reader names a place in the house; whoever sent the deed knows its fields: the one whose name ends the place the longest.</summary>
    internal static ActionProblem InTheWordsOf(InstallerAction action, DocumentProblem problem)
    {
        var names = Names(problem.Place);
        var best = ("", 0);
        var first = "";
        foreach (var (place, _) in Fields(JsonSerializer.SerializeToElement(action, AltrinJson.Compact)))
        {
            if (place == "do") continue;
            if (first.Length == 0) first = place;
            var own = Names(place);
            var same = 0;
            while (same < own.Length && same < names.Length && own[^(same + 1)] == names[^(same + 1)]) same++;
            if (same > best.Item2) best = (place, same);
        }
        return new(best.Item2 > 0 ? best.Item1 : first, problem.Message);
    }

    private static string[] Names(string place) => [.. place.Split('.').Select(part => part.Split('[')[0])];

    private static IEnumerable<(string Place, JsonElement Value)> Fields(JsonElement element, string place = "")
    {
        if (place.Length > 0) yield return (place, element);
        if (element.ValueKind == JsonValueKind.Object)
            foreach (var field in element.EnumerateObject())
                foreach (var inner in Fields(field.Value, place.Length == 0 ? field.Name : $"{place}.{field.Name}")) yield return inner;
        if (element.ValueKind == JsonValueKind.Array)
        {
            var index = 0;
            foreach (var item in element.EnumerateArray())
                foreach (var inner in Fields(item, $"{place}[{index++}]")) yield return inner;
        }
    }
}
