using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air.Channels;

/// <summary>A radio whose channel is to be chosen, with those that join it and so sit where it sits.</summary>
/// <param name="Members">Places in the list of sources, its own first.</param>
/// <param name="Found">As it is set.</param>
/// <param name="Options">How it may be set; where nobody sets it, as found alone.</param>
internal sealed record ChannelSeat(Band Band, ImmutableArray<int> Members, RadioChannel Found, bool MayChange, ImmutableArray<ChannelOption> Options);

/// <summary>A source on a channel, and how strong it is there, in dBm.</summary>
internal readonly record struct TunedSource(int Source, RadioChannel Channel, double PowerDbm);

/// <summary>The radios of a house with all that bears on their channels, as numbers: who hears whom, whom of the neighbours, and what a width is worth.</summary>
internal sealed class ChannelGround
{
    private readonly AirMap air;
    private readonly NetworkDocument house;
    private readonly ImmutableArray<HeardNeighbour> neighbours;
    /// <summary>Reckoned when asked for: a large building has hundreds of thousands of pairs, most of them too far apart to be looked at.</summary>
    private readonly double?[,] losses;
    private readonly Dictionary<(int, RadioChannel), double> powers = [];

    private ChannelGround(NetworkState state, ImmutableArray<RadioRule> rules)
    {
        (air, house, Rules) = (state.AirMap, state.House, rules);
        neighbours = HeardNeighbour.Of(house);
        Sources = [.. air.Sources];
        losses = new double?[Sources.Length, Sources.Length];
        Seats = ListSeats();
    }

    /// <returns>Null where the country is not set: then nobody knows what is lawful.</returns>
    public static ChannelGround? Of(NetworkState state) => Regulations.Of(state.House.Country) is { } rules ? new(state, rules) : null;

    public ImmutableArray<RadioRule> Rules { get; }
    public ImmutableArray<AirSource> Sources { get; }
    public ImmutableArray<ChannelSeat> Seats { get; }

    private ImmutableArray<ChannelSeat> ListSeats()
    {
        var root = Enumerable.Range(0, Sources.Length).ToArray();
        int Root(int i) => root[i] == i ? i : root[i] = Root(root[i]);
        int IndexOf(int device, string radio) => Sources.ToList().FindIndex(source => source.Device == device && source.Radio.Id == radio);
        foreach (var link in air.Links)
            if (IndexOf(link.From, link.Radio.Id) is >= 0 and var own) root[own] = IndexOf(link.To, link.Source.Radio.Id);
        return [.. Enumerable.Range(0, Sources.Length).GroupBy(Root).Select(family => Seat(family.Key, [family.Key, .. family.Where(i => i != family.Key)]))];
    }

    private ChannelSeat Seat(int own, ImmutableArray<int> members)
    {
        var source = Sources[own];
        var below = Below(source).ToList();
        var boxes = below.Select(link => link.From).Append(source.Device).ToList();
        var found = Hearing.Configured(house.Devices[source.Device], source.Radio);
        // Where both ends are set a box that is left as found holds the other.
        var mayChange = house.Devices[source.Device].LeaveAsFound != true && below.TrueForAll(link => !house.Devices[link.From].Traits.NeedsFixedChannel || house.Devices[link.From].LeaveAsFound != true);
        var isBridge = below.Exists(link => house.Devices[link.From].Traits.IsRadioLink);
        var options = mayChange ? ChannelOptions.Of(Rules, source.Ability, found, boxes.Exists(IsOutdoors), below.Exists(link => house.Devices[link.From].Traits.NeedsFixedChannel), isBridge, HasCompany(members)) : [];
        return new(source.Radio.Band, members, found, mayChange, options.IsEmpty ? [new(found, Regulations.IsRadar(Rules, found))] : options);
    }

    /// <summary>All joins that hang on a source, in a row too.</summary>
    private IEnumerable<AirLink> Below(AirSource source) => air.Links.Where(link => link.To == source.Device && link.Source.Radio.Id == source.Radio.Id)
        .SelectMany(link => Sources.FirstOrDefault(one => one.Device == link.From && one.Radio.Id == link.Radio.Id) is { } next ? Below(next).Prepend(link) : [link]);

    private bool IsOutdoors(int device) => Rooms.Find(house, house.Devices[device].Room)?.Outdoor == true;

