using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Needs;
using Altrin.Core.Simulation;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Altrin.Core.Tests.Laws;

/// <summary>Guests are looked at together; here each box has a guest of its own and a house to itself.</summary>
public class GuestLaws
{
    private const string Guest = "a-guest-of-the-law";

    /// <summary>What a guest at that box alone comes to.</summary>
    private static Answer Alone(NetworkState plain, AirNetwork at)
    {
        var house = plain.House;
        var join = new Attachment.Join { Ssid = at.Network.Ssid, Security = at.Network.Security, Key = at.Network.Key, Near = at.Box.Id };
        var state = Simulator.Run(house with { Endpoints = house.Endpoints.Add(new() { Id = Guest, Name = "Guest", Connect = join }) });
        if (state.Internet(Guest).Reachable is var online and not Answer.Yes) return online;
        var seen = house.Endpoints.Where(thing => !IsGuest(thing)).Select(thing => state.Reach(Guest, thing.Id).Reachable)
            .Concat(house.Devices.Select(box => state.Admin(Guest, box.Id).Reachable)).ToList();
        return seen.Contains(Answer.Yes) ? Answer.No : seen.Contains(Answer.Sometimes) ? Answer.Sometimes : Answer.Yes;

        bool IsGuest(Endpoint thing) => (plain.JoinedNetwork(thing.Id) is { } joined && house.FindDevice(joined.Box)!.Wifi[joined.Place].Guest)
            || (plain.Net(thing.Id) is { Segment: >= 0 } net && plain.OnSegment[net.Segment].Any(one => one.Kind == InterfaceKind.Guest));
    }

    [Property(Arbitrary = [typeof(Houses)], MaxTest = 500)]
    public Property Guests_of_all_boxes_at_once_fare_as_each_does_alone(NetworkDocument house)
    {
        var plain = Simulator.Run(house);
        foreach (var networks in plain.Air.GroupBy(network => network.Network.Ssid))
        {
            var alone = networks.DistinctBy(network => network.Box.Id).Select(network => (network.Box.Name, Fares: Alone(plain, network))).ToList();
            var wanted = alone.Exists(one => one.Fares == Answer.No) ? Answer.No : alone.Exists(one => one.Fares == Answer.Sometimes) ? Answer.Sometimes : Answer.Yes;
            var verdict = NeedBook.Judge(new(plain), new Need.GuestsApart { Id = "law", Ssid = networks.Key });
            if (verdict.Met != wanted) return false.Label($"{networks.Key}: {verdict.Because} {string.Join(", ", alone)} {Altrin.Core.Documents.AltrinJson.WriteCompact(house)}");
            if (wanted != Answer.Yes && !alone.Exists(one => one.Fares == wanted && verdict.Because.Contains(one.Name, StringComparison.Ordinal))) return false.Label($"{networks.Key} blames another: {verdict.Because} {string.Join(", ", alone)} {Altrin.Core.Documents.AltrinJson.WriteCompact(house)}");
        }
        return true.ToProperty().Classify(plain.Air.GroupBy(network => network.Network.Ssid).Any(group => group.DistinctBy(one => one.Box.Id).Count() > 1), "two boxes make one network");
    }
}
