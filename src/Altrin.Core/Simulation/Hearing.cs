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
        boxes = [.. house.Devices.Select(box => Plan.PlaceOf(box.Room, box.At))];
    }

    public FloorPlan Plan { get; }

    /// <summary>Null where the country is not set: then no limit is applied.</summary>
    public ImmutableArray<RadioRule>? Rules { get; }

    public Place PlaceOf(int device) => boxes[device];

    public Place PlaceOf(Room room) => Plan.PlaceOf(room.Id, null);

    public Place PlaceOf(Endpoint thing) => Plan.PlaceOf(thing.Room, thing.At);

    /// <summary>What a radio of the box, sending on that channel, is heard at there, in dBm.</summary>
    public double LevelDbm(int from, WirelessRadio radio, RadioChannel channel, Place at) =>
        RadioPower.Of(radio, channel, Rules) - Plan.LossDb(Plan.Between(boxes[from], at), radio.Band);

    /// <summary>Whether a network is there for whoever is at that place. Where either place is not known it is believed.</summary>
    public bool IsThere(RadioNetwork network, Place at)
    {
        if (!at.IsListed || !boxes[network.Device].IsListed) return true;
        var radio = house.Devices[network.Device].Radios.First(one => one.Id == network.Settings.Radio);
        return LevelDbm(network.Device, radio, Configured(house.Devices[network.Device], radio), at) >= LinkRate.LeastDbm(radio.Band);
    }

    /// <summary>By the first enabled network of the radio; where that says nothing, automatic and of the usual width.</summary>
    public static RadioChannel Configured(Device box, WirelessRadio radio)
    {
        var first = box.Wifi.FirstOrDefault(network => network.Enabled && network.Radio == radio.Id);
        var width = first?.WidthMHz ?? (radio.Band == Band.Ghz24 ? 20 : 80);
        return new(radio.Band, first?.Channel?.Number, Math.Max(20, Math.Min(width, radio.MaxWidthMHz ?? width)));
    }
}
