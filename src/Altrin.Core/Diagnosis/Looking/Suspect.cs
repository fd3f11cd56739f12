using System.Collections.Immutable;
using Altrin.Core.Diagnosis.Causes;
using Altrin.Core.Diagnosis.Sightings;

namespace Altrin.Core.Diagnosis.Looking;

/// <summary>A cause, and what its house shows of what was seen.</summary>
/// <param name="Cause">Null for the house as written.</param>
internal sealed record Suspect(Cause? Cause, Hypothesis Hypothesis)
{
    /// <summary>Which of what was seen it does not show.</summary>
    public ImmutableArray<int> Against { get; private set; } = [];

    /// <summary>Of each client chance decided once, for all that was seen of it: the way that shows most of it.</summary>
    public void Compare(Ground ground)
    {
        var against = new List<int>();
        foreach (var client in Enumerable.Range(0, ground.Seen.Length).GroupBy(i => LookKeys.Client(ground, ground.Seen[i].Look, i)))
        {
            var seen = client.ToList();
            List<int>? least = null;
            for (var way = 0; way < Hypothesis.Ways(ground.Seen[seen[0]].Look) && least is not { Count: 0 }; way++)
            {
                var missed = seen.Where(i =>
                    !Hypothesis.Shows(ground.Seen[i].Look, way).Any(shown => shown.Matches(ground.Seen[i].Value))).ToList();
                if (least is null || missed.Count < least.Count) least = missed;
            }
            against.AddRange(least ?? []);
        }
        Against = [.. against.Order()];
    }

    /// <summary>What a look may show, each with its likelihood: of the ways of chance those that show what was seen of its
    /// client.</summary>
    public List<(Shown Value, double Chance)> Answers(Ground ground, Look look)
    {
        List<int> fitting = [.. Enumerable.Range(0, Hypothesis.Ways(look))];
        if (fitting.Count > 1)
        {
            var client = LookKeys.Client(ground, look, -1);
            var seen = Enumerable.Range(0,
                ground.Seen.Length).Where(i => LookKeys.Client(ground, ground.Seen[i].Look, i) == client).ToList();
            var ways = fitting.Where(way =>
                seen.All(i => Hypothesis.Shows(ground.Seen[i].Look, way).Any(shown => shown.Matches(ground.Seen[i].Value)))).ToList();
            if (ways.Count > 0) fitting = ways;
        }
        var answers = new List<(Shown, double)>();
        foreach (var way in fitting)
        {
            var shows = Hypothesis.Shows(look, way);
            answers.AddRange(shows.Select(value => (value, 1.0 / fitting.Count / shows.Count)));
        }
        return answers;
    }
}
