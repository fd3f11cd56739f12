using System.Collections.Immutable;
using System.Net.NetworkInformation;
using Altrin.Core.Network;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Web.Eyes;

/// <summary>The machine that the program runs on. Its system's own tools tell of it, read as a paste of them is; nothing needs
/// root.</summary>
internal sealed class ThisLaptop : IEyes
{
    public string Says => "this laptop";

    public async Task<Sight> Look(Glance glance, CancellationToken cancel)
    {
        if (Manners.Refuse(glance) is { } why) throw new ArgumentException(why, nameof(glance));
        var did = new List<string>();
        var leftOut = new List<string>();
        var pings = await Pings(glance.Pings, did, cancel);
        var pages = await Task.WhenAll(glance.Pages.Select(at => PageLook.At(at, cancel)));
        if (pages.Length > 0) did.Add($"Opened the first page at {string.Join(", ", glance.Pages)}.");
        var readings = new List<PastedReading>();
        foreach (var (program, arguments, tells) in Tools())
            if (await Tool.Run(program, arguments, cancel) is { } text)
            {
                readings.AddRange(PastedText.Read(text));
                did.Add($"Ran {program} {arguments}.");
            }
            else leftOut.Add($"{tells}: {program} is not here, or does not say.");
        readings.Add(new(OneReading.Source, null, [.. OfTheSystem()], [], [], [], [.. pings], [])
        {
            Tells = pings.Count > 0
            ? [ReadingPart.Pings] : [],
            Pages = [.. pages]
        });
        return new(OneReading.Of(readings), [.. did], [.. leftOut]);
    }

    private static IEnumerable<(string Program, string Arguments, string Tells)> Tools() =>
        OperatingSystem.IsWindows()
            ? [("ipconfig", "/all", "Addresses"), ("arp", "-a", "Neighbours"), ("netsh", "wlan show networks mode=bssid", "Wi-Fi around")]
        : OperatingSystem.IsMacOS() ? [("ifconfig", "", "Addresses"), ("netstat", "-rn -f inet", "Routes"), ("arp", "-an", "Neighbours")]
        : [("ip", "-4 route", "Routes"), ("ip", "addr", "Addresses"), ("ip", "-4 neigh", "Neighbours"),
            ("nmcli", "-f SSID,BSSID,CHAN,RATE,SIGNAL,SECURITY dev wifi list", "Wi-Fi around")];

    /// <summary>What the runtime knows where a tool is silent: name servers, and on Windows who leased the address.</summary>
    private static IEnumerable<SeenAdapter> OfTheSystem()
    {
        foreach (var one in NetworkInterface.GetAllNetworkInterfaces().Where(one => one.OperationalStatus == OperationalStatus.Up
            && one.NetworkInterfaceType is not (NetworkInterfaceType.Loopback or NetworkInterfaceType.Tunnel)))
        {
            var of = one.GetIPProperties();
            var servers = of.DnsAddresses.Select(at => at.ToString()).Where(at => Ipv4Address.TryParse(at, out _)
                && !at.StartsWith("127.", StringComparison.Ordinal));
            var gateways = of.GatewayAddresses.Select(at => at.Address.ToString()).Where(at => Ipv4Address.TryParse(at, out var known)
                && known != default);
            yield return new(one.Name) { Dns = [.. servers], Gateway = gateways.FirstOrDefault() };
        }
    }

    private static async Task<List<SeenPing>> Pings(ImmutableArray<Ipv4Address> all, List<string> did, CancellationToken cancel)
    {
        if (all.IsEmpty) return [];
        var asked = new List<Task<SeenPing>>();
        foreach (var at in all)
        {
            asked.Add(Ping(at));
            await Task.Delay(TimeSpan.FromSeconds(1.0 / Manners.PingsASecond), cancel);
        }
        var answers = await Task.WhenAll(asked);
        did.Add(all.Length == 1 ? $"Sent one ping to {all[0]}."
            : $"Sent a ping to each of {all.Length} addresses, {Manners.PingsASecond} a second.");
        return [.. answers];
    }

    private static async Task<SeenPing> Ping(Ipv4Address at)
    {
        using var ping = new Ping();
        try
        {
            var reply = await ping.SendPingAsync(at.ToString(), 1000);
            return new($"{at}", 1, reply.Status == IPStatus.Success ? 1 : 0, reply.Status == IPStatus.Success ? reply.RoundtripTime : null);
        }
        catch (PingException) { return new($"{at}", 1, 0, null); }
    }
}
