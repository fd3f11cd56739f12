using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Tasks;

/// <summary>The trade's order of work, the first first: what is reset is set alone, then the boxes in place, cables, things. Common
/// practice, no source.</summary>
internal enum TradePlace { TakeAway, PullForNow, Reset, SetAlone, Power, SetInPlace, PullCable, MoveLine, Carry, PlugCable, Thing }

/// <summary>One step's work: one save of one page, one plug, one thing set, one box brought. The kinds are the files of this folder; each
/// says which box,
/// what it waits for, and its step.</summary>
/// <param name="Key">Tasks of one key do the same; what has been done is known by it.</param>
internal abstract record OrderTask(string Key, ImmutableArray<InstallerAction> Actions)
{
    /// <summary>The box whose page must open for it; null for work by hand.</summary>
    public virtual string? Page => null;

    /// <summary>The box that is handled, opened or carried.</summary>
    public virtual string? Device => null;

    public virtual int WaitSeconds => 0;

    /// <summary>Undone again later: a plug pulled for the time of the work.</summary>
    public bool IsForNow { get; init; }

    public abstract TradePlace Place { get; }

    /// <summary>Pages that are saved, in the order of the catalogue; empty for work by hand.</summary>
    public virtual ImmutableArray<SettingsPage> Pages => [];

    public double Minutes => (WorkTimes.Step + WaitSeconds) / 60.0;

    /// <summary>Where the work is, as a heading.</summary>
    public virtual string Phase(NetworkDocument house, NetworkDocument planned) =>
        Device is { } box ? $"At {(house.FindDevice(box) ?? planned.FindDevice(box))!.Name}" : "Cables";

    /// <summary>Says it and carries it out on the simulated house.</summary>
    public abstract void Write(WorkInProgress work);
}
