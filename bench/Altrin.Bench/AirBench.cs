using Altrin.Core.Air;
using Altrin.Core.Air.Channels;
using Altrin.Core.Air.Placing;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using BenchmarkDotNet.Attributes;

namespace Altrin.Bench;

/// <summary>The air of the farm with its floor plan. Goals: 1,000 evaluations a second with a box moved from metre to metre, that is 1 ms; 0.3 ms where only what is set is otherwise.</summary>
public class AirBench
{
    private readonly NetworkDocument farm = EvaluationBench.Read("hawthorn-farm");
    private readonly NetworkState state = Simulator.Run(EvaluationBench.Read("hawthorn-farm"));
    private readonly NetworkDocument hundred = Chains.Wifi(100), threeHundred = Chains.Wifi(300);
    private double at;

    [Benchmark(Description = "farm: air, a box a metre further")]
    public double Moved()
    {
        at = (at + 1) % 5;
        return RoomRates.Of(Places.Moved(farm, "eastsat", farm.Rooms[6], new FloorPoint(11.2 + at * 0.9, 2.5 + at * 0.3), farm.FindDevice("eastsat")!.Uplink)).Worst!.Mbps;
    }

    [Benchmark(Description = "farm: air, one channel otherwise")]
    public double Tuned() => RoomRates.Of(farm.WithDevice("upstairs", box => box with { Wifi = box.Wifi.SetItem(0, box.Wifi[0] with { Channel = new(1) }) })).Worst!.Mbps;

    [Benchmark(Description = "100 boxes that send, 200 things: judged")]
    public int Hundred() => Evaluation.Of(hundred).Findings.Length;

    [Benchmark(Description = "300 boxes that send, 600 things: judged")]
    public int ThreeHundred() => Evaluation.Of(threeHundred).Findings.Length;

    [Benchmark(Description = "100 boxes that send: plan of channels")]
    public int HundredPlan() => ChannelPlan.Of(Simulator.Run(hundred))!.Actions.Length;

    [Benchmark(Description = "farm: plan of channels")]
    public int Plan() => ChannelPlan.Of(state)!.Actions.Length;

    [Benchmark(Description = "farm: the satellite at every metre, on each band")]
    public int Everywhere() => Places.Of(farm, "eastsat")!.Tried;

    [Benchmark(Description = "farm: which room for the satellite")]
    public int EveryRoom() => Places.Of(farm, "eastsat", everyMetre: false)!.Tried;
}
