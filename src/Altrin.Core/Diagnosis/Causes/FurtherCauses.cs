using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.Causes;

/// <summary>What else goes wrong in houses, beyond the table of the format. Common practice, no source.</summary>
internal static class FurtherCauses
{
    public static IEnumerable<Cause> Of(CauseGround ground) => Things(ground).Concat(Boxes(ground)).Concat(TheLine(ground));

    private static IEnumerable<Cause> Things(CauseGround ground)
    {
        foreach (var thing in ground.House.Endpoints)
        {
            (string, object) subject = ("endpoint", thing.Id);
            Cause One(string kind, string sentence, string field, Func<Endpoint, Endpoint> change) =>
                CauseGround.One(kind, sentence, $"{thing.Id}.{field}", house => house.WithEndpoint(thing.Id, change), subject);

            if (thing.Connect is not null)
                yield return One("thing-off", $"{thing.Name} is switched off, or asleep.", "connect", one => one with { Connect = null });
            if (thing.Connect is Attachment.Join join && ground.State.JoinedNetwork(thing.Id) is var (on, place))
                foreach (var cause in Elsewhere(ground, thing, join, ground.House.FindDevice(on)!.Wifi[place], One)) yield return cause;
            if (thing.Address.Method == EndpointMethod.Dhcp && ground.State.Net(thing.Id) is { Segment: >= 0 and var segment })
                foreach (var cause in CauseGround.Variants(OlderSubnets(ground, segment).Select(address => One("thing-fixed",
                    $"{thing.Name} still has the fixed address {address.Address} of another network.", "address",
                    one => one with { Address = EndpointAddress.Fixed(address, null) })))) yield return cause;
        }
    }

    /// <summary>On another name of the house that its radio has, the guests' among them.</summary>
    private static IEnumerable<Cause> Elsewhere(CauseGround ground, Endpoint thing, Attachment.Join join, WifiNetwork own,
        Func<string, string, string, Func<Endpoint, Endpoint>, Cause> one)
    {
        var others = ground.State.Air.Where(other => (other.Network.Ssid, other.Network.Key) != (own.Ssid, own.Key)
            && (thing.Bands.IsEmpty || thing.Bands.Contains(other.Band))).DistinctBy(other =>
                (other.Network.Ssid, other.Network.Key)).ToList();
        Cause Joined(AirNetwork other, string kind, string what) =>
            one(kind, $"{thing.Name} is on {what}{other.Network.Ssid}, not on {own.Ssid}.", "connect",
            now => now with
            {
                Connect = join with
                {
                    Ssid = other.Network.Ssid,
                    Security = other.Network.Security,
                    Key = other.Network.Key,
                    Near = other.Box.Id
                },
            });
        return CauseGround.Variants(others.Where(other => other.Network.Guest).Select(other =>
            Joined(other, "joined-guest", "the guests’ Wi-Fi ")))
            .Concat(CauseGround.Variants(others.Where(other => !other.Network.Guest).Select(other =>
                Joined(other, "joined-other", "the Wi-Fi "))));
    }

    /// <summary>.50 of each label's subnet that is none of the segment's: where it once was set.</summary>
    private static IEnumerable<InterfaceAddress> OlderSubnets(CauseGround ground, int segment)
    {
        var here = ground.State.SubnetsOn(segment).ToHashSet();
        return ground.House.Devices.Select(box => box.Label?.DefaultAddress).OfType<Ipv4Address>()
            .Select(label => Prefix.Of(label, InterfaceAddress.BareLength)).Distinct().Where(subnet => !here.Contains(subnet))
            .Select(subnet => new InterfaceAddress(subnet.Network.Plus(50), subnet.Length));
    }

    private static IEnumerable<Cause> Boxes(CauseGround ground)
    {
        foreach (var box in ground.InUse)
        {
            if (box.SendsWifi && box.Wifi.Count(network => network.Enabled) > 1)
                yield return CauseGround.OfBox("wifi-button", box, $"The Wi-Fi of {box.Name} is off altogether: its button was pressed.",
                    "wifi",
                    one => one with { Wifi = [.. one.Wifi.Select(network => network with { Enabled = false })] });
            if (PoolOneTooSmall(ground, box) is { } end)
                yield return CauseGround.OfBox("pool-full", box, $"{box.Name} has no address left to give out: its pool is full.", "pool",
                    one => one with { Lan = one.Lan! with { DhcpServer = one.Lan.DhcpServer! with { End = end } } });
            if (!box.Traits.IsRouter || box.Wan is not { } wan || !ground.State.IsWanPlugged(box.Id)) continue;
            if (wan is { Method: WanMethod.Static, Address: { } outside })
                foreach (var cause in CauseGround.Variants(AddressCauses.Slips(outside).Select(slip => CauseGround.OfBox("wan-slip", box,
                    $"{box.Name} has {slip} on its WAN side, a digit away from {outside.Address}.", "wan",
                    one => one with { Wan = one.Wan! with { Address = new(slip, outside.Prefix.Length) } },
                        ("address", $"{slip}"))))) yield return cause;
            var asked = wan.Method == WanMethod.Dhcp ? WanMethod.Pppoe : WanMethod.Dhcp;
            yield return CauseGround.OfBox("wan-method", box,
                $"{box.Name} goes out by {Words<WanMethod>.Of(asked)}, not by {Words<WanMethod>.Of(wan.Method)}.",
                "wan", one => one with { Wan = new() { Method = asked } });
        }
    }

    /// <summary>Where its pool would have to end for the last of its clients to get nothing; null where nobody leases there, or nobody
    /// looked at the pool.</summary>
    private static Ipv4Address? PoolOneTooSmall(CauseGround ground, Device box)
    {
        if (box.Lan?.DhcpServer is not { Enabled: true, Start: { } start }
            || !ground.State.Servers.Any(server => server.Device == box.Id)) return null;
        var leased = ground.State.Interfaces.Where(one => one.Outcome == LeaseOutcome.Leased && one.Candidates is [{ Server: { } server }]
            && server == box.Id)
            .Select(one => one.Address!.Value.Address).Where(address => address >= start).Order().ToList();
        return leased.Count < 2 ? null : leased[^2];
    }

    /// <summary>The provider's cable in a LAN socket of its box.</summary>
    private static IEnumerable<Cause> TheLine(CauseGround ground)
    {
        if (ground.House.Line is not { } line || ground.House.FindDevice(line.Device) is not { } box) return [];
        return CauseGround.Variants(box.Ports.Where(port => port.Role == PortRole.Lan && port.Id != line.Port
            && ground.House.OccupantOf(new(box.Id, port.Id)) is null)
            .Select(port =>
                CauseGround.One("line-plug",
                $"The provider’s line is in {ground.Socket(new(box.Id, port.Id))}, not in {ground.Socket(line.Socket)}.",
                "line.port", house =>
                    house.Line is null ? house
                    : house with { Line = house.Line with { Port = port.Id } }, ("device", box.Id), ("port", port.Id))));
    }
}
