namespace Altrin.Web.Photos;

/// <summary>What a code says by which a phone joins a Wi-Fi network.</summary>
/// <remarks>The form that phones read by common agreement: <c>WIFI:T:WPA;S:name;P:password;H:true;;</c>, a backslash before \ ; , : and ".
/// Value from memory.</remarks>
internal static class WifiCode
{
    /// <param name="password">Null for an open network.</param>
    public static string Of(string ssid, string? password, bool isHidden) =>
        $"WIFI:T:{(password is null ? "nopass" : "WPA")};S:{Escape(ssid)};{(password is null ? "" : $"P:{Escape(password)};")}{(isHidden ? "H:true;" : "")};";

    private static string Escape(string text) =>
        string.Concat(text.Select(letter => "\\;,:\"".Contains(letter, StringComparison.Ordinal) ? $"\\{letter}" : letter.ToString()));
}
