using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

/// <summary>So many megabits for a thing, or for whoever sits down in a room with a laptop.</summary>
/// <remarks>In a room the best way counts: a free socket or the Wi-Fi of a box there; where none stands there, the Wi-Fi of the other rooms. Each is tried with a laptop in the
/// simulated house.</remarks>
public sealed class SpeedNeed : NeedJudge<Need.Speed>
{
    /// <summary>Ways tried for a room, so that a big house costs no more than a small one.</summary>
    private const int MostWays = 6;

    public override string Sentence(NetworkDocument house, Need.Speed need) =>
        $"At least {need.Mbps:0.#} Mb/s {(need.Endpoint is { } thing ? $"for {house.NameOf(thing)}" : $"in {need.Room}")}";

    public override (Answer, string) Judge(Facts facts, Need.Speed need)
    {
        if (need.Endpoint is { } thing)
        {
            var rate = facts.State.RateOf(thing);
            return rate.Reachable == Answer.No
                ? (Answer.No, Reasons.NoInternet(facts, thing, facts.State.Internet(thing).Why))
                : Against(facts, need, rate, facts.NameOf(thing));
        }
        var best = Ways(facts, need.Room!).Select(way => Try(facts.House, need.Room!, way)).Where(rate => rate.Reachable != Answer.No)
            .MaxBy(rate => (rate.Reachable == Answer.Yes, rate.Tightest?.Mbps ?? double.MaxValue));
        return best is null ? (Answer.No, $"Nothing there leads to the internet: no box with a free socket stands in {need.Room}, and no Wi-Fi heard there does.")
            : Against(facts, need, best, $"a laptop in {need.Room}");
    }

    private static (Answer, string) Against(Facts facts, Need.Speed need, RateAnswer rate, string who)
    {
        if (rate.Tightest is not { } limit) return (rate.Reachable, $"Nothing on the way of {who} has a speed written down that would hold it back.");
        var because = $"About {Rounded(limit):0} Mb/s for {who}: {Why(facts, limit)}.";
        return (limit.Mbps >= need.Mbps ? rate.Reachable : Answer.No, because);
    }

    /// <summary>What the air gives is not known to three figures.</summary>
    private static double Rounded(RateLimit limit)
    {
        if (limit.Kind is not (RateLimitKind.Radio or RateLimitKind.SharedRadio) || limit.Mbps < 100) return Math.Floor(limit.Mbps);
        var tens = Math.Pow(10, Math.Floor(Math.Log10(limit.Mbps)) - 1);
        return Math.Floor(limit.Mbps / tens) * tens;
    }

    private static string Why(Facts facts, RateLimit limit)
    {
        string Socket() => facts.House.SocketName(new(limit.Device, limit.Port!));
        return limit.Kind switch
        {
            RateLimitKind.Line => "the line gives no more",
            RateLimitKind.Socket => $"{Socket()} is a {facts.Device(limit.Device).FindPort(limit.Port!)!.SpeedMbps:0} Mb/s socket",
            RateLimitKind.Cable => $"the cable in {Socket()} carries no more",
            RateLimitKind.Powerline => $"the powerline link in {Socket()} seldom carries more",
            RateLimitKind.SharedRadio => $"{facts.NameOf(limit.Device)} hears and repeats with one radio, in turns",
            _ => $"Wi-Fi {limit.Ssid} of {facts.NameOf(limit.Device)}, counted {(limit.IsSameRoom ? $"in the same room, {Distance(HomeRadio.SameRoomM)}" : $"a couple of rooms away, {Distance(HomeRadio.OtherRoomM)}")}",
        };
    }

    private static string Distance(double metres) => $"{metres:0} m ({metres / 0.3048:0} ft)";

    /// <summary>How a laptop could be joined in the room: to what stands there; where nothing does, to what is heard there.</summary>
    private static IEnumerable<Attachment> Ways(Facts facts, string room)
    {
        var sockets = facts.House.Devices.Where(box => Rooms.AreSame(facts.House, box.Room, room) && facts.State.IsInUse(box.Id))
            .Select(box => box.Ports.Where(port => port.Role == PortRole.Lan).Select(port => new Socket(box.Id, port.Id)).FirstOrDefault(socket => facts.House.OccupantOf(socket) is null))
            .OfType<Socket>().Select(Attachment.To);
        var air = facts.State.Air.Where(one => !one.Network.Guest).DistinctBy(one => (one.Box.Id, one.Network.Ssid, one.Network.Key, one.Network.Security)).ToLookup(one => Rooms.AreSame(facts.House, one.Box.Room, room));
        var local = sockets.Concat(air[true].Select(Join)).Take(MostWays).ToList();
        return local.Count > 0 ? local : air[false].Select(Join).Take(MostWays);

        static Attachment Join(AirNetwork one) => new Attachment.Join { Ssid = one.Network.Ssid, Security = one.Network.Security, Key = one.Network.Key, Near = one.Box.Id };
    }

    private static RateAnswer Try(NetworkDocument house, string room, Attachment way)
    {
        house = Laptop.Away(house);
        var laptop = new Endpoint { Id = Laptop.Id, Name = "laptop", Room = room, Connect = way };
        return Simulator.Run(house with { Endpoints = house.Endpoints.Add(laptop) }).RateOf(Laptop.Id);
    }
}
