using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>What became of one want.</summary>
/// <param name="Met">Null where this version cannot compute the kind yet.</param>
/// <param name="Sentence">The want in words, its blanks filled.</param>
public sealed record NeedVerdict(string Need, Answer? Met, string Sentence, string Because);

/// <summary>Judges one kind of want. Found by type.</summary>
public interface INeedJudge
{
    NeedKind Kind { get; }
    string Sentence(NetworkDocument house, Need need);
    (Answer Met, string Because) Judge(Facts facts, Need need);
}

public static class NeedBook
{
    private static readonly Dictionary<NeedKind, INeedJudge> Judges = typeof(NeedBook).Assembly.GetTypes()
        .Where(type => type.IsClass && !type.IsAbstract && typeof(INeedJudge).IsAssignableFrom(type))
        .Select(type => (INeedJudge)Activator.CreateInstance(type)!)
        .ToDictionary(judge => judge.Kind);

    /// <summary>The kinds of want that are computed.</summary>
    public static IEnumerable<NeedKind> Kinds => Judges.Keys.Order();

    public static NeedVerdict Judge(Facts facts, Need need)
    {
        if (!Judges.TryGetValue(need.Kind, out var judge))
            return new(need.Id, null, $"A want of the kind {Words<NeedKind>.Of(need.Kind)}", "This version does not compute this kind yet.");
        var (met, because) = judge.Judge(facts, need);
        return new(need.Id, met, need.Nice == true ? $"{judge.Sentence(facts.House, need)}, if it can be had" : judge.Sentence(facts.House, need), because);
    }
}
