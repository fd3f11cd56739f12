using System.Collections.Immutable;
using Altrin.Core.Diagnosis.Causes;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.CallOuts;

/// <summary>How a call-out went when the proposed look was always taken.</summary>
/// <param name="Looks">Looks after the complaint.</param>
/// <param name="Minutes">Of these looks.</param>
/// <param name="IsRight">What is hidden is in the group that is left.</param>
public sealed record Played(int Looks, double Minutes, bool IsRight, bool IsSettled, ImmutableArray<Sighting> Seen);

/// <summary>Takes every look that is proposed, and answers as the hidden house shows it.</summary>
internal static class Playing
{
    /// <param name="thinksFurther">See <see cref="Diagnoser.Of"/>.</param>
    /// <param name="confirms">What is found is looked at before it is believed.</param>
    public static Played Of(NetworkDocument believed, Cause hidden, ImmutableArray<Sighting> complaint, int mostLooks,
        bool confirms = false, bool thinksFurther = false)
    {
        var house = new HiddenHouse(believed, hidden);
        var (seen, looks, minutes) = (complaint, 0, 0.0);
        while (true)
        {
            var diagnosis = Diagnoser.Of(believed, seen, thinksFurther: thinksFurther);
            var toConfirm = confirms && !diagnosis.ArePairs ? diagnosis.Confirm : null;
            if ((diagnosis.IsSettled && toConfirm is null) || looks == mostLooks)
                return new(looks, minutes, diagnosis.IsSettled && Holds(diagnosis, hidden), diagnosis.IsSettled, seen);
            var next = toConfirm ?? diagnosis.Looks[0];
            var answer = house.Answer(next.Look, seen);
            if (answer.IsEmpty) return new(looks, minutes, false, false, seen);
            seen = seen.AddRange(answer);
            (looks, minutes) = (looks + 1, minutes + next.Minutes);
        }
    }

    /// <summary>Whether the group that is thought of first has what is hidden.</summary>
    private static bool Holds(DiagnosisResult diagnosis, Cause hidden) =>
        diagnosis.Causes is [var first, ..] && first.Alike.Any(cause => IsSame(cause, hidden));

    public static bool IsSame(Cause a, Cause b)
    {
        if (a.Of.Length != b.Of.Length) return false;
        if (!a.Of.IsEmpty) return a.Of.All(one => b.Of.Any(other => IsSame(one, other)));
        return a.Kind == b.Kind && a.Subject.Length == b.Subject.Length && a.Sentence == b.Sentence;
    }
}