    /// <summary>Whether anybody else is on its band: a neighbour that is noted there, or another box of the house.</summary>
    private bool HasCompany(ImmutableArray<int> members)
    {
        var band = Sources[members[0]].Radio.Band;
        return neighbours.Any(one => one.Channel.Band == band) || Sources.Where((_, i) => !members.Contains(i)).Any(one => one.Radio.Band == band);
    }

    /// <summary>A member sits where its seat sits, and who has joined no wider than it is set to send.</summary>
    public RadioChannel ChannelOf(ChannelSeat seat, int member, RadioChannel channel) => member == seat.Members[0] ? channel
        : channel with { WidthMHz = Math.Max(20, Math.Min(channel.WidthMHz, Hearing.Configured(house.Devices[Sources[member].Device], Sources[member].Radio).WidthMHz)) };

    /// <summary>The members of a seat where it is set so, each as loud as it is there.</summary>
    public TunedSource[] Tune(ChannelSeat seat, ChannelOption option) => [.. seat.Members.Select(member => ChannelOf(seat, member, option.Channel) is var channel ? new TunedSource(member, channel, PowerDbm(member, channel)) : default)];

    /// <summary>What neighbours take of a source's time there.</summary>
    private double NeighboursOn(int source, RadioChannel channel)
    {
        var sum = 0.0;
        foreach (var one in neighbours)
            if (channel.Overlaps(one.Channel) && air.IsHeard(one, Sources[source].Device)) sum += AirMap.NeighbourWeight * AirMap.Weight(channel, one.Channel);
        return sum;
    }

    /// <summary>What is taken of a member's time whatever other seats do: by neighbours, and by those of its seat that joined the same box as it.</summary>
    public double TakenOn(ChannelSeat seat, int member, RadioChannel seatChannel)
    {
        var channel = ChannelOf(seat, member, seatChannel);
        var sum = NeighboursOn(member, channel);
        foreach (var other in seat.Members)
            if (other != member && !air.AreInOneRow(member, other)) sum += Counts(member, channel, other, ChannelOf(seat, other, seatChannel));
        return sum;
    }

    /// <summary>What one of the house counts for another there: section 6.6 of the format.</summary>
    public double Counts(int a, RadioChannel channelA, int b, RadioChannel channelB) =>
        channelA.Overlaps(channelB) ? Counts(new TunedSource(a, channelA, PowerDbm(a, channelA)), new TunedSource(b, channelB, PowerDbm(b, channelB))) : 0;

    public double Counts(in TunedSource a, in TunedSource b) => a.Channel.Overlaps(b.Channel) && Hear(a, b.Source) && Hear(b, a.Source) ? AirMap.Weight(a.Channel, b.Channel) : 0;

    /// <summary>Whether two may share the air on any channel, by what each sends at most.</summary>
    public bool MayMeet(int a, int b) => Sources[a].Device == Sources[b].Device
        || Math.Min(Loudest(a), Loudest(b)) - Math.Min(LossDb(a, b), LossDb(b, a)) >= LinkRate.SharingDbm;

    private double Loudest(int source) => Sources[source].Radio.TxDbm ?? RadioPower.UsualDbm(Sources[source].Radio.Band);

    /// <summary>Whether the second is in the first one's reach. Two radios of one box always are.</summary>
    private bool Hear(in TunedSource from, int at) => from.PowerDbm - LossDb(from.Source, at) >= LinkRate.SharingDbm;

    private double PowerDbm(int source, RadioChannel channel) =>
        powers.TryGetValue((source, channel), out var power) ? power : powers[(source, channel)] = RadioPower.Of(Sources[source].Radio, channel, Rules);

    private double LossDb(int from, int at)
    {
        if (losses[from, at] is { } known) return known;
        var (plan, a, b) = (air.Hearing.Plan, Sources[from], Sources[at]);
        var loss = a.Device == b.Device ? double.NegativeInfinity : plan.LossDb(plan.Between(air.Hearing.PlaceOf(a.Device), air.Hearing.PlaceOf(b.Device)), a.Radio.Band);
        losses[from, at] = loss;
        return loss;
    }

    /// <summary>The rate of a device of the household near it, in Mb/s, with the air to itself.</summary>
    public double NearMbps(int source, RadioChannel channel) =>
        LinkRate.Mbps(Sources[source].Ability, RadioAbility.Household(Sources[source].Ability), channel.WidthMHz, 0);
}
