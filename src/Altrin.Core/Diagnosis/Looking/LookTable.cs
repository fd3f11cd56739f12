using System.Collections.Immutable;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.Looking;

/// <summary>Which causes no look tells apart, and what each look would tell.</summary>
internal static class LookTable
{
    /// <summary>So many looks are listed; more only bewilder.</summary>
    private const int MostLooks = 24;

    /// <summary>Less is nothing: what is certain tells nothing.</summary>
    private const double LeastBits = 1e-9;

    private sealed record Row(Look Look, double Minutes, List<(Shown Value, double Chance)>[] Answers);

    public static (List<List<Suspect>> Groups, ImmutableArray<NextLook> Looks) Of(Ground ground, List<Suspect> suspects)
    {
        if (suspects.Count == 0) return ([], []);
        var looks = Looks.Of(ground, suspects).ToList();
        var answers = new List<(Shown, double)>[suspects.Count][];
        Parallel.For(0, suspects.Count, i => answers[i] = [.. looks.Select(look => suspects[i].Answers(ground, look))]);
        var rows = looks.Select((look, i) => new Row(look, Looks.Minutes(ground, look), [.. answers.Select(of => of[i])])).ToArray();
        var groupOf = new int[suspects.Count];
        var groups = new List<List<Suspect>>();
        var known = new Dictionary<string, int>(StringComparer.Ordinal);
        var letters = new Dictionary<string, char>(StringComparer.Ordinal);
        for (var s = 0; s < suspects.Count; s++)
        {
            var key = Signature(rows, s, letters);
            if (!known.TryGetValue(key, out groupOf[s]))
            {
                known[key] = groupOf[s] = groups.Count;
                groups.Add([]);
            }
            groups[groupOf[s]].Add(suspects[s]);
        }
        // The likeliest group first.
        var order = Enumerable.Range(0, groups.Count).OrderByDescending(g => groups[g].Sum(one => one.Cause!.Odds)).ToList();
        var place = new int[groups.Count];
        for (var i = 0; i < order.Count; i++) place[order[i]] = i;
        for (var s = 0; s < suspects.Count; s++) groupOf[s] = place[groupOf[s]];
        var told = rows.Select((row, i) => (Row: row, Bits: Bits(row, suspects), Order: i)).Where(one => one.Bits > LeastBits)
            .OrderByDescending(one => Math.Round(one.Bits / one.Row.Minutes, 9)).ThenBy(one => one.Row.Minutes).ThenBy(one =>
                one.Order).Take(MostLooks);
        return ([.. order.Select(g => groups[g])],
            [.. told.Select(one =>
                new NextLook(one.Row.Look, LookWords.Do(ground, one.Row.Look), one.Row.Minutes, one.Bits, Answers(one.Row, groupOf)))]);
    }

    /// <summary>The cheapest look at which the house as it may be shows something else than the house as believed.</summary>
    public static NextLook? Confirm(Ground ground, Suspect suspect, Suspect asWritten) =>
        Looks.Of(ground, [suspect]).OrderBy(look => Looks.Minutes(ground, look)).Select(look =>
        {
            var (now, was) = (suspect.Answers(ground, look), asWritten.Answers(ground, look));
            return now.Any(one => was.Any(other => other.Value.Key == one.Value.Key)) ? null
                : new NextLook(look, LookWords.Do(ground, look), Looks.Minutes(ground, look), 0,
                    [.. now.Select(one => new LookAnswer(one.Value, [0])), .. was.Select(one => new LookAnswer(one.Value, []))]);
        }).FirstOrDefault(look => look is not null);

    /// <summary>What a suspect may show at every look, each value as one letter of a text: equal where no look tells two apart.</summary>
    private static string Signature(Row[] rows, int suspect, Dictionary<string, char> letters)
    {
        char LetterOf(string key) => letters.TryGetValue(key, out var letter) ? letter : letters[key] = (char)(letters.Count + 1);
        var text = new System.Text.StringBuilder();
        foreach (var row in rows)
        {
            var answers = row.Answers[suspect];
            if (answers.Count == 1) text.Append(LetterOf(answers[0].Value.Key));
            else foreach (var letter in answers.Select(answer => LetterOf(answer.Value.Key)).Distinct().Order()) text.Append(letter);
            text.Append('\0');
        }
        return text.ToString();
    }

    private static double Bits(Row row, List<Suspect> suspects)
    {
        var total = suspects.Sum(one => one.Cause!.Odds);
        var chances = new Dictionary<string, double>(StringComparer.Ordinal);
        var given = 0.0;
        for (var s = 0; s < suspects.Count; s++)
        {
            var share = suspects[s].Cause!.Odds / total;
            if (row.Answers[s] is [var only])
            {
                chances[only.Value.Key] = chances.GetValueOrDefault(only.Value.Key) + share;
                continue;
            }
            var own = new Dictionary<string, double>(StringComparer.Ordinal);
            foreach (var (value, chance) in row.Answers[s]) own[value.Key] = own.GetValueOrDefault(value.Key) + chance;
            foreach (var (key, chance) in own) chances[key] = chances.GetValueOrDefault(key) + share * chance;
            given += share * Entropy(own.Values);
        }
        return Math.Max(0, Entropy(chances.Values) - given);
    }

    private static double Entropy(IEnumerable<double> chances) =>
        -chances.Where(chance => chance > 0).Sum(chance => chance * Math.Log2(chance));

    private static ImmutableArray<LookAnswer> Answers(Row row, int[] groupOf)
    {
        var answers = new Dictionary<string, (Shown Value, SortedSet<int> Groups)>(StringComparer.Ordinal);
        for (var s = 0; s < groupOf.Length; s++)
            foreach (var (value, _) in row.Answers[s])
            {
                if (!answers.TryGetValue(value.Key, out var known)) answers[value.Key] = known = (value, []);
                known.Groups.Add(groupOf[s]);
            }
        return [.. answers.Values.Select(one => new LookAnswer(one.Value, [.. one.Groups])).OrderBy(one => one.Causes[0])];
    }
}
