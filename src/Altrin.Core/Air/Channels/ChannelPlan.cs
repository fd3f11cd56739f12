using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air.Channels;

/// <summary>A radio that the plan sets, or leaves.</summary>
/// <param name="From">Null: picks one itself.</param>
/// <param name="ShareBefore">What is left to it of the air’s time, 0 to 1.</param>
/// <param name="IsRadar">It waits a minute for radar before it sends, and leaves when it hears one.</param>
public sealed record PlannedChannel(string Device, string Radio, Band Band, int? From, int FromWidthMHz, int? To, int ToWidthMHz, double ShareBefore, double ShareAfter, bool IsRadar)
{
    public bool IsChanged => (From, FromWidthMHz) != (To, ToWidthMHz);
}

/// <summary>The channels of all radios of a house together: lawful, apart from each other and from the neighbours, nothing changed that gains less than a tenth.</summary>
/// <param name="Radios">Each that others can join, in the order of the document.</param>
/// <param name="Actions">What brings the house there; empty where it is there.</param>
/// <param name="IsExact">Nothing better exists among lawful channels of 20 to 80 MHz, 1, 6, 11 and 13 of the older band.</param>
public sealed record ChannelPlan(ImmutableArray<PlannedChannel> Radios, ImmutableArray<InstallerAction> Actions, bool IsExact)
{
    /// <returns>Null where the country is not set, so that nobody knows what is lawful, and where nothing is on the air.</returns>
    public static ChannelPlan? Of(NetworkState state, CancellationToken cancel = default)
    {
        if (ChannelGround.Of(state) is not { Seats.IsEmpty: false } ground) return null;
        var chosen = new Dictionary<int, ChannelOption>();
        var isExact = true;
        // Bands do not disturb one another.
        foreach (var part in ground.Seats.GroupBy(seat => seat.Band).SelectMany(band => ChannelParts.Of(ground, [.. band])))
        {
            var (choice, exact) = ChannelSearch.Run(ground, part, cancel);
            isExact &= exact;
            foreach (var (seat, option) in part.Zip(choice)) chosen[seat.Members[0]] = seat.Options[option];
        }
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        foreach (var seat in ground.Seats)
            if (seat.MayChange && chosen[seat.Members[0]].Channel != seat.Found) Set(state, ground, seat, chosen[seat.Members[0]].Channel, actions);
        var after = actions.Count == 0 ? state.AirMap : AirMap.Of(actions.Apply(state.House));
        return new([.. ground.Seats.SelectMany(seat => seat.Members.Select(member => Row(state.House, ground, after, seat, member, chosen[seat.Members[0]]))).OrderBy(row => row.Order).Select(row => row.Radio)], actions.ToImmutable(), isExact);
    }

    /// <summary>What sets the radios of one box to the channels that are best for all as the others are set.</summary>
    public static ImmutableArray<InstallerAction> OfOne(NetworkState state, string device)
    {
        if (ChannelGround.Of(state) is not { } ground) return [];
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        foreach (var band in ground.Seats.GroupBy(seat => seat.Band))
        {
            ImmutableArray<ChannelSeat> seats = [.. band];
            for (var i = 0; i < seats.Length; i++)
                if (seats[i].MayChange && state.House.Devices[ground.Sources[seats[i].Members[0]].Device].Id == device && ChannelDescent.RunOne(ground, seats, i).Channel is var channel && channel != seats[i].Found)
                    Set(state, ground, seats[i], channel, actions);
        }
        return actions.ToImmutable();
    }

    private static (int Order, PlannedChannel Radio) Row(NetworkDocument house, ChannelGround ground, AirMap after, ChannelSeat seat, int member, ChannelOption option)
    {
        var (before, now) = (ground.Sources[member], after.Sources[member]);
        return (member, new(house.Devices[before.Device].Id, before.Radio.Id, seat.Band, before.Channel.Number, before.Channel.WidthMHz, now.Channel.Number, now.Channel.WidthMHz, before.Share, now.Share, option.IsRadar));
    }

    /// <summary>Every network of the radio, and at a link that needs it the far end too.</summary>
    private static void Set(NetworkState state, ChannelGround ground, ChannelSeat seat, RadioChannel channel, ImmutableArray<InstallerAction>.Builder actions)
    {
        var own = ground.Sources[seat.Members[0]];
        Tune(state.House.Devices[own.Device], own.Radio.Id, channel, setsWidth: true, actions);
        foreach (var link in state.AirMap.Links.Where(link => link.To == own.Device && link.Source.Radio.Id == own.Radio.Id))
            if (state.House.Devices[link.From] is { Traits.NeedsFixedChannel: true } far) Tune(far, link.Radio.Id, channel, setsWidth: false, actions);
    }

    private static void Tune(Device box, string radio, RadioChannel channel, bool setsWidth, ImmutableArray<InstallerAction>.Builder actions)
    {
        var width = setsWidth && Hearing.Configured(box, box.Radios.First(one => one.Id == radio)).WidthMHz != channel.WidthMHz;
        for (var place = 0; place < box.Wifi.Length; place++)
            if (box.Wifi[place] is var network && network.Radio == radio)
                actions.Add(new SetWifi(box.Id, place, network with { Channel = new(channel.Number), WidthMHz = width ? channel.WidthMHz : network.WidthMHz }));
    }
}
