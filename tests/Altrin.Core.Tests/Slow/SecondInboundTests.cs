using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Slow;

/// <summary>Ways in from outside through chains of routers with forwards and DMZ hosts by chance: every port that is written anywhere, and one that is not, is knocked at and followed by itself.</summary>
public class SecondInboundTests
{
    private static readonly int[] Ports = [80, 443, 8080, 8443];

    private sealed record Chain(NetworkState State, List<(Device Router, Ipv4Address Inside)> FromTheLine);

    private static Chain Make(int seed)
    {
        var random = new Random(seed);
        T Pick<T>(params T[] from) => from[random.Next(from.Length)];
        var count = random.Next(1, 4);
        var house = new HouseBuilder().Gateway();
        string[] routers = [.. Enumerable.Range(0, count).Select(i => i == 0 ? "gw" : $"r{i}")];
        for (var i = 1; i < count; i++) house.Box(routers[i], address: $"10.{i}.0.1/24").Cable($"{routers[i - 1]}:lan1", $"{routers[i]}:wan");
        house.Thing("a", $"{routers[^1]}:lan2");
        var plain = house.State;
        // Whom each router hands on to: the next one's WAN side, of the last the thing.
        Ipv4Address[] inside = [.. Enumerable.Range(0, count).Select(i => (i + 1 < count ? plain.Wan(routers[i + 1])! : plain.Net("a")!).Address!.Value.Address)];
        for (var i = 0; i < count; i++)
        {
            var (next, elsewhere) = (inside[i], inside[i].Plus(50));
            ImmutableArray<PortForward> forwards = [.. Enumerable.Range(0, random.Next(0, 5)).Select(_ => new PortForward
            {
                Protocol = Pick(TransportProtocol.Tcp, TransportProtocol.Tcp, TransportProtocol.Udp),
                Port = Pick(Ports),
                ToAddress = Pick(next, next, elsewhere),
                ToPort = random.Next(2) == 0 ? Pick(Ports) : null,
            })];
            var dmz = Pick<Ipv4Address?>(next, elsewhere, null, null);
            house.With(h => h.WithDevice(routers[i], box => box with { PortForwards = forwards, DmzHost = dmz, Upnp = false }));
        }
        return new(house.State, [.. routers.Select((id, i) => (house.House.FindDevice(id)!, inside[i]))]);
    }

    /// <summary>The port at which a connection leaves the router towards that address; null where it drops it: the first forward of the port counts, then the DMZ host.</summary>
    private static int? SentOn(Device router, Ipv4Address to, TransportProtocol protocol, int port)
    {
        foreach (var forward in router.PortForwards)
            if (forward.Protocol == protocol && forward.Port == port) return forward.ToAddress == to ? forward.ToPort ?? port : null;
        return router.DmzHost == to ? port : null;
    }

    [Fact]
    public void What_gets_in_and_who_stops_it_is_the_same()
    {
        var (arrived, stopped) = (0, new HashSet<string>());
        for (var seed = 1; seed <= 700; seed++)
        {
            var chain = Make(seed);
            foreach (var protocol in Enum.GetValues<TransportProtocol>())
                foreach (var port in Ports)
                {
                    string? stop = null;
                    HashSet<int> at = [.. Ports, 5000];
                    foreach (var (router, inside) in chain.FromTheLine)
                    {
                        at = [.. at.Select(one => SentOn(router, inside, protocol, one)).OfType<int>()];
                        if (at.Count > 0 && (router != chain.FromTheLine[^1].Router || at.Contains(port))) continue;
                        stop = router.Id;
                        break;
                    }
                    var answer = chain.State.Inbound("a", protocol, port);
                    Assert.True((stop is null ? Answer.Yes : Answer.No, stop) == (answer.Reachable, answer.StoppedAt), $"chain {seed}, {protocol} {port}: stopped at {stop ?? "nobody"} when knocked at, at {answer.StoppedAt ?? "nobody"} by the simulator");
                    if (stop is null) arrived++;
                    else stopped.Add($"{stop} of {chain.FromTheLine.Count}");
                }
        }
        Assert.True(arrived > 300 && stopped.Count == 6, $"{arrived} arrived, stopped at {string.Join(", ", stopped)}");
    }
}
