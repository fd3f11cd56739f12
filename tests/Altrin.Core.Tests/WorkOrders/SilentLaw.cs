using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Planning;
using Altrin.Core.Tests.Trade;
using Altrin.Core.WorkOrders;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>A step that says “nobody answers at .2” is held against the house it is said of: by the simulator nobody has that address
/// there, fixed or reserved; and out of a pool that was looked at nobody can be given it.</summary>
public class SilentLaw
{
    [Fact]
    public void Where_nobody_is_to_answer_nobody_does()
    {
        var entered = TradeJobs.All.Values.Select(make => make());
        var asked = JobPlanTests.AllJobs().Concat(entered).Sum(Look);
        Assert.True(asked > 20, $"{asked} asked");
    }

    private static int Look(NetworkDocument house)
    {
        if (PlanSearch.First(house, TestContext.Current.CancellationToken).Plans is not [var best, ..]) return 0;
        var asked = 0;
        foreach (var step in OrderWays.Of(house, best.House).Best.Steps)
            foreach (var ping in step.Readings.OfType<PingReading>().Where(one => !one.Answers))
            {
                asked++;
                IsSilent(Simulator.Run(step.Before!), ping.At, $"{house.Name}, step {step.Number} {step.Title}");
            }
        return asked;
    }

    private static void IsSilent(NetworkState state, Ipv4Address at, string where)
    {
        var isUnseen = state.Servers.Any(server => server.IsPoolUnknown);
        foreach (var one in state.Interfaces.Where(one => one.Candidates.Any(held => held.Address?.Address == at)))
            Assert.True(one.Outcome == LeaseOutcome.Leased && isUnseen, $"{where}: {one.Owner} answers at {at}");
        if (state.House.FindEndpoint(Laptop.Id)?.Connect?.Socket is not { } socket) return;
        foreach (var server in state.Servers.Where(server => !server.IsPoolUnknown && server.Segment == state.SegmentOf(socket)))
            Assert.False(server.Pool.Contains(at), $"{where}: {at} may be given out");
    }
}
