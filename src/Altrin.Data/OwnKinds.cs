using System.Text;
using Altrin.Core.Documents;
using Altrin.Core.Kit;
using Altrin.Core.Network;

namespace Altrin.Data;

/// <summary>An installer's own kinds of boxes: a file each in the data folder, kept for all jobs.</summary>
public sealed class OwnKinds(string folder)
{
    /// <summary>More than anybody carries; a house may carry all of them.</summary>
    public const int Most = Limits.MostKinds;

    private readonly Lock gate = new();

    /// <summary>By name. A file that cannot be read is passed over and stays where it is.</summary>
    public IReadOnlyList<KitKind> All()
    {
        if (!Directory.Exists(folder)) return [];
        return [.. Directory.EnumerateFiles(folder, "*.json").Order(StringComparer.Ordinal).Take(Most)
            .Select(file => KitReader.Read(File.ReadAllBytes(file)).Kind).OfType<KitKind>().OrderBy(kind => kind.Name, StringComparer.Ordinal)];
    }

    public KitKind? Find(string kit) => IsName(kit) && File.Exists(FileOf(kit)) ? KitReader.Read(File.ReadAllBytes(FileOf(kit))).Kind : null;

    /// <returns>Why it is not kept; null when it is.</returns>
    public DocumentProblem? Keep(KitKind kind)
    {
        if (KitShelf.Comes(kind.Kit)) return new("kit", $"“{kind.Kit}” is a kind that comes with Altrin. Give yours another id.");
        lock (gate)
        {
            Directory.CreateDirectory(folder);
            if (!File.Exists(FileOf(kind.Kit)) && Directory.EnumerateFiles(folder, "*.json").Count() >= Most) return new("", $"More than {Most} kinds of your own. Take some away first.");
            // Whole or not at all: a start may come in between.
            var half = FileOf(kind.Kit) + ".new";
            File.WriteAllText(half, KitReader.Write(kind), new UTF8Encoding(false));
            File.Move(half, FileOf(kind.Kit), overwrite: true);
        }
        return null;
    }

    public bool Remove(string kit)
    {
        if (!IsName(kit) || !File.Exists(FileOf(kit))) return false;
        File.Delete(FileOf(kit));
        return true;
    }

    /// <summary>The reader lets nothing else be an id, so that no id is a way out of the folder.</summary>
    private static bool IsName(string kit) => kit.Length is > 0 and <= 100 && kit.All(letter => letter is (>= 'a' and <= 'z') or (>= '0' and <= '9') or '-');

    private string FileOf(string kit) => Path.Combine(folder, $"{kit}.json");
}
