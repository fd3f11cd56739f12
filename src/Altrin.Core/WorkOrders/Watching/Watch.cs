using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Otherwise;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Watching;

/// <summary>How far a step is, by what the laptop shows.</summary>
[JsonConverter(typeof(WordConverter<Watched>))]
public enum Watched
{
    /// <summary>The laptop shows nothing of what the step names.</summary>
    NotForEyes,

    /// <summary>It shows what it showed before the step.</summary>
    NotYet,

    /// <summary>It shows that a box is still on its way back.</summary>
    Waiting,

    /// <summary>Everything that the laptop can see is as said.</summary>
    AsSaid,

    /// <summary>It shows what neither this step nor the house before it explains.</summary>
    Otherwise,
}

/// <summary>One look at an open step.</summary>
/// <param name="Rows">What must be seen, and what was.</param>
/// <param name="Says">In a sentence.</param>
/// <param name="IsWhole">Nothing of what must be seen is left to a person's eyes.</param>
public sealed record WatchedStep(ImmutableArray<Compared> Rows, Watched How, string Says, bool IsWhole)
{
    /// <summary>What was seen, for the record.</summary>
    public string Seen => string.Join("; ", Rows.Where(row => row.Seen is not null).Select(row => $"{row.Reading}: {row.Seen}"));
}

/// <summary>What a laptop looks for while a step is open: only what the step names.</summary>
public static class Watch
{
    /// <summary>So much longer than it usually takes a box may need, before what is seen is said to be something else.</summary>
    private const double Patience = 2;

    /// <param name="outside">The address out there that is asked whether the internet answers; null: nobody is.</param>
    public static Glance GlanceOf(WorkStep step, Ipv4Address? outside)
    {
        var wantsInternet = step.Readings.Any(reading => reading is InternetReading { Who: Laptop.Id });
        return new([.. step.Readings.OfType<PingReading>().Select(one => one.At).Where(at => Manners.Refuse(at) is null).Distinct()],
            [.. step.Readings.OfType<PageReading>().Select(one => one.At).Where(at => Manners.Refuse(at) is null).Distinct()])
        {
            Outside = wantsInternet ? outside : null,
            Air = step.Readings.Any(reading => reading is SsidReading),
        };
    }

    /// <summary>Whether the laptop can see anything of what the step names.</summary>
    public static bool IsForEyes(WorkStep step) => step.Readings.Any(reading => reading
        is AddressReading { Who: Laptop.Id } or GatewayReading or DnsReading or InternetReading { Who: Laptop.Id } or PageReading
            or PingReading or SsidReading);

