using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Cabling;

/// <summary>A cable in the wrong kind of socket for the mode the box is in.</summary>
public sealed class WrongSocket : IRule
{
    public string Id => "wrong-socket";
    public string Statement => "A box in router mode is fed through its WAN socket.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            if (!box.Traits.IsRouter) continue;
            if (LineInLan(facts, box) is { } line) yield return line;
            else if (box.Lan?.DhcpServer is { Enabled: true } && facts.IsBridgeInPractice(box)) yield return FedThroughLan(facts, box);
        }
    }

    private Finding? LineInLan(Facts facts, Device box)
    {
        if (facts.House.Line is not { } line || line.Device != box.Id || box.FindPort(line.Port)?.Role != PortRole.Lan) return null;
        return Found(facts, box, line);
    }

    private Finding Found(Facts facts, Device box, Line line)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (facts.House.FreePort(box, PortRole.Wan) is { } wan)
            fixes.Add(new($"Move the line to {Naming.PortName(box, wan.Id)}", new SetLine(line with { Port = wan.Id })));
        return new(Id, Severity.Fault, "The line is in a LAN socket", [box.Id],
            () => $"The provider's line is in {facts.House.SocketName(line.Socket)}, and {box.Name} is a router: it does not route what comes in "
            + "there. Nothing on its network is protected, and at most one device gets the provider's address.", fixes.ToImmutable);
    }

    private Finding FedThroughLan(Facts facts, Device box)
    {
        var cable = Remedies.UplinkCable(facts, box);
        var where = cable is null ? "Its LAN side" : $"The cable is in {facts.House.SocketName(Remedies.EndAt(cable, box.Id))}";
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (Remedies.JoinAsAccessPoint(facts, box) is { } join) fixes.Add(new(Remedies.JoinAsAccessPointWords(box), join));
        if (cable is not null && facts.House.FreePort(box, PortRole.Wan) is { } wan)
            fixes.Add(new($"Move the cable to {Naming.PortName(box, wan.Id)}",
                new MoveCableEnd(cable.Id, Remedies.EndAt(cable, box.Id), new(box.Id, wan.Id))));
        fixes.Add(new("Turn off its DHCP server", new TurnOffDhcpServer(box.Id)));
        return new(Id, Severity.Fault, "A router fed through its LAN socket", [box.Id],
            () => $"{where} and its WAN socket is empty, so {box.Name} routes nothing; yet it gives out addresses with itself as gateway. "
            + "Whoever gets one of those has no internet.", fixes.ToImmutable);
    }
}
