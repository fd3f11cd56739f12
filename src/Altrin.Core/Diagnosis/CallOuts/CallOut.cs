using System.Collections.Immutable;
using Altrin.Core.Diagnosis.Causes;
using Altrin.Core.Diagnosis.Looking;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Needs;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.CallOuts;

/// <summary>A house in which something is wrong, and what its householder says of it.</summary>
/// <param name="Grade">1: the first look settles it; 2: up to four do; 3: more, or two things are wrong.</param>
/// <param name="Says">In the householder's words.</param>
/// <param name="Believed">The house as it should be: every want holds.</param>
/// <param name="Seen">The complaint as a sighting.</param>
/// <param name="Real">The house as it is.</param>
public sealed record CallOut(long Seed, int Grade, string Says, NetworkDocument Believed, ImmutableArray<Sighting> Seen, Cause Hidden,
    NetworkDocument Real)
{
    private const int MostTries = 400, MostLooks = 12, FewLooks = 4;

    /// <param name="grade">1 to 3; null: whichever comes first.</param>
    /// <param name="own">A house to hide it in; null: one of its own.</param>
    /// <param name="thinksFurther">What is hidden may be of a kind beyond the table of the format.</param>
    /// <returns>The same for the same seed; null where nothing of that grade can be hidden in that house.</returns>
    public static CallOut? Of(long seed, int? grade = null, NetworkDocument? own = null, bool thinksFurther = false)
    {
        var dice = new Dice((ulong)seed);
        for (var tries = 0; tries < MostTries; tries++)
        {
            var believed = own is null ? CallOutHouses.Of((ulong)(seed * MostTries + tries)) : OnlyWhatHolds(own);
            if (own is null && !AllHold(believed)) continue;
            var ground = new Ground(believed, [], hasSocket: true) { ThinksFurther = thinksFurther };
            var causes = Diagnoser.Single(ground);
            var hidden = grade == 3 && dice.OneIn(2) ? Two(dice, causes) : dice.Weighted(causes, cause => cause.Odds);
            if (hidden is null) continue;
            var suspect = new Suspect(hidden, new(Diagnoser.Possible(ground, hidden), ground));
            if (Harm.IsNone(ground, suspect) || Complaint.Of(dice, ground, hidden) is not ({ } says, { } seen)) continue;
            var played = Playing.Of(believed, hidden, [seen], MostLooks, confirms: !hidden.Of.IsEmpty, thinksFurther);
            // Of two things each must show: what nobody can find is no call-out.
            var rated = hidden.Of.IsEmpty ? GradeOf(played) : played.IsRight ? 3 : null;
            if (rated is not { } found || (grade ?? found) != found) continue;
            return new(seed, found, says, believed, [seen], hidden, suspect.Hypothesis.House);
        }
        return null;
    }

    private static int? GradeOf(Played played) => !played.IsSettled ? null : played.Looks switch { <= 1 => 1, <= FewLooks => 2, _ => 3 };

    private static Cause? Two(Dice dice, List<Cause> causes)
    {
        var (a, b) = (dice.Weighted(causes, cause => cause.Odds), dice.Weighted(causes, cause => cause.Odds));
        return a.Fields.Any(b.Fields.Contains) ? null : Cause.Both(a, b);
    }

    private static bool AllHold(NetworkDocument house)
    {
        var facts = new Facts(Simulator.Run(house));
        return house.Needs.All(need => NeedBook.Judge(facts, need).Met == Answer.Yes);
    }

    private static NetworkDocument OnlyWhatHolds(NetworkDocument house)
    {
        var facts = new Facts(Simulator.Run(house));
        return house with { Needs = [.. house.Needs.Where(need => NeedBook.Judge(facts, need).Met == Answer.Yes)] };
    }
}
