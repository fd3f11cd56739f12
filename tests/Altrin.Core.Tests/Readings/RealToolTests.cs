using System.Diagnostics;
using System.Net.NetworkInformation;
using System.Net.Sockets;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Tests.Readings;

/// <summary>The tools of this very machine, read, and held against what the runtime itself knows of its interfaces.</summary>
public class RealToolTests
{
    private static string Run(string tool, string arguments)
    {
        try
        {
            using var process = Process.Start(new ProcessStartInfo(tool, arguments) { RedirectStandardOutput = true, RedirectStandardError = true })!;
            var text = process.StandardOutput.ReadToEnd();
            process.WaitForExit();
            return text;
        }
        catch (System.ComponentModel.Win32Exception)
        {
            Assert.Skip($"{tool} IS NOT HERE: its output was not read.");
            return "";
        }
    }

    /// <summary>Name, first address with prefix, hardware address, as the runtime knows them.</summary>
    private static IEnumerable<(string Name, string Address, string? Mac)> Known() =>
        from one in NetworkInterface.GetAllNetworkInterfaces()
        let address = one.GetIPProperties().UnicastAddresses.FirstOrDefault(held => held.Address.AddressFamily == AddressFamily.InterNetwork)
        where address is not null
        let mac = one.GetPhysicalAddress().GetAddressBytes()
        select (one.Name, $"{address.Address}/{address.PrefixLength}", mac.Length == 6 && mac.Any(part => part != 0) ? string.Join(':', mac.Select(part => part.ToString("X2", System.Globalization.CultureInfo.InvariantCulture))) : null);

    [Theory, Trait("source", "the machine's own tools, and the runtime's System.Net.NetworkInformation")]
    [InlineData("ip", "addr", "ip-addr", true)]
    [InlineData("ip", "-br addr", "ip-addr", false)]
    [InlineData("ip", "-j addr", "ip-addr", true)]
    [InlineData("ifconfig", "-a", "ifconfig", true)]
    public void Addresses_are_read_as_the_runtime_knows_them(string tool, string arguments, string source, bool hasMac)
    {
        var reading = Assert.Single(PastedText.Read(Run(tool, arguments)));
        Assert.Equal(source, reading.Source);
        Assert.Empty(reading.Unread);
        var read = reading.Adapters.Where(one => one.Address is not null).ToDictionary(one => one.Name);
        Assert.NotEmpty(read);
        foreach (var (name, address, mac) in Known())
        {
            Assert.Equal(address, read[name].Address);
            if (hasMac) Assert.Equal(mac, read[name].Mac);
        }
    }

    [Theory]
    [InlineData("ip", "route", "ip-route")]
    [InlineData("netstat", "-rn", "netstat-route")]
    public void The_gateway_is_read_as_the_runtime_knows_it(string tool, string arguments, string source)
    {
        var known = NetworkInterface.GetAllNetworkInterfaces().SelectMany(one => one.GetIPProperties().GatewayAddresses.Select(gateway => (one.Name, Address: gateway.Address.ToString()))).Where(one => !one.Address.Contains(':', StringComparison.Ordinal)).ToList();
        if (known.Count == 0) Assert.Skip("NO GATEWAY ON THIS MACHINE: its routes were not compared.");
        var reading = Assert.Single(PastedText.Read(Run(tool, arguments)));
        Assert.Equal(source, reading.Source);
        foreach (var (name, address) in known) Assert.Contains(reading.Adapters, one => one.Name == name && one.Gateway == address);
    }

    [Theory]
    [InlineData("ip", "neigh", "ip-neigh")]
    [InlineData("arp", "-an", "arp")]
    public void Neighbours_are_those_of_the_kernels_table(string tool, string arguments, string source)
    {
        // The kernel's own table: address, type, flags (2: complete), hardware address (proc(5)).
        var known = File.ReadLines("/proc/net/arp").Skip(1).Select(line => line.Split(' ', StringSplitOptions.RemoveEmptyEntries)).Where(row => row[2] == "0x2").Select(row => (row[0], row[3].ToUpperInvariant())).ToList();
        if (known.Count == 0) Assert.Skip("NO NEIGHBOUR OF THIS MACHINE: its list was not compared.");
        var reading = Assert.Single(PastedText.Read(Run(tool, arguments)));
        Assert.Equal(source, reading.Source);
        foreach (var (address, mac) in known) Assert.Contains(reading.Neighbours, one => one.Address == address && one.Mac == mac);
    }
}
