using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.Causes;

/// <summary>The provider's side, and what lets the outside in.</summary>
internal static class LineCauses
{
    /// <summary>A MAC of nobody's, of those that RFC 7042 sets aside for documents.</summary>
    private static readonly MacAddress Stranger = MacAddress.Parse("02:00:5E:FF:FF:FF");

    public static IEnumerable<Cause> Of(CauseGround ground) =>
        (ground.House.Line is { } line ? OfLine(ground, line) : []).Concat(Inwards(ground));

    private static IEnumerable<Cause> OfLine(CauseGround ground, Line line)
    {
        Cause One(string kind, string sentence, string field, Func<Line, Line> change, params ReadOnlySpan<(string, object)> subject) =>
            CauseGround.One(kind, sentence, $"line.{field}", house => house.Line is null ? house
                : house with { Line = change(house.Line) }, subject);

        if (line.Down != true) yield return One("line-down", "The provider's line is down: nobody on it gets an address.", "down",
            one => one with { Down = true });
        if (line is { Addressing: LineAddressing.Public, Seen: null })
            yield return One("line-shared", "The provider shares one address among its customers: nothing gets in from outside.",
                "addressing",
                one => one with { Addressing = LineAddressing.Shared });
        if (ground.House.FindDevice(line.Device) is { } atLine && (atLine.Traits.IsModem || atLine.Traits.HandsLineOn)
            && line.Holds is null)
            yield return One("line-holds", "The provider still talks to the box that was there before.", "holds",
                one => one with { Holds = Stranger });
        if (line.NamesSilent != true)
            yield return One("names-silent", "The provider's name servers do not answer: numbers are reached, names are not.", "names",
                one => one with { NamesSilent = true });
        foreach (var port in OutsidePorts(ground).Except(line.ClosedPorts).Distinct())
            yield return One("port-closed", $"The provider lets nothing in at port {port}.", $"port.{port}",
                one => one.ClosedPorts.Contains(port) ? one : one with { ClosedPorts = one.ClosedPorts.Add(port) }, ("port", port));
    }

    /// <summary>Ports of forwards of whoever has the line's address, and those by which services are let in.</summary>
    private static IEnumerable<int> OutsidePorts(CauseGround ground)
    {
        var state = ground.State;
        foreach (var box in ground.InUse)
            if (state.Wan(box.Id) is { } wan && wan.Candidates.Any(state.IsOfTheLine))
                foreach (var forward in box.PortForwards) yield return forward.Port;
        foreach (var (thing, service) in Services(ground.House))
            if (state.Inbound(thing.Id, service.Protocol, service.Port).Reachable != Answer.No) yield return service.Port;
    }

    private static IEnumerable<(Endpoint Thing, Service Service)> Services(NetworkDocument house) =>
        house.Endpoints.SelectMany(thing => thing.Services.Select(service => (thing, service)));

    private static IEnumerable<Cause> Inwards(CauseGround ground)
    {
        foreach (var box in ground.InUse)
        {
            if (box.Traits.HandsLineOn && box.PassthroughTo is { } target)
                yield return CauseGround.OfBox("not-handed", box,
                    $"{box.Name} hands the line to nobody: {ground.House.NameOf(target)} is not chosen there.",
                    "passthrough", one => one with { PassthroughTo = null });
            foreach (var forward in box.PortForwards)
                yield return CauseGround.OfBox("no-forward", box,
                    $"{box.Name} forwards nothing at {Words<TransportProtocol>.Of(forward.Protocol)} {forward.Port}.",
                    $"forward.{forward.Protocol}.{forward.Port}",
                    one => one with
                    {
                        PortForwards = one.PortForwards.RemoveAll(own => own.Protocol == forward.Protocol
                        && own.Port == forward.Port)
                    },
                    ("protocol", Words<TransportProtocol>.Of(forward.Protocol)), ("port", forward.Port));
            if (box.DmzHost is { } host)
                yield return CauseGround.OfBox("no-forward", box, $"{box.Name} sends nothing to its DMZ host {host}.", "dmz",
                    one => one with { DmzHost = null },
                    ("dmz", true));
            if (box.Upnp && LetsInByUpnp(ground, box))
                yield return CauseGround.OfBox("no-forward", box, $"UPnP is off at {box.Name}.", "upnp", one => one with { Upnp = false },
                    ("upnp", true));
        }
    }

    /// <summary>Whether a service is reached from outside, and is not without it.</summary>
    private static bool LetsInByUpnp(CauseGround ground, Device box)
    {
        var open = Services(ground.House).Where(one =>
            ground.State.Inbound(one.Thing.Id, one.Service.Protocol, one.Service.Port).Reachable == Answer.Yes).ToList();
        if (open.Count == 0) return false;
        var without = Simulator.Run(ground.House.WithDevice(box.Id, one => one with { Upnp = false }));
        return open.Any(one => without.Inbound(one.Thing.Id, one.Service.Protocol, one.Service.Port).Reachable != Answer.Yes);
    }
}
