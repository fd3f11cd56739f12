using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

public sealed class SocketsNeed : NeedJudge<Need.Sockets>
{
    public override string Sentence(NetworkDocument house, Need.Sockets need) => $"{need.Count} free socket{(need.Count == 1 ? "" : "s")} in {Rooms.Say(house, need.Room)}";

    public override (Answer, string) Judge(Facts facts, Need.Sockets need)
    {
        var free = facts.House.Devices.Where(device => Rooms.AreSame(facts.House, device.Room, need.Room) && facts.State.IsInUse(device.Id)).Sum(device => FreeSockets(facts, device));
        return (free >= need.Count ? Answer.Yes : Answer.No, $"{free} free there.");
    }

    /// <summary>A box that is one network has no WAN: that socket is like the others. What is plugged into a modem is in the street, and a
    /// gateway that hands the line on has nothing for anybody but its target.</summary>
    private static int FreeSockets(Facts facts, Device box)
    {
        if (box.Traits.Wan == WanSide.BridgedForTheLine || (box.Traits.HandsLineOn && !box.RoutesForItsOwn)) return 0;
        return box.Ports.Count(port => (port.Role == PortRole.Lan || box.Traits.IsOneNetwork) && facts.House.OccupantOf(new(box.Id, port.Id)) is null);
    }
}

internal partial class NeedHearing
{
    public NeedVerdict Sockets(Need.Sockets need) => new SocketsNeed().Verdict(facts, need);
}
