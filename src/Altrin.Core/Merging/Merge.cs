using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Merging;

/// <summary>Brings together what two people, or two hands of one, change in a house at the same time.</summary>
public static class Merge
{
    /// <param name="drawn">The house that the person looked at while speaking.</param>
    /// <param name="known">The house as the sender knew it when the deeds were sent: its own earlier changes are in it.</param>
    /// <param name="now">The house as it stands.</param>
    /// <returns>The deeds as they are meant of <paramref name="now"/>; null where somebody else has changed the same since
    /// <paramref name="known"/>.</returns>
    public static ImmutableArray<InstallerAction>? Of(ImmutableArray<InstallerAction> actions, NetworkDocument drawn, NetworkDocument known,
        NetworkDocument now)
    {
        var meant = ReferenceEquals(drawn, known) ? actions : Rebase.Of(actions, drawn, known);
        if (ReferenceEquals(known, now)) return meant;
        if (ActionRunner.DoAll(known, meant).House is not { } mine) return null;
        if (Touched.Meet(Touched.Between(known, mine), Touched.Between(known, now))) return null;
        return Rebase.Of(meant, known, now);
    }
}
