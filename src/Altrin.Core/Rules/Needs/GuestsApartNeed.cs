using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

/// <summary>A visitor is put on the network, and the house simulated with it: once for all boxes, for on one segment
/// everything answers a visitor alike.</summary>
public sealed class GuestsApartNeed : NeedJudge<Need.GuestsApart>
{
    /// <summary>Longer than the reader takes an id: no house has a thing of that name.</summary>
    private static readonly string Visitor = new('v', Limits.IdLetters + 1);

    public override string Sentence(NetworkDocument house, Need.GuestsApart need) => $"Guests on {need.Ssid} have internet and see nothing of the home";

    public override (Answer, string) Judge(Facts facts, Need.GuestsApart need)
    {
        var air = facts.State.Air.Where(one => one.Network.Ssid == need.Ssid).ToList();
        var made = air.DistinctBy(one => one.Box.Id).ToList();
        if (made.Count == 0) return (Answer.No, $"No box makes {need.Ssid}.");
        // The first box of each segment stands for all of them. One that makes the name twice, or is in none, has a house to itself: nobody knows beforehand
        // where its guest will be, and two guests on one segment may be in each other's way.
        bool IsPlain(AirNetwork one) => one.Segment >= 0 && !air.Exists(other => other.Box == one.Box && other.Segment != one.Segment);
        var standIns = made.DistinctBy(one => IsPlain(one) ? (one.Segment, null) : (-1, one.Box.Id)).ToList();
        var together = With(facts.House, standIns.Where(IsPlain));
        var all = (Answer.Yes, $"They have internet, and no device or page of the home answers them at {Facts.Join(made.Select(one => one.Box.Name))}.");
        foreach (var one in standIns)
        {
            var (met, because) = Met(facts, IsPlain(one) ? together : With(facts.House, [one]), IdAt(one));
            if (met == Answer.Yes) continue;
            all = (met, $"At {one.Box.Name} a guest {because}");
            if (met == Answer.No) return all;
        }
        return all;
    }

    private static NetworkState With(NetworkDocument house, IEnumerable<AirNetwork> joined) => Simulator.Run(house with { Endpoints = house.Endpoints.AddRange(joined.Select(Guest)) });

    private static string IdAt(AirNetwork network) => $"{Visitor}{network.Box.Id}";

    private static Endpoint Guest(AirNetwork network) => new()
    {
        Id = IdAt(network),
        Name = "A guest",
        Connect = new Attachment.Join { Ssid = network.Network.Ssid, Security = network.Network.Security, Key = network.Network.Key, Near = network.Box.Id },
    };

    private static (Answer Met, string Because) Met(Facts facts, NetworkState state, string guest)
    {
        var internet = state.Internet(guest);
        if (internet.Reachable != Answer.Yes) return (internet.Reachable, "gets no way out: nothing answers beyond the house for certain.");
        var worst = (Met: Answer.Yes, Because: "");
        foreach (var thing in facts.House.Endpoints)
        {
            // Another guest is no device of the home; nor is what stands on a router's guest network by cable.
            if (facts.State.JoinedNetwork(thing.Id) is { } joined && facts.House.FindDevice(joined.Box)!.Wifi[joined.Place] is { Guest: true }) continue;
            if (facts.State.Net(thing.Id) is { Segment: >= 0 } net && facts.State.OnSegment[net.Segment].Any(one => one.Kind == InterfaceKind.Guest)) continue;
            if (See(state.Reach(guest, thing.Id).Reachable, $"reaches {thing.Name}.") is { } seen) return seen;
        }
        foreach (var device in facts.House.Devices)
            if (See(state.Admin(guest, device.Id).Reachable, $"opens the settings page of {device.Name}.") is { } seen) return seen;
        return worst;

        (Answer, string)? See(Answer reached, string because)
        {
            if (reached == Answer.Yes) return (Answer.No, because);
            if (reached == Answer.Sometimes) worst = (Answer.Sometimes, because);
            return null;
        }
    }
}

internal partial class NeedHearing
{
    public NeedVerdict GuestsApart(Need.GuestsApart need) => new GuestsApartNeed().Verdict(facts, need);
}
