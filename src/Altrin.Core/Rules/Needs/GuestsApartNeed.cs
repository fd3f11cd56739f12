using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

/// <summary>A visitor is put on the network, once at each box that makes it, and the house simulated with it.</summary>
public sealed class GuestsApartNeed : NeedJudge<Need.GuestsApart>
{
    /// <summary>Longer than the reader takes an id: no house has a thing of that name.</summary>
    private static readonly string Visitor = new('v', Limits.IdLetters + 1);

    public override string Sentence(NetworkDocument house, Need.GuestsApart need) => $"Guests on {need.Ssid} have internet and see nothing of the home";

    public override (Answer, string) Judge(Facts facts, Need.GuestsApart need)
    {
        var made = facts.State.Air.Where(one => one.Network.Ssid == need.Ssid).DistinctBy(one => one.Box.Id).ToList();
        if (made.Count == 0) return (Answer.No, $"No box makes {need.Ssid}.");
        var all = (Answer.Yes, $"They have internet, and no device or page of the home answers them at {Facts.Join(made.Select(one => one.Box.Name))}.");
        foreach (var network in made)
        {
            var one = At(facts, network);
            if (one.Met == Answer.No) return one;
            if (one.Met == Answer.Sometimes) all = one;
        }
        return all;
    }

    private static (Answer Met, string Because) At(Facts facts, AirNetwork network)
    {
        var visitor = new Endpoint
        {
            Id = Visitor,
            Name = "A guest",
            Connect = new Attachment.Join { Ssid = network.Network.Ssid, Security = network.Network.Security, Key = network.Network.Key, Near = network.Box.Id },
        };
        var state = Simulator.Run(facts.House with { Endpoints = facts.House.Endpoints.Add(visitor) });
        var internet = state.Internet(Visitor);
        if (internet.Reachable != Answer.Yes) return (internet.Reachable, $"At {network.Box.Name} a guest gets no way out: nothing answers beyond the house for certain.");
        var worst = (Met: Answer.Yes, Because: "");
        foreach (var thing in facts.House.Endpoints)
        {
            // Another guest is no device of the home; nor is what stands on a router's guest network by cable.
            if (facts.State.JoinedNetwork(thing.Id) is { } joined && facts.House.FindDevice(joined.Box)!.Wifi[joined.Place] is { Guest: true }) continue;
            if (facts.State.Net(thing.Id) is { Segment: >= 0 } net && facts.State.OnSegment[net.Segment].Any(one => one.Kind == InterfaceKind.Guest)) continue;
            if (See(state.Reach(Visitor, thing.Id).Reachable, $"At {network.Box.Name} a guest reaches {thing.Name}.") is { } seen) return seen;
        }
        foreach (var device in facts.House.Devices)
            if (See(state.Admin(Visitor, device.Id).Reachable, $"At {network.Box.Name} a guest opens the settings page of {device.Name}.") is { } seen) return seen;
        return worst;

        (Answer, string)? See(Answer reached, string because)
        {
            if (reached == Answer.Yes) return (Answer.No, because);
            if (reached == Answer.Sometimes) worst = (Answer.Sometimes, because);
            return null;
        }
    }
}
