using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>The way of one thing to the street, hop by hop.</summary>
/// <param name="Why">What ends it; none when it arrives.</param>
public sealed record Trace(string From, Answer Reachable, ImmutableArray<TraceHop> Hops, ReachProblem Why);

/// <summary>What a hop goes over.</summary>
[JsonConverter(typeof(WordConverter<TraceLink>))]
public enum TraceLink { Plug, Radio, Cable, Line }

/// <summary>What the box at the end of a hop does.</summary>
[JsonConverter(typeof(WordConverter<TraceRole>))]
public enum TraceRole { Bridge, Router, Carrier, Street }

/// <summary>One link crossed and the box at its end.</summary>
/// <param name="Over">A thing's own lead or join, a cable, a radio link between boxes, or the line.</param>
/// <param name="Cable">Which cable; null over anything else.</param>
/// <param name="Device">The box that is met; <c>isp</c> at the end.</param>
/// <param name="Source">As whom the packet arrives there.</param>
/// <param name="Becomes">The address it goes on with, where the box translates; null where it passes unchanged.</param>
public sealed record TraceHop(TraceLink Over, string? Cable, string Device, string? Ssid, string? Source, string? Becomes, TraceRole Role);

/// <summary>Follows the first candidate at every fork, as the answer for the thing does; between two routers by the shortest way over
/// cables and radio.</summary>
internal sealed class Tracer
{
    private readonly Delivery delivery;
    private readonly InternetWays ways;
    private readonly Climb climb;
    private readonly Fabric fabric;
    private readonly List<(int To, TraceLink Over, string? Cable, string? Ssid)>[] links;

    public Tracer(Delivery delivery, Climb climb, InternetWays ways)
    {
        (this.delivery, this.climb, this.ways, fabric) = (delivery, climb, ways, delivery.Fabric);
        links = new List<(int, TraceLink, string?, string?)>[fabric.GroupCount];
        for (var i = 0; i < links.Length; i++) links[i] = [];
        foreach (var (a, b, cable) in fabric.Labelled()) Add(a, b, cable is null ? TraceLink.Line : TraceLink.Cable, cable, null);
        for (var d = 0; d < fabric.Joined.Length; d++)
            if (fabric.Joined[d] is { } network) Add(fabric.Groups[d].Uplink, network.Group, TraceLink.Radio, null, network.Settings.Ssid);

        void Add(int a, int b, TraceLink over, string? cable, string? ssid)
        {
            links[a].Add((b, over, cable, ssid));
            links[b].Add((a, over, cable, ssid));
        }
    }

    public Trace From(Interface thing, int endpoint)
    {
        var hops = ImmutableArray.CreateBuilder<TraceHop>();
        var way = ways.Of(thing);
        var group = fabric.EndpointGroup[endpoint];
        if (group < 0) return new(thing.Owner, Answer.No, [], ReachProblem.NoAddress);
        var network = fabric.EndpointNetwork[endpoint];
        var at = thing;
        var held = Climb.First(at);
        Meet(network is null ? TraceLink.Plug : TraceLink.Radio, group, network?.Settings.Ssid, held);
        for (var steps = 0; steps <= fabric.House.Devices.Length; steps++)
        {
            if (held is not { Address: { } own } || climb.FirstGateway(at, held) is not { } next || (next.Device < 0 && next.Kind != InterfaceKind.Provider)) break;
            var isProvider = next.Kind == InterfaceKind.Provider;
            var goal = isProvider ? Fabric.Provider : next.Kind == InterfaceKind.Guest ? fabric.Groups[next.Device].Guest : fabric.Groups[next.Device].Lan;
            if (!Walk(ref group, goal, Say(own), isProvider && at.PassedLink is not null)) break;
            if (isProvider)
            {
                Arrive(Say(own));
                break;
            }
            if (climb.Cross(next, at, held).Wan is not { } wan) break;
            held = Climb.First(wan);
            var box = fabric.House.Devices[next.Device];
            if (hops.Count > 0 && hops[^1].Device == box.Id)
                hops[^1] = hops[^1] with { Role = TraceRole.Router, Becomes = box.Nat && held?.Address is { } outside ? Say(outside) : null };
            (at, group) = (wan, fabric.Groups[next.Device].Wan);
        }
        return new(thing.Owner, way.Ends.ToAnswer(), hops.ToImmutable(), way.Ends == Ends.Yes ? ReachProblem.None : way.Why);

        void Meet(TraceLink over, int where, string? ssid, Candidate? source) => hops.Add(
            new(over, null, fabric.House.Devices[fabric.OwnerOf[where]].Id, ssid, source?.Address is { } own ? Say(own) : null, null, TraceRole.Bridge));

        string Say(InterfaceAddress address) => LineWords.Say(fabric.House, address.Address);

        void Arrive(string source)
        {
            var shared = delivery.Table.Numbers!.IsShared;
            hops.Add(new(TraceLink.Line, null, InterfaceTable.ProviderId, null, source, shared ? "a shared address" : null, shared ? TraceRole.Carrier : TraceRole.Street));
        }

        // The boxes between here and the gateway; the provider itself is met by Arrive.
        bool Walk(ref int from, int goal, string source, bool passed)
        {
            if (from == goal) return true;
            if (passed)
            {
                // Over the gateway that hands the line on: its two sides are apart for everybody else.
                var gatewayBox = Array.FindIndex(fabric.House.Devices.ToArray(), box => box.Id == fabric.House.Line!.Device);
                if (!Walk(ref from, fabric.Groups[gatewayBox].Lan, source, false)) return false;
                from = Fabric.Provider;
                return true;
            }
            var came = new Dictionary<int, (int From, TraceLink Over, string? Cable, string? Ssid)> { [from] = default };
            var queue = new Queue<int>([from]);
            while (queue.TryDequeue(out var here) && !came.ContainsKey(goal))
                foreach (var (to, over, cable, ssid) in links[here])
                    if (came.TryAdd(to, (here, over, cable, ssid))) queue.Enqueue(to);
            if (!came.ContainsKey(goal)) return false;
            var path = new Stack<int>();
            for (var here = goal; here != from; here = came[here].From) path.Push(here);
            foreach (var here in path)
                if (here != Fabric.Provider) hops.Add(new(came[here].Over, came[here].Cable, fabric.House.Devices[fabric.OwnerOf[here]].Id, came[here].Ssid, source, null, TraceRole.Bridge));
            from = goal;
            return true;
        }
    }
}
