using System.Buffers.Binary;
using System.Text;
using Altrin.Core.Network;

namespace Altrin.Web.Eyes;

/// <summary>The question which name an address has, and its answer (RFC 1035 sections 3.5 and 4.1).</summary>
internal static class NameQuery
{
    private const ushort Pointer = 12, Internet = 1;

    /// <summary>More jumps inside a message are a loop.</summary>
    private const int MostJumps = 32;

    private const int HeaderLength = 12, LongestName = 255;

    public static byte[] Ask(ushort id, Ipv4Address at)
    {
        var value = at.Value;
        string[] labels = [$"{value & 255}", $"{(value >> 8) & 255}", $"{(value >> 16) & 255}", $"{value >> 24}", "in-addr", "arpa"];
        var message = new List<byte>(48) { (byte)(id >> 8), (byte)id, 1, 0, 0, 1, 0, 0, 0, 0, 0, 0 };
        foreach (var label in labels)
        {
            message.Add((byte)label.Length);
            message.AddRange(Encoding.ASCII.GetBytes(label));
        }
        message.AddRange([0, 0, (byte)Pointer, 0, (byte)Internet]);
        return [.. message];
    }

    /// <returns>Addresses and their names; nothing of a message that is no answer, or broken.</returns>
    public static IEnumerable<(string Address, string Name)> Read(byte[] message)
    {
        if (message.Length < HeaderLength || (message[2] & 0x80) == 0) yield break;
        int Number(int at) => BinaryPrimitives.ReadUInt16BigEndian(message.AsSpan(at));
        var (questions, answers) = (Number(4), Number(6));
        var at = HeaderLength;
        for (var n = 0; n < questions; n++)
        {
            var (_, end) = Name(message, at);
            if (end < 0) yield break;
            at = end + 4;
        }
        for (var n = 0; n < answers; n++)
        {
            var (owner, end) = Name(message, at);
            if (end < 0 || end + 10 > message.Length) yield break;
            var (kind, length) = (Number(end), Number(end + 8));
            if (end + 10 + length > message.Length) yield break;
            if (kind == Pointer && Name(message, end + 10) is var (name, stop) && stop >= 0 && AddressOf(owner) is { } address)
                yield return (address, name.EndsWith(".local", StringComparison.OrdinalIgnoreCase) ? name[..^".local".Length] : name);
            at = end + 10 + length;
        }
    }

    private static string? AddressOf(string owner) => owner.Split('.') is [var d, var c, var b, var a, var zone, var top]
        && zone.Equals("in-addr", StringComparison.OrdinalIgnoreCase) && top.Equals("arpa", StringComparison.OrdinalIgnoreCase)
        && Ipv4Address.TryParse($"{a}.{b}.{c}.{d}", out var address) ? $"{address}" : null;

    /// <returns>The name and where it ends; −1 for one that is broken.</returns>
    private static (string Name, int End) Name(byte[] message, int at)
    {
        var text = new StringBuilder();
        var end = -1;
        for (var jumps = 0; at < message.Length;)
        {
            int length = message[at];
            if (length == 0) return (text.ToString(), end < 0 ? at + 1 : end);
            if ((length & 0xC0) == 0xC0)
            {
                if (at + 1 >= message.Length || ++jumps > MostJumps) break;
                if (end < 0) end = at + 2;
                at = ((length & 0x3F) << 8) | message[at + 1];
                continue;
            }
            if ((length & 0xC0) != 0 || at + 1 + length > message.Length || text.Length + length > LongestName) break;
            if (text.Length > 0) text.Append('.');
            text.Append(Encoding.UTF8.GetString(message, at + 1, length));
            at += 1 + length;
        }
        return ("", -1);
    }
}
