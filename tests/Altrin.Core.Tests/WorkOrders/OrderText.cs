using System.Text;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Otherwise;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>An order as it would be read aloud, with all that is said at a step.</summary>
internal static class OrderText
{
    public static string Of(WorkOrder order, NetworkDocument household, Hands hands = Hands.Laptop)
    {
        var text = new StringBuilder($"{order.Title}: {order.Minutes} min, somebody without internet for {order.CutMinutes(household)}\n");
        foreach (var gap in order.Gaps) text.Append($"GAP {gap.Says}\n");
        var phase = "";
        foreach (var step in order.Steps)
        {
            if (step.Phase != phase) text.Append($"\n— {phase = step.Phase}\n");
            text.Append($"{step.Number}. {step.Title} [{step.Short}]{(step.Device is { } box ? $" at {box}" : "")}{(step.WaitSeconds is { } wait ? $", wait {wait} s" : "")}\n");
            void Line(string what, string? said)
            {
                if (said is not null) text.Append($"   {what} {said}\n");
            }
            Line(order.Hands == Hands.Phone ? "phone" : "laptop", step.Laptop);
            Line("open", step.Open);
            Line("find", step.Find);
            foreach (var change in step.Changes) Line("set",
                $"{change.Setting}: {change.From ?? "—"} → {(change.IsSecret ? $"the key of {change.To}" : change.To)}");
            foreach (var seen in step.Expect) Line("see", $"{seen.Reading}: {seen.Value}");
            if (!step.CutOff.IsEmpty) Line("cuts", string.Join(", ", step.CutOff));
            if (!step.Meanwhile.IsEmpty) Line("meanwhile", string.Join(", ", step.Meanwhile));
            foreach (var caution in step.Cautions) Line("!", caution);
            Line("sooner?", Sooner.WhyNot(order, step.Key, hands));
        }
        return text.ToString();
    }

    /// <summary>What is said where something else was seen, at every step whatever can be seen there.</summary>
    public static string Otherwise(WorkOrder order)
    {
        var text = new StringBuilder();
        foreach (var step in order.Steps)
        {
            text.Append($"{step.Number}. {step.Title}\n");
            foreach (var seen in StepSighting.PossibleAt(step).SelectMany(what => Sightings(step, what)))
            {
                text.Append($"   {seen.What}{(seen.Address is { } at ? $" {at}" : "")}{(seen.Device is { } box ? $" {box}" : "")}{(seen.Need is { } need ? $" {need}" : "")}\n");
                foreach (var meaning in Meaning.Of(order, step.Key, seen, new HashSet<string>()))
                    text.Append($"      {meaning.Key}: {meaning.Sentence} → {meaning.Then}{(meaning.House is null ? "" : " (anew)")}{string.Concat(meaning.Resets.Select(one => $" (reset {one})"))}{(meaning.Forbids is var (device, mode) ? $" ({device} not as {mode})" : "")}\n");
            }
        }
        return text.ToString();
    }

    public static IEnumerable<StepSighting> Sightings(WorkStep step, SeenInstead what) => what switch
    {
        SeenInstead.OtherAddress => Addresses(step).Select(at => new StepSighting(what, at)),
        SeenInstead.OtherPage =>
            step.After!.Devices.Where(box => box.Id != step.Device
            && box.Lan is not null).Take(2).Select(box => new StepSighting(what, Device: box.Id)),
        SeenInstead.WantFails => step.After!.Needs.Take(2).Select(need => new StepSighting(what, Need: need.Id)),
        _ => [new(what)],
    };

    /// <summary>Where it was before, and where nobody would look for it.</summary>
    private static IEnumerable<Ipv4Address> Addresses(WorkStep step)
    {
        if (step.Device is { } device && step.Before!.FindDevice(device)?.Lan?.Address is { } old) yield return old.Address;
        yield return Ipv4Address.Parse("192.168.77.7");
    }
}
