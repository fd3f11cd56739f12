using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Diagnosis.Causes;
using Altrin.Core.Diagnosis.Looking;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis;

/// <summary>Holds every single thing that could have gone otherwise against everything seen so far (section 7 of the format).</summary>
public static class Diagnoser
{
    /// <summary>So many pairs are played, and so many listed, the likeliest first.</summary>
    private const int MostPlayedPairs = 4000, MostPairs = 100;

    private const int MostRuledOut = 40;

    /// <param name="hasSocket">Whether what is in hand can be plugged in: not a phone.</param>
    /// <param name="thinksFurther">With the kinds of causes beyond the table of the format.</param>
    public static DiagnosisResult Of(NetworkDocument believed, ImmutableArray<Sighting> seen, bool hasSocket = true,
        bool thinksFurther = false)
    {
        var ground = new Ground(Laptop.Away(believed), seen, hasSocket) { ThinksFurther = thinksFurther };
        var asWritten = new Suspect(null, new(new(ground.House), ground));
        asWritten.Compare(ground);
        var singles = Play(ground, Single(ground));
        var odd = asWritten.Against;
        var explaining = singles.Where(one => one.Against.IsEmpty).ToList();
        if (odd.IsEmpty) explaining.RemoveAll(one => Harm.IsNone(ground, one));
        var arePairs = false;
        if (explaining.Count == 0 && !odd.IsEmpty)
        {
            explaining = Pairs(ground, singles, odd);
            arePairs = explaining.Count > 0;
            if (!arePairs && singles.Count > 0)
            {
                var fewest = singles.Min(one => one.Against.Length);
                explaining = [.. singles.Where(one => one.Against.Length == fewest)];
            }
        }
        explaining = [.. explaining.OrderByDescending(one => one.Cause!.Odds).ThenBy(one => one.Cause!.Kind.Rank)];
        var (groups, looks) = LookTable.Of(ground, explaining);
        return new(odd.IsEmpty, odd, [.. groups.Select(group => Describe(ground, group, groups))], looks, looks.IsEmpty, arePairs)
        {
            Confirm = looks.IsEmpty && groups.Count > 0 ? LookTable.Confirm(ground, groups[0][0], asWritten) : null,
            RuledOut = [.. singles.Where(one => !one.Against.IsEmpty && odd.Any(seen => !one.Against.Contains(seen)))
                .OrderByDescending(one => one.Cause!.Odds).Take(MostRuledOut).Select(one => new RuledOut(one.Cause!, one.Against[0]))],
        };
    }

    /// <summary>Every single thing that may have gone otherwise in a house.</summary>
    public static IReadOnlyList<Cause> CausesIn(NetworkDocument believed) => Single(new Ground(Laptop.Away(believed), [], hasSocket: true));

    /// <summary>Every single cause of a house, those that make the same house as one.</summary>
    internal static List<Cause> Single(Ground ground)
    {
        var from = new CauseGround(ground);
        Func<CauseGround, IEnumerable<Cause>>[] families =
            [CableCauses.Of, BoxCauses.Of, AddressCauses.Of, RadioCauses.Of, LineCauses.Of, StrangerCauses.Of, LaptopCauses.Of];
        if (ground.ThinksFurther) families = [.. families, FurtherCauses.Of];
        var causes = new Dictionary<string, Cause>(StringComparer.Ordinal);
        var order = new List<string>();
        foreach (var cause in families.SelectMany(family => family(from)).OrderBy(cause => cause.Kind.Rank))
        {
            var key = Changed(ground.House, cause);
            if (key.Length == 0) continue;
            if (causes.TryAdd(key, cause)) order.Add(key);
            else causes[key] = causes[key] with { Odds = causes[key].Odds + cause.Odds };
        }
        return [.. order.Select(key => causes[key])];
    }

