using Altrin.Core.Network;

namespace Altrin.KernelLab.Tests;

/// <summary>The provider's side in numbers, read from section 3, rule 3 of the format and from nothing of the simulator's.</summary>
internal sealed record Street(Prefix Link, Ipv4Address Router, Ipv4Address First, bool IsShared, bool AnswersOne)
{
    public static Street? Of(NetworkDocument house, Wiring wiring)
    {
        if (house.Line is not { } line) return null;
        var shared = line.Addressing == LineAddressing.Shared;
        if (line.HandOff == HandOff.Static)
            return (line.Agreed is { } agreed ? (agreed.Address, agreed.Gateway) : FirstSet(house, line, wiring)) is var (set, router)
                ? new(set.Prefix, router, set.Address, shared, true) : StandIn(shared, true);
        if (line.Seen is not { } seen) return StandIn(shared, false);
        var text = seen.Address.Address.ToString();
        // RFC 1918 and RFC 6598, spelt out.
        var octets = text.Split('.').Select(int.Parse).ToArray();
        var isInside = octets[0] == 10 || (octets[0] == 172 && octets[1] is >= 16 and <= 31) || (octets[0] == 192 && octets[1] == 168) || (octets[0] == 100 && octets[1] is >= 64 and <= 127);
        return new(seen.Address.Prefix, seen.Gateway, seen.Address.Address, shared || isInside, false);
    }

    private static Street StandIn(bool shared, bool one)
    {
        var link = Prefix.Parse(shared ? "100.64.0.0/24" : "203.0.113.0/24");
        return new(link, link.Network.Plus(1), link.Network.Plus(10), shared, one);
    }

    /// <summary>The first WAN on the line, or on a modem the first thing, that is set by hand.</summary>
    private static (InterfaceAddress, Ipv4Address)? FirstSet(NetworkDocument house, Line line, Wiring wiring)
    {
        foreach (var box in house.Devices)
        {
            var isOnLine = box.Mode == DeviceMode.Passthrough ? box.Id == line.Device : box.Mode == DeviceMode.Router && wiring.IsOnTheLine(new(box.Id, Wiring.Wan));
            if (isOnLine && box.Wan is { Method: WanMethod.Static, Address: { } address, Gateway: { } gateway } && gateway != address.Address) return (address, gateway);
        }
        foreach (var thing in house.Endpoints)
            if (thing.Address is { Method: EndpointMethod.Static, Address: { } own, Gateway: { } router } && router != own.Address && wiring.IsOnTheLine(new(thing.Id, Wiring.Net))) return (own, router);
        return null;
    }
}
