using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Reception;

/// <summary>A box that hears whom it joins too weakly to pass much on.</summary>
public sealed class JoinedTooWeak : IRule
{
    public string Id => "joined-too-weak";
    public string Statement => "A box that joins by radio stands where it still hears the other well.";
    public string Source => "common practice, no source (half way between the router and the weak room; its lamp says: move closer)";
    public RuleTraits Traits => RuleTraits.CuredByPlace;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var link in facts.State.AirMap.Links)
        {
            var (box, far) = (facts.House.Devices[link.From], facts.House.Devices[link.To]);
            if (!JoinLevel.IsWeak(link) || !facts.State.AirMap.ArePlaced(link)) continue;
            yield return new(Id, Severity.Caution, $"{box.Name} hears {far.Name} too weakly", [box.Id, far.Id],
                () => $"{box.Name} hears {far.Name} at {link.LevelDbm:0} dBm, {RateWords.Through(link.Between)}: that carries {(link.LinkMbps < 10 ? $"{link.LinkMbps:0.#}" : $"{link.LinkMbps:0}")} Mb/s, and whoever is on {box.Name} gets no more.",
                () => BestFirst(facts, [.. Another(facts, link, box), .. StandElsewhere.Fixes(facts, box)]), box.Id);
        }
    }

    private static ImmutableArray<Fix> BestFirst(Facts facts, ImmutableArray<Fix> fixes) => fixes.Length < 2 ? fixes
        : [.. fixes.OrderByDescending(fix => RoomRates.Of(fix.Actions.Apply(facts.House)))];

    /// <summary>Another box that makes the same network and is heard well where it stands.</summary>
    private static IEnumerable<Fix> Another(Facts facts, AirLink link, Device box)
    {
        var air = facts.State.AirMap;
        var better = WifiMatch.Willing(facts, box.Uplink!, box).Where(one => facts.House.Devices[link.To].Id != one.Box.Id && !HangsBelow(facts, one.Box.Id, box.Id))
            .Select(one => (one.Box, Source: air.Sources.FirstOrDefault(source => facts.House.Devices[source.Device].Id == one.Box.Id && source.Radio.Id == one.Network.Radio)))
            .Where(one => one.Source is not null && air.Hearing.PlaceOf(one.Source.Device).IsListed)
            .Select(one => (one.Box, Level: air.LevelDbm(one.Source!, link.From))).Where(one => one.Level >= JoinLevel.WeakDbm).OrderByDescending(one => one.Level).ToList();
        if (better.Count > 0) yield return new($"Join {better[0].Box.Name}, heard at {better[0].Level:0} dBm", new SetUplink(box.Id, box.Uplink! with { Near = better[0].Box.Id }));
    }

    private static bool HangsBelow(Facts facts, string box, string above)
    {
        for (var (at, n) = (box, 0); n < facts.House.Devices.Length && facts.State.UplinkBox(at) is { } up; at = up, n++)
            if (up == above) return true;
        return false;
    }
}
