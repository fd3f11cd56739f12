using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Wireless;

/// <summary>A satellite or repeater that joins another by radio where it could join the main box.</summary>
public sealed class SatellitesInRow : IRule
{
    public string Id => "satellites-in-row";
    public string Statement => "Satellites and repeaters stand round the main box, not in a row.";
    public string Source => "common practice, no source";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            if (box.Uplink is not { Near: { } near } uplink || facts.State.UplinkBox(box.Id) is not { } joined || joined != near) continue;
            if (facts.State.UplinkBox(near) is not null && Found(facts, box, uplink, near) is { } found) yield return found;
        }
    }

    private Finding? Found(Facts facts, Device box, Uplink uplink, string near)
    {
        var nearer = WifiMatch.Willing(facts, uplink, box).FirstOrDefault(one => one.Box.Id != near && facts.State.UplinkBox(one.Box.Id) is null && IsInReach(facts, box, one) is not false);
        if (nearer is null) return null;
        var level = IsInReach(facts, box, nearer) is true ? $" and is heard there at {Level(facts, box, nearer):0} dBm" : "";
        return new(Id, Severity.Caution, "Two radio hops in a row", [box.Id, near],
            () => $"{box.Name} joins {facts.NameOf(near)}, which itself joins by radio: each hop takes about half of what is left. "
            + $"{nearer.Box.Name} makes the same network{level} and is a hop less away.",
            () => [new($"Join {nearer.Box.Name} instead{(level.Length > 0 ? "" : ", if it is heard there")}", new SetUplink(box.Id, uplink with { Near = nearer.Box.Id }))], box.Id);
    }

    /// <summary>Whether it is heard well enough to be joined; null where nobody knows where the two stand.</summary>
    private static bool? IsInReach(Facts facts, Device box, AirNetwork network) => Level(facts, box, network) is { } level ? level >= JoinLevel.WeakDbm : null;

    private static double? Level(Facts facts, Device box, AirNetwork network)
    {
        var air = facts.State.AirMap;
        var (here, there) = (facts.House.Devices.IndexOf(box), facts.House.Devices.IndexOf(network.Box));
        return air.Hearing.AreKnown(air.Hearing.PlaceOf(here), air.Hearing.PlaceOf(there))
            && air.Sources.FirstOrDefault(source => source.Device == there && source.Radio.Id == network.Network.Radio) is { } source
                ? air.LevelDbm(source, here) : null;
    }
}
