using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.Causes;

/// <summary>One thing that may have gone otherwise.</summary>
/// <param name="Subject">What names it besides its kind, by the fields of the format, in order.</param>
/// <param name="Change">Makes it so in any house.</param>
/// <param name="Fields">What of the house it changes: two causes that change the same make no pair.</param>
/// <param name="Sentence">What went wrong, as one tradesperson would tell another.</param>
public sealed record Cause(CauseKind Kind, ImmutableArray<(string Field, object Value)> Subject, Func<NetworkDocument,
    NetworkDocument> Change,
    ImmutableArray<string> Fields, string Sentence)
{
    public double Odds { get; init; }

    /// <summary>Where the laptop really is; null for where it is thought to be.</summary>
    public LaptopPlace? Laptop { get; init; }

    /// <summary>The laptop has that address at every place.</summary>
    public EndpointAddress? FixedLaptop { get; init; }

    /// <summary>How it is undone, where that is more than setting and plugging what was believed.</summary>
    public Func<NetworkDocument, ImmutableArray<InstallerAction>>? Undo { get; init; }

    /// <summary>Where two things went wrong: both.</summary>
    public ImmutableArray<Cause> Of { get; init; } = [];

    public double MendMinutes => Of.IsEmpty ? Kind.MendMinutes : Of.Sum(one => one.MendMinutes);

    /// <summary>What else is done about it; null for nothing.</summary>
    public string? MendAdvice => Advice.On(Kind.Name);

    /// <summary>What is done, where no setting and no plug of the house says it; null where one does.</summary>
    public string? MendInWords => Advice.Instead(this);

    /// <summary>Mended on the spot, with a plug, a switch or a call: nothing that was set is otherwise.</summary>
    public bool IsByHand =>
        Kind.Name is "cable-out" or "other-socket" or "plugs-swapped" or "slow-cable" or "no-power" or "loop" or "line-holds" or "second-server" or "thing-off" or "line-plug"
        || IsOfProvider;

    /// <summary>The provider's own doing: nothing in the house mends it.</summary>
    public bool IsOfProvider => Kind.Name is "line-down" or "line-shared" or "names-silent" or "port-closed";

    /// <summary>Ids of the boxes that it concerns.</summary>
    public IEnumerable<string> Boxes(NetworkDocument house)
    {
        if (!Of.IsEmpty) return Of.SelectMany(one => one.Boxes(house)).Distinct();
        string? Field(string name) => Subject.FirstOrDefault(one => one.Field == name).Value as string;
        if (Field("device") is { } device) return [device];
        if (Field("cable") is { } cable && house.FindCable(cable) is { } wire) return [wire.A.Device, wire.B.Device];
        return IsOfProvider && house.Line is { } line ? [line.Device] : [];
    }

    public bool IsOfLaptop => Laptop is not null || FixedLaptop is not null;

    public static readonly CauseKind Pair = new("pair", 0, 0, int.MaxValue);

    /// <summary>Both at once.</summary>
    public static Cause Both(Cause a, Cause b) =>
        new(Pair, [], house => b.Change(a.Change(house)), a.Fields.AddRange(b.Fields), $"{a.Sentence} {b.Sentence}")
        {
            Odds = a.Odds * b.Odds,
            Laptop = a.Laptop ?? b.Laptop,
            FixedLaptop = a.FixedLaptop ?? b.FixedLaptop,
            Of = [a, b],
        };
}
