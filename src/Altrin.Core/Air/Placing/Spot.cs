using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Air.Placing;

/// <summary>A place where a box may stand, and what the house would then be like.</summary>
/// <param name="At">Metres on the floor of the room; null: anywhere in it.</param>
/// <param name="Radio">By which radio it then joins; null where it joins by cable or not at all.</param>
/// <param name="LevelDbm">What it hears of whom it joins; null where it joins nobody.</param>
/// <param name="Joins">Whom it joins by radio.</param>
/// <param name="Actions">What brings it there, to the very rates that stand here; empty where that takes more, or where it stands so already.</param>
public sealed record Spot(string Room, FloorPoint? At, string? Radio, Band? Band, string? Joins, double? LevelDbm, double? WorstMbps, string? WorstRoom, ImmutableArray<RoomRate> Rooms, ImmutableArray<InstallerAction> Actions);

/// <summary>Where a box should stand.</summary>
/// <param name="Now">Where it stands; null where that is not known, or it lies on the table.</param>
/// <param name="Best">The place with the best worst room; null where no place is known.</param>
/// <param name="HalfWay">What the rule of thumb gives; null where nobody can say what is half way.</param>
/// <param name="WhyNoHalfWay">In words.</param>
/// <param name="ByRoom">The best place of each room, the best first.</param>
/// <param name="Tried">How many places and bands.</param>
/// <param name="WhyNoDeed">Why no deed alone brings it elsewhere: it hangs on a cable, the line comes in there, it lies on the table. Null where one does.</param>
/// <param name="ComesOut">What is plugged into it and would stay behind, by name.</param>
/// <param name="IsAsGood">No other place gives the weakest room a tenth more.</param>
/// <param name="IsDrawn">Every metre was tried; else each room once.</param>
public sealed record Standing(string Device, Spot? Now, Spot? Best, Spot? HalfWay, string? WhyNoHalfWay, ImmutableArray<Spot> ByRoom, string? WhyNoDeed, ImmutableArray<string> ComesOut, bool IsAsGood, int Tried, bool IsDrawn);
