using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>Makes several networks one: the fewest devices of the household need touching.</summary>
internal static class OneWifi
{
    /// <summary>The network that most devices are on; else the first of the document.</summary>
    public static AirNetwork Main(Facts facts, IReadOnlyList<AirNetwork> among)
    {
        var users = facts.House.Endpoints.Select(thing => thing.Connect).OfType<Attachment.Join>().Select(join => (join.Ssid, join.Key)).ToList();
        return among.MaxBy(one => users.Count(user => user == (one.Network.Ssid, one.Network.Key)))!;
    }

    /// <summary>The other networks take over name, password and security, and whoever was on them goes along.</summary>
    public static ImmutableArray<InstallerAction> Become(Facts facts, AirNetwork main, IReadOnlyList<AirNetwork> others) =>
        Change(facts, others, one => one with { Ssid = main.Network.Ssid, Security = main.Network.Security, Key = main.Network.Key });

    public static ImmutableArray<InstallerAction> Change(Facts facts, IReadOnlyList<AirNetwork> networks, Func<WifiNetwork, WifiNetwork> change)
    {
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        foreach (var one in networks) actions.Add(new SetWifi(one.Box.Id, one.Place, change(one.Network)));
        var places = networks.ToDictionary(one => (one.Box.Id, one.Place), one => change(one.Network));
        foreach (var thing in facts.House.Endpoints)
            if (thing.Connect is Attachment.Join join && facts.State.JoinedNetwork(thing.Id) is { } joined && places.TryGetValue(joined, out var now))
                actions.Add(new ConnectEndpoint(thing.Id, join with { Ssid = now.Ssid, Security = now.Security, Key = now.Key }));
        foreach (var box in facts.InUse)
            if (facts.State.JoinedNetwork(box.Id) is { } joined && places.TryGetValue(joined, out var now))
                actions.Add(new SetUplink(box.Id, box.Uplink! with { Ssid = now.Ssid, Security = now.Security, Key = now.Key }));
        return actions.ToImmutable();
    }
}
