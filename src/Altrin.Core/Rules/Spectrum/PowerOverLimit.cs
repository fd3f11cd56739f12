using Altrin.Core.Actions;
using Altrin.Core.Radio;

namespace Altrin.Core.Rules.Spectrum;

/// <summary>A radio noted to send more than the country allows on its channel.</summary>
public sealed class PowerOverLimit : IRule
{
    public string Id => "power-over-limit";
    public string Statement => "No radio sends more than the country allows on its channel.";
    public string Source => "the open wireless regulatory database (a snapshot is shipped); ETSI EN 300 328 (100 mW) for Europe, value from memory";

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (Regulations.Of(facts.House.Country) is not { } rules) yield break;
        foreach (var source in facts.State.AirMap.Sources)
        {
            if (source.Radio.TxDbm is not { } power) continue;
            var limits = Channels.Covered(source.Channel).Select(centre => Regulations.MostDbm(rules, centre)).OfType<double>().ToList();
            if (limits.Count == 0 || power <= limits.Min() + 0.5) continue;
            var box = ChannelFixes.BoxOf(facts, source);
            var (most, radio) = (Math.Floor(limits.Min()), source.Radio.Id);
            yield return new(Id, Severity.Fault, "More power than is lawful", [box.Id], () => $"{box.Name} is noted to radiate {power:0.#} dBm (EIRP) at {ChannelFixes.BandWords(source.Radio.Band)}; {facts.House.Country} allows {limits.Min():0.#} dBm on its channel. Set its real country, or lower its power, on its settings page. "
                + "Nothing is gained by more: what it sends louder it does not hear better.", () => [new($"Lower it to {most:0} dBm", new SetRadioPower(box.Id, radio, most))], radio);
        }
    }
}
