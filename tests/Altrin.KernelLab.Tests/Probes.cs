using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;
using System.Text;
using Altrin.Core.Network;
using Socket = System.Net.Sockets.Socket;

namespace Altrin.KernelLab.Tests;

/// <summary>Listeners that say who they are, and connections that ask. Whoever answers must be the one that was meant.</summary>
internal sealed class Probes : IDisposable
{
    /// <summary>Every thing listens here, besides its services; every settings page at 80.</summary>
    public const int Hello = 7000, Page = 80;

    private readonly LabHouse lab;
    private readonly List<Socket> listeners = [];

    public Probes(LabHouse lab)
    {
        this.lab = lab;
        foreach (var thing in lab.House.Endpoints)
        {
            Listen(thing.Id, TransportProtocol.Tcp, Hello);
            foreach (var service in thing.Services.Where(one => (one.Protocol, one.Port) != (TransportProtocol.Tcp, Hello)).DistinctBy(one => (one.Protocol, one.Port)))
                Listen(thing.Id, service.Protocol, service.Port);
        }
        foreach (var device in lab.House.Devices) Listen(device.Id, TransportProtocol.Tcp, Page);
        Listen(LabHouse.Internet, TransportProtocol.Tcp, Hello);
        // One listener for every port of the internet host.
        Kernel.In(lab.Space(LabHouse.Internet), () => Kernel.Run("nft", "-f -",
            $"table ip any {{\n chain pre {{\n type nat hook prerouting priority dstnat;\n tcp dport 10000-19999 redirect to :{Hello}\n }}\n}}\n"));
    }

    public void Dispose()
    {
        foreach (var listener in listeners) listener.Dispose();
    }

    /// <summary>Who answers a TCP connection or a UDP datagram; null when nobody does in time.</summary>
    public async Task<string?> Ask(string from, TransportProtocol protocol, Ipv4Address to, int port, int patienceMs)
    {
        using var patience = new CancellationTokenSource(patienceMs);
        var end = new IPEndPoint(IPAddress.Parse(to.ToString()), port);
        try
        {
            using var socket = Kernel.In(lab.Space(from), () => protocol == TransportProtocol.Tcp
                ? new Socket(AddressFamily.InterNetwork, SocketType.Stream, ProtocolType.Tcp)
                : new Socket(AddressFamily.InterNetwork, SocketType.Dgram, ProtocolType.Udp));
            await socket.ConnectAsync(end, patience.Token);
            if (protocol == TransportProtocol.Udp) await socket.SendAsync("?"u8.ToArray(), patience.Token);
            var buffer = new byte[256];
            var read = await socket.ReceiveAsync(buffer, patience.Token);
            return read == 0 ? null : Encoding.UTF8.GetString(buffer, 0, read);
        }
        catch (Exception exception) when (exception is SocketException or OperationCanceledException) { return null; }
    }

    /// <summary>Whether an ICMP echo comes back.</summary>
    public async Task<bool> Ping(string from, Ipv4Address to, int patienceMs)
    {
        using var patience = new CancellationTokenSource(patienceMs);
        try
        {
            using var socket = Kernel.In(lab.Space(from), () => new Socket(AddressFamily.InterNetwork, SocketType.Raw, ProtocolType.Icmp));
            await socket.ConnectAsync(new IPEndPoint(IPAddress.Parse(to.ToString()), 0), patience.Token);
            var echo = Echo((ushort)Interlocked.Increment(ref echoes));
            await socket.SendAsync(echo, patience.Token);
            var buffer = new byte[256];
            while (true)
            {
                var read = await socket.ReceiveAsync(buffer, patience.Token);
                // An IPv4 header of 20 bytes, then the type: 0 is an echo reply, with the identifier of what it answers (RFC 792). An answer to somebody else's
                // comes here too, where two hold one address.
                if (read > 25 && buffer[20] == 0 && buffer[24] == echo[4] && buffer[25] == echo[5]) return true;
            }
        }
        catch (Exception exception) when (exception is SocketException or OperationCanceledException or PingException) { return false; }
    }

    private static int echoes;

    private static byte[] Echo(ushort identifier)
    {
        var echo = new byte[] { 8, 0, 0, 0, (byte)(identifier >> 8), (byte)identifier, 0, 1 };
        var sum = 0;
        for (var i = 0; i < echo.Length; i += 2) sum += echo[i] << 8 | echo[i + 1];
        sum = ~((sum & 0xffff) + (sum >> 16));
        (echo[2], echo[3]) = ((byte)(sum >> 8), (byte)sum);
        return echo;
    }

    private void Listen(string owner, TransportProtocol protocol, int port)
    {
        var name = Encoding.UTF8.GetBytes(owner);
        var socket = Kernel.In(lab.Space(owner), () =>
        {
            var opened = protocol == TransportProtocol.Tcp
                ? new Socket(AddressFamily.InterNetwork, SocketType.Stream, ProtocolType.Tcp)
                : new Socket(AddressFamily.InterNetwork, SocketType.Dgram, ProtocolType.Udp);
            opened.Bind(new IPEndPoint(IPAddress.Any, port));
            if (protocol == TransportProtocol.Tcp) opened.Listen(128);
            return opened;
        });
        listeners.Add(socket);
        _ = protocol == TransportProtocol.Tcp ? AnswerCalls(socket, name) : AnswerDatagrams(socket, name);
    }

    private static async Task AnswerCalls(Socket listener, byte[] name)
    {
        try
        {
            while (true)
            {
                using var call = await listener.AcceptAsync();
                // Whoever called may be gone already.
                try { await call.SendAsync(name); }
                catch (SocketException) { }
            }
        }
        catch (Exception exception) when (exception is SocketException or ObjectDisposedException) { /* closed */ }
    }

    private static async Task AnswerDatagrams(Socket socket, byte[] name)
    {
        try
        {
            var buffer = new byte[16];
            while (true)
            {
                var received = await socket.ReceiveFromAsync(buffer, new IPEndPoint(IPAddress.Any, 0));
                await socket.SendToAsync(name, received.RemoteEndPoint);
            }
        }
        catch (Exception exception) when (exception is SocketException or ObjectDisposedException) { /* closed */ }
    }
}
