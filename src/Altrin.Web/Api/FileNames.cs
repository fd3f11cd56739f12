using Altrin.Core.Network;

namespace Altrin.Web.Api;

/// <summary>What is saved is called by the house.</summary>
internal static class FileNames
{
    private const int MostLetters = 60;

    public static string StemOf(NetworkDocument house)
    {
        var stem = new string([.. house.Name.ToLowerInvariant().Select(letter => char.IsAsciiLetterOrDigit(letter) ? letter
            : '-')]).Trim('-');
        return stem.Length == 0 ? "house" : stem[..Math.Min(stem.Length, MostLetters)];
    }
}
