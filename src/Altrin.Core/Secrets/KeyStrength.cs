using System.Collections.Immutable;
using System.Text;

namespace Altrin.Core.Secrets;

/// <summary>What speaks against a password; nothing where it is good.</summary>
public static class KeyStrength
{
    /// <summary>A WPA passphrase: 8 to 63 printable ASCII characters, or 64 hexadecimal digits (IEEE 802.11, value from memory).</summary>
    public const int LeastWifi = 8, MostWifi = 63, RawWifi = 64;

    /// <summary>Below it a list of guesses gets there. Common practice, no source.</summary>
    public const int Comfortable = 12;

    /// <summary>Longer than any box takes.</summary>
    public const int Most = 200;

    /// <summary>Why it cannot be a Wi-Fi password at all; null when it can.</summary>
    public static string? WhyNoWifiKey(string key)
    {
        if (key.Length == RawWifi && key.All(char.IsAsciiHexDigit)) return null;
        if (key.Length is < LeastWifi or > MostWifi) return $"A Wi-Fi password has {LeastWifi} to {MostWifi} characters; this has {key.Length}.";
        return key.All(letter => letter is >= ' ' and <= '~') ? null : "A Wi-Fi password has plain letters, digits and signs only: many boxes take no others.";
    }

    /// <param name="others">Other passwords of the house that it must not equal, with what each is.</param>
    public static ImmutableArray<string> Against(string key, IEnumerable<(string What, string Value)> others)
    {
        var against = ImmutableArray.CreateBuilder<string>();
        if (CommonPasswords.Has(key)) against.Add("It is one of the passwords that are tried first.");
        foreach (var (what, value) in others)
            if (string.Equals(value, key, StringComparison.Ordinal)) against.Add($"It is the same as {what}: who has the one has the other.");
        if (key.Length < Comfortable) against.Add($"It is short: {Comfortable} characters and more are hard to guess.");
        if (key.Distinct().Count() < 5) against.Add("It has fewer than five different characters.");
        if (IsRun(key)) against.Add("It is a run of neighbouring letters or digits.");
        return against.ToImmutable();
    }

    private static bool IsRun(string key) => key.Length > 3
        && (Enumerable.Range(1, key.Length - 1).All(i => key[i] - key[i - 1] == 1) || Enumerable.Range(1, key.Length - 1).All(i => key[i - 1] - key[i] == 1));
}

/// <summary>Passwords to offer: said over the telephone or read off a card without a mistake.</summary>
public static class GoodKey
{
    /// <summary>No 0 and o, 1, l and i, 5 and s, 2 and z, 8 and b, u and v.</summary>
    public const string Clear = "acdefghjkmnpqrtwxy34679";

    private const string Consonants = "bdfgklmnprtvz", Vowels = "aeiou";

    /// <summary>Ten syllables: about 60 bits.</summary>
    private const int Syllables = 10;

    /// <param name="next">A random number from 0 to below what is asked, from a source nobody can foresee.</param>
    public static string Sayable(Func<int, int> next)
    {
        var text = new StringBuilder();
        for (var i = 0; i < Syllables; i++)
        {
            if (i > 0 && i % 2 == 0) text.Append('-');
            text.Append(Consonants[next(Consonants.Length)]).Append(Vowels[next(Vowels.Length)]);
        }
        return text.ToString();
    }

    /// <summary>Sixteen characters that no eye takes for others: about 72 bits.</summary>
    public static string Plain(Func<int, int> next)
    {
        var text = new StringBuilder();
        for (var i = 0; i < 16; i++)
        {
            if (i > 0 && i % 4 == 0) text.Append('-');
            text.Append(Clear[next(Clear.Length)]);
        }
        return text.ToString();
    }
}
