using System.Text.Json.Nodes;

namespace Altrin.Tests;

/// <summary>Everything that can be asked of a job without changing it, by the published description of the API.</summary>
internal static class Questions
{
    /// <summary>Deeds that can be done to the small demo house one after the other, each with the house that it is done to.</summary>
    public static readonly object[] Deeds =
    [
        new { side = "planned", action = (object)new { @do = "remove-device", device = "studio" } },
        new { side = "planned", action = (object)new { @do = "remove-line" } },
        new { side = "found", action = (object)new { @do = "remove-endpoint", endpoint = "printer" } },
        new { side = "found", action = (object)new { @do = "remove-line" } },
        new { side = "found", action = (object)new { @do = "remove-device", device = "gw" } },
        new { side = "found", action = (object)new { @do = "remove-device", device = "studio" } },
    ];

    public static List<string> Of(JsonNode openApi) => openApi["paths"]!.AsObject()
        .Where(path => path.Key.StartsWith("/api/jobs/{id}", StringComparison.Ordinal) && path.Value!["get"] is not null).Select(path => path.Key).ToList();

    /// <summary>The question about one job, of each of its houses where it names one.</summary>
    public static IEnumerable<string> Filled(string path, string id)
    {
        path = path.Replace("{id}", id, StringComparison.Ordinal).Replace("{from}", "studio-tablet", StringComparison.Ordinal)
            .Replace("{step}", "abc", StringComparison.Ordinal).Replace("{photo}", "abc", StringComparison.Ordinal);
        var query = path switch
        {
            _ when path.EndsWith("/standing", StringComparison.Ordinal) => "?device=studio",
            _ when path.EndsWith("/try", StringComparison.Ordinal) => "?device=studio&room=study&x=1&y=1",
            _ when path.EndsWith("/address-note", StringComparison.Ordinal) => "?owner=studio&address=192.168.31.2",
            _ when path.EndsWith("/reckon", StringComparison.Ordinal) => "?address=192.168.31.0/24",
            _ when path.EndsWith("/kept-addresses", StringComparison.Ordinal) => "?thing=printer",
            _ when path.EndsWith("/move-subnet", StringComparison.Ordinal) => "?segment=s1&from=192.168.31.0/24&to=192.168.77.0/24",
            _ when path.EndsWith("/said-room", StringComparison.Ordinal) => "?text=study%203%20by%204",
            _ when path.EndsWith("/options", StringComparison.Ordinal) => "?first=true",
            _ => "",
        };
        return path.Contains("{side}", StringComparison.Ordinal)
            ? new[] { "found", "planned" }.Select(side => path.Replace("{side}", side, StringComparison.Ordinal) + query) : [path + query];
    }
}
