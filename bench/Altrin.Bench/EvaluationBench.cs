using System.Runtime.CompilerServices;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using BenchmarkDotNet.Attributes;

namespace Altrin.Bench;

/// <summary>Simulate, run every rule, judge every want, and ask for the internet of every thing. Goals: after one edit the demo house 0.1 ms and
/// 1,000 boxes with 3,000 things 10 ms; no step above n log n; at most 20 times what a graph library takes for the components alone.</summary>
/// <remarks>After an edit everything is computed anew: a profile showed that keeping track of what an edit touches would cost more than it saves.</remarks>
public class EvaluationBench
{
    private readonly NetworkDocument demo = Read("larkspur-house"), farm = Read("hawthorn-farm");
    private readonly NetworkDocument flat10 = Chains.Make(10, false), flat100 = Chains.Make(100, false), flat1000 = Chains.Make(1000, false);
    private readonly NetworkDocument steps10 = Chains.Make(10, true), steps100 = Chains.Make(100, true), steps1000 = Chains.Make(1000, true);

    /// <summary>A tenth of a second of warming up, as is usual for a loop of ten lines, leaves half of fifty rules to the first, quick compilation: what is measured then is the compiler.
    /// The pauses let it work: it waits for a tenth of a second in which nothing new is called.</summary>
    [GlobalSetup]
    public void Settle()
    {
        if (isSettled) return;
        isSettled = true;
        foreach (var house in new[] { demo, farm, flat100, steps100 })
            for (var round = 0; round < 12; round++)
            {
                for (var i = 0; i < 100; i++) Evaluate(house);
                Thread.Sleep(150);
            }
    }

    private static bool isSettled;

    [Benchmark(Description = "demo house: simulate + all rules")]
    public int Demo() => Evaluate(demo);

    [Benchmark(Description = "demo house: simulate alone")]
    public int DemoSimulate() => Simulator.Run(demo).Interfaces.Length;

    [Benchmark(Description = "demo house: after one edit")]
    public int DemoEdit() => Evaluate(new SetFeature("gw", BoxFeature.Upnp, false).Apply(demo));

    [Benchmark(Description = "big demo house: after one edit")]
    public int FarmEdit() => Evaluate(new SetFeature("main", BoxFeature.Upnp, true).Apply(farm));

    [Benchmark(Description = "1,000 boxes, one network: after one edit")]
    public int Flat1000Edit() => Evaluate(new SetFeature("b0", BoxFeature.Upnp, true).Apply(flat1000));

    [Benchmark(Description = "1,000 boxes, 1,000 steps down: after one edit")]
    public int Steps1000Edit() => Evaluate(new SetFeature("b0", BoxFeature.Upnp, true).Apply(steps1000));

    [Benchmark(Description = "10 boxes, one network")]
    public int Flat10() => Evaluate(flat10);

    [Benchmark(Description = "100 boxes, one network")]
    public int Flat100() => Evaluate(flat100);

    [Benchmark(Description = "1,000 boxes, one network")]
    public int Flat1000() => Evaluate(flat1000);

    [Benchmark(Description = "10 boxes, 10 steps down")]
    public int Steps10() => Evaluate(steps10);

    [Benchmark(Description = "100 boxes, 100 steps down")]
    public int Steps100() => Evaluate(steps100);

    [Benchmark(Description = "1,000 boxes, 1,000 steps down")]
    public int Steps1000() => Evaluate(steps1000);

    [Benchmark(Description = "Stairs of 1,000 boxes, one network")]
    public int FlatStairs1000() => Stairs.Of(flatState.Value).Treads.Length;

    [Benchmark(Description = "Stairs of 1,000 boxes, 1,000 steps down")]
    public int StepsStairs1000() => Stairs.Of(stepsState.Value).Treads.Length;

    [Benchmark(Description = "demo house: connected components alone")]
    public int DemoComponents() => Components.Count(demo);

    [Benchmark(Description = "1,000 boxes, one network: connected components alone")]
    public int Flat1000Components() => Components.Count(flat1000);

    [Benchmark(Description = "1,000 boxes, 1,000 steps down: connected components alone")]
    public int Steps1000Components() => Components.Count(steps1000);

    private readonly Lazy<NetworkState> flatState = new(() => Simulator.Run(Chains.Make(1000, false))), stepsState = new(() => Simulator.Run(Chains.Make(1000, true)));

    /// <summary>Findings, wants, and one answer for every thing. Not in it: fixes, which are proved when they are asked for, and the n² matrix
    /// of who reaches whom.</summary>
    private static int Evaluate(NetworkDocument house)
    {
        var evaluation = Evaluation.Of(house);
        var online = 0;
        foreach (var one in evaluation.State.Interfaces)
            if (one.Kind == InterfaceKind.Net && evaluation.State.IsOnline(one) == Answer.Yes) online++;
        return online + evaluation.Findings.Length + evaluation.WantsHeld;
    }

    internal static NetworkDocument Read(string name, [CallerFilePath] string here = "")
    {
        var folder = Path.GetDirectoryName(here)!;
        while (!File.Exists(Path.Combine(folder, "altrin"))) folder = Path.GetDirectoryName(folder)!;
        return DocumentReader.Read(File.ReadAllBytes(Path.Combine(folder, "docs", "examples", $"{name}.json"))).Document!;
    }
}
