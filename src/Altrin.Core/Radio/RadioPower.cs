using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Radio;

/// <summary>What a home radio sends.</summary>
public static class RadioPower
{
    /// <summary>EIRP in dBm: 100 mW at 2.4 GHz, 200 mW above. Common practice, no source.</summary>
    public static double UsualDbm(Band band) => band == Band.Ghz24 ? 20 : 23;

    /// <summary>As usual, or as noted of the radio; within the limit of the country where one is set and has a rule for the channel.</summary>
    public static double Of(WirelessRadio radio, RadioChannel channel, ImmutableArray<RadioRule>? rules)
    {
        var power = radio.TxDbm ?? UsualDbm(channel.Band);
        if (rules is not { } lawful) return power;
        // The lowest of the channels that it covers; where one has no rule that is a matter for a finding and not for the reckoning.
        foreach (var centre in Channels.Covered(channel))
            if (Regulations.MostDbm(lawful, centre) is { } most) power = Math.Min(power, most);
        return power;
    }
}
