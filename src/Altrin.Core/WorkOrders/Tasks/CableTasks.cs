using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Tasks;

/// <summary>A cable is put in at both ends.</summary>
internal sealed record PlugIn(Cable Cable) : OrderTask($"plug {Cable.Id}", [new PlugCable(Cable)])
{
    public override int WaitSeconds => WorkTimes.Link;
    public override TradePlace Place => TradePlace.PlugCable;

    public override void Write(WorkInProgress work) => work.Step(new(StepKind.PlugCable, "Cable in", Actions[0].Say(work.House))
    {
        Actions = Actions,
        WaitSeconds = WaitSeconds,
        Cautions = Cautions(work, Cable, Actions),
    });

    /// <summary>What is minded where a cable goes in.</summary>
    internal static ImmutableArray<string> Cautions(WorkInProgress work, Cable cable, ImmutableArray<InstallerAction> actions) =>
    [
        .. StaysEmpty(work.Planned, cable.A), .. StaysEmpty(work.Planned, cable.B),
        .. SafetyCautions.OfInjector(work.Planned, cable.A, cable.B), .. SafetyCautions.OfInjector(work.Planned, cable.B, cable.A),
        .. Outside(work, cable.A, actions), .. Outside(work, cable.B, actions),
        .. SafetyCautions.OfCable(work.Planned, cable),
    ];

    /// <summary>What the page of a router shows outside, once its WAN side hangs on another box.</summary>
    private static IEnumerable<string> Outside(WorkInProgress work, Socket end, ImmutableArray<InstallerAction> actions)
    {
        if (work.House.FindDevice(end.Device) is not { Traits.IsRouter: true } box || box.FindPort(end.Port)?.Role != PortRole.Wan) yield break;
        if (Simulator.Run(actions.Apply(work.House)).Wan(box.Id) is { Candidates: [{ Address: { } own, Server: { } server }] }
            && work.House.FindDevice(server) is { } above)
            yield return $"Once it is on, the page of {box.Name} shows outside an address of {own.Prefix}, from {above.Name}.";
    }

    /// <summary>A router that is used as a bridge is one as long as nothing is in its WAN socket.</summary>
    private static IEnumerable<string> StaysEmpty(NetworkDocument planned, Socket end)
    {
        if (planned.FindDevice(end.Device) is not { Traits.IsRouter: true, Lan.DhcpServer.Enabled: false } box
            || box.FindPort(end.Port)?.Role != PortRole.Lan) yield break;
        if (box.Ports.Any(port => port.Role == PortRole.Wan && planned.OccupantOf(new(box.Id, port.Id)) is null))
            yield return $"The WAN socket of {box.Name} stays empty: in WAN it would be a router again.";
    }
}

/// <summary>A cable is pulled, for good or for the time of the work.</summary>
internal sealed record PullOut(string Cable) : OrderTask($"pull {Cable}", [new UnplugCable(Cable)])
{
    public override TradePlace Place => IsForNow ? TradePlace.PullForNow : TradePlace.PullCable;

    public override void Write(WorkInProgress work) => work.Step(new(StepKind.PullCable, "Cable out", Actions[0].Say(work.House))
    { Actions = Actions, Cautions = IsForNow ? ["It goes back later: leave it lying at its socket."] : [] });
}

/// <summary>One end of a cable goes into another socket.</summary>
internal sealed record MoveEnd(string Cable, Socket From, Socket To) : OrderTask($"move {Cable}", [new MoveCableEnd(Cable, From, To)])
{
    public override int WaitSeconds => WorkTimes.Link;
    public override TradePlace Place => TradePlace.PullCable;
    public override void Write(WorkInProgress work) =>
        work.Step(new(StepKind.MoveCable, "By hand", Actions[0].Say(work.House))
        {
            Actions = Actions,
            WaitSeconds = WaitSeconds,
            Cautions = work.House.FindCable(Cable) is { } cable
                ? PlugIn.Cautions(work, cable with { A = cable.A == From ? To : cable.A, B = cable.B == From ? To : cable.B }, Actions) : [],
        });
}

/// <summary>The provider's line goes into another socket, or out.</summary>
internal sealed record MoveTheLine(Line? Line) : OrderTask("line", [Line is null ? new RemoveLine() : new SetLine(Line)])
{
    public override int WaitSeconds => Line is null ? 0 : WorkTimes.Line;
    public override TradePlace Place => TradePlace.MoveLine;

    public override void Write(WorkInProgress work) => work.Step(new(StepKind.MoveLine, "The line", Actions[0].Say(work.House))
    {
        Actions = Actions,
        WaitSeconds = Line is null ? null : WaitSeconds,
        Cautions = ["The provider's line and socket are the provider's: its terms decide what may be moved."],
    });
}
