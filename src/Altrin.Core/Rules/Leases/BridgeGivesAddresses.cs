using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Leases;

/// <summary>A repeater or bridge whose DHCP server was left on.</summary>
public sealed class BridgeGivesAddresses : IRule
{
    public string Id => "bridge-gives-addresses";
    public string Statement => "A repeater or wireless bridge gives out no addresses: the router does.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var server in facts.State.Servers)
        {
            if (facts.FindDevice(server.Device) is { Traits.OnlyBridges: true } box) yield return Found(server, box);
        }
    }

    private Finding Found(RunningServer server, Device box) => new(Id, Severity.Fault, "A bridge that gives out addresses", [box.Id],
        () =>
        {
            var gateway = server.Offer.Gateway == server.Own.Address ? "itself" : server.Offer.Gateway.ToString();
            return $"{box.Name} is a {box.Mode.Say()}, and its DHCP server is still on, with {gateway} as gateway. "
                + (gateway == "itself" ? "It does not route: whoever gets an address from it has no internet." : "Which server answers is chance.");
        },
        () => [new($"Turn off the DHCP server of {box.Name}", new TurnOffDhcpServer(box.Id))]);
}
