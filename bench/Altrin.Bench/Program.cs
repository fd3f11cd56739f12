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
BenchmarkSwitcher.FromAssembly(typeof(EvaluationBench).Assembly).Run(args.Length == 0 ? ["--filter", "*"] : args, config);
