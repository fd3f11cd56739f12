using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>One device on a way to the internet and the rest of that way; shared by all that pass there.</summary>
internal sealed record Hop(string Device, Hop? Next);

/// <summary>How one interface gets to the internet.</summary>
internal sealed record Way(Ends Ends, int Layers, Hop? Path, ReachProblem Why);

/// <summary>Stage 5: the way from every interface to the internet, settled once, when the state is made: who asks first decides nothing.</summary>
/// <remarks>Two least fixed points over the steps that chance may take. An interface <em>may</em> arrive where one of its steps leads to the
/// street or to a WAN that may arrive; it is <em>sure</em> to where all of them lead to the street or to a WAN that is sure to. A circle is
/// in neither: what goes round arrives never. Both are exact for races of leases, for a way that comes by one WAN twice with two leases can be
/// cut short to one that comes by it once. Cost: linear in interfaces and steps.</remarks>
internal sealed class InternetWays
{
    private const int Street = -1, Nowhere = -2;

    private static readonly Way NoAddress = new(Ends.No, 0, null, ReachProblem.NoAddress);

    /// <param name="To">The WAN it leads to, <see cref="Street"/>, or <see cref="Nowhere"/>.</param>
    private readonly record struct Step(int From, int To, Ends Back, string? Gateway, ReachProblem Why);

    private readonly Delivery delivery;
    private readonly Climb climb;
    private readonly Way[] ways;
    private readonly List<Step> steps;

    /// <summary>The steps of an interface are those from its start to the next one's.</summary>
    private readonly int[] start;

    public InternetWays(Delivery delivery, Climb climb)
    {
        (this.delivery, this.climb) = (delivery, climb);
        var count = delivery.Table.All.Count;
        start = new int[count + 1];
        // Nearly everything has one address and one gateway.
        steps = new(count);
        for (var i = 0; i < count; i++)
        {
            start[i] = steps.Count;
            ListSteps(delivery.Table.All[i]);
        }
        start[count] = steps.Count;
        ways = Settle();
    }

    public Way Of(Interface from) => ways[from.Index];

    private void ListSteps(Interface at)
    {
        if (at.Kind == InterfaceKind.Provider) return;
        foreach (var held in at.Candidates)
        {
            if (climb.WhyNotFrom(at, held) is var why and not ReachProblem.None)
            {
                steps.Add(new(at.Index, Nowhere, Ends.No, null, why));
                continue;
            }
            var before = steps.Count;
            foreach (var gateway in climb.Gateways(at, held))
            {
                var crossing = climb.Cross(gateway, at, held);
                var to = crossing.IsStreet ? Street : crossing.Wan?.Index ?? Nowhere;
                steps.Add(new(at.Index, to, crossing.Back, crossing.IsStreet ? null : gateway.Owner, crossing.Why));
            }
            if (steps.Count == before) steps.Add(new(at.Index, Nowhere, Ends.No, null, ReachProblem.NoGateway));
        }
    }

    private Way[] Settle()
    {
        var count = start.Length - 1;
        var into = Incoming();
        // How soon an interface is known to arrive: over fewer steps, earlier. Tells a way out of a circle from a way round in it.
        var rank = new int[count];
        Array.Fill(rank, int.MaxValue);
        var unsure = new int[count];
        var waiting = new int[count];
        var (arrives, isSure, isReady) = (new Queue<int>(), new Queue<int>(), new Queue<int>());
        for (var i = 0; i < count; i++)
        {
            unsure[i] = start[i + 1] - start[i];
            for (var s = start[i]; s < start[i + 1]; s++)
            {
                if (steps[s].To >= 0) waiting[i]++;
                if (steps[s].To != Street) continue;
                if (steps[s].Back == Ends.Yes) unsure[i]--;
                if ((steps[s].Back & Ends.Yes) == 0 || rank[i] == 0) continue;
                rank[i] = 0;
                arrives.Enqueue(i);
            }
            if (unsure[i] == 0 && start[i + 1] > start[i]) isSure.Enqueue(i);
            if (waiting[i] == 0) isReady.Enqueue(i);
        }
        while (arrives.TryDequeue(out var at))
            foreach (var s in into.Of(at))
                if ((steps[s].Back & Ends.Yes) != 0 && rank[steps[s].From] == int.MaxValue)
                {
                    rank[steps[s].From] = rank[at] + 1;
                    arrives.Enqueue(steps[s].From);
                }
        while (isSure.TryDequeue(out var at))
            foreach (var s in into.Of(at))
                if (steps[s].Back == Ends.Yes && --unsure[steps[s].From] == 0) isSure.Enqueue(steps[s].From);

        // From the street inwards, each when everything it leads to is known; what is left then goes in circles, or leads into one.
        var settled = new Way?[count];
        var through = new Way?[count];
        while (isReady.TryDequeue(out var at))
        {
            settled[at] = WayOf(at);
            foreach (var s in into.Of(at))
                if (--waiting[steps[s].From] == 0) isReady.Enqueue(steps[s].From);
        }
        foreach (var at in Enumerable.Range(0, count).Where(i => settled[i] is null).OrderBy(i => rank[i]).ToList()) settled[at] = WayOf(at);
        return settled!;

        Way WayOf(int at)
        {
            if (start[at] == start[at + 1]) return NoAddress;
            // Nearly everything has one way out, and all that stands behind one router has the same.
            if (start[at + 1] - start[at] == 1 && steps[start[at]] is { To: >= 0, Back: Ends.Yes, Why: ReachProblem.None } only && settled[only.To] is not null)
                return through[only.To] ??= Followed(at);
            return Followed(at);
        }

        Way Followed(int at)
        {
            var ends = (rank[at] < int.MaxValue ? Ends.Yes : Ends.None) | (unsure[at] > 0 ? Ends.No : Ends.None);
            var (layers, path, found, why) = (0, (Hop?)null, false, ReachProblem.None);
            for (var s = start[at]; s < start[at + 1]; s++)
            {
                var step = steps[s];
                var beyond = step.To >= 0 ? settled[step.To] : null;
                if (why == ReachProblem.None)
                    why = step.Why != ReachProblem.None ? step.Why : step.To < 0 ? ReachProblem.None : beyond?.Why ?? ReachProblem.NoWayOut;
                if (found || (step.Back & Ends.Yes) == 0) continue;
                if (step.To == Street) (found, layers, path) = (true, delivery.Table.Numbers!.IsShared ? 1 : 0, delivery.Table.Numbers.IsShared ? new(Line.CarrierId, null) : null);
                else if (beyond is not null && (beyond.Ends & Ends.Yes) != 0) (found, layers, path) = (true, beyond.Layers + 1, new(step.Gateway!, beyond.Path));
            }
            return new(ends, layers, path, why);
        }
    }

    private IncomingSteps Incoming()
    {
        var count = start.Length - 1;
        var first = new int[count + 1];
        foreach (var step in steps)
            if (step.To >= 0) first[step.To + 1]++;
        for (var i = 0; i < count; i++) first[i + 1] += first[i];
        var list = new int[first[count]];
        var next = first.AsSpan(0, count).ToArray();
        for (var s = 0; s < steps.Count; s++)
            if (steps[s].To >= 0) list[next[steps[s].To]++] = s;
        return new(first, list);
    }

    /// <summary>The steps that lead to each WAN.</summary>
    private readonly record struct IncomingSteps(int[] First, int[] List)
    {
        public ReadOnlySpan<int> Of(int wan) => List.AsSpan(First[wan], First[wan + 1] - First[wan]);
    }
}
