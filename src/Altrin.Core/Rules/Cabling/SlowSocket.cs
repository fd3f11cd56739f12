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
        var used = facts.House.Cables.Where(cable => cable.Medium == Medium.Ethernet).SelectMany(cable => new[] { cable.A, cable.B }).Append(from.Socket);
        foreach (var group in used.Distinct().GroupBy(socket => socket.Device))
        {
            var box = facts.Device(group.Key);
            var slow = group.Select(socket => box.FindPort(socket.Port)!).Where(port => port.SpeedMbps < line).ToList();
            if (slow.Count == 0) continue;
            yield return new(Id, Severity.Caution, "A socket slower than the line", [box.Id],
                () => $"{Facts.Join(slow.Select(port => facts.House.SocketName(new(box.Id, port.Id))))} {(slow.Count == 1 ? "is a" : "are")} {slow[0].SpeedMbps:0} Mb/s "
                + $"socket{(slow.Count == 1 ? "" : "s")} on a {line:0} Mb/s line: what is behind {box.Name} gets at most about {slow[0].SpeedMbps * CableRates.ShareForData:0} Mb/s.", () => []);
        }
    }
}
