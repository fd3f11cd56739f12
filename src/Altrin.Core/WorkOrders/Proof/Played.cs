using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.WorkOrders.Proof;

/// <summary>The houses of an order, each simulated once: its steps, what of them clashes and who is cut off meanwhile look at the same
/// ones.</summary>
internal sealed class Played
{
    private readonly Dictionary<NetworkDocument, NetworkState> states = new(ReferenceEqualityComparer.Instance);

    public NetworkState Of(NetworkDocument house) =>
        states.TryGetValue(house, out var state) ? state : states[house] = Simulator.Run(house);
}
