using System.Globalization;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Readings.Eyes;

/// <summary>The laptop's link to the network as its system has it now.</summary>
/// <param name="Mbps">What the two ends agreed on.</param>
/// <param name="LevelDbm">Of the access point that it is joined to.</param>
public sealed record LinkNow(string Adapter, bool IsWifi, double? Mbps = null, string? Ssid = null, string? Bssid = null,
    double? LevelDbm = null)
{
    /// <param name="joined">The access point, as the system's own tool tells of it.</param>
    /// <param name="mbps">Where that tool does not say.</param>
    public static LinkNow Of(string adapter, SeenNetwork joined, double? mbps) =>
        new(adapter, IsWifi: true, joined.LinkMbps ?? mbps, joined.Ssid, joined.Bssid, joined.LevelDbm);
}

/// <summary>How the way from the laptop to the gateway is: inside the house, and nothing beyond it.</summary>
/// <param name="MeanMs">Of the round trips; null where none came back or no time was taken.</param>
/// <param name="JitterMs">Mean difference between one round trip and the next (as RFC 3550 section 6.4.1 has it, without
/// smoothing).</param>
/// <param name="PageMs">Until the gateway's first page answered; null where it did not.</param>
public sealed record GatewaySpeed(Ipv4Address Gateway, int Sent, int Answered, double? MeanMs, double? JitterMs, double? PageMs,
    LinkNow? Link)
{
    /// <summary>Pings that are sent.</summary>
    public const int Pings = 50;

    /// <summary>Jitter from which calls suffer on the way inside the house alone (ms); common practice, no source.</summary>
    private const double TooRestless = 30;

    /// <summary>Loss over Wi-Fi that is felt (percent); common practice, no source. Over a cable nothing is lost.</summary>
    private const double TooMuchLost = 2;

    /// <param name="times">A round trip each (ms), in order; null for one that did not come back.</param>
    public static GatewaySpeed Of(Ipv4Address gateway, IReadOnlyList<double?> times, double? pageMs, LinkNow? link)
    {
        var back = times.OfType<double>().ToList();
        var steps = times.Zip(times.Skip(1), (a, b) => a is { } one && b is { } next ? Math.Abs(next - one)
            : (double?)null).OfType<double>().ToList();
        return new(gateway, times.Count, back.Count, back.Count == 0 ? null : back.Average(), steps.Count == 0 ? null : steps.Average(),
            pageMs, link);
    }

    public double LossPercent => Sent == 0 ? 0 : 100.0 * (Sent - Answered) / Sent;

    public string Says => string.Join(" ", Sentences());

    private IEnumerable<string> Sentences()
    {
        var lost = Answered == Sent ? "none lost" : Answered == 0 ? "all lost" : $"{Sent - Answered} lost ({Number(LossPercent)} %)";
        yield return $"{Sent} pings to {Gateway}: {lost}{(MeanMs is { } mean ? $", {Number(mean)} ms" : "")}{(JitterMs is { } jitter ? $", jitter {Number(jitter)} ms" : "")}.";
        if (PageMs is { } page) yield return $"Its page answered in {Number(page)} ms.";
        if (Link is { Mbps: { } rate } link)
            yield return link.IsWifi
                ? $"The Wi-Fi link runs at {Number(rate)} Mb/s{(link.LevelDbm is { } level ? $", heard at {Number(level)} dBm" : "")}."
                : $"The cable runs at {Number(rate)} Mb/s.";
    }

    /// <summary>What a tradesperson would look at next; null where all is well.</summary>
    public string? Advice =>
        Answered == 0 ? "Nobody answers there. Look at the cable or the Wi-Fi first, and at the laptop's own address."
        : Link is { IsWifi: false, Mbps: <= 100 }
            ? "The cable agreed on 100 Mb/s or less. Try another cable: of eight wires one may be broken, or one end is an old one."
        : Link is not { IsWifi: true } && Answered < Sent ? "A cable loses nothing. Try another cable, then another socket."
        : LossPercent > TooMuchLost ? "That is much for Wi-Fi inside the house. Go nearer and measure again; then look at the channel."
        : JitterMs > TooRestless ? "Calls will suffer from that. Look at who else uses the air, and at the channel."
        : null;

    private static string Number(double value) => value.ToString(value < 10 ? "0.#" : "0", CultureInfo.InvariantCulture);
}
