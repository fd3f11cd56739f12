using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Needs;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.Looking;

/// <summary>What a change takes from the household.</summary>
internal static class Harm
{
    /// <summary>Every want still holds and nobody loses internet, names, or a way in from outside.</summary>
    public static bool IsNone(Ground ground, Suspect suspect)
    {
        var (was, now) = (ground.State, suspect.Hypothesis.State);
        if (suspect.Cause!.IsOfLaptop) return true;
        if (!WantsHold(ground, now)) return false;
        foreach (var thing in ground.House.Endpoints)
        {
            if (was.Internet(thing.Id).Reachable == Answer.Yes && now.Internet(thing.Id).Reachable != Answer.Yes) return false;
            if (NameServers.Answer(was, thing.Id) == Answer.Yes && NameServers.Answer(now, thing.Id) != Answer.Yes) return false;
            foreach (var service in thing.Services)
                if (was.Inbound(thing.Id, service.Protocol, service.Port).Reachable == Answer.Yes
                    && now.Inbound(thing.Id, service.Protocol, service.Port).Reachable != Answer.Yes) return false;
        }
        return true;
    }

    /// <summary>Every want that holds in the house as believed.</summary>
    public static bool WantsHold(Ground ground, NetworkState now)
    {
        if (ground.House.Needs.IsEmpty) return true;
        var (was, facts) = (ground.Believed, new Facts(now));
        return ground.House.Needs.All(need => NeedBook.Judge(was, need).Met != Answer.Yes || NeedBook.Judge(facts, need).Met == Answer.Yes);
    }
}
