using System.Collections.Frozen;
using System.Collections.Immutable;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.Kit;

/// <summary>The kinds that come with the program; a house carries an installer's own that it has boxes of.</summary>
public static class KitShelf
{
    private static readonly Lazy<FrozenDictionary<string,
        KitKind>> ByKit = new(() => All!.ToFrozenDictionary(kind => kind.Kit, StringComparer.Ordinal));

    /// <summary>In the order of the shelf: by group, and in a group by name.</summary>
    public static ImmutableArray<KitKind> All => Shelf.Value;

    private static readonly Lazy<ImmutableArray<KitKind>> Shelf = new(Load);

    /// <summary>A kind that comes with the program; null where none is called so.</summary>
    public static KitKind? Find(string? kit) => kit is null ? null : ByKit.Value.GetValueOrDefault(kit);

    /// <summary>What stands at most lines: the provider's box that routes and can be set to modem mode. Common practice, no
    /// source.</summary>
    public static KitKind UsualGateway => Find("gateway-modem-mode")!;

    /// <summary>Whether a kind comes with the program.</summary>
    public static bool Comes(string kit) => ByKit.Value.ContainsKey(kit);

    /// <summary>The kind that a box was taken from: one that comes with the program, or the house's own copy of an installer's.</summary>
    /// <returns>Null where nobody has said, or no such kind is known here.</returns>
    public static KitKind? KindOf(this NetworkDocument house, Device box) =>
        Find(box.Kit) ?? house.Kinds.FirstOrDefault(kind => kind.Kit == box.Kit);

    /// <summary>The box as its kind is sold, with the address on its own label.</summary>
    /// <returns>Null where the kind is not known, or the box has other radios by now.</returns>
    public static Device? Sold(NetworkDocument house, Device box) => house.KindOf(box) is { Sold: not null } kind
        && kind.Make(box.Id, box.Name, box.Room, box.Mac, box.Label?.DefaultAddress) is var sold
        && sold.Wifi.All(network => box.Radios.Any(radio => radio.Id == network.Radio)) ? sold : null;

    private static ImmutableArray<KitKind> Load()
    {
        var shelf = typeof(KitShelf).Assembly;
        var kinds = new List<KitKind>();
        foreach (var name in shelf.GetManifestResourceNames().Where(name =>
            name.StartsWith("Altrin.Core.Kit.Kinds.", StringComparison.Ordinal)))
        {
            using var file = new StreamReader(shelf.GetManifestResourceStream(name)!);
            var read = KitReader.Read(file.ReadToEnd());
            kinds.Add(read.Kind ?? throw new InvalidDataException($"{name}: {read.Problems[0]}"));
        }
        return [.. kinds.OrderBy(kind => kind.Group).ThenBy(kind => kind.Name, StringComparer.Ordinal)];
    }
}
