using System.Globalization;
using Altrin.Core.Network;
using CsvHelper;

namespace Altrin.Web.Visit;

/// <summary>Who a MAC is registered to, by the public registry where this system has it installed (Debian: <c>ieee-data</c>). Nothing of it is
/// shipped: without it no maker is named.</summary>
/// <remarks>IEEE Registration Authority: blocks of 24, 28 and 36 bits, the longest that fits is the owner's.</remarks>
internal sealed class MakerRegistry(string folder)
{
    public const string Usual = "/usr/share/ieee-data";

    /// <summary>Digits of a block's name, the longest first.</summary>
    private static readonly int[] Digits = [9, 7, 6];
    private static readonly string[] Files = ["oui.csv", "mam.csv", "oui36.csv", "iab.csv"];

    /// <summary>It is needed for a moment, once a paste; between two it may go.</summary>
    private readonly WeakReference<Dictionary<string, string>?> known = new(null);

    /// <summary>Null: nobody, or a private MAC, or there is no registry here.</summary>
    public string? Of(MacAddress mac)
    {
        if (mac.IsLocallyAdministered) return null;
        var hex = mac.ToString().Replace(":", "", StringComparison.Ordinal).ToUpperInvariant();
        var blocks = Blocks();
        return Digits.Select(digits => blocks.GetValueOrDefault(hex[..digits])).FirstOrDefault(name => name is not null);
    }

    private Dictionary<string, string> Blocks()
    {
        if (known.TryGetTarget(out var all) && all is not null) return all;
        var blocks = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var file in Files.Select(name => Path.Combine(folder, name)).Where(File.Exists))
        {
            using var reader = new StreamReader(file);
            using var csv = new CsvReader(reader, CultureInfo.InvariantCulture);
            if (!csv.Read() || !csv.ReadHeader()) continue;
            while (csv.Read())
                if (csv.TryGetField<string>("Assignment", out var block) && csv.TryGetField<string>("Organization Name", out var name) && block is not null && !string.IsNullOrWhiteSpace(name))
                    blocks.TryAdd(block.Trim().ToUpperInvariant(), name.Trim());
        }
        known.SetTarget(blocks);
        return blocks;
    }
}
