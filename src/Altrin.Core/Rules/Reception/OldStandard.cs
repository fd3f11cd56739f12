using Altrin.Core.Network;
using Altrin.Core.Radio;

namespace Altrin.Core.Rules.Reception;

/// <summary>A radio of a standard so old that it, and not the line, is what holds its users back.</summary>
public sealed class OldStandard : IRule
{
    public string Id => "old-standard";
    public string Statement => "No box makes Wi-Fi by a standard that carries less than the line brings.";
    public string Source => "IEEE 802.11b and 802.11g (11 and 54 Mb/s; value from memory); in use 20 to 35 Mb/s: common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (facts.House.Line?.DownMbps is not { } line) yield break;
        foreach (var source in facts.State.AirMap.Sources)
        {
            if (source.Ability.Generation is not ("b" or "g" or "a")) continue;
            var most = LinkRate.Mbps(source.Ability, RadioAbility.Household(source.Ability), 20, 0);
            // Where the line brings less still, nobody would notice a newer one.
            if (line <= most) continue;
            var box = facts.House.Devices[source.Device];
            yield return new(Id, Severity.Caution, "An old standard", [box.Id], () => $"{box.Name} makes Wi-Fi by 802.11{source.Ability.Generation}: {WifiRates.PeakMbps(source.Ability.Generation, 1, 20):0} Mb/s on paper, about {most:0} in use, on a line of {line:0}. "
                + "And while it sends, everybody else on its channel waits the longer. A newer box in its place, or a cable to one, is the cure.", () => [], source.Radio.Id);
        }
    }
}
