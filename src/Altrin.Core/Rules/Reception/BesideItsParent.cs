using Altrin.Core.Air;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Reception;

/// <summary>A repeater just beside whom it repeats.</summary>
public sealed class BesideItsParent : IRule
{
    public string Id => "beside-its-parent";
    public string Statement => "A repeater or satellite does not stand beside the box that it joins.";
    public string Source => "common practice, no source (half way between the router and the weak room)";
    public RuleTraits Traits => RuleTraits.CuredByPlace;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var link in facts.State.AirMap.Links)
        {
            var (box, far) = (facts.House.Devices[link.From], facts.House.Devices[link.To]);
            // What serves wired things alone stands where they are.
            if (!box.SendsWifi || box.Wifi.All(network => !network.Enabled) || !facts.State.AirMap.ArePlaced(link) || !Rooms.AreSame(facts.House, box.Room, far.Room)) continue;
            if (!Coverage.Of(facts.State.AirMap, facts.House, box.Id).IsEmpty || facts.House.Endpoints.Any(thing => thing.Connect?.Socket?.Device == box.Id)) continue;
            yield return new(Id, Severity.Caution, $"{box.Name} adds nothing there", [box.Id, far.Id],
                () => $"{box.Name} stands in one room with {far.Name}, which it repeats: in no room of the house is it the better of the two, and it takes of the same air.",
                () => StandElsewhere.Fixes(facts, box), box.Id);
        }
    }
}
