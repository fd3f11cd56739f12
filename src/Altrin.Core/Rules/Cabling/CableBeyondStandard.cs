using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Cabling;

/// <summary>A cable longer than its standard allows, or of a category below the sockets it joins.</summary>
public sealed class CableBeyondStandard : IRule
{
    /// <summary>A twisted-pair channel from socket to socket, in metres.</summary>
    private const double Channel = 100;

    public string Id => "cable-beyond-standard";
    public string Statement => "A data cable is at most 100 m long and of a category that carries what its two sockets can.";
    public string Source => "ANSI/TIA-568.2 and ISO/IEC 11801 (channels of 100 m), IEEE 802.3 (rate by category); values from memory";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var cable in facts.House.Cables)
        {
            if (cable.Medium != Medium.Ethernet) continue;
            if (cable.LengthM > Channel) yield return TooLong(facts, cable);
            else if (CableRates.LimitMbps(cable) is { } limit && Sockets(facts, cable) > limit) yield return TooSlow(facts, cable, limit);
        }
    }

    private Finding TooLong(Facts facts, Cable cable) => new(Id, Severity.Caution, "A cable too long", [cable.A.Device, cable.B.Device],
        $"The cable between {facts.House.SocketName(cable.A)} and {facts.House.SocketName(cable.B)} is {cable.LengthM:0} m ({cable.LengthM / 0.3048:0} ft) long; the standard ends at 100 m (328 ft). "
        + "Put a switch half way, or use fibre.", () => [], cable.Id, "length");

    private Finding TooSlow(Facts facts, Cable cable, double limit) => new(Id, Severity.Caution, "A cable of too low a category", [cable.A.Device, cable.B.Device],
        $"The cable between {facts.House.SocketName(cable.A)} and {facts.House.SocketName(cable.B)} is {cable.Category}{(cable.LengthM is { } m ? $", {m:0} m" : "")}, good for {Rate(limit)}; "
        + $"its sockets can do {Rate(Sockets(facts, cable))}.", () => Fixes(facts, cable), cable.Id, "category");

    /// <summary>The rate that both ends agree on; 0 where one is not known.</summary>
    private static double Sockets(Facts facts, Cable cable) => Math.Min(Speed(facts, cable.A), Speed(facts, cable.B));

    private static double Speed(Facts facts, Socket socket) => facts.Device(socket.Device).FindPort(socket.Port)?.SpeedMbps ?? 0;

    private static string Rate(double mbps) => mbps >= 1000 ? $"{mbps / 1000:0.#} Gb/s" : $"{mbps:0} Mb/s";

    private static ImmutableArray<Fix> Fixes(Facts facts, Cable cable)
    {
        var better = Sockets(facts, cable) <= 2500 ? "cat5e" : "cat6a";
        return [new($"Lay {better} instead", new ReplaceCable(cable.Id, Medium.Ethernet, better, cable.LengthM))];
    }
}
