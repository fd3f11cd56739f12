using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;
using BenchmarkDotNet.Attributes;

namespace Altrin.Bench;

/// <summary>Plans of 2 to 15 boxes, an order, the air. Goals: 3 boxes 20 ms, 6 boxes 200 ms, 15 boxes 2 s, an order of ten sittings 500 ms, the air of the
/// big demo house 0.3 ms.</summary>
public class PlanBench
{
    private readonly NetworkDocument demo = EvaluationBench.Read("larkspur-house"), farm = EvaluationBench.Read("hawthorn-farm");
    private readonly NetworkDocument two = TableHouses.Make(2), three = TableHouses.Make(3), four = TableHouses.Make(4), six = TableHouses.Make(6), nine = TableHouses.Make(9), fifteen = TableHouses.Make(15);
    private readonly Lazy<NetworkDocument> demoPlan, farmPlan;

    public PlanBench() => (demoPlan, farmPlan) = (new(() => PlanSearch.Of(demo).Plans[0].House), new(() => PlanSearch.Of(farm).Plans[0].House));

    [Benchmark(Description = "plans, demo house")]
    public int DemoPlans() => PlanSearch.Of(demo).Searched;

    [Benchmark(Description = "plans, 2 boxes")]
    public int Two() => PlanSearch.Of(two).Searched;

    [Benchmark(Description = "plans, 3 boxes")]
    public int Three() => PlanSearch.Of(three).Searched;

    [Benchmark(Description = "plans, 4 boxes")]
    public int Four() => PlanSearch.Of(four).Searched;

    [Benchmark(Description = "plans, 6 boxes")]
    public int Six() => PlanSearch.Of(six).Searched;

    [Benchmark(Description = "the best plan of 6 boxes, proved")]
    public int BestOfSix() => PlanSearch.First(six).Searched;

    [Benchmark(Description = "plans, 9 boxes")]
    public int Nine() => PlanSearch.Of(nine).Searched;

    [Benchmark(Description = "plans, big demo house (12 boxes)")]
    public int Farm() => PlanSearch.Of(farm).Searched;

    [Benchmark(Description = "plans, 15 boxes")]
    public int Fifteen() => PlanSearch.Of(fifteen).Searched;

    [Benchmark(Description = "order, demo house")]
    public int DemoOrder() => OrderWays.Of(demo, demoPlan.Value).Best.Minutes;

    [Benchmark(Description = "order, big demo house (eleven sittings)")]
    public int FarmOrder() => OrderWays.Of(farm, farmPlan.Value).Best.Minutes;

    [Benchmark(Description = "the air of the big demo house, with its simulation")]
    public int Air() => Simulator.Run(farm).AirMap.Sources.Count;

    [Benchmark(Description = "the big demo house, simulation alone")]
    public int NoAir() => Simulator.Run(farm).Interfaces.Length;
}
