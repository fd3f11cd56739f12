using Altrin.Core.Actions;
using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Filling;
using Altrin.Core.Planning.Ranking;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Search;

/// <summary>What one use of one box costs at the least and gives at the most, whatever is made of the others.</summary>
/// <param name="Cautions">That no cure takes away.</param>
/// <param name="Hops">Radio joins on its way to the line: 0 or 1.</param>
/// <param name="Lays">Cables that have to be laid for it, unless it is joined over a radio: 0 or 1.</param>
/// <param name="Settings">At this box.</param>
/// <param name="Seconds">Of work.</param>
/// <param name="Mbps">What it could give in each room: nobody on its channels, and nothing slower above it than what is known.</param>
/// <param name="AloneMbps">The same where no other box sends.</param>
internal sealed record UseCost(int Cautions, int Hops, int Lays, int Settings, double Seconds, ImmutableArray<double> Mbps, ImmutableArray<double> AloneMbps)
{
    public bool Sends => Mbps.Any(rate => rate > 0);
}

/// <summary>Reckons them, each once.</summary>
internal sealed class UseCosts(Ground ground)
{
    private readonly UseRates rates = new(ground);
    private readonly Dictionary<(int, BoxUse), UseCost> known = [];

    /// <summary>What is set at a box depends on its mode and on whether it is joined by wire, not on where or to whom.</summary>
    private readonly Dictionary<(int, BoxUse), (Device Box, int Settings, double Seconds)> set = [];

    public UseCost this[int box, BoxUse use] => known.TryGetValue((box, use), out var cost) ? cost : known[(box, use)] = Of(box, use);

    private UseCost Of(int i, BoxUse use)
    {
        var (found, was) = (ground.Found.Devices[i], ground.AsFound.Boxes[i]);
        var (box, settings, seconds) = Set(i, use);
        if (use.Room is { } room && found.Room != room) seconds += WorkTimes.Carry;
        if (use is { IsUsed: true, Joined: Joined.ByWire } && (was.Joined, was.Parent, was.Medium) != (Joined.ByWire, use.Parent, use.Medium)) seconds += WorkTimes.Plug;
        var isOnEthernet = use is { IsUsed: true, Joined: Joined.ByWire, Medium: Medium.Ethernet };
        var isSlow = isOnEthernet && ground.Found.Line?.DownMbps is { } line && box.Ports.All(port => port.SpeedMbps < line);
        var cautions = found.LeaveAsFound == true ? 0 : (isSlow ? 1 : 0) + (use.IsUsed && box.DefaultPassword == true ? 1 : 0);
        var hops = use.IsUsed && i != ground.Root && (use.Joined == Joined.ByRadio || !ground.IsOnWire(ground.PlaceOf(i, use))) ? 1 : 0;
        var lays = use.IsUsed && i != ground.Root && !ground.IsOnLaidWire(ground.PlaceOf(i, use)) ? 1 : 0;
        return new(cautions, hops, lays, settings, seconds, Rates(false), Rates(true));

        ImmutableArray<double> Rates(bool isAlone) => use.IsUsed && box.SendsWifi ? rates.Of(i, box, use, isAlone) : rates.None;
    }

    private (Device Box, int Settings, double Seconds) Set(int i, BoxUse use)
    {
        var key = (i, use with { Room = null, Parent = use.Parent < 0 ? -1 : 0, Medium = default, Band = default });
        if (set.TryGetValue(key, out var done)) return done;
        var (found, box) = (ground.Found.Devices[i], Fill.Alone(ground, ground.AsFound.With(i, use), i));
        var work = WorkTable.At(found, box);
        return set[key] = (box, work.Settings, work.Seconds);
    }
}
