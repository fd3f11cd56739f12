using Altrin.Core.Diagnosis.Causes;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.CallOuts;

/// <summary>What a householder notices first, in plain words and as a sighting.</summary>
internal static class Complaint
{
    public static (string Says, Sighting Seen)? Of(Dice dice, Ground ground, Cause hidden)
    {
        var noticed = All(ground, hidden).ToList();
        return noticed.Count == 0 ? null : dice.Of(noticed);
    }

    private static IEnumerable<(string Says, Sighting Seen)> All(Ground ground, Cause hidden)
    {
        var real = new HiddenHouse(ground.House, hidden);
        bool Shows(Look look, string value) => real.Answers(look, []).Any(shown => shown.Sample == value);

        foreach (var thing in ground.House.Endpoints)
        {
            var name = thing.Name;
            if (ground.State.Internet(thing.Id).Reachable == Answer.Yes)
            {
                var internet = new Look(ReadingKind.Internet, Who: thing.Id);
                var lookup = new Look(ReadingKind.Lookup, Who: thing.Id);
                if (Shows(internet, "no")) yield return ($"“Since yesterday the internet does not work on the {Small(name)}.”",
                    new(internet, "no"));
                else if (Shows(lookup, "no")) yield return ($"“No page opens on the {Small(name)}, but a call that was running goes on.”",
                    new(lookup, "no"));
            }
            if (thing.Connect is Attachment.Join && ground.State.JoinedBox(thing.Id) is not null
                && Shows(new(ReadingKind.Joined, Who: thing.Id), Shown.Nobody))
                yield return ($"“The {Small(name)} does not get onto the Wi-Fi.”",
                    new(new(ReadingKind.Joined, Who: thing.Id), Shown.Nobody));
            foreach (var service in thing.Services)
            {
                var outside = new Look(ReadingKind.Outside, Endpoint: thing.Id, OutsidePort: service.Port);
                if (ground.State.Inbound(thing.Id, service.Protocol, service.Port).Reachable == Answer.Yes && Shows(outside, "no"))
                    yield return ($"“From the road I do not get to the {Small(name)} any more.”", new(outside, "no"));
            }
        }
        foreach (var want in ground.House.Needs.OfType<Need.Reach>())
        {
            var reach = new Look(ReadingKind.Reach, Who: want.From, To: want.To);
            if (ground.State.Reach(want.From, want.To).Reachable == Answer.Yes && Shows(reach, "no"))
                yield return ($"“The {Small(ground.House.NameOf(want.From))} does not find the {Small(ground.House.NameOf(want.To))}.”",
                    new(reach, "no"));
        }
        foreach (var ssid in ground.State.Air.Where(one => one.Network.Broadcast).Select(one => one.Network.Ssid).Distinct())
            if (Shows(new(ReadingKind.Network, Ssid: ssid), "no"))
                yield return ($"“Our Wi-Fi {ssid} is gone from the list.”", new(new(ReadingKind.Network, Ssid: ssid), "no"));
    }

    private static string Small(string name) =>
        name.Length > 1 && char.IsUpper(name[0]) && char.IsLower(name[1]) ? char.ToLowerInvariant(name[0]) + name[1..] : name;
}
