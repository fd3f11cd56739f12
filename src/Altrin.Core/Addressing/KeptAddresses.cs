using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Addressing;

/// <summary>Why a thing has no reservation to be made.</summary>
public sealed record NotKept(string Thing, string Why);

/// <summary>Several things keep the addresses that they are given now: a reservation for each, and who cannot have one.</summary>
public sealed record KeptAddresses(ImmutableArray<InstallerAction> Actions, ImmutableArray<NotKept> Not)
{
    /// <param name="things">By id; what is no thing of the house is passed over.</param>
    public static KeptAddresses Of(NetworkState state, IEnumerable<string> things)
    {
        var (actions, not) = (ImmutableArray.CreateBuilder<InstallerAction>(), ImmutableArray.CreateBuilder<NotKept>());
        foreach (var thing in things.Distinct().Select(state.House.FindEndpoint).OfType<Endpoint>())
        {
            var (action, why) = For(state, thing);
            if (action is not null) actions.Add(action);
            else not.Add(new(thing.Name, why!));
        }
        return new(actions.ToImmutable(), not.ToImmutable());
    }

    private static (ReserveAddress? Action, string? Why) For(NetworkState state, Endpoint thing)
    {
        if (thing.Address.Method == EndpointMethod.Static) return (null, "its address is fixed in itself");
        if (thing.Mac is not { } mac) return (null, "its MAC is not noted");
        if (state.Net(thing.Id) is not { Candidates: [{ Address: { } given, Server: { } by }] } net)
            return (null, state.Net(thing.Id)?.Candidates.Length > 1 ? "two servers may answer it" : "nobody gives it an address");
        if (state.House.FindDevice(by) is not { } server) return (null, "the provider gives it its address");
        if (server.LeaveAsFound == true) return (null, $"{server.Name} is left as found");
        var reserve = new ReserveAddress(server.Id, mac, given.Address);
        if (server.Lan?.DhcpServer?.Reservations.Any(one => one.Mac == mac && one.Address == given.Address) == true) return (null, $"{given.Address} is reserved for it already");
        return reserve.Problem(state.House) is { } problem ? (null, problem.Message) : (reserve, null);
    }
}
