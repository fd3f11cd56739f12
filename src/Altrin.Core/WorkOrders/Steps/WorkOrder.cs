using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Proof;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>The deeds from the house as found to the house as planned, in an order of which every step was simulated.</summary>
/// <param name="Gaps">What could not be proved; empty for an order that may be followed.</param>
/// <param name="Minutes">Work and waiting together, rounded up.</param>
public sealed record WorkOrder(string Title, ImmutableArray<WorkStep> Steps, int Minutes, ImmutableArray<OrderGap> Gaps)
{
    public bool IsProven => Gaps.IsEmpty;

    /// <summary>What it is worked with.</summary>
    [JsonIgnore]
    public Hands Hands { get; init; } = Hands.Laptop;

    /// <summary>The minutes of steps, restarts included, during which something that has internet in the household's house has none: while
    /// a box on its way
    /// restarts, or once the step is done. Where somebody is cut off before the first step, as in the middle of the work, the step that
    /// gives it back is
    /// counted too: until it is done he has none.</summary>
    public int CutMinutes(NetworkDocument household) => CutMinutes(household, new());

    internal int CutMinutes(NetworkDocument household, Played played)
    {
        var cut = new CutOff(played.Of(household));
        bool IsCut(NetworkDocument house) => cut.In(played.Of(house)).Any();
        var minutes = 0.0;
        var isFromBefore = Steps is [var first, ..] && IsCut(first.Before!);
        foreach (var step in Steps)
        {
            var isCut = IsCut(step.After!);
            if (isCut || isFromBefore || (step.During is { } meanwhile && IsCut(meanwhile))) minutes += step.Minutes;
            isFromBefore &= isCut;
        }
        return (int)Math.Ceiling(minutes);
    }
}

/// <summary>One thing to do, where to be for it, and what must then be seen.</summary>
/// <param name="Key">Stays the same while the deed does: ticks and notes hang on it.</param>
/// <param name="Phase">Where the work is: “At the table, studio router alone”.</param>
/// <param name="Short">For the list.</param>
/// <param name="Laptop">Where the laptop is plugged and how it is addressed; null when it is not needed.</param>
/// <param name="Open">The page to open, such as <c>http://192.168.1.1</c>; simulated to answer.</param>
/// <param name="Find">Under which words boxes keep the setting.</param>
/// <param name="Changes">What is typed: old and new.</param>
/// <param name="WaitSeconds">How long until the box is back; null when there is nothing to wait for.</param>
/// <param name="Expect">What must then be seen, as simulated.</param>
/// <param name="CutOff">Who loses the internet by this step.</param>
/// <param name="Cautions">What can hurt, lock out or surprise here.</param>
/// <param name="Actions">The same deed in the one vocabulary.</param>
public sealed record WorkStep(
    string Key, int Number, string Phase, string Short, string Title, string? Laptop, string? Open, string? Find,
    ImmutableArray<SettingChange> Changes, int? WaitSeconds, ImmutableArray<ReadingInWords> Expect,
    ImmutableArray<string> CutOff, ImmutableArray<string> Cautions, ImmutableArray<InstallerAction> Actions)
{
    public required StepKind Kind { get; init; }

    /// <summary>What its key was when keys hung on titles: what was said of a step then is said of it still.</summary>
    [JsonIgnore]
    public string KeyBefore { get; init; } = "";

    /// <summary>The same as <see cref="Expect"/>, as values that a reading can be held against.</summary>
    [JsonIgnore]
    public ImmutableArray<Reading> Readings { get; init; } = [];

    /// <summary>The box whose page is opened, or that is handled; null where it is a thing or a cable.</summary>
    public string? Device { get; init; }

    /// <summary>The house with the laptop where it then stands, before the step and after it.</summary>
    [JsonIgnore]
    public NetworkDocument? Before { get; init; }

    [JsonIgnore]
    public NetworkDocument? After { get; init; }

    /// <summary>Who has no internet while the step is waited for, and has it again once it is done.</summary>
    public required ImmutableArray<string> Meanwhile { get; init; }

    /// <summary>The house while the step is waited for, its boxes that restart off; null where nobody hangs on one.</summary>
    [JsonIgnore]
    public NetworkDocument? During { get; init; }

    /// <summary>Why it stands where it stands, where that is the trade's experience and nothing that is computed; else null.</summary>
    [JsonIgnore]
    public string? WhyHere { get; init; }

    /// <summary>Work and wait.</summary>
    public double Minutes => 1 + (WaitSeconds ?? 0) / 60.0;
}
