using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Cabling;

/// <summary>A socket between boxes that is slower than the line.</summary>
public sealed class SlowSocket : IRule
{
    public string Id => "slow-socket";
    public string Statement => "The sockets that join the boxes are at least as fast as the line.";
    public string Source => "IEEE 802.3 (100BASE-TX and 1000BASE-T rates)";

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (facts.House.Line is not { DownMbps: { } line } from) yield break;
        List<(Device Box, Port Port)>? all = null;
        void Look(Socket socket)
        {
            var box = facts.Device(socket.Device);
            if (box.FindPort(socket.Port) is { } port && port.SpeedMbps < line) (all ??= []).Add((box, port));
        }
        foreach (var cable in facts.House.Cables)
        {
            if (cable.Medium != Medium.Ethernet) continue;
            Look(cable.A);
            Look(cable.B);
        }
        Look(from.Socket);
        if (all is null) yield break;
        foreach (var group in all.Distinct().GroupBy(one => one.Box, one => one.Port))
        {
            var (box, slow) = (group.Key, group.ToList());
            yield return new(Id, Severity.Caution, "A socket slower than the line", [box.Id],
                () => $"{Facts.Join(slow.Select(port => facts.House.SocketName(new(box.Id, port.Id))))} {(slow.Count == 1 ? "is a" : "are")} {slow[0].SpeedMbps:0} Mb/s "
                + $"socket{(slow.Count == 1 ? "" : "s")} on a {line:0} Mb/s line: what is behind {box.Name} gets at most about {slow[0].SpeedMbps * CableRates.ShareForData:0} Mb/s.", () => []);
        }
    }
}
