using System.Security.Cryptography;
using System.Text;

namespace Altrin.Web.Share;

/// <summary>The one code that lets a phone in: good once, for five minutes, and for ten wrong guesses at it.</summary>
internal sealed class JoinCodes(TimeProvider clock)
{
    public static readonly TimeSpan Life = TimeSpan.FromMinutes(5);

    /// <summary>50 bits: at ten guesses a code nobody guesses it. No letter that looks like a digit.</summary>
    private const int Letters = 10;
    private const string Alphabet = "0123456789ABCDEFGHJKMNPQRSTVWXYZ";
    private const int MostWrong = 10;

    private readonly Lock gate = new();
    private (string Code, DateTimeOffset Until, bool LooksOnly, int Wrong)? live;

    /// <summary>A new code; the one before is void.</summary>
    /// <param name="looksOnly">Who joins by it may look and change nothing.</param>
    public (string Code, DateTimeOffset Until) Make(bool looksOnly = false)
    {
        lock (gate)
        {
            var code = RandomNumberGenerator.GetString(Alphabet, Letters);
            live = (code, clock.GetUtcNow() + Life, looksOnly, 0);
            return (code, live.Value.Until);
        }
    }

    /// <summary>Whether it is the code; if so it is void from now on.</summary>
    /// <returns>Whether who joins by it may look only; null: it is not the code.</returns>
    public bool? Use(string typed)
    {
        lock (gate)
        {
            if (live is not { } code) return null;
            if (clock.GetUtcNow() >= code.Until)
            {
                live = null;
                return null;
            }
            if (CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(Read(typed)), Encoding.UTF8.GetBytes(code.Code)))
            {
                live = null;
                return code.LooksOnly;
            }
            live = code.Wrong + 1 < MostWrong ? code with { Wrong = code.Wrong + 1 } : null;
            return null;
        }
    }

    /// <summary>As a person types it: small letters, gaps, and the letters that were left out because they look like digits.</summary>
    private static string Read(string typed) => new([.. typed.ToUpperInvariant().Where(char.IsAsciiLetterOrDigit)
        .Select(letter => letter switch { 'O' => '0', 'I' or 'L' => '1', _ => letter })]);
}
