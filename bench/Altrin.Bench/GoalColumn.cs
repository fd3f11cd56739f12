using BenchmarkDotNet.Columns;
using BenchmarkDotNet.Reports;
using BenchmarkDotNet.Running;

namespace Altrin.Bench;

/// <summary>Sets each figure beside its goal.</summary>
internal sealed class GoalColumn : IColumn
{
    private static readonly Dictionary<string, double> GoalMs = new()
    {
        [nameof(EvaluationBench.Demo)] = 0.5,
        [nameof(EvaluationBench.DemoEdit)] = 0.1,
        [nameof(EvaluationBench.Flat1000Edit)] = 10,
        [nameof(EvaluationBench.Steps1000Edit)] = 10,
        [nameof(EvaluationBench.Flat1000)] = 100,
        [nameof(EvaluationBench.Steps1000)] = 100,
        [nameof(AirBench.Moved)] = 1,
        [nameof(AirBench.Tuned)] = 0.3,
        [nameof(PlanBench.Three)] = 20,
        [nameof(PlanBench.Six)] = 200,
        [nameof(PlanBench.Fifteen)] = 2000,
        [nameof(PlanBench.FarmOrder)] = 500,
    };

    public string Id => "goal";
    public string ColumnName => "Goal";
    public bool AlwaysShow => true;
    public ColumnCategory Category => ColumnCategory.Custom;
    public int PriorityInCategory => 0;
    public bool IsNumeric => false;
    public UnitType UnitType => UnitType.Dimensionless;
    public string Legend => "The time aimed at, and whether it is met";

    public string GetValue(Summary summary, BenchmarkCase benchmark)
    {
        if (!GoalMs.TryGetValue(benchmark.Descriptor.WorkloadMethod.Name, out var goal)) return "";
        var mean = summary[benchmark]?.ResultStatistics?.Mean / 1e6;
        return $"{goal} ms{(mean is { } ms ? ms <= goal ? ", met" : ", missed" : "")}";
    }

    public string GetValue(Summary summary, BenchmarkCase benchmark, SummaryStyle style) => GetValue(summary, benchmark);
    public bool IsDefault(Summary summary, BenchmarkCase benchmark) => false;
    public bool IsAvailable(Summary summary) => true;
}
