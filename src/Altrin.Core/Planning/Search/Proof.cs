using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Planning.Ranking;

namespace Altrin.Core.Planning.Search;

/// <summary>Looks for the best plan where the best could still be, first: a structure that is settled in part, then filled in, then simulated, then
/// cured, each time with a better notion of what it comes to. When nothing is left that could rank before the best there is, that is proved.</summary>
/// <remarks>Branch and bound, the node of the least bound first (A. H. Land and A. G. Doig, 1960; value from memory).</remarks>
internal sealed class Proof(Bench bench, Choices choices, Bound bound)
{
    /// <summary>What it may cost: structures looked at in part; houses filled in, simulated or cured, weighed by what each takes.</summary>
    private const int MostSteps = 60_000, StepsPerHouse = 200, FillWeight = 1, JudgeWeight = 4;

    private readonly Growth growth = new(bench.Ground, choices);
    private readonly PriorityQueue<Node, (PlanRank AtBest, int Open, int Number)> queue = new();
    private readonly int boxes = bench.Ground.Found.Devices.Length;
    private PlanRank best;
    private int number;

    private readonly List<Leaf> taken = [];
    private int steps;

    /// <summary>Whatever was better than all before it; the last is the best.</summary>
    public IReadOnlyList<Leaf> Taken => taken;

    /// <summary>Nothing that was not looked at ranks before this; null where nothing is left that could be better.</summary>
    public PlanRank? Floor { get; private set; }

    private abstract record Node(Structure Structure)
    {
        /// <param name="Settled">How many boxes are.</param>
        public sealed record Partial(Structure Structure, int Settled) : Node(Structure);

        public sealed record Filled(Structure Structure, NetworkDocument House) : Node(Structure);

        public sealed record Judged(Leaf Leaf) : Node(Leaf.Structure);
    }

    /// <param name="best">What is there already.</param>
    /// <param name="most">Houses that may be simulated for it.</param>
    /// <returns>False where the budget ended first.</returns>
    public bool Run(PlanRank best, int most)
    {
        this.best = best;
        foreach (var seed in growth.Seeds()) Add(new Node.Partial(seed, 0), bound.AtBest(seed, -1), boxes);
        var (work, mostSteps) = (most * JudgeWeight, Math.Min(MostSteps, most * StepsPerHouse));
        while (queue.TryDequeue(out var node, out var key))
        {
            // All that is left ranks no better.
            if (key.AtBest >= this.best) return true;
            if (work <= 0 || steps > mostSteps)
            {
                Floor = key.AtBest;
                return false;
            }
            bench.ThrowIfCancelled();
            var before = bench.Searched;
            switch (node)
            {
                case Node.Partial begun when begun.Settled < boxes:
                    foreach (var next in growth.Next(begun.Structure, begun.Settled))
                    {
                        steps++;
                        if (bound.AtBest(next, begun.Settled) is var atBest && atBest < best && !growth.IsTwin(next, begun.Settled)) Add(new Node.Partial(next, begun.Settled + 1), atBest, boxes - begun.Settled);
                    }
                    break;
                case Node.Partial whole:
                    work -= FillWeight;
                    if (bench.Known(whole.Structure, out var known)) Add(known);
                    else if (bench.Fill(whole.Structure) is { } house) Add(new Node.Filled(whole.Structure, house), PlanRank.Filled(key.AtBest, bench.Ground.Found, house), 0);
                    break;
                case Node.Filled filled:
                    Add(bench.Try(filled.Structure, filled.House));
                    break;
                case Node.Judged judged:
                    Take(Cures.Apply(bench, judged.Leaf, best));
                    break;
                default: throw new InvalidOperationException($"{node} is not handled.");
            }
            work -= (bench.Searched - before) * JudgeWeight;
        }
        return true;
    }

    private void Add(Leaf? leaf)
    {
        if (leaf is null || (!leaf.IsAllowed && !leaf.IsCurable)) return;
        Take(leaf);
        Add(new Node.Judged(leaf), leaf.Hoped, 0);
    }

    private void Take(Leaf leaf)
    {
        if (!leaf.IsAllowed || leaf.Rank >= best) return;
        best = leaf.Rank;
        taken.Add(leaf);
    }

    /// <param name="open">Boxes that are not settled: of what is alike the nearest to its end comes first.</param>
    private void Add(Node node, PlanRank atBest, int open)
    {
        if (atBest < best) queue.Enqueue(node, (atBest, open, number++));
    }
}
