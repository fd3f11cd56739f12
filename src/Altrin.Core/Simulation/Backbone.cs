using Altrin.Core.Network;
using Altrin.Core.Radio;

namespace Altrin.Core.Simulation;

/// <summary>What holds a download back at one place of its way.</summary>
public enum RateLimitKind { Line, Wire, Powerline, Coax, Radio, SharedRadio, Measured, NoWay }

/// <param name="Mbps">What passes there, as a person would measure it.</param>
/// <param name="Device">The box concerned; of a radio hop the one that serves.</param>
/// <param name="Port">The socket; null for a radio.</param>
/// <param name="Share">Of a radio: what is left to it of the air.</param>
public sealed record RateLimit(double Mbps, RateLimitKind Kind, string Device, string? Port = null, Between? Between = null,
    double Share = 1);

/// <summary>The rate that may be expected of a download from the internet.</summary>
/// <param name="Tightest">What holds it back.</param>
public sealed record RateAnswer(double Mbps, RateLimit? Tightest)
{
    public static readonly RateAnswer Nothing = new(0, null);

    /// <summary>As it is printed, and as wants are held against it.</summary>
    public double Printed => Round(Mbps);

    public static double Round(double value) => Math.Round(value, 1, MidpointRounding.AwayFromZero);
}

/// <summary>The way from every box to the line: the fewest radio hops, then the fewest cables.</summary>
internal sealed class Backbone
{
    /// <summary>What is taken for a socket nobody has looked at; what powerline and coax carry at most. Common practice, no
    /// source.</summary>
    internal const double UsualSocketMbps = 1000, PowerlineMbps = 100, CoaxMbps = 400;

    private sealed record Step(int Upper, Cable? Cable, AirLink? Link, int Radios, int Cables);

    private readonly Fabric fabric;
    private readonly NetworkDocument house;
    private readonly Step?[] way;
    private readonly int atLine;
    private readonly List<int> nearFirst = [];

    /// <summary>What holds back whoever comes into a box by another way than its own uplink radio.</summary>
    private readonly RateLimit?[] onFrom;

    public Backbone(Fabric fabric, IReadOnlyList<AirLink> links)
    {
        (this.fabric, house) = (fabric, fabric.House);
        way = new Step?[house.Devices.Length];
        atLine = house.Line is { } line && fabric.LineGroup != DeviceGroups.Dead && fabric.DeviceIndex.TryGetValue(line.Device, out var d)
            && fabric.TakesPart[d] ? d : -1;
        onFrom = new RateLimit?[house.Devices.Length];
        if (atLine < 0) return;
        Spread(links);
        // Nearer boxes first: each stands on the answer of the next one up.
        foreach (var device in nearFirst) onFrom[device] = Climb(device, null, false, new()).Tightest;
    }

    private void Spread(IReadOnlyList<AirLink> links)
    {
        var edges = new List<(int Other, Cable? Cable, AirLink? Link)>[house.Devices.Length];
        void Edge(int a, int b, Cable? cable, AirLink? link)
        {
            (edges[a] ??= []).Add((b, cable, link));
            (edges[b] ??= []).Add((a, cable, link));
        }
        foreach (var cable in house.Cables)
            if (fabric.GroupOf(cable.A) != DeviceGroups.Dead && fabric.GroupOf(cable.B) != DeviceGroups.Dead)
                Edge(fabric.DeviceIndex[cable.A.Device], fabric.DeviceIndex[cable.B.Device], cable, null);
        foreach (var link in links) Edge(link.From, link.To, null, link);
        var open = new PriorityQueue<int, (int, int, int)>();
        way[atLine] = new(-1, null, null, 0, 0);
        open.Enqueue(atLine, (0, 0, atLine));
        while (open.TryDequeue(out var at, out var cost))
        {
            if (cost.Item1 != way[at]!.Radios || cost.Item2 != way[at]!.Cables) continue;
            nearFirst.Add(at);
            foreach (var (other, cable, link) in edges[at] ?? [])
            {
                var (radios, cables) = (cost.Item1 + (link is null ? 0 : 1), cost.Item2 + (cable is null ? 0 : 1));
                if (way[other] is { } known && (known.Radios, known.Cables).CompareTo((radios, cables)) <= 0) continue;
                way[other] = new(at, cable, link, radios, cables);
                open.Enqueue(other, (radios, cables, other));
            }
        }
    }

    /// <summary>The box next towards the line, and the cable to it; null at the line and for a box without a way to it.</summary>
    public (int Upper, Cable? Cable)? WayUp(int device) => way[device] is { Upper: >= 0 } step ? (step.Upper, step.Cable) : null;

