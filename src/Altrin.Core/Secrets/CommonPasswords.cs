using System.Security.Cryptography;
using System.Text;

namespace Altrin.Core.Secrets;

/// <summary>Passwords that are tried first. Source: the list of 30,000 common ones in the package zxcvbn 4.4.2 (MIT licence), those of eight
/// letters and more; kept as the first six bytes of their SHA-256, sorted, since the list is full of people's names.</summary>
internal static class CommonPasswords
{
    private const int Bytes = 6;

    private static readonly Lazy<byte[]> Sorted = new(() =>
    {
        using var stream = typeof(CommonPasswords).Assembly.GetManifestResourceStream("Altrin.Core.Secrets.common.bin")!;
        var all = new byte[stream.Length];
        stream.ReadExactly(all);
        return all;
    });

    public static bool Has(string password)
    {
        var wanted = SHA256.HashData(Encoding.UTF8.GetBytes(password.ToLowerInvariant())).AsSpan(0, Bytes);
        var all = Sorted.Value;
        var (low, high) = (0, all.Length / Bytes - 1);
        while (low <= high)
        {
            var middle = (low + high) / 2;
            switch (all.AsSpan(middle * Bytes, Bytes).SequenceCompareTo(wanted))
            {
                case 0: return true;
                case < 0: low = middle + 1; break;
                default: high = middle - 1; break;
            }
        }
        return false;
    }
}
