using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Wireless;

/// <summary>A WDS link to a box that is not known to speak WDS.</summary>
public sealed class WdsUnsupported : IRule
{
    public string Id => "wds-unsupported";
    public string Statement => "Both ends of a WDS link are boxes that have WDS.";
    public string Source => "common practice, no source";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            if (box is not { Traits.NeedsFixedChannel: true, Uplink: { } uplink }) continue;
            var far = facts.State.UplinkBox(box.Id) ?? WifiMatch.Willing(facts, uplink, box).FirstOrDefault()?.Box.Id;
            if (far is null || facts.Device(far).Supports.IsEmpty || facts.Device(far).CanBe(box.Mode)) continue;
            yield return Found(facts, box, far);
        }
    }

    private Finding Found(Facts facts, Device box, string far) => new(Id, Severity.Caution, "WDS to a box without it", [box.Id, far],
        () => $"{box.Name} is set to WDS, but {facts.NameOf(far)} does not list WDS among its modes. Each maker has its own; the link may never come up.",
        () => box.ModeThat(mode => mode.IsRepeater) is { } repeats ? [new($"Make {box.Name} a plain repeater", new SetMode(box.Id, repeats))] : [], box.Id);
}
