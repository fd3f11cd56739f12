using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Access;

/// <summary>A box that asks for its own address: its settings page is somewhere else after every restart.</summary>
/// <remarks>A satellite is found at its main unit, so its address may wander.</remarks>
public sealed class WanderingPage : IRule
{
    public string Id => "wandering-page";
    public string Statement => "A box that is no router has its settings page at an address that stays.";
    public string Source => "RFC 2131 section 4.3.1 (a server may give another address each time); that it shall stay: common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            if (box.Traits.AlwaysAsks || box.LeaveAsFound == true || box.Lan is not { Method: LanMethod.Dhcp }) continue;
            if (facts.State.Lan(box.Id) is not { Outcome: LeaseOutcome.Leased, Candidates: [{ Address: { } held, Server: { } by }] } own) continue;
            if (facts.FindDevice(by) is not { } server || IsReserved(server, box.Mac)) continue;
            yield return Found(facts, box, server, own, held);
        }
    }

    private Finding Found(Facts facts, Device box, Device server, Interface own, InterfaceAddress held) => new(Id, Severity.Caution, "A settings page that wanders", [box.Id, server.Id],
        () => $"{box.Name} asks {server.Name} for its own address and has {held.Address} just now. After the next restart its settings page may be at another, and then it has to be looked for.",
        () => Fixes(facts, box, server, own, held))
    { IsSettledOnSite = box.AsksForItsOwn };

    private static bool IsReserved(Device server, MacAddress? mac) => mac is { } own && server.Lan?.DhcpServer?.Reservations.Any(one => one.Mac == own) == true;

    private static ImmutableArray<Fix> Fixes(Facts facts, Device box, Device server, Interface own, InterfaceAddress held)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (!box.AsksForItsOwn && facts.FreeAddress(own.Segment, held.Prefix) is { } free) fixes.Add(new($"Give it {free.LastNumber}", new SetLanAddress(box.Id, new(free, held.Prefix.Length))));
        if (box.Mac is { } mac && server.LeaveAsFound != true) fixes.Add(new($"Reserve {held.Address.LastNumber} for it", new ReserveAddress(server.Id, mac, held.Address)));
        return fixes.ToImmutable();
    }
}
