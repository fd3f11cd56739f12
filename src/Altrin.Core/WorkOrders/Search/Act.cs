using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders.Search;

/// <summary>One step's work: one save of one page, one plug, one thing set, one box brought.</summary>
/// <param name="Label">Acts of one label do the same; what has been done is known by its labels.</param>
/// <param name="Page">The box whose page must open for it; null for work by hand.</param>
internal sealed record Act(string Label, string? Page, ImmutableArray<InstallerAction> Actions)
{
    /// <summary>Pages that are saved, in the order of the catalogue; empty for work by hand.</summary>
    public ImmutableArray<SettingsPage> Pages { get; init; } = [];

    /// <summary>What is typed for it.</summary>
    public ImmutableArray<SettingChange> Rows { get; init; } = [];

    /// <summary>The box that is handled, opened or carried.</summary>
    public string? Device { get; init; }

    public int WaitSeconds { get; init; }

    /// <summary>Undone again later: a plug pulled for the time of the work.</summary>
    public bool IsForNow { get; init; }

    public double Minutes => 1 + WaitSeconds / 60.0;
}
