using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.Causes;

/// <summary>What every family of causes is given.</summary>
internal sealed record CauseGround(Ground Ground)
{
    public NetworkDocument House => Ground.House;
    public NetworkState State => Ground.State;

    public IEnumerable<Device> InUse => House.Devices.Where(box => State.IsInUse(box.Id));

    /// <summary>Causes of one subject share the odds of their kind.</summary>
    public static IEnumerable<Cause> Variants(IEnumerable<Cause> causes)
    {
        var all = causes.ToList();
        return all.Select(one => one with { Odds = one.Kind.Odds / all.Count });
    }

    public static Cause One(string kind, string sentence, string field, Func<NetworkDocument, NetworkDocument> change,
        params ReadOnlySpan<(string, object)> subject)
    {
        var known = CauseKinds.Of(kind);
        return new(known, [.. subject], change, [field], sentence) { Odds = known.Odds };
    }

    /// <summary>A change of one box.</summary>
    public static Cause OfBox(string kind, Device box, string sentence, string field, Func<Device, Device> change,
        params ReadOnlySpan<(string, object)> further) =>
        One(kind, sentence, $"{box.Id}.{field}", house => house.WithDevice(box.Id, change), [("device", box.Id), .. further]);

    public string Socket(Socket socket) => House.SocketName(socket);
}