    public int MostRadioHops => way.Select(step => step?.Radios ?? 0).DefaultIfEmpty().Max();

    /// <summary>For whoever has joined that source at that rate.</summary>
    public RateAnswer From(AirSource source, double linkMbps, Between between)
    {
        var least = new Least();
        var box = house.Devices[source.Device].Id;
        least.Hear(linkMbps * source.Share, new(linkMbps * source.Share, RateLimitKind.Radio, box, null, between, source.Share));
        return Climb(source.Device, (source.Device, source.Radio.Id), isServed: true, least);
    }

    /// <summary>For whoever is plugged into that socket.</summary>
    public RateAnswer From(Socket socket)
    {
        var least = new Least();
        least.Take(new(CableRates.ShareForData * SpeedOf(socket), RateLimitKind.Wire, socket.Device, socket.Port));
        return fabric.DeviceIndex.TryGetValue(socket.Device, out var device) ? Climb(device, null, false, least) : RateAnswer.Nothing;
    }

    private RateAnswer Climb(int device, (int, string)? radioBelow, bool isServed, Least least)
    {
        if (way[device] is null) return new(0, new(0, RateLimitKind.NoWay, house.Devices[device].Id));
        for (var at = device; way[at] is { Upper: >= 0 } step; at = step.Upper)
        {
            if (radioBelow is null && onFrom[at] is { } rest)
            {
                least.Take(rest);
                return new(least.Limit!.Mbps, least.Limit);
            }
            if (step.Link is { } link)
            {
                var rate = link.LinkMbps * link.Source.Share;
                var (joins, serves) = ((link.From, link.Radio.Id), (link.To, link.Source.Radio.Id));
                var isUp = link.From == at;
                var limit = new RateLimit(rate, RateLimitKind.Radio, house.Devices[link.To].Id, null, link.Between, link.Source.Share);
                // One radio that joins above and serves below, or the other way round, does both in turns.
                if (radioBelow is { } below && below == (isUp ? joins : serves)
                    && isServed == isUp) least.Turn(rate, limit, house.Devices[at].Id);
                else least.Hear(rate, limit);
                (radioBelow, isServed) = (isUp ? serves : joins, isUp);
            }
            else
            {
                least.Take(WireOf(step.Cable!));
                radioBelow = null;
            }
        }
        var line = house.Line!;
        var socket = CableRates.ShareForData * SpeedOf(line.Socket);
        least.Take(line.DownMbps is { } down && down <= socket ? new(down, RateLimitKind.Line, line.Device, line.Port)
            : new(socket, RateLimitKind.Wire, line.Device, line.Port));
        return new(least.Limit!.Mbps, least.Limit);
    }

    private double SpeedOf(Socket socket) =>
        (fabric.DeviceIndex.TryGetValue(socket.Device, out var device) ? house.Devices[device].FindPort(socket.Port)?.SpeedMbps : null)
        ?? UsualSocketMbps;

    private RateLimit WireOf(Cable cable)
    {
        var (a, b) = (SpeedOf(cable.A), SpeedOf(cable.B));
        var slower = a <= b ? cable.A : cable.B;
        var rate = CableRates.ShareForData * Math.Min(Math.Min(a, b), CableRates.CountedMbps(cable));
        return cable.Medium switch
        {
            Medium.Powerline when PowerlineMbps <= rate => new(PowerlineMbps, RateLimitKind.Powerline, cable.A.Device, cable.A.Port),
            Medium.Coax when CoaxMbps <= rate => new(CoaxMbps, RateLimitKind.Coax, cable.A.Device, cable.A.Port),
            _ => new(rate, RateLimitKind.Wire, slower.Device, slower.Port),
        };
    }

    /// <summary>The least of what is met on a way; hops over one radio add up their time first.</summary>
    private sealed class Least
    {
        private double time;

        public RateLimit? Limit { get; private set; }

        public void Take(RateLimit limit)
        {
            if (Limit is null || limit.Mbps < Limit.Mbps) Limit = limit;
        }

        public void Hear(double rate, RateLimit limit)
        {
            time = rate > 0 ? 1 / rate : double.PositiveInfinity;
            Take(limit);
        }

        public void Turn(double rate, RateLimit limit, string both)
        {
            time += rate > 0 ? 1 / rate : double.PositiveInfinity;
            Take(limit with { Mbps = 1 / time, Kind = RateLimitKind.SharedRadio, Device = both });
        }
    }
}
