using Altrin.Core.Network;
using Altrin.Core.Readings;

namespace Altrin.Core.Tests.Readings;

/// <summary>Codes on labels. Sources: the ZXing project's page of barcode contents (Wi-Fi network config); the WPA3 specification, section 7
/// (URI). Values from memory.</summary>
public class LabelCodeTests
{
    [Theory]
    [InlineData("WIFI:T:WPA;S:mynetwork;P:mypass;;", "mynetwork", WifiSecurity.Wpa2, "mypass", false)]
    [InlineData("WIFI:S:mynetwork;T:nopass;;", "mynetwork", WifiSecurity.Open, null, false)]
    [InlineData("WIFI:S:mynetwork;;", "mynetwork", WifiSecurity.Open, null, false)]
    [InlineData("WIFI:T:WEP;S:old;P:12345;H:true;;", "old", WifiSecurity.Wep, "12345", true)]
    // “foo;bar\baz” in quotation marks stands as \"foo\;bar\\baz\".
    [InlineData("WIFI:S:\\\"foo\\;bar\\\\baz\\\";T:WPA;P:a\\:b\\,c;;", "foo;bar\\baz", WifiSecurity.Wpa2, "a:b,c", false)]
    [InlineData("wifi:t:SAE;s:new;p:k;;", "new", WifiSecurity.Wpa3, "k", false)]
    [InlineData("WIFI:T:WPA;R:1;S:caf%C3%A9;P:p%3Bq;;", "café", WifiSecurity.Wpa3, "p;q", false)]
    [InlineData("WIFI:T:WPA;R:0;S:both;P:pass;;", "both", WifiSecurity.Wpa2Wpa3, "pass", false)]
    // Without the fields of the URI a per cent sign is itself.
    [InlineData("WIFI:T:WPA;S:100%25;P:x;;", "100%25", WifiSecurity.Wpa2, "x", false)]
    public void A_wifi_code_is_read(string text, string ssid, WifiSecurity security, string? key, bool hidden)
    {
        var code = LabelCode.Read(text);
        Assert.Equal((ssid, security, key, hidden), (code.Ssid, code.Security!.Value, code.Key, code.Hidden));
    }

    [Theory]
    [InlineData("MAC:00005E005301", "00:00:5E:00:53:01", null)]
    [InlineData("S/N 4711, MAC 00-00-5e-00-53-02", "00:00:5E:00:53:02", null)]
    [InlineData("http://192.168.1.1/login", null, "192.168.1.1")]
    [InlineData("https://example.com/app", null, null)]
    [InlineData("http://203.0.113.7/", null, null)]
    [InlineData("4711000123", null, null)]
    public void Another_code_offers_its_MAC_or_its_page_and_never_a_serial_number(string text, string? mac, string? page)
    {
        var code = LabelCode.Read(text);
        Assert.Equal((null, mac, page), (code.Ssid, code.Mac, code.Page));
    }

    [Theory]
    [InlineData("WIFI:")]
    [InlineData("WIFI:;;;;")]
    [InlineData("WIFI:S:;;")]
    [InlineData("WIFI:S:this name is longer than thirty-two bytes are;;")]
    [InlineData("")]
    public void What_is_broken_offers_nothing(string text) => Assert.Equal(new LabelCode(null, null, null, false, null, null), LabelCode.Read(text));

    /// <summary>Law: any text is read without an exception, and in time.</summary>
    [Fact]
    public void Any_text_is_read()
    {
        var random = new Random(3);
        const string Signs = "WIFI:STPHRK;:\\\"%0aé\n ";
        for (var n = 0; n < 5000; n++)
            _ = LabelCode.Read((n % 2 == 0 ? "WIFI:" : "") + new string([.. Enumerable.Range(0, random.Next(60)).Select(_ => Signs[random.Next(Signs.Length)])]));
    }
}
