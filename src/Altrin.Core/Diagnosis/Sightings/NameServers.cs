using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.Sightings;

/// <summary>Whether names are found: with internet, and a name server that answers.</summary>
internal static class NameServers
{
    public static Answer Answer(NetworkState state, string who)
    {
        var internet = state.Internet(who).Reachable;
        if (internet == Simulation.Answer.No || state.Net(who) is not { Candidates: [var held, ..] }
            || held.Dns.IsDefaultOrEmpty) return Simulation.Answer.No;
        if (state.House.Line?.NamesSilent != true) return internet;
        return held.Server != Line.ProviderId && held.Dns.Any(server => Answers(state, server, [])) ? internet : Simulation.Answer.No;
    }

    /// <summary>While those of the line are silent: one set by hand answers, and a router does that has one of these.</summary>
    private static bool Answers(NetworkState state, Ipv4Address server, HashSet<string> asked)
    {
        var router = state.House.Devices.FirstOrDefault(box => state.Lan(box.Id) is { Routes: true, Address: { } own }
            && own.Address == server);
        if (router is null) return true;
        if (!asked.Add(router.Id) || state.Wan(router.Id) is not { Candidates: [var held, ..] }) return false;
        if (router.Wan is { Dns.IsDefaultOrEmpty: false } wan) return wan.Dns.Any(one => Answers(state, one, asked));
        return held.Server != Line.ProviderId && !held.Dns.IsDefaultOrEmpty && held.Dns.Any(one => Answers(state, one, asked));
    }
}
