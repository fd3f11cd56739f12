using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

public sealed class SocketsNeed : INeedJudge
{
    public NeedKind Kind => NeedKind.Sockets;
    public string Sentence(NetworkDocument house, Need need) => $"{need.Count} free socket{(need.Count == 1 ? "" : "s")} in {need.Room}";

    public (Answer, string) Judge(Facts facts, Need need)
    {
        var free = facts.House.Devices.Where(device => RoomName.IsSame(device.Room, need.Room))
            .Sum(device => device.Ports.Count(port => port.Role == PortRole.Lan && facts.House.OccupantOf(new(device.Id, port.Id)) is null));
        return (free >= need.Count ? Answer.Yes : Answer.No, $"{free} free there.");
    }
}
