using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air;

/// <summary>One way to name the Wi-Fi of a house, and what it means in this one.</summary>
/// <param name="Id"><c>one</c>, <c>own</c> or <c>suffix</c>.</param>
/// <param name="Names">What each box then makes, in the order of the document.</param>
/// <param name="Means">Who moves by himself, who may cling, who keeps working, in sentences.</param>
/// <param name="Touches">The things on which a name or a password has to be typed anew.</param>
/// <param name="IsNow">The house is named so.</param>
/// <param name="Actions">What names it so; empty where it is.</param>
public sealed record NameSchool(string Id, string Title, ImmutableArray<BoxName> Names, ImmutableArray<string> Means, ImmutableArray<string> Touches, bool IsNow, ImmutableArray<InstallerAction> Actions);

public sealed record BoxName(string Device, Band Band, string Ssid);

/// <summary>The three schools, for the bands under one name or two. Both are common practice, no source.</summary>
public static class NameSchools
{
    /// <param name="bandsApart">The newer band has a name of its own.</param>
    public static ImmutableArray<NameSchool> Of(NetworkState state, bool bandsApart)
    {
        var all = state.Air.Where(one => !one.Network.Guest && one.Box.KeptApart != true).ToList();
        if (all.Count == 0) return [];
        var main = OneWifi.Main(state, all);
        // One name on two networks would carry a device from the one into the other.
        var own = all.Where(one => one.Segment == main.Segment || state.UplinkBox(one.Box.Id) is not null).ToList();
        return [School(state, own, main, "one", bandsApart), School(state, own, main, "own", bandsApart), School(state, own, main, "suffix", bandsApart)];
    }

    private static NameSchool School(NetworkState state, List<AirNetwork> own, AirNetwork main, string id, bool bandsApart)
    {
        var house = state.House;
        var names = Names(state, own, main, id, bandsApart);
        WifiNetwork Called(AirNetwork one) => one.Network with { Ssid = names[(one.Box.Id, one.Place)], Security = main.Network.Security, Key = main.Network.Key };
        var changed = own.Where(one => Called(one) != one.Network && one.Box.LeaveAsFound != true).ToList();
        var actions = changed.Count == 0 ? [] : OneWifi.Change(state, changed, (one, _) => Called(one));
        var after = actions.Apply(house);
        var touches = house.Endpoints.Where(thing => thing.Connect is Attachment.Join was && after.FindEndpoint(thing.Id)!.Connect is Attachment.Join now && (was.Ssid, was.Key, was.Security) != (now.Ssid, now.Key, now.Security)).Select(thing => thing.Id).ToImmutableArray();
        return new(id, Title(id, main.Network.Ssid), [.. own.Select(one => new BoxName(one.Box.Id, one.Band, names[(one.Box.Id, one.Place)]))], Means(state, own, id, bandsApart, main), touches, changed.Count == 0, actions);
    }

    private static string Title(string id, string main) => id switch { "one" => $"{main} everywhere", "own" => "A name a box", _ => $"{main}, with a suffix a box" };

    private static Dictionary<(string, int), string> Names(NetworkState state, List<AirNetwork> own, AirNetwork main, string id, bool bandsApart)
    {
        var taken = new HashSet<string>(StringComparer.Ordinal) { main.Network.Ssid };
        var stems = new Dictionary<string, string>(StringComparer.Ordinal) { [main.Box.Id] = main.Network.Ssid };
        foreach (var box in own.Select(one => one.Box).Distinct().Where(box => box.Id != main.Box.Id))
        {
            // Where the box is called something by itself already, that is its name.
            var room = WifiNames.Slug(Rooms.Find(state.House, box.Room)?.Name ?? box.Room ?? box.Id);
            var now = own.First(one => one.Box.Id == box.Id).Network.Ssid;
            stems[box.Id] = id == "one" ? main.Network.Ssid : id == "own" && taken.Add(now) ? now : Taken(id == "own" ? room : $"{main.Network.Ssid}-{room}");
        }
        string Taken(string name)
        {
            var free = WifiNames.Free(taken, name);
            taken.Add(free);
            return free;
        }

        var both = own.GroupBy(one => one.Box.Id).ToDictionary(box => box.Key, box => box.Select(one => one.Band).Distinct().Count() > 1);
        return own.ToDictionary(one => (one.Box.Id, one.Place), one => bandsApart && one.Band != Band.Ghz24 && both[one.Box.Id] ? WifiNames.With(stems[one.Box.Id], "-5") : stems[one.Box.Id]);
    }

    private static ImmutableArray<string> Means(NetworkState state, List<AirNetwork> own, string id, bool bandsApart, AirNetwork main)
    {
        var house = state.House;
        var boxes = own.Select(one => one.Box.Id).Distinct().Count();
        var carried = house.Endpoints.Where(thing => thing.IsCarried).Select(thing => thing.Name).ToList();
        var shy = house.Endpoints.Where(thing => thing.Bands is [Band.Ghz24] && thing.Connect is Attachment.Join).Select(thing => thing.Name).ToList();
        var clinging = Clinging.Of(state).ToList();
        var list = ImmutableArray.CreateBuilder<string>();
        if (boxes == 1) list.Add("One box makes the Wi-Fi: nobody has to move.");
        else if (id == "one")
        {
            list.Add(carried.Count == 0 ? "Whatever is carried moves by itself from box to box, mostly." : $"{Naming.Join(carried)} {(carried.Count == 1 ? "moves" : "move")} by {(carried.Count == 1 ? "itself" : "themselves")} from box to box, mostly.");
            list.Add(clinging.Count == 0 ? "One that clings to a far box is not seen from outside: turn its Wi-Fi off and on." : $"{Naming.Join(clinging.Select(one => house.NameOf(one.Thing)))} may go on clinging to {house.NameOf(clinging[0].On)}: turn its Wi-Fi off and on.");
        }
        else
        {
            list.Add(carried.Count == 0 ? "Nobody moves by himself: who goes to another room chooses the network by hand." : $"{Naming.Join(carried)} {(carried.Count == 1 ? "stays" : "stay")} on the network {(carried.Count == 1 ? "it has" : "they have")} until it is gone: in another room it is chosen by hand.");
            list.Add(id == "own" ? "The name says which box one is on, and nothing else." : $"The name says which box one is on, and that it belongs to {main.Network.Ssid}.");
        }
        if (shy.Count > 0) list.Add(bandsApart ? $"{Naming.Join(shy)} {(shy.Count == 1 ? "knows" : "know")} 2.4 GHz only and {(shy.Count == 1 ? "finds" : "find")} it under a name of its own." : $"{Naming.Join(shy)} {(shy.Count == 1 ? "knows" : "know")} 2.4 GHz only: mostly no matter; where it will not join, give 2.4 GHz a name of its own for a while.");
        else if (bandsApart) list.Add("Each device is put on a band by hand; what is on 5 GHz stays there when it is weak.");
        return list.ToImmutable();
    }
}
