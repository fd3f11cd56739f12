using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Kernel;

/// <summary>
/// One thing measured in the kernel lab: what was asked, of whom, about whom, and what came out. The lab writes these down
/// (<c>./altrin lab --record</c>), so that the simulator is held to the kernel's own answers where there is no kernel to ask.
/// </summary>
public sealed record KernelFact(string Ask, string From, string? To = null, string Is = "")
{
    public static KernelFact Of(string ask, string from, string? to = null) => new(ask, from, to);

    public static string Service(TransportProtocol protocol, int port) => $"{Words<TransportProtocol>.Of(protocol)} {port}";

    /// <summary>The simulator's answer to the same question.</summary>
    public string Said(NetworkState state) => Ask switch
    {
        "has internet" => Words<Answer>.Of(state.Internet(From).Reachable),
        "reaches" => Words<Answer>.Of(state.Reach(From, To!).Reachable),
        "opens" => Words<Answer>.Of(state.Admin(From, To!).Reachable),
        "is reached from the internet on" => Words<Answer>.Of(Inbound(state).Reachable),
        "is reached from inside by its public address on" => Words<Answer>.Of(Inbound(state).FromInside),
        "is translated by" => string.Join(", ", state.Internet(From).Hops.Order(StringComparer.Ordinal)),
        "is offered" => Leases(Card(state)),
        "has no lease" => Words<LeaseOutcome>.Of(Card(state).Outcome),
        _ => throw new ArgumentOutOfRangeException(nameof(state), Ask, "No such question."),
    };

    public static string Leases(Interface one) => string.Join(", ", one.Candidates.Where(candidate => candidate.Server is not null)
        .Select(candidate => $"{candidate.Address} via {candidate.Gateway} from {candidate.Server}").Order(StringComparer.Ordinal));

    public override string ToString() => To is null ? $"{From} {Ask}" : $"{From} {Ask} {To}";

    private Interface Card(NetworkState state) => state.Interfaces.First(one => one.Owner == From && Words<InterfaceKind>.Of(one.Kind) == To);

    private InboundAnswer Inbound(NetworkState state)
    {
        var words = To!.Split(' ');
        Assert.True(Words<TransportProtocol>.TryRead(words[0], out var protocol));
        return state.Inbound(From, protocol, int.Parse(words[1], System.Globalization.CultureInfo.InvariantCulture));
    }
}

/// <summary>A house and what the kernel answered about it.</summary>
public sealed record KernelRecord(string House, IReadOnlyList<KernelFact> Facts)
{
    public static string File { get; } = Path.Combine(Examples.Root, "tests", "documents", "kernel-facts.jsonl");
}
