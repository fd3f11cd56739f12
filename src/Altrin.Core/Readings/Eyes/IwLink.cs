using System.Globalization;

namespace Altrin.Core.Readings.Eyes;

/// <summary>What <c>iw dev … link</c> prints of the access point that a laptop is joined to.</summary>
public static class IwLink
{
    /// <returns>Null where it is joined to none.</returns>
    public static LinkNow? Read(string adapter, string text)
    {
        var link = new LinkNow(adapter, IsWifi: true);
        var isJoined = false;
        foreach (var line in text.Split('\n').Select(line => line.Trim()))
        {
            if (line.StartsWith("Connected to ", StringComparison.Ordinal))
            {
                isJoined = true;
                link = link with { Bssid = line["Connected to ".Length..].Split(' ')[0].ToUpperInvariant() };
            }
            else if (After(line, "SSID:") is { } ssid) link = link with { Ssid = ssid };
            else if (After(line, "signal:") is { } level && Number(level) is { } dbm) link = link with { LevelDbm = dbm };
            else if (After(line, "tx bitrate:") is { } rate && Number(rate) is { } mbps) link = link with { Mbps = mbps };
        }
        return isJoined ? link : null;
    }

    private static string? After(string line, string label) => line.StartsWith(label, StringComparison.Ordinal) ? line[label.Length..].Trim() : null;

    private static double? Number(string text) =>
        double.TryParse(text.Split(' ')[0], NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && double.IsFinite(value) ? value : null;
}
