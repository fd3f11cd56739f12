using System.Collections.Immutable;
using Altrin.Core.Air.Placing;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Reception;

/// <summary>The cure for a box in the wrong place: where it does most, by trying it everywhere.</summary>
internal static class StandElsewhere
{
    public static ImmutableArray<Fix> Fixes(Facts facts, Device box)
    {
        // What is plugged into it stays where it is, and would come out.
        if (facts.House.Endpoints.Any(thing => thing.Connect?.Socket?.Device == box.Id)) return [];
        // In which room; where in it is found out on the floor itself.
        if (Places.Of(facts.House, box.Id, everyMetre: false) is not { Best: { } best, Now: not null }) return [];
        return Rooms.AreSame(facts.House, best.Room, box.Room) || best.Actions.IsEmpty ? [] : [new($"Stand it in {Rooms.Say(facts.House, best.Room)}", best.Actions)];
    }
}
