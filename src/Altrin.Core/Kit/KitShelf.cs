using System.Collections.Frozen;
using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Kit;

/// <summary>The kinds that come with the program; an installer's own are kept beside the jobs.</summary>
public static class KitShelf
{
    private static readonly Lazy<FrozenDictionary<string, KitKind>> ByKit = new(() => All!.ToFrozenDictionary(kind => kind.Kit, StringComparer.Ordinal));

    /// <summary>In the order of the shelf: by group, and in a group by name.</summary>
    public static ImmutableArray<KitKind> All => Shelf.Value;

    private static readonly Lazy<ImmutableArray<KitKind>> Shelf = new(Load);

    /// <summary>An installer's own, as whoever keeps them has told; what comes with the program goes before.</summary>
    private static FrozenDictionary<string, KitKind> own = FrozenDictionary<string, KitKind>.Empty;

    public static KitKind? Find(string? kit) => kit is null ? null : ByKit.Value.GetValueOrDefault(kit) ?? Volatile.Read(ref own).GetValueOrDefault(kit);

    /// <summary>The kinds that come with the program alone.</summary>
    public static bool Comes(string kit) => ByKit.Value.ContainsKey(kit);

    /// <summary>Goes up whenever the own kinds change: what was said with their words is said anew.</summary>
    public static int Edition => Volatile.Read(ref edition);

    private static int edition;

    /// <summary>Tells the installer's own kinds, all of them: orders then use their words too.</summary>
    public static void Tell(IEnumerable<KitKind> kinds)
    {
        Volatile.Write(ref own, kinds.DistinctBy(kind => kind.Kit).ToFrozenDictionary(kind => kind.Kit, StringComparer.Ordinal));
        Interlocked.Increment(ref edition);
    }

    /// <summary>The box as its kind is sold, with the address on its own label; null where the kind is not known or the box has other radios by now.</summary>
    public static Device? Sold(Device box) => Find(box.Kit) is { Sold: not null } kind
        && kind.Make(box.Id, box.Name, box.Room, box.Mac, box.Label?.DefaultAddress) is var sold
        && sold.Wifi.All(network => box.Radios.Any(radio => radio.Id == network.Radio)) ? sold : null;

    private static ImmutableArray<KitKind> Load()
    {
        var shelf = typeof(KitShelf).Assembly;
        var kinds = new List<KitKind>();
        foreach (var name in shelf.GetManifestResourceNames().Where(name => name.StartsWith("Altrin.Core.Kit.Kinds.", StringComparison.Ordinal)))
        {
            using var file = new StreamReader(shelf.GetManifestResourceStream(name)!);
            var read = KitReader.Read(file.ReadToEnd());
            kinds.Add(read.Kind ?? throw new InvalidDataException($"{name}: {read.Problems[0]}"));
        }
        return [.. kinds.OrderBy(kind => kind.Group).ThenBy(kind => kind.Name, StringComparer.Ordinal)];
    }
}
