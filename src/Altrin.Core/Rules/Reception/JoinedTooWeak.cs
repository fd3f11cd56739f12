using Altrin.Core.Air;
using Altrin.Core.Radio;

namespace Altrin.Core.Rules.Reception;

/// <summary>A box that hears whom it joins too weakly to pass much on.</summary>
public sealed class JoinedTooWeak : IRule
{
    public string Id => "joined-too-weak";
    public string Statement => "A box that joins by radio stands where it still hears the other well.";
    public string Source => "common practice, no source (half way between the router and the weak room; its lamp says: move closer)";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var link in facts.State.AirMap.Links)
        {
            var (box, far) = (facts.House.Devices[link.From], facts.House.Devices[link.To]);
            if (!JoinLevel.IsWeak(link) || !facts.State.AirMap.ArePlaced(link)) continue;
            yield return new(Id, Severity.Caution, $"{box.Name} hears {far.Name} too weakly", [box.Id, far.Id],
                () => $"{box.Name} hears {far.Name} at {link.LevelDbm:0} dBm, {RateWords.Through(link.Between)}: that carries {(link.LinkMbps < 10 ? $"{link.LinkMbps:0.#}" : $"{link.LinkMbps:0}")} Mb/s, and whoever is on {box.Name} gets no more.",
                () => StandElsewhere.Fixes(facts, box), box.Id);
        }
    }
}
