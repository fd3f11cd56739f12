using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Tasks;

/// <summary>A thing of the household is handled.</summary>
internal abstract record ThingTask(string Key, InstallerAction Action) : OrderTask(Key, [Action])
{
    public override TradePlace Place => TradePlace.Thing;
    public override string Phase(NetworkDocument house, NetworkDocument planned) => "The things in the house";
}

internal sealed record BringThing(Endpoint Thing) : ThingTask($"thing {Thing.Id}", new AddEndpoint(Thing))
{
    public override void Write(WorkInProgress work)
    {
        var where = Thing.Connect?.Match(cable => $", into {work.House.SocketName(cable.Into)}", join => $", on Wi-Fi {join.Ssid}");
        work.Step(new(StepKind.BringThing, Thing.Name, $"Bring in {Thing.Name}{where}")
        {
            Actions = Actions,
            About = Thing.Id,
            Expect = after => after.Shows(Thing.Id)
        });
    }
}

internal sealed record TakeThingAway(Endpoint Thing) : ThingTask($"away {Thing.Id}", new RemoveEndpoint(Thing.Id))
{
    public override TradePlace Place => TradePlace.TakeAway;
    public override void Write(WorkInProgress work) =>
        work.Step(new(StepKind.TakeThingAway, "Take it out", Action.Say(work.House)) { Actions = Actions, About = Thing.Id });
}

/// <summary>Into another socket, or onto another network.</summary>
internal sealed record MoveThing(Endpoint Thing)
    : ThingTask($"join {Thing.Id}", Thing.Connect is { } to ? new ConnectEndpoint(Thing.Id, to) : new UnplugEndpoint(Thing.Id))
{
    public override TradePlace Place => IsForNow ? TradePlace.PullForNow : TradePlace.Thing;

    public override void Write(WorkInProgress work) => work.Step(new(StepKind.MoveThing, $"Move {Thing.Name}", Action.Say(work.House))
    {
        Actions = Actions,
        About = Thing.Id,
        Expect = IsForNow ? null : after => after.Shows(Thing.Id),
        Cautions = IsForNow ? ["It goes back later: label its cable."] : [],
    });
}

/// <summary>At its own panel: a fixed address, or automatic addressing.</summary>
internal sealed record AddressThing(Endpoint Thing, EndpointAddress Address)
    : ThingTask($"address {Thing.Id}", new SetEndpointAddress(Thing.Id, Address))
{
    public override void Write(WorkInProgress work)
    {
        var isFixed = Address.Method == EndpointMethod.Static;
        work.Step(new(StepKind.AddressThing, Thing.Name,
            $"At {Thing.Name}'s own panel: {(isFixed ? "a fixed address" : "automatic addressing")}{(IsForNow ? ", for now" : "")}")
        {
            Actions = Actions,
            About = Thing.Id,
            Find = "Network, TCP/IP, or Wired settings",
            Changes = isFixed
                ?
                [
                    new("IP address", Thing.Address.Address?.Address.ToString() ?? "automatic", Address.Address!.Value.Address.ToString()),
                    new("Subnet mask", null, new Ipv4Address(Address.Address!.Value.Prefix.Mask).ToString()),
                    new("Gateway", Thing.Address.Gateway?.ToString(), Address.Gateway?.ToString() ?? "leave empty"),
                ]
                : [new("Addressing", Thing.Address.Address?.Address.ToString(), "automatic (DHCP)")],
            Expect = after => after.Shows(Thing.Id),
            Cautions = IsForNow ? ["Another needs the address that it has, and holds the one that it is to have: it gets its own once "
                + "that is free."]
                : isFixed ? ["Whoever uses it by its old address must learn the new one."] : [],
        });
    }
}
