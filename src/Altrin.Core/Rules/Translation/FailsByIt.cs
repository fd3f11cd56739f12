using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.Rules.Needs;

namespace Altrin.Core.Rules.Translation;

/// <summary>Whether a want of the household fails at a second translation: only then does it hurt, else it will one day.</summary>
internal static class FailsByIt
{
    /// <returns>The first such want, in words; null where none fails by it.</returns>
    public static string? Want(Facts facts, string box)
    {
        foreach (var need in facts.House.Needs)
        {
            var isConcerned = need switch
            {
                Need.SingleNat { Endpoint: { } only } => IsBehind(facts, only, box),
                Need.SingleNat => true,
                Need.Inbound inbound => IsBehind(facts, inbound.Endpoint, box),
                Need.Reach reach => IsBehind(facts, reach.From, box) != IsBehind(facts, reach.To, box),
                _ => false,
            };
            if (isConcerned && NeedBook.Judge(facts, need) is { Met: not Answer.Yes } verdict) return verdict.Sentence;
        }
        return null;
    }

    private static bool IsBehind(Facts facts, string thing, string box) => facts.State.Internet(thing).Hops.Contains(box);
}
