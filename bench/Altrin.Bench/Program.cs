using Altrin.Bench;
using BenchmarkDotNet.Columns;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Exporters;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Loggers;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;

// In process: the machine that measures may have no room to build a project a benchmark, and the core keeps no state.
var config = ManualConfig.CreateEmpty()
    // Three iterations moved by half from run to run on a shared machine; ten do not.
    .AddJob(Job.ShortRun.WithWarmupCount(10).WithIterationCount(10).WithToolchain(InProcessEmitToolchain.Instance))
    .AddColumnProvider(DefaultColumnProviders.Instance)
    .AddColumn(new GoalColumn())
    .AddDiagnoser(BenchmarkDotNet.Diagnosers.MemoryDiagnoser.Default)
    .AddExporter(MarkdownExporter.GitHub)
    .AddLogger(ConsoleLogger.Default);
if (args is ["server", var program, var pages])
{
    await ServerBench.Run(program, pages);
    return;
}
var summaries = BenchmarkSwitcher.FromAssembly(typeof(EvaluationBench).Assembly).Run(args.Length == 0 ? ["--filter", "*"] : args, config).ToList();
foreach (var (verdict, bare) in new[]
{
    (nameof(EvaluationBench.DemoEdit), nameof(EvaluationBench.DemoComponents)), (nameof(EvaluationBench.Flat1000Edit), nameof(EvaluationBench.Flat1000Components)),
    (nameof(EvaluationBench.Steps1000Edit), nameof(EvaluationBench.Steps1000Components)),
})
    if (Mean(verdict) is { } whole && Mean(bare) is { } part) Console.WriteLine($"{verdict}: {whole / part:0.0} times the bare components (aim 20)");

double? Mean(string name) => summaries.SelectMany(summary => summary.Reports).FirstOrDefault(report => report.BenchmarkCase.Descriptor.WorkloadMethod.Name == name)?.ResultStatistics?.Mean;
