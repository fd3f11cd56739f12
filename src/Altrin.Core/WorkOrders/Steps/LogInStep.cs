using Altrin.Core.Kit;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>Logging in to the settings page of a box.</summary>
internal static class LogInStep
{
    public static void Write(WorkInProgress work, string device)
    {
        var box = work.House.FindDevice(device)!;
        var user = box.Label?.DefaultUser is { } login ? $" as {login}" : "";
        work.Step(new(StepKind.LogIn, "Log in", $"Log in to {box.Name}{user}")
        {
            Page = device,
            Expect = after => after.PageReading(device),
            Cautions =
            [
                "The admin password is not the Wi-Fi password. If it is still the one on the label, change it and note the new one.",
                .. box.Label?.PageName is { } name
                    ? new[] { $"Its label says {name}: that name opens its page only from its own network." } : [],
                .. PastFirstPage(work.House, box),
                .. AsItsKindIsSet(work.House, box),
            ],
        });
    }

    /// <summary>Some kinds are set in an app or by a button, and some want the live line meanwhile: they are not set alone first.
    /// Common practice, no source.</summary>
    public static IEnumerable<string> AsItsKindIsSet(NetworkDocument house, Device box)
    {
        if (house.KindOf(box)?.SetUp is not { } way) yield break;
        if (way.By == SetBy.App)
            yield return "This kind is set in its app on a phone: mobile data off, and let the phone not join the old network by itself. "
                + "What stands here is what to choose there.";
        if (way.By == SetBy.Button)
            yield return "This kind is paired by its button: first at the box it joins, then here, within two minutes.";
        if (way.NeedsLine) yield return "This kind wants the live line while it is set: plug it where there is internet before you begin.";
    }

    /// <summary>A box as sold shows something else first; its kind says what, and the way past.</summary>
    public static string[] PastFirstPage(NetworkDocument house, Device box) =>
        box.DefaultPassword == true && house.KindOf(box)?.SetUp.Past is { } past ? [$"Its first page is no settings page. {past}"] : [];
}
