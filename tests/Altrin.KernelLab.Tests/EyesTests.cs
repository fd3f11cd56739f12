using System.Net;
using System.Net.Sockets;
using System.Text;
using System.Text.Json.Nodes;
using Altrin.Core.Tests;

namespace Altrin.KernelLab.Tests;

/// <summary>The program itself in a namespace of its own: what it says of its network is what was built there.</summary>
public class EyesTests
{
    private static readonly string Program = Path.Combine(Examples.Root, "build", "app", "altrin-web.dll");

    [Fact]
    public void The_program_sees_the_network_that_it_stands_in()
    {
        Assert.SkipWhen(Kernel.WhyNot is not null, $"KERNEL LAB NOT RUN: {Kernel.WhyNot}.");
        Assert.SkipWhen(!File.Exists(Program), "The program is not built: ./altrin test builds it.");
        var stem = $"altrin-lab-{Environment.ProcessId}-eyes-";
        string[] spaces = [$"{stem}laptop", $"{stem}gateway", $"{stem}printer", $"{stem}switch"];
        try
        {
            foreach (var space in spaces) Kernel.Run("ip", $"netns add {space}");
            Kernel.Run("ip", $"-n {spaces[3]} link add br0 type bridge");
            Kernel.Run("ip", $"-n {spaces[3]} link set br0 up");
            string[] macs = ["02:00:5e:40:00:01", "02:00:5e:40:00:02", "02:00:5e:40:00:03"];
            string[] addresses = ["192.168.77.50", "192.168.77.1", "192.168.77.20"];
            for (var n = 0; n < 3; n++)
            {
                Kernel.Run("ip", $"link add name eth0 netns {spaces[n]} type veth peer name p{n} netns {spaces[3]}");
                Kernel.Run("ip", $"-n {spaces[3]} link set p{n} master br0 up");
                Kernel.Run("ip", $"-n {spaces[n]} link set eth0 address {macs[n]} up");
                Kernel.Run("ip", $"-n {spaces[n]} addr add {addresses[n]}/24 dev eth0");
            }
            Kernel.Run("ip", $"-n {spaces[0]} route add default via 192.168.77.1");
            using var page = Kernel.In(spaces[1], () =>
            {
                var listener = new TcpListener(IPAddress.Any, 80);
                listener.Start();
                return listener;
            });
            var served = Serve(page);
            var text = Kernel.In(spaces[0], () => Kernel.Run("dotnet", $"{Program} look --sweep --page 192.168.77.1 --page 192.168.77.20"));
            var seen = JsonNode.Parse(text)!;
            var adapter = seen["adapters"]!.AsArray().Single(one => (string?)one!["name"] == "eth0")!;
            Assert.Equal(("192.168.77.50/24", "192.168.77.1", macs[0].ToUpperInvariant()),
                ((string?)adapter["address"], (string?)adapter["gateway"], (string?)adapter["mac"]));
            Assert.Equal([("192.168.77.1", macs[1].ToUpperInvariant()), ("192.168.77.20", macs[2].ToUpperInvariant())],
                seen["neighbours"]!.AsArray().Select(one => ((string)one!["address"]!, (string)one["mac"]!)).Order());
            Assert.Equal(["192.168.77.1", "192.168.77.20"],
                seen["pings"]!.AsArray().Where(one => (int)one!["received"]! == 1).Select(one =>
                (string)one!["target"]!).Order(StringComparer.Ordinal));
            Assert.Equal(253, seen["pings"]!.AsArray().Count);
            Assert.Equal([("192.168.77.1", true, "Settings"), ("192.168.77.20", false, null)],
                seen["pages"]!.AsArray().Select(one => ((string)one!["address"]!, (bool)one["opens"]!, (string?)one["title"])));
            // One plain request: nothing that could be a password, a form or a cookie, and its redirect is not followed.
            var asked = Assert.Single(served);
            Assert.StartsWith("GET / HTTP/1.1", asked, StringComparison.Ordinal);
            foreach (var header in new[] { "Authorization", "Cookie", "POST" }) Assert.DoesNotContain(header, asked,
                StringComparison.OrdinalIgnoreCase);
        }
        finally
        {
            foreach (var space in spaces) Kernel.Run("ip", $"netns del {space}", mayFail: true);
        }
    }

    /// <summary>Answers with a page that would send a browser elsewhere.</summary>
    private static List<string> Serve(TcpListener listener)
    {
        var asked = new List<string>();
        new Thread(() =>
        {
            try
            {
                while (true)
                {
                    using var client = listener.AcceptTcpClient();
                    var buffer = new byte[4096];
                    asked.Add(Encoding.ASCII.GetString(buffer, 0, client.GetStream().Read(buffer)));
                    client.GetStream().Write("HTTP/1.1 302 Found\r\nLocation: /login\r\nConnection: close\r\n\r\n<html><head><title>Settings</title></head></html>"u8);
                }
            }
            catch (Exception over) when (over is SocketException or ObjectDisposedException or InvalidOperationException) { /* The test has ended. */ }
        })
        { IsBackground = true }.Start();
        return asked;
    }
}
