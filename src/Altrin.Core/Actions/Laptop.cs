using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(PlugLaptop), "plug-laptop")]
[JsonDerivedType(typeof(JoinLaptop), "join-laptop")]
[JsonDerivedType(typeof(SetLaptopAddress), "set-laptop-address")]
[JsonDerivedType(typeof(PutLaptopAway), "put-laptop-away")]
public abstract partial record InstallerAction;

/// <summary>The installer's own laptop: an endpoint like any other while it is plugged in, and no part of the record.</summary>
public static class Laptop
{
    public const string Id = Limits.LaptopId;

    public static NetworkDocument Away(NetworkDocument house) => house.FindEndpoint(Id) is null
        ? house
        : house with { Endpoints = house.Endpoints.RemoveAll(endpoint => endpoint.Id == Id) };

    internal static NetworkDocument With(NetworkDocument house, Func<Endpoint, Endpoint> change)
    {
        var there = house.FindEndpoint(Id) is not null
            ? house
            : house with { Endpoints = house.Endpoints.Add(new() { Id = Id, Name = "Your laptop", Kind = "laptop" }) };
        return there.WithEndpoint(Id, change);
    }
}

public sealed record PlugLaptop(Socket To) : InstallerAction
{
    public override bool MovesLaptop() => true;

    public override ActionProblem? Problem(NetworkDocument house) => Checks.FreeSocket(house, To, "to", Checks.Thing(Laptop.Id));
    public override string Say(NetworkDocument house) => $"Plug your laptop into {house.SocketName(To)}, its Wi-Fi off";
    protected override NetworkDocument Do(NetworkDocument house) =>
        Laptop.With(house, laptop => laptop with { Connect = Attachment.To(To) });
}

/// <summary>Over the air: for a box without a socket, or a laptop without one.</summary>
/// <param name="Near">The box whose network it is to be: several may have the name.</param>
public sealed record JoinLaptop(string Ssid, string Near, WifiSecurity Security = WifiSecurity.Open, string? Key = null) : InstallerAction
{
    public override bool MovesLaptop() => true;

    public override ActionProblem? Problem(NetworkDocument house) =>
        Checks.Device(house, Near, "near") ?? (Limits.WhyNoSsid(Ssid) is { } why ? new("ssid", why) : null);

    public override string Say(NetworkDocument house) => $"Join your laptop to Wi-Fi {Ssid} of {house.NameOf(Near)}, its cable out";

    protected override NetworkDocument Do(NetworkDocument house) => Laptop.With(house, laptop => laptop with
    {
        Connect = new Attachment.Join { Ssid = Ssid, Security = Security == WifiSecurity.Open ? null : Security, Key = Key, Near = Near },
    });
}

/// <param name="Address">Null: automatic.</param>
public sealed record SetLaptopAddress(InterfaceAddress? Address = null, Ipv4Address? Gateway = null) : InstallerAction
{
    public override bool MovesLaptop() => true;

    public override ActionProblem? Problem(NetworkDocument house) =>
        Address is { } address ? Checks.HostAddress(address, isBox: true) : null;

    public override string Say(NetworkDocument house) => Address is { } address
        ? $"Set your laptop to the fixed address {address.Address}"
        : "Set your laptop to automatic addressing";

    protected override NetworkDocument Do(NetworkDocument house) => Laptop.With(house, laptop => laptop with
    {
        Address = Address is { } address ? EndpointAddress.Fixed(address, Gateway) : new(),
    });
}

public sealed record PutLaptopAway : InstallerAction
{
    public override bool MovesLaptop() => true;

    public override ActionProblem? Problem(NetworkDocument house) => null;
    public override string Say(NetworkDocument house) => "Unplug your laptop and set it back to automatic addressing";
    protected override NetworkDocument Do(NetworkDocument house) => Laptop.Away(house);
}
