using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Air.Placing;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Reception;

/// <summary>The cure for a box in the wrong place: where it does most, by trying it everywhere.</summary>
internal static class StandElsewhere
{
    public static ImmutableArray<Fix> Fixes(Facts facts, Device box)
    {
        if (Places.Of(facts.House, box.Id) is not { Best: { } best, Now: { } now } || (Rooms.AreSame(facts.House, best.Room, box.Room) && best.At is null && best.Radio == now.Radio)) return [];
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        // In its own room it is put elsewhere; to another it is carried, and what is in its sockets comes out.
        foreach (var spot in new[] { best }.Concat(Standing(facts, box)))
        {
            var same = Rooms.AreSame(facts.House, spot.Room, box.Room);
            InstallerAction move = same ? new PlaceAt(box.Id, box.Room, spot.At) : new CarryDevice(box.Id, spot.Room, spot.At);
            var actions = ImmutableArray.Create(move);
            if (spot.Radio is { } radio && box.Uplink is { } uplink && uplink.Radio != radio) actions = actions.Add(new SetUplink(box.Id, uplink with { Radio = radio }));
            fixes.Add(new(same ? $"Put it elsewhere in {Rooms.Say(facts.House, spot.Room)}" : $"Stand it in {Rooms.Say(facts.House, spot.Room)}", actions));
        }
        return [.. fixes.DistinctBy(fix => fix.Say).Take(2)];
    }

    /// <summary>The best of its own room, where what is plugged into it may stay.</summary>
    private static IEnumerable<Spot> Standing(Facts facts, Device box) =>
        facts.House.Endpoints.Any(thing => thing.Connect?.Socket?.Device == box.Id) && Places.Of(facts.House, box.Id) is { } standing ? standing.ByRoom.Where(spot => Rooms.AreSame(facts.House, spot.Room, box.Room)) : [];
}
