using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;

namespace Altrin.Core.Tests.Planning;

/// <summary>Plans by hand: the two uses of a second router, part of the one network or a network kept apart. The search is held to be no worse.</summary>
internal static class HandPlanner
{
    /// <summary>Enough for any home.</summary>
    private const int MostCures = 40;

    /// <summary>The plans this house admits, most wants held first. Empty where there is no second router.</summary>
    public static ImmutableArray<HandPlan> Propose(NetworkDocument house, CancellationToken cancel = default)
    {
        var plans = ImmutableArray.CreateBuilder<HandPlan>();
        if (OneNetwork(house, cancel) is { } one) plans.Add(one);
        if (KeptApart(house, cancel) is { } apart) plans.Add(apart);
        return [.. plans.OrderByDescending(plan => plan.WantsHeld).ThenBy(plan => plan.Faults).ThenBy(plan => plan.GivesUp.Length)];
    }

    private static HandPlan? OneNetwork(NetworkDocument house, CancellationToken cancel)
    {
        var seconds = SecondRouters(house).ToList();
        if (seconds.Count == 0) return null;
        var draft = new Draft(house);
        foreach (var second in seconds)
        {
            if (Remedies.JoinAsAccessPoint(draft.Facts, draft.House.FindDevice(second.Id)!) is not { } join) return null;
            if (!draft.Do(join)) return null;
        }
        draft.Cure(cancel);
        var becomes = seconds.Count == 1 ? "becomes an access point" : "become access points";
        return HandPlan.Of("one-network", "One network", $"{Names(seconds)} {becomes}. Every device sees every other.", draft.Actions, draft.House,
            seconds.Where(box => box.KeptApart == true).Select(box => $"What is behind {box.Name} is no longer kept apart, as the household wanted."));
    }

    private static HandPlan? KeptApart(NetworkDocument house, CancellationToken cancel)
    {
        var seconds = SecondRouters(house).ToList();
        if (seconds.Count == 0) return null;
        var draft = new Draft(house);
        foreach (var second in seconds)
            if (!Cascade(draft, second.Id)) return null;
        draft.Cure(cancel);
        return seconds.Count == 1
            ? HandPlan.Of("kept-apart", "The second network kept apart",
                $"{Names(seconds)} {(seconds[0].Mode == DeviceMode.Router ? "stays" : "becomes")} a router with a subnet of its own. Nobody in the house looks in; it looks out.", draft.Actions, draft.House)
            : HandPlan.Of("kept-apart", "The second networks kept apart",
                $"{Names(seconds)} are routers, each with a subnet of its own. Nobody in the house looks in; they look out.", draft.Actions, draft.House);
    }

    /// <summary>Fed through the WAN socket, giving out addresses of a subnet that nobody else has.</summary>
    private static bool Cascade(Draft draft, string id)
    {
        var box = draft.House.FindDevice(id)!;
        if (box.Mode != DeviceMode.Router && !draft.Do([new SetMode(id, DeviceMode.Router)])) return false;
        box = draft.House.FindDevice(id)!;
        if (Remedies.UplinkCable(draft.Facts, box) is not { } cable) return false;
        var end = Remedies.EndAt(cable, id);
        if (box.FindPort(end.Port)?.Role == PortRole.Lan)
        {
            if (draft.House.FreePort(box, PortRole.Wan) is not { } wan) return false;
            if (!draft.Do([new MoveCableEnd(cable.Id, end, new(id, wan.Id))])) return false;
        }
        if (!draft.Do([new KeepApart(id, true)])) return false;
        var own = draft.Facts.State.Lan(id)?.Address?.Prefix;
        var clashes = draft.Facts.State.Interfaces.Any(one => one.Owner != id
            && one.Candidates.Any(candidate => candidate.Address is { } address && own?.Overlaps(address.Prefix) == true)
            && one.Segment != draft.Facts.State.InsideOf(id));
        if (clashes || own is null)
        {
            if (Remedies.MoveToOwnSubnet(draft.Facts, draft.House.FindDevice(id)!) is not { } move || !draft.Do(move)) return false;
        }
        var lan = draft.House.FindDevice(id)!.Lan!;
        if (lan.DhcpServer is { Enabled: true }) return true;
        var subnet = lan.Address!.Value.Prefix;
        return draft.Do([new TurnOnDhcpServer(id, subnet.Network.Plus(100), subnet.Network.Plus(199))]);
    }

    private static string Names(List<Device> boxes) => Facts.Join(boxes.Select(box => box.Name));

    /// <summary>Boxes that do not stand at the line and that another router feeds: those that route; where none does, those that
    /// could and bridge now.</summary>
    private static IEnumerable<Device> SecondRouters(NetworkDocument house)
    {
        var facts = Evaluation.Of(house).Facts;
        var fed = house.Devices.Where(box => box.CanBe(DeviceMode.Router) && box.Mode is DeviceMode.Router or DeviceMode.AccessPoint
            && house.Line?.Device != box.Id
            && facts.MainsOn(Remedies.UplinkSegment(facts, box)).Any(main => main.Owner != box.Id)).ToLookup(box => box.Mode);
        return fed.Contains(DeviceMode.Router) ? fed[DeviceMode.Router] : fed[DeviceMode.AccessPoint];
    }

    /// <summary>A house being changed on paper, with the actions so far.</summary>
    private sealed class Draft(NetworkDocument house)
    {
        private readonly List<InstallerAction> actions = [];
        private Evaluation evaluation = Evaluation.Of(house);

        public NetworkDocument House { get; private set; } = house;
        public Facts Facts => evaluation.Facts;
        public ImmutableArray<InstallerAction> Actions => [.. actions];

        /// <returns>False, with nothing done, when one of them cannot be done.</returns>
        public bool Do(ImmutableArray<InstallerAction> next)
        {
            var after = House;
            foreach (var action in next)
            {
                if (action.Problem(after) is not null) return false;
                after = action.Apply(after);
            }
            (House, evaluation) = (after, Evaluation.Of(after));
            actions.AddRange(next);
            return true;
        }

        /// <summary>Applies the best proven fix of each finding, one after the other: a proven fix removes its finding, adds no fault and
        /// breaks no want. None is done twice, for two may chase each other.</summary>
        public void Cure(CancellationToken cancel)
        {
            var done = new HashSet<string>(StringComparer.Ordinal);
            for (var i = 0; i < MostCures; i++)
            {
                cancel.ThrowIfCancellationRequested();
                var cure = evaluation.Findings.Where(finding => !done.Contains(finding.Key))
                    .SelectMany(finding => evaluation.ProvenFixes(finding).Take(1).Select(fix => (finding.Key, fix.Actions))).FirstOrDefault();
                if (cure.Key is null) return;
                done.Add(cure.Key);
                Do(cure.Actions);
            }
        }
    }
}
