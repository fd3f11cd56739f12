using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.WorkOrders.Proof;

/// <summary>Who is cut off: a thing that reaches the internet for certain in the one house and not at all in the other. Said once for
/// steps, minutes, the search
/// and the rehearsal. The laptop is nobody’s loss.</summary>
public sealed class CutOff
{
    private readonly ImmutableArray<Endpoint> online;

    /// <param name="household">The house whose things are not to lose what they have.</param>
    public CutOff(NetworkDocument household) : this(Simulator.Run(household)) { }

    public CutOff(NetworkState state)
    {
        online = [.. state.House.Endpoints.Where(thing => thing.Id != Laptop.Id && state.Internet(thing.Id).Reachable == Answer.Yes)];
    }

    /// <summary>Those of them that are in a house and have no internet there.</summary>
    public IEnumerable<Endpoint> In(NetworkState now) =>
        online.Where(thing => now.House.FindEndpoint(thing.Id) is not null && now.Internet(thing.Id).Reachable == Answer.No);
}
