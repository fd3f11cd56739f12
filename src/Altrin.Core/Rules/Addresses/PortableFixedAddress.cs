using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Addresses;

/// <summary>A laptop, tablet or phone left at a fixed address: set once to open a settings page, and forgotten.</summary>
public sealed class PortableFixedAddress : IRule
{
    public string Id => "portable-fixed-address";
    public string Statement => "What is carried about asks for its address.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var thing in facts.House.Endpoints)
        {
            if (!thing.IsCarried || thing.Id == Laptop.Id || thing.Address is not { Method: EndpointMethod.Static, Address: { } address }) continue;
            yield return Found(facts, thing, address.Address);
        }
    }

    private Finding Found(Facts facts, Endpoint thing, Ipv4Address address)
    {
        var online = facts.State.Internet(thing.Id).Reachable == Answer.Yes;
        var message = $"{thing.Name} is fixed at {address}{(thing.Address?.Gateway is null ? " without a gateway" : "")}. "
            + (online ? "It works here; in any other network it connects and has no internet." : "It connects and has no internet.");
        return new(Id, online ? Severity.Caution : Severity.Fault, "A fixed address forgotten", [thing.Id], message,
            () => [new("Let it ask for an address", new SetEndpointAddress(thing.Id, new()))]);
    }
}