    /// <param name="waited">Seconds since the step's clock was started; null where it was not.</param>
    public static WatchedStep Of(WorkStep step, PastedReading shown, double? waited)
    {
        var pairs = Comparison.Pairs(step, [shown]).ToList();
        ImmutableArray<Compared> rows = [.. pairs.Select(pair => Comparison.Say(step, pair.Expected, pair.Shown, Hands.Laptop))];
        WatchedStep As(Watched how, string says) => new(rows, how, says, rows.All(row => row.IsAsSaid == true));
        var other = pairs.Where(pair => pair.Shown is { } seen && !Expected.Matches(pair.Expected, seen)).ToList();
        // A laptop without any address shows nothing of what hangs on one.
        var hasNoAddress = shown.InUse(IsOnAir(step)) is null && pairs.Any(pair => pair.Expected is AddressReading { Who: Laptop.Id });
        var isSilent = other.Any(pair => IsSelfGiven(pair.Shown!));
        if (other.Count == 0 && !hasNoAddress)
            return !rows.Any(row => row.IsAsSaid == true) ? As(Watched.NotForEyes, "The laptop sees nothing of this by itself.")
                : !IsProof(step, pairs) ? As(Watched.AsSaid,
                    "It looks as said, but so it did before this step. Say yourself when it is done.") with
                {
                    IsWhole = false
                }
                : As(Watched.AsSaid, rows.All(row => row.IsAsSaid == true) ? "All of it is as said."
                    : "What the laptop can see is as said. Look yourself at the rest.");
        if ((isSilent || hasNoAddress) && step.WaitSeconds is { } whole && (waited is null || waited < whole * Patience))
            return As(Watched.Waiting, $"{(isSilent ? "169.254: nobody gives addresses yet" : "No address yet")}{Clock(waited, whole)}.");
        var wait = step.WaitSeconds ?? 0;
        if (other.All(pair =>
            pair.Shown is PageReading { Opens: false } or PingReading { Answers: false } or InternetReading or SsidReading)
            && wait > 0 && waited < wait * Patience)
            return As(Watched.Waiting, $"{Missing(other)}{Clock(waited, wait)}.");
        // A step that only looks changes nothing: what is not as said there is news.
        if (!IsLook(step) && IsAsBefore(step, other.Select(pair => pair.Shown!), hasNoAddress))
            return As(Watched.NotYet, waited is { } since && wait > 0 && since > wait * Patience
                ? $"Nothing has changed after {Math.Round(since)} s. It may not have taken."
                    : "Nothing has changed yet: it is as before this step.");
        return As(Watched.Otherwise, hasNoAddress ? "The laptop has no address: its cable is out, or its Wi-Fi is not joined."
            : isSilent ? "169.254: nobody gives addresses. The cable, or the DHCP server, is not where the step has it."
            : $"Something else is seen: {string.Join("; ", rows.Where(row => row.IsAsSaid == false).Select(row => $"{row.Reading} {row.Seen}, not {row.Expected}"))}.");
    }

    private static bool IsLook(WorkStep step) => step.Actions.IsEmpty
        && step.Kind is StepKind.ProveLine or StepKind.ProveBox or StepKind.ProveWifi or StepKind.ProveHouse or StepKind.Measure;

    /// <summary>Whether what is seen tells the house after the step from the one before it; a step that only looks is done by
    /// looking.</summary>
    private static bool IsProof(WorkStep step, IEnumerable<(Reading Expected, Reading? Shown)> pairs) =>
        IsLook(step) || !IsAsBefore(step, pairs.Select(pair => pair.Shown).OfType<Reading>(), hasNoAddress: false);

    /// <summary>The address that tells whether the internet answers, where the house says it: the provider's gateway.</summary>
    public static Ipv4Address? OutsideOf(NetworkDocument house) => house.Line is { } line
        && house.FindDevice(line.Device)?.Wan?.Gateway is { } gateway && !AddressRanges.DiesAtTheLine(gateway) ? gateway : null;

    private static bool IsOnAir(WorkStep step) => step.After!.FindEndpoint(Laptop.Id)?.Connect is Attachment.Join;

    private static bool IsSelfGiven(Reading shown) => shown is AddressReading { Ways: [{ Source: AddressSource.LinkLocal }] };

    private static string Clock(double? waited, int whole) => waited is { } so ? $"; {Math.Round(so)} s of about {whole}" : "";

    private static string Missing(IEnumerable<(Reading Expected, Reading? Shown)> other) => other.First().Shown switch
    {
        PageReading page => $"http://{page.At} does not open yet",
        PingReading ping => $"{ping.At} does not answer yet",
        InternetReading => "The internet does not answer yet",
        SsidReading { Ssid: var name, IsThere: false } => $"“{name}” is not in the air yet",
        SsidReading { Ssid: var name } => $"“{name}” is still in the air",
        var one => throw new InvalidOperationException($"{one} is not waited for."),
    };

    /// <summary>Whether the house before the step shows all of it as well.</summary>
    private static bool IsAsBefore(WorkStep step, IEnumerable<Reading> shown, bool hasNoAddress)
    {
        var before = Simulator.Run(step.Before!);
        if (hasNoAddress && before.Net(Laptop.Id) is { Candidates: [{ Address: not null }, ..] }) return false;
        return shown.All(one => one is PingReading ping ? (before.Ping(Laptop.Id, ping.At) != Answer.No) == ping.Answers
            : Expected.Again(before, Laptop.Id, one) is { } then && Expected.Matches(then, one));
    }
}
