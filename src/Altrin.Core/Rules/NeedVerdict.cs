using Altrin.Core.Network;
using Altrin.Core.Rules.Needs;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>What became of one want.</summary>
/// <param name="Met">Null where this version cannot compute the kind yet.</param>
/// <param name="Sentence">The want in words, its blanks filled.</param>
public sealed record NeedVerdict(string Need, Answer? Met, string Sentence, string Because);

/// <summary>Judges one kind of want.</summary>
public abstract class NeedJudge<T> where T : Need
{
    public abstract string Sentence(NetworkDocument house, T need);
    public abstract (Answer Met, string Because) Judge(Facts facts, T need);

    internal NeedVerdict Verdict(Facts facts, T need)
    {
        var (met, because) = Judge(facts, need);
        var sentence = Sentence(facts.House, need);
        return new(need.Id, met, need.Nice == true ? $"{sentence}, if it can be had" : sentence, because);
    }
}

/// <summary>Which judge hears which want.</summary>
public static class NeedBook
{
    public static NeedVerdict Judge(Facts facts, Need need) => need.Match(new Hearing(facts));

    private sealed class Hearing(Facts facts) : INeedCases<NeedVerdict>
    {
        public NeedVerdict Internet(Need.Internet need) => new InternetNeed().Verdict(facts, need);
        public NeedVerdict Reach(Need.Reach need) => new ReachNeed().Verdict(facts, need);
        public NeedVerdict Inbound(Need.Inbound need) => new InboundNeed().Verdict(facts, need);
        public NeedVerdict SingleNat(Need.SingleNat need) => new SingleNatNeed().Verdict(facts, need);
        public NeedVerdict FixedAddress(Need.FixedAddress need) => new FixedAddressNeed().Verdict(facts, need);
        public NeedVerdict OneName(Need.OneName need) => new OneNameNeed().Verdict(facts, need);
        public NeedVerdict OwnNames(Need.OwnNames need) => new OwnNamesNeed().Verdict(facts, need);
        public NeedVerdict KeepName(Need.KeepName need) => new KeepNameNeed().Verdict(facts, need);
        public NeedVerdict GuestsApart(Need.GuestsApart need) => new GuestsApartNeed().Verdict(facts, need);
        public NeedVerdict Tunnel(Need.Tunnel need) => new TunnelNeed().Verdict(facts, need);
        public NeedVerdict Sockets(Need.Sockets need) => new SocketsNeed().Verdict(facts, need);
        public NeedVerdict Dns(Need.Dns need) => new DnsNeed().Verdict(facts, need);
        public NeedVerdict Speed(Need.Speed need) => new SpeedNeed().Verdict(facts, need);

        public NeedVerdict Coverage(Need.Coverage need) => new CoverageNeed().Verdict(facts, need);
    }
}
