using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

/// <summary>A reservation, or a static address that no server may hand out.</summary>
public sealed class FixedAddressNeed : NeedJudge<Need.FixedAddress>
{
    public override string Sentence(NetworkDocument house, Need.FixedAddress need) => $"{house.NameOf(need.Endpoint)} keeps its address";

    public override (Answer, string) Judge(Facts facts, Need.FixedAddress need)
    {
        var name = facts.NameOf(need.Endpoint);
        if (facts.State.Net(need.Endpoint) is not { } net || net.Outcome == LeaseOutcome.None) return (Answer.No, $"{name} {Reasons.Address(facts, need.Endpoint)}.");
        var servers = facts.ServersOn[net.Segment].ToList();
        if (net.Outcome == LeaseOutcome.Static)
        {
            var address = net.Address!.Value.Address;
            var taker = servers.Find(server => server.MayGiveAway(address, net.Mac));
            return taker is null
                ? (Answer.Yes, $"Fixed at {address}, which no server gives out.")
                : (Answer.No, $"Fixed at {address}, which {facts.NameOf(taker.Device)} may give to another device.");
        }
        var mac = facts.House.FindEndpoint(need.Endpoint)?.Mac;
        if (net.Outcome == LeaseOutcome.Leased && net.Address is { } leased
            && servers.Exists(server => server.Reservations.Any(reservation => reservation.Mac == mac && reservation.Address == leased.Address)))
            return (Answer.Yes, $"{leased.Address} is reserved for it.");
        return (Answer.No, net.Outcome == LeaseOutcome.LinkLocal
            ? $"{name} got no address from anyone."
            : $"{name} takes whatever address it is given: nothing is reserved for it.");
    }
}

internal partial class NeedHearing
{
    public NeedVerdict FixedAddress(Need.FixedAddress need) => new FixedAddressNeed().Verdict(facts, need);
}
