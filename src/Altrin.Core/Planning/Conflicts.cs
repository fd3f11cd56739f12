using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Planning.Search;
using Altrin.Core.Rules;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning;

/// <summary>Smallest sets of wants that no plan holds together, each with the smallest mend.</summary>
internal static class Conflicts
{
    /// <summary>More wants together are nobody's quarrel any more.</summary>
    private const int MostTogether = 3;

    /// <summary>A mend is proved by a smaller search.</summary>
    private const int ProofBudget = 4_000;

    public static ImmutableArray<Conflict> Of(Bench bench, List<Leaf> cured, ImmutableArray<RankedPlan> plans, bool isExact, CancellationToken cancel)
    {
        var needs = bench.Ground.Found.Needs;
        if (plans.IsEmpty || needs.IsEmpty || plans[0].After.WantsHeld == needs.Length) return [];
        // What the plans that are allowed hold; a set that none of them holds whole is a conflict, if none of its parts is one.
        var held = cured.Concat(bench.Leaves).Where(leaf => leaf.IsAllowed).Select(leaf => leaf.Held).DistinctBy(one => string.Concat(one.Select(yes => yes ? '1' : '0'))).ToList();
        var sets = new List<int[]>();
        for (var size = 1; size <= MostTogether; size++)
            foreach (var set in Subsets(needs.Length, size))
                if (!sets.Exists(smaller => smaller.All(set.Contains)) && !held.Exists(one => set.All(i => one[i]))) sets.Add(set);
        return [.. sets.Select(set => Say(bench, plans, set, isExact, cancel))];
    }

    private static IEnumerable<int[]> Subsets(int count, int size)
    {
        var at = Enumerable.Range(0, size).ToArray();
        if (size > count) yield break;
        while (true)
        {
            yield return [.. at];
            var i = size - 1;
            while (i >= 0 && at[i] == count - size + i) i--;
            if (i < 0) yield break;
            at[i]++;
            for (var j = i + 1; j < size; j++) at[j] = at[j - 1] + 1;
        }
    }

    private static Conflict Say(Bench bench, ImmutableArray<RankedPlan> plans, int[] set, bool isExact, CancellationToken cancel)
    {
        var needs = bench.Ground.Found.Needs;
        var ids = set.Select(i => needs[i].Id).ToImmutableArray();
        // The plan that holds most of them says why the rest fails.
        var near = plans.OrderByDescending(plan => ids.Count(id => plan.After.Wants.First(want => want.Need == id).Met == Answer.Yes)).First();
        var fails = near.After.Wants.First(want => ids.Contains(want.Need) && want.Met != Answer.Yes);
        var because = ids.Length == 1 ? $"{fails.Sentence}: {fails.Because}"
            : $"Where {Facts.Join(near.After.Wants.Where(want => ids.Contains(want.Need) && want.Met == Answer.Yes).Select(want => $"“{want.Sentence}”"))} hold{(ids.Length == 2 ? "s" : "")}, this does not: {fails.Sentence}: {fails.Because}";
        if (!isExact) because += " Not every plan was looked at.";
        var (mend, actions) = Mend(bench, ids, fails.Sentence, cancel);
        return new(ids, because, mend, actions);
    }

    /// <summary>The smallest change of what is there that lets a plan hold them all: proved by planning the house with it.</summary>
    private static (string Words, ImmutableArray<InstallerAction> Actions) Mend(Bench bench, ImmutableArray<string> ids, string fails, CancellationToken cancel)
    {
        foreach (var (house, words) in Wishes(bench.Ground.Found, ids))
        {
            cancel.ThrowIfCancellationRequested();
            var search = PlanSearch.Run(house with { Needs = [.. house.Needs.Where(need => ids.Contains(need.Id))] }, ProofBudget, cancel);
            if (search.Cured.Exists(leaf => leaf.IsAllowed && leaf.Held.All(yes => yes))) return (words, Difference.Actions(bench.Ground.Found, house));
        }
        return (ids.Length == 1 ? "Nothing that could be laid, bought or asked for mends it: give it up." : $"Give up one of them, such as “{fails}”.", []);
    }

    private static IEnumerable<(NetworkDocument House, string Words)> Wishes(NetworkDocument house, ImmutableArray<string> ids)
    {
        var needs = house.Needs.Where(need => ids.Contains(need.Id)).ToList();
        if (house.Line is { } line && needs.Exists(need => need is Need.Inbound or Need.SingleNat) && LineNumbers.IsSharedLine(line))
            yield return (house with { Line = line with { Addressing = LineAddressing.Public, Seen = null } }, "Ask the provider for a public address of the line’s own.");
        var main = house.Line is { } at ? house.FindDevice(at.Device)?.Room : null;
        foreach (var room in needs.SelectMany(need => RoomsOf(house, need)).Distinct(StringComparer.OrdinalIgnoreCase))
        {
            if (main is not null && !Rooms.AreSame(house, main, room))
                yield return (house with { Runs = house.Runs.Add(new() { Id = FreshId(house, "wish"), A = main, B = room, Category = "cat6", Laid = false }) }, $"Lay a cable from {Rooms.Say(house, main)} to {Rooms.Say(house, room)}.");
            foreach (var kit in new[] { "switch-5", "repeater-plug-in-dual", "router-mode-switch" })
                if (KitShelf.Find(kit) is { } kind)
                    yield return (house with { Devices = house.Devices.Add(kind.Make(FreshId(house, $"new-{kit}"), kind.Name, room)) }, $"Buy one box for {Rooms.Say(house, room)}: {kind.Name}.");
            if (main is not null && !Rooms.AreSame(house, main, room) && KitShelf.Find("router-mode-switch") is { } point)
                yield return (house with { Runs = house.Runs.Add(new() { Id = FreshId(house, "wish"), A = main, B = room, Category = "cat6", Laid = false }), Devices = house.Devices.Add(point.Make(FreshId(house, $"new-{point.Kit}"), point.Name, room)) },
                    $"Lay a cable from {Rooms.Say(house, main)} to {Rooms.Say(house, room)} and buy one box for it: {point.Name}.");
        }
    }

    private static string FreshId(NetworkDocument house, string stem)
    {
        var id = stem;
        for (var n = 2; house.FindDevice(id) is not null || house.FindEndpoint(id) is not null || house.Runs.Any(run => run.Id == id); n++) id = $"{stem}-{n}";
        return id;
    }

    private static IEnumerable<string> RoomsOf(NetworkDocument house, Need need)
    {
        string? Of(string? thing) => thing is null ? null : house.FindEndpoint(thing)?.Room;
        return (need switch
        {
            Need.Speed one => [one.Room ?? Of(one.Endpoint)],
            Need.Sockets one => [one.Room],
            Need.Coverage one => one.Rooms.IsDefaultOrEmpty ? house.Rooms.Where(room => room.Outdoor != true).Select(room => (string?)room.Id) : one.Rooms.Select(room => (string?)room),
            Need.Internet one => [Of(one.Endpoint)],
            Need.Reach one => [Of(one.From), Of(one.To)],
            _ => Array.Empty<string?>(),
        }).OfType<string>();
    }
}
