using System.Collections.Immutable;
using System.Diagnostics;
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
        if (glance.Outside is { } outside)
        {
            pings.Add(await Ping(outside));
            did.Add($"Sent one ping to {outside}, outside.");
        }
        var pages = await Task.WhenAll(glance.Pages.Select(at => PageLook.At(at, cancel)));
        if (pages.Length > 0) did.Add($"Opened the first page at {string.Join(", ", glance.Pages)}.");
        var tools = await Task.WhenAll(Tools(glance.Air).Select(async one => (one, Text: await Tool.Run(one.Program, one.Arguments,
            cancel))));
        var readings = new List<PastedReading>();
        foreach (var ((program, arguments, tells), text) in tools)
            if (text is not null)
            {
                readings.AddRange(PastedText.Read(text));
                did.Add($"Ran {program} {arguments}.");
            }
            else leftOut.Add($"{tells}: {program} is not here, or does not say.");
        readings.Add(new(OneReading.Source, null, [.. OfTheSystem()], [], [], [], [.. pings], [])
        {
            Tells = pings.Count > 0 ? [ReadingPart.Pings] : [],
            Pages = [.. pages],
        });
        var whole = OneReading.Of(readings);
        return new(glance.Names ? await WithNames(whole, did, cancel) : whole, [.. did], [.. leftOut]);
    }

    public async Task<GatewaySpeed> Measure(Ipv4Address gateway, CancellationToken cancel)
    {
        if (Manners.Refuse(gateway) is { } why) throw new ArgumentException(why, nameof(gateway));
        var asked = new List<Task<double?>>();
        for (var n = 0; n < GatewaySpeed.Pings; n++)
        {
            asked.Add(RoundTrip(gateway));
            await Task.Delay(TimeSpan.FromSeconds(1.0 / Manners.PingsASecond), cancel);
        }
        var times = await Task.WhenAll(asked);
        var watch = Stopwatch.StartNew();
        var page = await PageLook.At(gateway, cancel);
        var pageMs = page.Opens ? watch.Elapsed.TotalMilliseconds : (double?)null;
        return GatewaySpeed.Of(gateway, times, pageMs, await LinkLook.To(gateway, cancel));
    }

    /// <summary>Neighbours in the laptop's own subnet, with the names that they give themselves.</summary>
    private static async Task<PastedReading> WithNames(PastedReading reading, List<string> did, CancellationToken cancel)
    {
        var adapter = reading.InUse(isJoined: false);
        var own = InterfaceAddress.TryParse(adapter?.Address, out var held) ? held.Address : (Ipv4Address?)null;
        var nameless = reading.Neighbours.Where(one => one is { Name: null, Mac: not null })
            .Select(one => Ipv4Address.TryParse(one.Address, out var at) ? at : (Ipv4Address?)null).OfType<Ipv4Address>()
            .Where(at => Manners.Refuse(at) is null).Distinct().ToList();
        if (nameless.Count == 0) return reading;
        var servers = adapter?.Dns.Select(one => Ipv4Address.TryParse(one, out var at) ? at
            : (Ipv4Address?)null).OfType<Ipv4Address>() ?? [];
        var names = await NameLookup.Of(nameless, servers, own, cancel);
        did.Add($"Asked {nameless.Count} for their names.");
        return reading with
        {
            Neighbours = [.. reading.Neighbours.Select(one => one.Name is null && one.Address is { } at && names.TryGetValue(at,
                out var name)
                ? one with { Name = name } : one)],
        };
    }

    private static IEnumerable<(string Program, string Arguments, string Tells)> Tools(bool withAir)
    {
        (string, string, string)[] always = OperatingSystem.IsWindows() ? [("ipconfig", "/all", "Addresses"), ("arp", "-a", "Neighbours")]
            : OperatingSystem.IsMacOS() ? [("ifconfig", "", "Addresses"), ("netstat", "-rn -f inet", "Routes"), ("arp", "-an",
                "Neighbours")]
            : [("ip", "-4 route", "Routes"), ("ip", "addr", "Addresses"), ("ip", "-4 neigh", "Neighbours")];
        return !withAir || OperatingSystem.IsMacOS() ? always
            : OperatingSystem.IsWindows() ? [.. always, ("netsh", "wlan show networks mode=bssid", "Wi-Fi around")]
            : [.. always, ("nmcli", "-f SSID,BSSID,CHAN,RATE,SIGNAL,SECURITY dev wifi list", "Wi-Fi around")];
    }

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

    private static async Task<SeenPing> Ping(Ipv4Address at) =>
        await RoundTrip(at) is { } ms ? new($"{at}", 1, 1, ms) : new($"{at}", 1, 0, null);

    /// <returns>Milliseconds; null where no answer came within a second.</returns>
    private static async Task<double?> RoundTrip(Ipv4Address at)
    {
        using var ping = new Ping();
        try
        {
            var watch = Stopwatch.StartNew();
            var reply = await ping.SendPingAsync($"{at}", 1000);
            if (reply.Status != IPStatus.Success) return null;
            // The system counts whole milliseconds; below one the program's own watch is nearer.
            return reply.RoundtripTime > 0 ? reply.RoundtripTime : Math.Min(1, watch.Elapsed.TotalMilliseconds);
        }
        catch (PingException) { return null; }
    }
}
