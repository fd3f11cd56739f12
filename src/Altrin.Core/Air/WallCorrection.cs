using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air;

/// <summary>What was measured in a room beside what is reckoned there.</summary>
/// <param name="Source">The box that was joined, or the one that is best there.</param>
/// <param name="EstimatedDbm">Of that box, on the band that was meant.</param>
/// <param name="OffDb">By how much the house between the two loses more than is reckoned; null where the measurement says nothing of it.</param>
/// <param name="Says">What it means for the walls, or why it means nothing.</param>
public sealed record MeasuredBeside(string Id, string Room, double? Mbps, double? LevelDbm, string? Source, double? EstimatedMbps, double? EstimatedDbm, double? OffDb, string Says);

/// <summary>What measurements say of a house: by how much its walls lose more, or less, than the table of materials has it.</summary>
/// <param name="NowDb">As it is written down.</param>
/// <param name="LearntDb">By all measurements that say something: least squares, within 10 dB either way. Null where none does.</param>
/// <param name="Actions">What writes it down; empty where it stands there already.</param>
public sealed record WallCorrection(ImmutableArray<MeasuredBeside> Measured, double NowDb, double? LearntDb, int Counted, ImmutableArray<InstallerAction> Actions)
{
    /// <summary>Of the line, from which on a rate says no more than that the air does not hold it back. Common practice, no source.</summary>
    private const double NearTheLine = 0.9;

    public static WallCorrection Of(NetworkState state)
    {
        var house = state.House;
        // What is reckoned is held against what was measured: so it is reckoned without it.
        state = Simulator.Run(house with { Measured = [], Rooms = [.. house.Rooms.Select(room => room with { NoWifi = null })] });
        var now = house.Building?.OffsetDb ?? 0;
        var list = house.Measured.Select(one => Beside(state, one)).ToImmutableArray();
        var off = list.Select(one => one.OffDb).OfType<double>().ToList();
        // One unknown, the same for all: least squares is the mean. What is reckoned holds the present offset already.
        double? learnt = off.Count == 0 ? null : Math.Round(Math.Clamp(now + off.Average(), -Building.MostOffsetDb, Building.MostOffsetDb), 1);
        return new(list, now, learnt, off.Count, learnt is { } to && Math.Abs(to - now) >= 0.1 ? [Write(house, to)] : []);
    }

    /// <summary>Writes the correction down; 0 takes it back.</summary>
    public static InstallerAction Write(NetworkDocument house, double offsetDb) => new DescribeHouse(house.Name, house.Country, (house.Building ?? new()) with { OffsetDb = offsetDb == 0 ? null : offsetDb })
    {
        Rooms = house.Rooms,
        Runs = house.Runs,
        Neighbours = house.Neighbours,
    };

    private static MeasuredBeside Beside(NetworkState state, Measurement one)
    {
        var house = state.House;
        if (Rooms.Find(house, one.Room) is not { } room) return new(one.Id, one.Room, one.Mbps, one.LevelDbm, null, null, null, null, "The room is not listed: nothing is reckoned there.");
        var index = house.Rooms.IndexOf(room);
        var heard = state.AirMap.HeardAt(state.AirMap.Hearing.Plan.PlaceOf(room.Id, null), index)
            .Where(at => (one.Source is null || house.Devices[at.Source!.Device].Id == one.Source) && (one.Band is null || at.Source!.Radio.Band == one.Band))
            .MaxBy(at => (at.Expected.Mbps, at.LevelDbm));
        if (heard?.Source is not { } source) return new(one.Id, room.Id, one.Mbps, one.LevelDbm, one.Source, null, null, null, one.Source is { } named ? $"By what is reckoned {house.NameOf(named)} is not heard there at all: look at the rooms and walls." : "By what is reckoned nothing is heard there: look at the rooms and walls.");
        var plan = state.AirMap.Hearing.Plan;
        var between = plan.Between(state.AirMap.Hearing.PlaceOf(source.Device), plan.PlaceOf(room.Id, null));
        var (off, says) = Off(state, one, heard, between);
        return new(one.Id, room.Id, one.Mbps, one.LevelDbm, house.Devices[source.Device].Id, heard.Expected.Printed, Math.Round(heard.LevelDbm, 1), off, says);
    }

    private static (double?, string) Off(NetworkState state, Measurement one, AirRoom heard, Between between)
    {
        if (between.Walls.IsEmpty && between.Floors == 0) return (null, "No wall lies between: it says nothing of the walls.");
        if (one.LevelDbm is { } level) return Say(heard.LevelDbm - level);
        if (one.Mbps is not { } mbps) return (null, "Nothing was noted.");
        if (state.House.Line?.DownMbps is { } line && mbps >= NearTheLine * line) return (null, "Near what the line gives: the air carries at least that, and it says no more.");
        var limit = heard.Expected.Tightest;
        if (limit is null || limit.Kind != RateLimitKind.Radio || limit.Device != state.House.Devices[heard.Source!.Device].Id) return (null, "Something else than the last radio hop holds it back: it says nothing of the walls.");
        return LevelOf(heard.Source, mbps / heard.Source.Share) is { } needed ? Say(heard.LevelDbm - needed) : (null, "More than that radio can: measured otherwise, or not over it.");
    }

    private static (double?, string) Say(double off) => (Math.Round(off, 1), Math.Abs(off) < 1 ? "As reckoned." : off > 0 ? $"{off:0.#} dB weaker than reckoned." : $"{-off:0.#} dB stronger than reckoned.");

    /// <summary>The level at which a device near the household's best would get that rate: the middle between the one where it begins and the one where the next begins.</summary>
    private static double? LevelOf(AirSource source, double mbps)
    {
        double? from = null;
        for (var level = -90.0; level <= -20; level += 0.5)
        {
            var rate = LinkRate.Mbps(source.Ability, RadioAbility.Household(source.Ability), source.Channel.WidthMHz, level);
            if (rate > mbps * 1.02) return from is { } begin ? (begin + level) / 2 : level;
            if (rate >= mbps * 0.9) from ??= level;
        }
        return from;
    }
}
