using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>What became of one want.</summary>
/// <param name="Met">Null where this version cannot compute the kind yet.</param>
/// <param name="Sentence">The want in words, its blanks filled.</param>
public sealed record NeedVerdict(string Need, Answer? Met, string Sentence, string Because);

/// <summary>Judges one kind of want.</summary>
public abstract class NeedJudge<T> where T : Need
{
    public abstract string Sentence(NetworkDocument house, T need);
    public abstract (Answer Met, string Because) Judge(Facts facts, T need);

    internal NeedVerdict Verdict(Facts facts, T need)
    {
        var (met, because) = Judge(facts, need);
        var sentence = Sentence(facts.House, need);
        return new(need.Id, met, need.Nice == true ? $"{sentence}, if it can be had" : sentence, because);
    }
}
