using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Air.Channels;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Spectrum;

/// <summary>Cures of channels: the plan for all radios together, and one radio alone.</summary>
internal static class ChannelFixes
{
    /// <summary>The plan of channels of the whole house; nothing where no country is set, or where it leaves all as it is.</summary>
    public static ImmutableArray<Fix> Plan(Facts facts) => ChannelPlan.Of(facts.State) is { Actions.IsEmpty: false } plan ? [new(ChannelWords.Say(facts.House, plan)!, plan.Actions)] : [];

    /// <summary>Every network of the radio set otherwise.</summary>
    public static ImmutableArray<InstallerAction> Set(Device box, string radio, Func<WifiNetwork, WifiNetwork> change) =>
        [.. box.Wifi.Select((network, place) => (network, place)).Where(one => one.network.Radio == radio).Select(one => new SetWifi(box.Id, one.place, change(one.network)))];

    public static Device BoxOf(Facts facts, AirSource source) => facts.House.Devices[source.Device];

    public static string BandWords(Band band) => $"{Words<Band>.Of(band)} GHz";

    /// <summary>Whether it has a channel of its own and does not sit on that of whom it joins.</summary>
    public static bool IsOwn(Facts facts, AirSource source) => !facts.State.AirMap.Links.Any(link => link.From == source.Device && link.Radio.Id == source.Radio.Id);
}
