using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>What kind of step it is: whoever asks what a step does asks this, and never its words.</summary>
[JsonConverter(typeof(WordConverter<StepKind>))]
public enum StepKind
{
    PlugLaptop, JoinLaptop, LaptopAutomatic, LaptopFixed, LaptopOut, LogIn,
    BringBox, TakeBoxAway, ResetBox, CarryBox, PowerBox, SaveSettings, RunWizard, AddToMesh, SecureWifi,
    PlugCable, PullCable, MoveCable, MoveLine, BringThing, TakeThingAway, MoveThing, AddressThing,
    ProveLine, ProveBox, ProveWifi, Measure, ProveHouse, BothOff, GatewayOn, RouterOn,
}