    /// <summary>What of the house is otherwise, as it is written; empty where nothing is.</summary>
    private static string Changed(NetworkDocument house, Cause cause)
    {
        var changed = cause.Change(house);
        var words = new System.Text.StringBuilder();
        void Part<T>(ImmutableArray<T> was, ImmutableArray<T> now) where T : class
        {
            for (var i = 0; i < Math.Max(was.Length, now.Length); i++)
                if (i >= was.Length || i >= now.Length || (!ReferenceEquals(was[i], now[i]) && !SameWritten.Are(was[i], now[i])))
                    words.Append(i).Append(i < now.Length ? JsonSerializer.Serialize(now[i], AltrinJson.Compact) : "gone").Append('|');
        }
        Part(house.Devices, changed.Devices);
        words.Append(words.Length > 0 ? "devices" : "");
        Part(house.Cables, changed.Cables);
        Part(house.Endpoints, changed.Endpoints);
        if (!SameWritten.Are(house.Line, changed.Line)) words.Append(JsonSerializer.Serialize(changed.Line, AltrinJson.Compact));
        if (cause.Laptop is { } place) words.Append(Ground.KeyOf(place));
        if (cause.FixedLaptop is { } held) words.Append(JsonSerializer.Serialize(held, AltrinJson.Compact));
        return words.ToString();
    }

    internal static PossibleHouse Possible(Ground ground, Cause cause) =>
        new(KeepInUse(ground, cause.Change(ground.House)), cause.Laptop, cause.FixedLaptop);

    /// <summary>A box that stood in its place goes on standing there, whatever is unplugged.</summary>
    private static NetworkDocument KeepInUse(Ground ground, NetworkDocument house)
    {
        var used = InUse.Of(house);
        foreach (var (box, i) in house.Devices.Select((box, i) => (box, i)))
            if (!used[i] && box.Off != true
                && ground.State.IsInUse(box.Id)) house = house.WithDevice(box.Id, one => one with { InUse = true });
        return house;
    }

    private static List<Suspect> Play(Ground ground, List<Cause> causes)
    {
        var suspects = new Suspect[causes.Count];
        Parallel.For(0, causes.Count, i =>
        {
            suspects[i] = new(causes[i], new(Possible(ground, causes[i]), ground));
            suspects[i].Compare(ground);
        });
        return [.. suspects];
    }

    private static List<Suspect> Pairs(Ground ground, List<Suspect> singles, ImmutableArray<int> odd)
    {
        var partly = singles.Where(one => odd.Any(seen => !one.Against.Contains(seen))).ToList();
        var pairs = new List<Cause>();
        for (var i = 0; i < partly.Count; i++)
            for (var j = i + 1; j < partly.Count; j++)
            {
                var (a, b) = (partly[i].Cause!, partly[j].Cause!);
                if (a.Fields.Any(b.Fields.Contains) || (a.IsOfLaptop && b.IsOfLaptop)) continue;
                pairs.Add(Cause.Both(a, b));
            }
        var likely = pairs.OrderByDescending(pair => pair.Odds).Take(MostPlayedPairs).ToList();
        return [.. Play(ground, likely).Where(pair => pair.Against.IsEmpty).Take(MostPairs)];
    }

    private static CauseGroup Describe(Ground ground, List<Suspect> group, List<List<Suspect>> all)
    {
        var first = group[0];
        var cause = first.Cause!;
        var mend = Undo(ground, cause);
        var mended = mend.Where(action => !action.MovesLaptop()).Apply(first.Hypothesis.House);
        return new(group.Sum(one => one.Cause!.Odds) / all.Sum(one => one.Sum(each => each.Cause!.Odds)),
            [.. group.Select(one => one.Cause!)],
            first.Hypothesis.House, cause.Laptop
                ?? Fixed(ground, cause), mend, cause.MendMinutes, Harm.WantsHold(ground, Simulator.Run(mended)), first.Against);
    }

    private static LaptopPlace? Fixed(Ground ground, Cause cause) =>
        cause.FixedLaptop is { } held ? ground.Places[ground.LastPlace] with { Address = held } : null;

    internal static ImmutableArray<InstallerAction> Undo(Ground ground, Cause cause)
    {
        if (!cause.Of.IsEmpty) return [.. cause.Of.Reverse().SelectMany(one => Undo(ground, one))];
        if (cause.Undo is { } undo) return undo(ground.House);
        if (cause.FixedLaptop is not null) return [new SetLaptopAddress()];
        if (cause.Laptop is not null)
            return ground.Places[ground.LastPlace].Connect?.Match<ImmutableArray<InstallerAction>>(plug => [new PlugLaptop(plug.Into)],
                join => join.Near is { } near ? [new JoinLaptop(join.Ssid, near, join.Security ?? WifiSecurity.Open, join.Key)] : []) ?? [];
        return Difference.Actions(cause.Change(ground.House), ground.House);
    }
}
