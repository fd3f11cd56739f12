using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Reception;

/// <summary>A thing on a far box while a nearer one would give it clearly more.</summary>
public sealed class HearsAnotherBetter : IRule
{
    public string Id => "hears-another-better";
    public string Statement => "Every device is on the box from which it gets most.";
    public string Source => "common practice, no source (phones cling to a far point)";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var one in Clinging.Of(facts.State))
            yield return new(Id, Severity.Caution, $"{facts.NameOf(one.Thing)} is on the far box", [one.Thing, one.On, one.Better],
                () => $"{facts.NameOf(one.Thing)} is on {facts.NameOf(one.On)} and may expect {one.OnMbps:0.#} Mb/s; {facts.NameOf(one.Better)} would give it {one.BetterMbps:0.#}. "
                    + (one.IsSameName ? "The two have one name, and it clings to the one it met first." : $"That one is called {one.Network.Ssid}, and it does not look for it by itself."),
                () => Fixes(facts, one), one.Thing);
    }

    private static ImmutableArray<Fix> Fixes(Facts facts, Clinger one)
    {
        var thing = facts.House.FindEndpoint(one.Thing)!;
        var join = (Attachment.Join)thing.Connect!;
        return one.IsSameName
            ? [new($"Turn its Wi-Fi off and on there, so that it takes {facts.NameOf(one.Better)}", new ConnectEndpoint(one.Thing, join with { Near = one.Better }))]
            : [new($"Join it to {one.Network.Ssid}", new ConnectEndpoint(one.Thing, join with { Ssid = one.Network.Ssid, Security = one.Network.Security, Key = one.Network.Key, Near = one.Better }))];
    }
}
