using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>The way of one thing to the street, hop by hop.</summary>
/// <param name="Why">What ends it; none when it arrives.</param>
public sealed record Trace(string From, Answer Reachable, ImmutableArray<TraceHop> Hops, ReachProblem Why);

/// <summary>One link crossed and the box at its end.</summary>
/// <param name="Over">What is crossed: a cable's id, <c>line</c>, <c>plug</c> for a thing's own lead, <c>radio</c>, or <c>pass-through</c>.</param>
/// <param name="Device">The box that is met; <c>isp</c> at the end.</param>
/// <param name="Source">As whom the packet arrives there.</param>
/// <param name="Becomes">The address it goes on with, where the box translates; null where it passes unchanged.</param>
/// <param name="Role">bridge, router, carrier or street.</param>
public sealed record TraceHop(string Over, string Device, string? Ssid, string? Source, string? Becomes, string Role);

/// <summary>Follows the first candidate at every fork, as the answer for the thing does; between two routers by the shortest way over
/// cables and radio.</summary>
internal sealed class Tracer
{
    private readonly Delivery delivery;
    private readonly InternetWays ways;
    private readonly Fabric fabric;
    private readonly List<(int To, string Over, string? Ssid)>[] links;

    public Tracer(Delivery delivery, InternetWays ways)
    {
        (this.delivery, this.ways, fabric) = (delivery, ways, delivery.Fabric);
        links = new List<(int, string, string?)>[fabric.GroupCount];
        for (var i = 0; i < links.Length; i++) links[i] = [];
        foreach (var (a, b, over) in fabric.Labelled()) Add(a, b, over, null);
        for (var d = 0; d < fabric.Joined.Length; d++)
            if (fabric.Joined[d] is { } network) Add(fabric.Groups[d].Uplink, network.Group, "radio", network.Settings.Ssid);

        void Add(int a, int b, string over, string? ssid)
        {
            links[a].Add((b, over, ssid));
            links[b].Add((a, over, ssid));
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
        var held = BestOf(at);
        Meet(network is null ? "plug" : "radio", group, network?.Settings.Ssid, held);
        for (var steps = 0; steps <= fabric.House.Devices.Length; steps++)
        {
            if (held is not { Address: { } own, Gateway: { } gateway } || !own.Prefix.Contains(gateway)) break;
            Interface? next = null;
            foreach (var holder in delivery.HoldersOf(at.LinkAs(held), gateway)) if (next is null || (!next.Routes && holder.Routes)) next = holder;
            if (next is null || (next.Device < 0 && next.Kind != InterfaceKind.Provider)) break;
            var isProvider = next.Kind == InterfaceKind.Provider;
            var goal = isProvider ? Fabric.Provider : next.Kind == InterfaceKind.Guest ? fabric.Groups[next.Device].Guest : fabric.Groups[next.Device].Lan;
            if (!Walk(ref group, goal, own.Address.ToString(), isProvider && at.PassedLink is not null)) break;
            if (isProvider)
            {
                Arrive(own.Address.ToString());
                break;
            }
            if (delivery.WayOut(next, out _) is not { } wan) break;
            held = BestOf(wan);
            var box = fabric.House.Devices[next.Device];
            if (hops.Count > 0 && hops[^1].Device == box.Id)
                hops[^1] = hops[^1] with { Role = "router", Becomes = box.Nat ? held?.Address?.Address.ToString() : null };
            (at, group) = (wan, fabric.Groups[next.Device].Wan);
        }
        return new(thing.Owner, way.Ends.ToAnswer(), hops.ToImmutable(), way.Ends == Ends.Yes ? ReachProblem.None : way.Why);

        void Meet(string over, int where, string? ssid, Candidate? source) => hops.Add(
            new(over, fabric.House.Devices[fabric.OwnerOf[where]].Id, ssid, source?.Address?.Address.ToString(), null, "bridge"));

        void Arrive(string source)
        {
            var shared = fabric.House.Line!.Addressing == LineAddressing.Shared;
            hops.Add(new("line", InterfaceTable.ProviderId, null, source, shared ? "a shared address" : null, shared ? "carrier" : "street"));
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
            var came = new Dictionary<int, (int From, string Over, string? Ssid)> { [from] = default };
            var queue = new Queue<int>([from]);
            while (queue.TryDequeue(out var here) && !came.ContainsKey(goal))
                foreach (var (to, over, ssid) in links[here])
                    if (came.TryAdd(to, (here, over, ssid))) queue.Enqueue(to);
            if (!came.ContainsKey(goal)) return false;
            var path = new Stack<(int At, string Over, string? Ssid)>();
            for (var here = goal; here != from; here = came[here].From) path.Push((here, came[here].Over, came[here].Ssid));
            foreach (var (here, over, ssid) in path)
                if (here != Fabric.Provider) hops.Add(new(over, fabric.House.Devices[fabric.OwnerOf[here]].Id, ssid, source, null, "bridge"));
            from = goal;
            return true;
        }
    }

    /// <summary>The lease that leads on, where chance offers several.</summary>
    private Candidate? BestOf(Interface at) => at.Candidates.FirstOrDefault(candidate => candidate.Address is not null);
}
