using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air;

/// <summary>An expected rate with its reason, in words.</summary>
public static class RateWords
{
    public static string Say(NetworkDocument house, AirRoom at, string who) => at.Source is null
        ? $"No Wi-Fi of this household is heard in {house.Rooms[at.Room].Name}."
        : Say(house, at.Expected, who);

    public static string Say(NetworkDocument house, RateAnswer rate, string who)
    {
        if (rate.Tightest is not { } limit) return $"Nothing is known of the way of {who}.";
        return limit.Kind == RateLimitKind.NoWay ? $"{house.NameOf(limit.Device)} has no way to the line."
            : $"About {Rounded(limit):0.#} Mb/s for {who}: {Why(house, limit)}.";
    }

    /// <summary>“240 of 500: the radio hop to Hall gateway, 11 m and two brick walls, carries no more.”</summary>
    public static string OfLine(NetworkDocument house, AirRoom at)
    {
        if (at.Source is null || at.Expected.Tightest is not { } limit) return "No Wi-Fi of this household is heard here.";
        if (limit.Kind == RateLimitKind.NoWay) return $"{house.NameOf(limit.Device)} has no way to the line.";
        var printed = at.Expected.Printed;
        return $"{(printed < 10 ? printed : Math.Floor(printed)):0.#}{(house.Line?.DownMbps is { } line ? $" of {line:0.#}" : "")}: {Why(house, limit)}.";
    }

    /// <summary>What the air gives is not known to three figures.</summary>
    public static double Rounded(RateLimit limit)
    {
        if (limit.Kind is not (RateLimitKind.Radio or RateLimitKind.SharedRadio)) return limit.Mbps < 10 ? limit.Mbps
            : Math.Floor(limit.Mbps);
        if (limit.Mbps < 10) return Math.Round(limit.Mbps, 1);
        var tens = limit.Mbps < 100 ? 1 : Math.Pow(10, Math.Floor(Math.Log10(limit.Mbps)) - 1);
        return Math.Floor(limit.Mbps / tens) * tens;
    }

    public static string Why(NetworkDocument house, RateLimit limit) => limit.Kind switch
    {
        RateLimitKind.Line => "the line gives no more",
        RateLimitKind.Wire => $"{house.SocketName(new(limit.Device, limit.Port!))} carries no more",
        RateLimitKind.Powerline => $"the powerline link in {house.SocketName(new(limit.Device, limit.Port!))} seldom carries more",
        RateLimitKind.Coax => $"the coax link in {house.SocketName(new(limit.Device, limit.Port!))} seldom carries more",
        RateLimitKind.SharedRadio => $"{house.NameOf(limit.Device)} hears and repeats with one radio, in turns",
        RateLimitKind.Radio =>
            $"the radio hop to {house.NameOf(limit.Device)}, {Through(limit.Between!.Value)}, carries no more{(limit.Share < 0.995 ? $"; others on its channel leave it {limit.Share * 100:0} % of the time" : "")}",
        RateLimitKind.Measured => $"no more was measured there from {house.NameOf(limit.Device)}",
        RateLimitKind.NoWay => "there is no way to the line",
        _ => throw new InvalidOperationException($"{limit.Kind} is not handled."),
    };

    public static string Through(Between between)
    {
        var metres = $"{between.DistanceM:0.#} m ({between.DistanceM / 0.3048:0} ft)";
        var how = between.Kind switch
        {
            DistanceKind.SameRoom => $"in the same room, {metres}",
            DistanceKind.OtherRoom => $"counted a couple of rooms away, {metres}",
            DistanceKind.OtherBuilding => $"in another building, {metres}",
            DistanceKind.Drawn => metres,
            _ => throw new InvalidOperationException($"{between.Kind} is not handled."),
        };
        var through = between.Walls.GroupBy(wall => wall).OrderByDescending(walls => walls.Key).Select(walls =>
            $"{Number(walls.Count())} {Words<WallMaterial>.Of(walls.Key)} {(walls.Count() == 1 ? "wall" : "walls")}").ToList();
        if (between.Floors > 0) through.Add($"{Number(between.Floors)} {(between.Floors == 1 ? "floor" : "floors")}");
        return through.Count == 0 ? how : $"{how} and {string.Join(" and ", through)}";
    }

    private static string Number(int n) => n switch { 1 => "one", 2 => "two", 3 => "three", 4 => "four", _ => $"{n}" };
}
