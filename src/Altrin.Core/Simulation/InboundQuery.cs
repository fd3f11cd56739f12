using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Whether a new connection from the internet finds a service (section 3, rules 6 and 8).</summary>
internal static class InboundQuery
{
    /// <summary>Enough for any home; a house of races in series is cut off here rather than counted for ever.</summary>
    private const int MostWays = 64;

    /// <summary>A translating device on the way out, and the address that it must send inbound packets to.</summary>
    /// <param name="OnLan">Not a guest's: guests may not ask for an open port.</param>
    private sealed record Translator(Device Device, Ipv4Address Inside, bool OnLan);

    /// <returns>Beside it whether the same public address works from inside the home, which takes a box that hairpins.</returns>
    public static (Answer Reachable, Answer FromInside, string? StoppedAt) Ask(
        Delivery delivery, Climb climb, InternetWays ways, Interface endpoint, TransportProtocol protocol, int port)
    {
        var (ends, inside, stoppedAt) = (Ends.None, Ends.None, (string?)null);
        foreach (var way in WaysOut(delivery, climb, endpoint).Take(MostWays))
        {
            var stop = way is null ? null : FirstStop(delivery, way, protocol, port, OpenPorts.Every);
            if (way is not null && stop is null && IsClosed(delivery, way, protocol, port)) stop = Line.ClosedId;
            var arrives = way is not null && stop is null;
            ends |= arrives ? Ends.Yes : Ends.No;
            inside |= (arrives || stop == Line.ClosedId) && (way!.IsEmpty || way.Peek().Device.Hairpin) ? Ends.Yes : Ends.No;
            stoppedAt ??= stop;
        }
        // Whoever cannot answer is not reached; who drops it on the way is still told.
        return ways.Of(endpoint).Ends == Ends.No ? (Answer.No, Answer.No, stoppedAt) : (ends.ToAnswer(), inside.ToAnswer(), stoppedAt);
    }

    /// <summary>Every way out that chance may pick, nearest the endpoint first; null for one that does not arrive.</summary>
    private static IEnumerable<ImmutableStack<Translator>?> WaysOut(Delivery delivery, Climb climb, Interface endpoint)
    {
        var open = new Stack<(Interface At, Candidate As, ImmutableStack<Translator> Passed, int Depth)>();
        foreach (var candidate in endpoint.Candidates) open.Push((endpoint, candidate, [], 0));
        while (open.TryPop(out var here))
        {
            if (climb.WhyNotFrom(here.At, here.As) != ReachProblem.None || here.Depth > delivery.Fabric.House.Devices.Length)
            {
                yield return null;
                continue;
            }
            var holders = climb.Gateways(here.At, here.As);
            if (holders.IsEmpty) yield return null;
            foreach (var holder in holders)
            {
                var crossing = climb.Cross(holder, here.At, here.As, Translation.NotNeeded);
                // Where two hold the address, what is sent in may go to the other one.
                if (!crossing.GoesOn || (crossing.Back & Ends.No) != 0) yield return null;
                if (!crossing.GoesOn) continue;
                if (crossing.IsStreet)
                {
                    yield return here.Passed;
                    continue;
                }
                var passed = here.Passed.Push(new(delivery.Fabric.House.Devices[holder.Device], here.As.Address!.Value.Address,
                    holder.Kind == InterfaceKind.Lan));
                foreach (var candidate in crossing.Wan!.Candidates) open.Push((crossing.Wan, candidate, passed, here.Depth + 1));
            }
        }
    }

    /// <summary>Whether it would arrive, but the provider lets nothing in at the port that it needs. UPnP asks for the service's own port,
    /// and takes another only where that is taken.</summary>
    private static bool IsClosed(Delivery delivery, ImmutableStack<Translator> fromTheLine, TransportProtocol protocol, int port)
    {
        var closed = delivery.Fabric.House.Line!.ClosedPorts;
        if (closed.IsEmpty) return false;
        if (!fromTheLine.IsEmpty && fromTheLine.Peek().Device is { Upnp: true, Nat: true } box && fromTheLine.Pop().IsEmpty)
            return closed.Contains(port) && box.PortForwards.All(forward => forward.Protocol != protocol || forward.Port != port);
        return FirstStop(delivery, fromTheLine, protocol, port, new([.. closed], true)) is not null
            || (fromTheLine.IsEmpty && closed.Contains(port));
    }

    /// <summary>The first device, seen from the line, that drops the connection; null when it arrives.</summary>
    /// <param name="open">The ports at which the provider lets it in.</param>
    private static string? FirstStop(Delivery delivery, ImmutableStack<Translator> fromTheLine, TransportProtocol protocol, int port,
        OpenPorts open)
    {
        if (delivery.Table.Numbers!.IsShared) return Line.CarrierId;
        var translators = fromTheLine.ToArray();
        // What comes in is all for the one that the gateway hands the line to.
        if (translators is [{ Device: { Traits.HandsLineOn: true } gateway }, ..]) return gateway.Id;
        if (translators is [{ Device: { Upnp: true, Nat: true }, OnLan: true }]) return null;
        for (var i = 0; i < translators.Length; i++)
        {
            // Without translation its forwards and DMZ host have no effect (rule 6).
            if (!translators[i].Device.Nat) return translators[i].Device.Id;
            open = open.Through(translators[i].Device, translators[i].Inside, protocol);
            var isLast = i == translators.Length - 1;
            if (isLast ? !open.Contains(port) : open.IsEmpty) return translators[i].Device.Id;
        }
        return null;
    }
}

/// <summary>The ports at which a connection may stand before a device: some by number, or all but some.</summary>
internal sealed record OpenPorts(ImmutableHashSet<int> Listed, bool AllButListed)
{
    public static readonly OpenPorts Every = new([], true);

    public bool IsEmpty => !AllButListed && Listed.IsEmpty;
    public bool Contains(int port) => Listed.Contains(port) != AllButListed;

    /// <summary>What of it the device sends on to that address, and at which ports: its forwards first, then its DMZ host.</summary>
    public OpenPorts Through(Device device, Ipv4Address inside, TransportProtocol protocol)
    {
        var caught = ImmutableHashSet.CreateBuilder<int>();
        var sent = ImmutableHashSet.CreateBuilder<int>();
        foreach (var forward in device.PortForwards)
        {
            if (forward.Protocol != protocol || !caught.Add(forward.Port)) continue;
            if (forward.ToAddress == inside && Contains(forward.Port)) sent.Add(forward.ToPort ?? forward.Port);
        }
        if (device.DmzHost != inside) return new(sent.ToImmutable(), false);
        // A port that a forward catches does not come through the DMZ rule, but another forward may still lead to it.
        return AllButListed
            ? new(Listed.Union(caught).Except(sent), true)
            : new(Listed.Except(caught).Union(sent), false);
    }
}
