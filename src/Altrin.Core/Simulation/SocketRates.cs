using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>What the lamp of a socket shows.</summary>
internal static class SocketRates
{
    /// <returns>Mb/s; null with nothing plugged in, or without power at either end.</returns>
    public static double? Of(NetworkDocument house, Socket socket)
    {
        if (house.FindDevice(socket.Device) is not { Off: not true } box || box.FindPort(socket.Port) is not { } port) return null;
        var own = port.SpeedMbps ?? Backbone.UsualSocketMbps;
        if (house.Cables.FirstOrDefault(cable => cable.A == socket || cable.B == socket) is { } cable)
        {
            var far = cable.A == socket ? cable.B : cable.A;
            return house.FindDevice(far.Device) is { Off: not true } other ? Math.Min(own, OfCable(cable, other.FindPort(far.Port))) : null;
        }
        if (house.Endpoints.Any(thing => thing.Connect?.Socket == socket)) return Math.Min(own, Backbone.UsualSocketMbps);
        return house.Line?.Socket == socket ? own : null;
    }

    /// <summary>What the cable and the socket at its far end let through.</summary>
    private static double OfCable(Cable cable, Port? far)
    {
        var rate = Math.Min(far?.SpeedMbps ?? Backbone.UsualSocketMbps, CableRates.CountedMbps(cable));
        return cable.Medium switch
        {
            Medium.Powerline => Math.Min(rate, Backbone.PowerlineMbps),
            Medium.Coax => Math.Min(rate, Backbone.CoaxMbps),
            _ => rate,
        };
    }

    public static double? Agreed(NetworkDocument house, Cable cable) => Of(house, cable.A);
}
