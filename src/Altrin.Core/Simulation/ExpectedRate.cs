using Altrin.Core.Network;
using Altrin.Core.Radio;

namespace Altrin.Core.Simulation;

/// <summary>What holds a download back at one place of its way.</summary>
/// <param name="Mbps">What passes there, in Mb/s as a person would measure it.</param>
/// <param name="Kind">The line, a socket, a cable or a radio.</param>
/// <param name="Device">The box concerned; for a radio the one that makes the Wi-Fi.</param>
/// <param name="Port">The socket; null for a radio.</param>
/// <param name="Ssid">The name of the Wi-Fi; null on a cable.</param>
/// <param name="IsSameRoom">Whether the two radios stand in one room; else a couple of rooms apart is counted.</param>
public sealed record RateLimit(double Mbps, RateLimitKind Kind, string Device, string? Port = null, string? Ssid = null, bool IsSameRoom = false);

public enum RateLimitKind { Line, Socket, Cable, Powerline, Radio, SharedRadio }

/// <summary>The rate that a thing may expect of a download from the internet.</summary>
/// <param name="Tightest">Null where nothing on the way has a rate written down.</param>
public sealed record RateAnswer(Answer Reachable, RateLimit? Tightest);

/// <summary>Follows the way of a thing to the street and asks every link on it what it carries.</summary>
internal sealed class RateQuery(NetworkState state)
{
    /// <summary>What a powerline pair carries through a home's wiring: common practice, no source; the number on the box is many times that.</summary>
    public const double PowerlineMbps = 50;

    private readonly List<RateLimit> limits = [];

    /// <summary>Time that a megabit takes on each radio: a radio that hears and repeats does both in turns.</summary>
    private readonly Dictionary<(string Device, string Radio), double> airtime = [];

    public RateAnswer Of(string endpoint)
    {
        var trace = state.TraceOf(endpoint);
        if (trace.Reachable == Answer.No) return new(Answer.No, null);
        var thing = state.House.FindEndpoint(endpoint)!;
        var before = (string?)null;
        foreach (var hop in trace.Hops)
        {
            switch (hop.Over)
            {
                case TraceLink.Plug: Socket(thing.Connect!.Socket!); break;
                case TraceLink.Line: Line(); break;
                case TraceLink.Radio when before is null: Joined(thing); break;
                case TraceLink.Radio: Backhaul(before, hop.Device); break;
                case TraceLink.Cable: Wire(state.House.FindCable(hop.Cable!)!); break;
                default: throw new InvalidOperationException($"{hop.Over} is not handled.");
            }
            before = hop.Device;
        }
        return new(trace.Reachable, limits.MinBy(limit => limit.Mbps));
    }

    private void Socket(Socket socket)
    {
        if (state.House.FindDevice(socket.Device)?.FindPort(socket.Port)?.SpeedMbps is { } speed)
            limits.Add(new(speed * CableRates.ShareForData, RateLimitKind.Socket, socket.Device, socket.Port));
    }

    private void Wire(Cable cable)
    {
        Socket(cable.A);
        Socket(cable.B);
        if (cable.Medium == Medium.Powerline) limits.Add(new(PowerlineMbps, RateLimitKind.Powerline, cable.A.Device, cable.A.Port));
        else if (CableRates.LimitMbps(cable) is { } limit) limits.Add(new(limit * CableRates.ShareForData, RateLimitKind.Cable, cable.A.Device, cable.A.Port));
    }

    private void Line()
    {
        if (state.House.Line is not { } line) return;
        Socket(line.Socket);
        if (line.DownMbps is { } speed) limits.Add(new(speed, RateLimitKind.Line, line.Device, line.Port));
    }

    /// <summary>A thing takes the better of the bands on which the box sends the name it has joined.</summary>
    private void Joined(Endpoint thing)
    {
        if (state.JoinedNetwork(thing.Id) is not { } joined || state.House.FindDevice(joined.Box) is not { } box) return;
        var network = box.Wifi[joined.Place];
        var isSameRoom = Rooms.AreSame(state.House, thing.Room, box.Room);
        var best = box.Wifi.Where(one => one.Enabled && one.Ssid == network.Ssid && one.Key == network.Key && one.Security == network.Security)
            .Select(one => (one.Radio, Mbps: Rate(box, one, null, isSameRoom))).MaxBy(one => one.Mbps);
        Hear(best.Mbps, new(best.Mbps, RateLimitKind.Radio, box.Id, null, network.Ssid, isSameRoom), (box.Id, best.Radio));
    }

    private void Backhaul(string from, string to)
    {
        // Up over the one's own uplink, as a rule; down over the other's where that is the way.
        var (lower, upper) = state.UplinkBox(from) == to ? (from, to) : (to, from);
        if (state.JoinedNetwork(lower) is not { } joined || state.House.FindDevice(lower) is not { Uplink: { } uplink } box) return;
        var far = state.House.FindDevice(upper)!;
        var network = far.Wifi[joined.Place];
        var own = box.Radios.First(radio => radio.Id == uplink.Radio);
        var isSameRoom = Rooms.AreSame(state.House, box.Room, far.Room);
        var rate = Rate(far, network, own, isSameRoom);
        Hear(rate, new(rate, RateLimitKind.Radio, far.Id, null, network.Ssid, isSameRoom), (far.Id, network.Radio), (box.Id, own.Id));
    }

    private void Hear(double rate, RateLimit limit, params ReadOnlySpan<(string Device, string Radio)> radios)
    {
        limits.Add(limit);
        if (rate <= 0) return;
        foreach (var radio in radios)
        {
            var before = airtime.GetValueOrDefault(radio);
            airtime[radio] = before + (1 / rate);
            if (before > 0) limits.Add(limit with { Mbps = 1 / airtime[radio], Kind = RateLimitKind.SharedRadio, Device = radio.Device });
        }
    }

    /// <param name="joining">The radio that joins; null for a tablet or the like, as new as the box.</param>
    private static double Rate(Device box, WifiNetwork network, WirelessRadio? joining, bool isSameRoom)
    {
        var radio = box.Radios.First(one => one.Id == network.Radio);
        var (generation, streams, width) = (HomeRadio.GenerationOf(radio), HomeRadio.StreamsOf(radio), HomeRadio.WidthOf(radio, network));
        if (joining is null) streams = Math.Min(streams, HomeRadio.ThingStreams);
        else
        {
            generation = HomeRadio.Common(generation, HomeRadio.GenerationOf(joining));
            (streams, width) = (Math.Min(streams, HomeRadio.StreamsOf(joining)), Math.Min(width, joining.MaxWidthMHz ?? width));
        }
        return HomeRadio.ExpectedMbps(radio.Band, generation, streams, Math.Max(20, width), isSameRoom ? HomeRadio.SameRoomM : HomeRadio.OtherRoomM);
    }
}
