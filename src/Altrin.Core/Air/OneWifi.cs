using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air;

/// <summary>Makes several networks one: the fewest devices of the household need touching.</summary>
public static class OneWifi
{
    /// <summary>The network that most devices are on; else the first of the document.</summary>
    public static AirNetwork Main(NetworkState state, IReadOnlyList<AirNetwork> among)
    {
        var users = state.House.Endpoints.Select(thing => thing.Connect).OfType<Attachment.Join>().Select(join => (join.Ssid, join.Key)).ToList();
        return among.MaxBy(one => users.Count(user => user == (one.Network.Ssid, one.Network.Key)))!;
    }

    /// <summary>The other networks take over name, password and security, and whoever was on them goes along.</summary>
    public static ImmutableArray<InstallerAction> Become(NetworkState state, AirNetwork main, IReadOnlyList<AirNetwork> others) =>
        Change(state, others, one => one with { Ssid = main.Network.Ssid, Security = main.Network.Security, Key = main.Network.Key });

    public static ImmutableArray<InstallerAction> Change(NetworkState state, IReadOnlyList<AirNetwork> networks, Func<WifiNetwork, WifiNetwork> change) => Change(state, networks, (_, network) => change(network));

    public static ImmutableArray<InstallerAction> Change(NetworkState state, IReadOnlyList<AirNetwork> networks, Func<AirNetwork, WifiNetwork, WifiNetwork> change)
    {
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        foreach (var one in networks) actions.Add(new SetWifi(one.Box.Id, one.Place, change(one, one.Network)));
        var places = networks.ToDictionary(one => (one.Box.Id, one.Place), one => change(one, one.Network));
        foreach (var thing in state.House.Endpoints)
            if (thing.Connect is Attachment.Join join && state.JoinedNetwork(thing.Id) is { } joined && places.TryGetValue(joined, out var now))
                actions.Add(new ConnectEndpoint(thing.Id, join with { Ssid = now.Ssid, Security = now.Security, Key = now.Key }));
        foreach (var box in state.House.Devices.Where(box => state.IsInUse(box.Id)))
            if (state.JoinedNetwork(box.Id) is { } joined && places.TryGetValue(joined, out var now))
                actions.Add(new SetUplink(box.Id, box.Uplink! with { Ssid = now.Ssid, Security = now.Security, Key = now.Key }));
        return actions.ToImmutable();
    }
}
