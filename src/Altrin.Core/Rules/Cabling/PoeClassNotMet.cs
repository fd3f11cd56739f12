using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Cabling;

/// <summary>A box that wants its power over the data cable from a socket that gives none, or too little.</summary>
public sealed class PoeClassNotMet : IRule
{
    public string Id => "poe-class-not-met";
    public string Statement => "A socket that powers a box gives at least the class that the box needs.";
    public string Source => "IEEE 802.3af (15.4 W at the source), at (30 W), bt (60 or 90 W); values from memory";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse.Where(box => box.Injector != true))
            foreach (var port in box.Ports)
                if (port.PoeNeeds is { } needs && Of(facts, box, port, needs) is { } dark) yield return dark;
    }

    private Finding? Of(Facts facts, Device box, Port port, PoeClass needs)
    {
        var cable = facts.House.Cables.FirstOrDefault(one => one.A == new Socket(box.Id, port.Id) || one.B == new Socket(box.Id, port.Id));
        var far = cable is null ? null : Remedies.EndOpposite(cable, box.Id);
        var given = far is null ? null : facts.Device(far.Device).FindPort(far.Port)?.PoeGives;
        if (given >= needs) return null;
        var source = far is null ? "nothing is plugged in there"
            : given is { } less ? $"{facts.House.SocketName(far)} gives {Say(less)}" : $"{facts.House.SocketName(far)} gives none";
        return new(Id, Severity.Fault, "Not enough power over the cable", far is null ? [box.Id] : [box.Id, far.Device],
            () => $"{box.Name} wants {Say(needs)} power through {facts.House.SocketName(new(box.Id, port.Id))}, and {source}. It stays dark. "
            + "An injector between them does it: its data side to the router, its power side to this box.", () => Fixes(facts, cable, far, needs), box.Id, port.Id);
    }

    private static string Say(PoeClass poe) => $"802.3{Words<PoeClass>.Of(poe)}";

    private static ImmutableArray<Fix> Fixes(Facts facts, Cable? cable, Socket? far, PoeClass needs)
    {
        if (cable is null || far is null) return [];
        var better = facts.Device(far.Device).Ports.FirstOrDefault(port => port.PoeGives >= needs && facts.House.OccupantOf(new(far.Device, port.Id)) is null);
        return better is null ? [] : [new($"Move the cable to {facts.House.SocketName(new(far.Device, better.Id))}", new MoveCableEnd(cable.Id, far, new(far.Device, better.Id)))];
    }
}
