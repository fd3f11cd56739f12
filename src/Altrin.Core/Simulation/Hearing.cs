using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Radio;

namespace Altrin.Core.Simulation;

/// <summary>Who would hear whose radio, by places, walls and powers alone: settled before anybody joins.</summary>
internal sealed class Hearing
{
    private readonly Place[] boxes;
    private readonly NetworkDocument house;

    public Hearing(NetworkDocument house)
    {
        this.house = house;
        Plan = FloorPlan.Of(house);
        Rules = Regulations.Of(house.Country);
        Caps = AirCaps.Of(house, Plan);
        boxes = [.. house.Devices.Select(box => Plan.PlaceOf(box.Room, box.At))];
    }

    public FloorPlan Plan { get; }

    /// <summary>Null where the country is not set: then no limit is applied.</summary>
    public ImmutableArray<RadioRule>? Rules { get; }

    /// <summary>What was measured; null where nothing was.</summary>
    public AirCaps? Caps { get; }

    /// <summary>Whether it is known where both stand. Else a join is believed, and says nothing of levels.</summary>
    public bool AreKnown(Place a, Place b) => Plan.IsDrawn(a) && Plan.IsDrawn(b);

    public Place PlaceOf(int device) => boxes[device];

    public Place PlaceOf(Room room) => Plan.PlaceOf(room.Id, null);

    public Place PlaceOf(Endpoint thing) => Plan.PlaceOf(thing.Room, thing.At);

    /// <summary>What a radio of the box, sending on that channel, is heard at there, in dBm.</summary>
    public double LevelDbm(int from, WirelessRadio radio, RadioChannel channel, Place at) =>
        RadioPower.Of(radio, channel, Rules) - Plan.LossDb(Plan.Between(boxes[from], at), radio.Band);

    /// <summary>What a radio sits on: one that joins another on the channel it joined, and no wider.</summary>
    /// <param name="joined">What a box has joined; null for nothing.</param>
    public RadioChannel ChannelOf(int device, WirelessRadio radio, Func<int, RadioNetwork?> joined) => ChannelOf(device, radio, joined, boxes.Length);

    private RadioChannel ChannelOf(int device, WirelessRadio radio, Func<int, RadioNetwork?> joined, int depth)
    {
        var box = house.Devices[device];
        if (depth == 0 || box.Uplink?.Radio != radio.Id || joined(device) is not { } network) return Configured(box, radio);
        var upper = ChannelOf(network.Device, RadioOf(network), joined, depth - 1);
        return upper with { WidthMHz = Math.Max(20, Math.Min(Widest(device, radio), upper.WidthMHz)) };
    }

    /// <summary>Where a box that joins sends too, it is no wider than it is set to send; else as wide as its radio can.</summary>
    public int Widest(int device, WirelessRadio radio) => house.Devices[device] is { SendsWifi: true } box
        && box.Wifi.Any(network => network.Enabled && network.Radio == radio.Id) ? Configured(box, radio).WidthMHz : RadioAbility.Of(radio).WidestMHz;

    private WirelessRadio RadioOf(RadioNetwork network) => house.Devices[network.Device].Radios.First(one => one.Id == network.Settings.Radio);

    /// <summary>Whether a network is there for a thing at that place: by what was measured there, else by what is reckoned.</summary>
    public bool IsThere(RadioNetwork network, Place at, Func<int, RadioNetwork?> joined)
    {
        if (Caps?.At(at, network.Device, network.Band).LevelDbm < LinkRate.LeastDbm(network.Band)) return false;
        return IsThereForBox(network, at, joined);
    }

    /// <summary>Whether it is there for a box, which may hear more than a thing does. Where either place is not known it is believed.</summary>
    public bool IsThereForBox(RadioNetwork network, Place at, Func<int, RadioNetwork?> joined)
    {
        if (!AreKnown(at, boxes[network.Device])) return true;
        var radio = RadioOf(network);
        return LevelDbm(network.Device, radio, ChannelOf(network.Device, radio, joined), at) >= LinkRate.LeastDbm(radio.Band);
    }

    /// <summary>By the first enabled network of the radio; where that says nothing, automatic and of the usual width.</summary>
    public static RadioChannel Configured(Device box, WirelessRadio radio)
    {
        var first = box.Wifi.FirstOrDefault(network => network.Enabled && network.Radio == radio.Id);
        var width = first?.WidthMHz ?? (radio.Band == Band.Ghz24 ? 20 : 80);
        var most = RadioAbility.Of(radio).KnowsOneWidth ? 20 : radio.MaxWidthMHz ?? width;
        return new(radio.Band, first?.Channel?.Number, Math.Max(20, Math.Min(width, most)));
    }
}
