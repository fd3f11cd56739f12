using System.Net;
using System.Net.Sockets;
using System.Text;
using System.Text.Json.Nodes;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Simulation;
using Altrin.Core.Tests;

namespace Altrin.KernelLab.Tests;

/// <summary>A house built for real, with a settings page in each box, and the program itself on the laptop in it.</summary>
internal sealed class LaptopInLab : IDisposable
{
    public static readonly string Program = Path.Combine(Examples.Root, "build", "app", "altrin-web.dll");

    /// <summary>The host that the lab has on the internet.</summary>
    public static readonly Ipv4Address Outside = Ipv4Address.Parse("198.51.100.1");

    private readonly LabHouse lab;
    private readonly List<TcpListener> pages = [];

    private LaptopInLab(LabHouse lab)
    {
        this.lab = lab;
        foreach (var box in lab.House.Devices)
        {
            var listener = Kernel.In(lab.Space(box.Id), () =>
            {
                var one = new TcpListener(IPAddress.Any, 80);
                one.Start();
                return one;
            });
            pages.Add(listener);
            _ = Serve(listener, box.Name);
        }
    }

    /// <returns>Null where a race, a loop, or one subnet on both sides of a router leaves open what the laptop would see.</returns>
    public static LaptopInLab? Of(NetworkDocument house)
    {
        var state = Simulator.Run(house);
        if (state.Segments.Any(segment => segment.IsLoop) || house.Devices.Any(box => HasOneSubnetTwice(state, box.Id))) return null;
        var lab = new LabHouse(house, state);
        try
        {
            new Leasing(lab).Run();
            var worlds = new Worlds(lab);
            if (worlds.List().Worlds is not [var only]) { lab.Dispose(); return null; }
            worlds.Apply(only);
            return new(lab);
        }
        catch
        {
            lab.Dispose();
            throw;
        }
    }

    private static bool HasOneSubnetTwice(NetworkState state, string box) => state.Lan(box)?.Address is { } lan
        && state.Wan(box) is { } wan && wan.Candidates.Any(one => one.Address is { } outside && outside.Prefix.Overlaps(lan.Prefix));

    /// <summary>What the program prints on the laptop, as it is read of a paste.</summary>
    public PastedReading Look(Glance glance)
    {
        var arguments = string.Join(" ", glance.Pings.Select(at => $"--ping {at}").Concat(glance.Pages.Select(at => $"--page {at}")));
        if (glance.Outside is { } outside) arguments += $" --outside {outside}";
        var text = Kernel.In(lab.Space(Laptop.Id), () => Kernel.Run("dotnet", $"{Program} look {arguments}"));
        var seen = JsonNode.Parse(text)!;
        IEnumerable<JsonNode> Part(string name) => seen[name]?.AsArray().Select(one => one!) ?? [];
        return new("laptop", null,
            [.. Part("adapters").Select(one => new SeenAdapter((string)one["name"]!) { Address = (string?)one["address"],
                Gateway = (string?)one["gateway"],
                Kind = (string?)one["kind"] == "virtual" ? AdapterKind.Virtual : AdapterKind.Ethernet,
                    LinkLocal = (bool?)one["linkLocal"] })],
            [.. Part("neighbours").Select(one => new SeenNeighbour((string?)one["address"], (string?)one["mac"], (string?)one["name"]))],
                [], [],
            [.. Part("pings").Select(one => new SeenPing((string)one["target"]!, (int?)one["sent"], (int?)one["received"], null))], [])
        {
            Pages = [.. Part("pages").Select(one => new SeenPage((string)one["address"]!, (bool)one["opens"]!, (string?)one["title"]))],
        };
    }

    public void Dispose()
    {
        foreach (var page in pages) page.Dispose();
        lab.Dispose();
    }

    private static async Task Serve(TcpListener listener, string title)
    {
        var answer = Encoding.UTF8.GetBytes($"HTTP/1.1 200 OK\r\nConnection: close\r\n\r\n<title>{title}</title>");
        try
        {
            while (true)
            {
                using var client = await listener.AcceptTcpClientAsync();
                try
                {
                    await client.GetStream().ReadAtLeastAsync(new byte[4096], 1, throwOnEndOfStream: false);
                    await client.GetStream().WriteAsync(answer);
                }
                // Whoever called may be gone already.
                catch (IOException) { }
            }
        }
        catch (Exception over) when (over is SocketException or ObjectDisposedException or InvalidOperationException) { /* The house is taken down. */ }
    }
}
