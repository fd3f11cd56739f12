using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Planning.Ranking;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Search;

/// <summary>What no structure decides: a finding's fixes, and where a thing joins, as long as each makes the plan better.</summary>
internal static class Cures
{
    private const int MostRounds = 8, MostTries = 300;

    /// <summary>The plan with every cure that betters it; itself where none does.</summary>
    /// <param name="limit">What it must come before: as soon as it cannot any more, nothing else is tried.</param>
    /// <param name="keeps">Which houses may come of it; null: any that is better.</param>
    public static Leaf Apply(Bench bench, Leaf leaf, PlanRank? limit = null, Func<NetworkDocument, bool>? keeps = null)
    {
        var (tries, begun, now) = (0, leaf, Evaluation.Of(leaf.House));
        for (var round = 0; round < MostRounds; round++)
        {
            var before = leaf;
            // One after the other, each on what the ones before it have left; another round for what they brought up.
            foreach (var actions in Moves(now))
            {
                if (tries >= MostTries || (limit is { } most && leaf.Hoped >= most)) break;
                if (After(leaf.House, actions) is not { } house || bench.Limits.WhyNotBuilt(house) is not null
                    || !bench.IsPinned(house)) continue;
                if (keeps?.Invoke(house) == false) continue;
                tries++;
                if (bench.Better(leaf, house) is var (next, after)) (leaf, now) = (next, after);
            }
            if (ReferenceEquals(before, leaf)) break;
        }
        return ReferenceEquals(begun, leaf) ? leaf : Read(leaf);
    }

    /// <summary>A cure may make another structure of it: what it is called is read off the house.</summary>
    private static Leaf Read(Leaf leaf)
    {
        var now = new Ground(leaf.House).AsFound;
        return leaf with
        {
            Structure = now with
            {
                Boxes = [.. now.Boxes.Select((use, i) =>
            use with { Room = use.IsUsed ? leaf.Structure.Boxes[i].Room : null })]
            }
        };
    }

    private static NetworkDocument? After(NetworkDocument house, ImmutableArray<InstallerAction> actions)
    {
        foreach (var action in actions)
        {
            if (action is AddDevice or RemoveDevice or AddEndpoint or RemoveEndpoint or SetNeed or RemoveNeed or RemoveLine or KeepApart
                || action.Problem(house) is not null) return null;
            house = action.Apply(house);
        }
        return house;
    }

    private static IEnumerable<ImmutableArray<InstallerAction>> Moves(Evaluation now)
    {
        foreach (var finding in now.Findings.Where(finding => Bench.MayCure(finding) && !Bench.IsOfChannels(finding)))
            foreach (var fix in finding.Fixes) yield return fix.Actions;
        foreach (var moves in Things(now)) yield return moves;
        // A router that lets things open their own doors where one must be opened by hand: off unless that is what is wanted.
        foreach (var need in now.Wants.Where(want => want.Met != Answer.Yes))
            if (now.State.House.Needs.First(one => one.Id == need.Need) is Need.Dns dns)
                foreach (var router in now.Facts.InUse.Where(box => box.RoutesForItsOwn))
                {
                    yield return [new SetLeaseDns(router.Id) { Servers = dns.Servers }];
                    yield return [new SetWanDns(router.Id) { Servers = dns.Servers }];
                }
        foreach (var apart in ChannelsApart.Moves(now.State)) yield return apart;
        // The longest to be worked out: by now there may be no need.
        foreach (var finding in now.Findings.Where(Bench.IsOfChannels))
            foreach (var fix in finding.Fixes) yield return fix.Actions;
    }

    /// <summary>A thing whose want fails is tried on every other network and box that it could be on.</summary>
    private static IEnumerable<ImmutableArray<InstallerAction>> Things(Evaluation now)
    {
        var house = now.State.House;
        var failing = now.Wants.Where(want => want.Met != Answer.Yes).SelectMany(want =>
            house.Needs.First(one => one.Id == want.Need) switch
        {
            Need.Internet one => [one.Endpoint],
            Need.Reach one => [one.From, one.To],
            Need.Inbound one => [one.Endpoint],
            Need.Speed { Endpoint: { } thing } => [thing],
            Need.FixedAddress one => [one.Endpoint],
            _ => Array.Empty<string>(),
        }).Concat(house.Endpoints.Where(thing => thing.Connect is Attachment.Join && now.State.JoinedBox(thing.Id) is null).Select(thing =>
            thing.Id)).Distinct();
        foreach (var id in failing)
        {
            if (house.FindEndpoint(id) is not { } thing) continue;
            if (thing.Connect is Attachment.Join join)
                foreach (var network in now.State.Air.Where(one => !one.Network.Guest).DistinctBy(one =>
                    (one.Box.Id, one.Network.Ssid, one.Network.Key)))
                    if ((network.Box.Id, network.Network.Ssid, network.Network.Key) != (join.Near, join.Ssid, join.Key))
                        yield return [new ConnectEndpoint(id,
                            join with { Ssid = network.Network.Ssid, Key = network.Network.Key,
                            Security = network.Network.Security == WifiSecurity.Open ? null
                            : network.Network.Security, Near = network.Box.Id })];
            if (thing.Address.Method == EndpointMethod.Static) yield return [new SetEndpointAddress(id, new())];
        }
    }
}
