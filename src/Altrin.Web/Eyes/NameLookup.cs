using System.Net;
using System.Net.Sockets;
using Altrin.Core.Network;
using Altrin.Core.Readings.Eyes;

namespace Altrin.Web.Eyes;

/// <summary>Which names neighbours have: whoever has a name of its own answers a question to all (RFC 6762 section 5.1, one-shot), and a
/// name server inside the house knows those that it leased an address to. A name server outside is never asked.</summary>
internal static class NameLookup
{
    private static readonly IPEndPoint Everybody = new(IPAddress.Parse("224.0.0.251"), 5353);

    private static readonly TimeSpan Patience = TimeSpan.FromMilliseconds(800);

    /// <param name="own">The laptop's address on the house's network: by it the question to all goes out.</param>
    public static async Task<IReadOnlyDictionary<string, string>> Of(IReadOnlyList<Ipv4Address> all, IEnumerable<Ipv4Address> servers,
        Ipv4Address? own, CancellationToken cancel)
    {
        var names = new Dictionary<string, string>(StringComparer.Ordinal);
        if (all.Count == 0) return names;
        using var socket = new UdpClient(new IPEndPoint(IPAddress.Any, 0));
        if (own is { } address)
            socket.Client.SetSocketOption(SocketOptionLevel.IP, SocketOptionName.MulticastInterface,
                IPAddress.Parse($"{address}").GetAddressBytes());
        IPEndPoint[] asked = [Everybody, .. servers.Where(one => Manners.Refuse(one) is null).Select(one =>
            new IPEndPoint(IPAddress.Parse($"{one}"), 53))];
        using var over = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        try
        {
            foreach (var to in asked)
                for (var n = 0; n < all.Count; n++)
                {
                    await socket.SendAsync(NameQuery.Ask((ushort)(n + 1), all[n]), to, cancel);
                    // At the pace of the pings: a small box drops what comes all at once.
                    if (n % 5 == 4) await Task.Delay(TimeSpan.FromMilliseconds(20), cancel);
                }
            over.CancelAfter(Patience);
            var wanted = all.Select(one => $"{one}").ToHashSet(StringComparer.Ordinal);
            while (names.Count < all.Count)
            {
                var answer = await socket.ReceiveAsync(over.Token);
                foreach (var (at, name) in NameQuery.Read(answer.Buffer))
                    if (wanted.Contains(at) && name.Length > 0) names.TryAdd(at, name);
            }
        }
        // No way there, or nobody there: then there are no names.
        catch (Exception none) when (none is SocketException || (none is OperationCanceledException && !cancel.IsCancellationRequested)) { }
        return names;
    }
}
