using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

/// <summary>A thing is given, or has set, just these name servers; where it is given a router's own address, those of that router's WAN count
/// (a home router passes questions on: RFC 5625).</summary>
public sealed class DnsNeed : NeedJudge<Need.Dns>
{
    public override string Sentence(NetworkDocument house, Need.Dns need) =>
        $"{(need.Endpoint is { } one ? house.NameOf(one) : "Everything")} asks {Facts.Join(need.Servers.Select(server => server.ToString()), 4)} for names";

    public override (Answer, string) Judge(Facts facts, Need.Dns need)
    {
        var ids = need.Endpoint is { } one ? [one]
            : facts.House.Endpoints.Where(thing => facts.State.Internet(thing.Id).Reachable != Answer.No).Select(thing => thing.Id).ToArray();
        var wanted = need.Servers.ToHashSet();
        var open = (Answer.Yes, need.Endpoint is null && ids.Length == 0 ? "Nothing has internet, so nothing asks anybody." : "Just these are asked.");
        foreach (var id in ids)
        {
            var sets = Asked(facts, id);
            var odd = sets.FirstOrDefault(set => !set.SetEquals(wanted));
            if (odd is null) continue;
            var asked = odd.Count == 0 ? "nobody" : Facts.Join(odd.Order().Select(server => server.ToString()), 4);
            if (!sets.Any(set => set.SetEquals(wanted))) return (Answer.No, $"{facts.NameOf(id)} asks {asked}.");
            open = (Answer.Sometimes, $"{facts.NameOf(id)} asks {asked} by one of the leases that chance may give it.");
        }
        return open;
    }

    /// <summary>The name servers that answer for a thing in the end, one set for each way that chance may take.</summary>
    private static List<HashSet<Ipv4Address>> Asked(Facts facts, string id)
    {
        var set = facts.House.FindEndpoint(id)!.Address.Dns;
        if (facts.State.Net(id) is not { Candidates.IsEmpty: false } net) return [[.. set]];
        return [.. net.Candidates.SelectMany(held => Behind(facts, net, set.IsEmpty ? held.Dns : set, []))];
    }

    /// <summary>A router's own address stands for the servers of its WAN, and so on upwards; one met twice goes in a circle and asks nobody.</summary>
    private static IEnumerable<HashSet<Ipv4Address>> Behind(Facts facts, Interface at, ImmutableArray<Ipv4Address> servers, ImmutableHashSet<string> passed)
    {
        List<HashSet<Ipv4Address>> ways = [[]];
        foreach (var server in servers)
        {
            var router = facts.RoutersOn[at.Segment].FirstOrDefault(one => one.Address?.Address == server)
                ?? facts.State.OnSegment[at.Segment].FirstOrDefault(one => one is { Kind: InterfaceKind.Guest } && one.Address?.Address == server);
            var stands = router is null ? [[server]] : passed.Contains(router.Owner) ? [[]] : OfRouter(facts, router.Owner, passed.Add(router.Owner)).ToList();
            ways = [.. from way in ways from more in stands select way.Union(more).ToHashSet()];
        }
        return ways;
    }

    /// <summary>Servers set on the WAN side win over those that came with its lease.</summary>
    private static IEnumerable<HashSet<Ipv4Address>> OfRouter(Facts facts, string router, ImmutableHashSet<string> passed)
    {
        var set = facts.Device(router).Wan?.Dns ?? [];
        if (facts.State.Wan(router) is not { Candidates.IsEmpty: false } wan) return [[.. set]];
        return wan.Candidates.SelectMany(held => Behind(facts, wan, set.IsEmpty ? held.Dns : set, passed));
    }
}

internal partial class NeedHearing
{
    public NeedVerdict Dns(Need.Dns need) => new DnsNeed().Verdict(facts, need);
}
