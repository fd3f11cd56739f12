using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Kit;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(NoteKind), "note-kind")]
public abstract partial record InstallerAction;

/// <summary>Keeps a kind of an installer's own in the house, as it is now: what is later made of it on the kit shelf changes nothing
/// here.</summary>
/// <param name="Kit">Its id on the shelf.</param>
public sealed record NoteKind(string Kit) : InstallerAction
{
    /// <summary>Null: the house forgets it.</summary>
    public KitKind? Kind { get; init; }

    public override bool IsRecord(NetworkDocument house) => true;

    public override ActionProblem? Problem(NetworkDocument house)
    {
        if (Kind is null) return house.Kinds.Any(kind => kind.Kit == Kit) ? null : new("kit", $"This house keeps no kind “{Kit}”.");
        if (Kind.Kit != Kit) return new("kind.kit", $"“{Kind.Kit}” is not “{Kit}”. Name one kind.");
        return KitShelf.Comes(Kit) ? new("kit", $"“{Kit}” is a kind that comes with Altrin. Give yours another id.") : null;
    }

    public override string Say(NetworkDocument house) => Kind is null ? $"Forget the kind {Kit}" : $"Note what {Kind.Name} is";

    protected override NetworkDocument Do(NetworkDocument house)
    {
        var at = house.Kinds.ToList().FindIndex(kind => kind.Kit == Kit);
        return house with
        {
            Kinds = Kind is null ? house.Kinds.RemoveAt(at) : at < 0 ? house.Kinds.Add(Kind)
            : house.Kinds.SetItem(at, Kind)
        };
    }

    /// <summary>What has to be noted before boxes come into a house: the kinds of the shelf that the actions name and the house does not
    /// have so.</summary>
    /// <param name="own">An installer's own kind of that id, as it is now; null where there is none.</param>
    public static ImmutableArray<InstallerAction> For(NetworkDocument house, IEnumerable<InstallerAction> actions, Func<string,
        KitKind?> own) =>
    [
        .. actions.Select(BoxOf).Select(box => box?.Kit).OfType<string>().Distinct()
            .Where(kit => !KitShelf.Comes(kit)).Select(own).OfType<KitKind>()
            .Where(kind => !house.Kinds.Any(has => Documents.SameWritten.Are(has, kind)))
            .Select(kind => new NoteKind(kind.Kit) { Kind = kind }),
    ];

    private static Device? BoxOf(InstallerAction action) => action switch
    {
        AddDevice { Device: var box } => box,
        DescribeDevice { Box: var box } => box,
        ConfigureDevice { Settings: var box } => box,
        _ => null,
    };
}
