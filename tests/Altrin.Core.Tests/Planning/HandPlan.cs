using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;

namespace Altrin.Core.Tests.Planning;

/// <summary>A target for the house, and what it comes to when simulated.</summary>
/// <param name="Id"><c>one-network</c> or <c>kept-apart</c>.</param>
/// <param name="GivesUp">Wants that do not hold under it, with the reason.</param>
internal sealed record HandPlan(string Id, string Title, string Summary, ImmutableArray<InstallerAction> Actions, NetworkDocument House,
    int WantsHeld, int WantsTotal, int Faults, int Cautions, int NatLayers, int Subnets, ImmutableArray<string> GivesUp)
{
    internal static HandPlan Of(string id, string title, string summary, ImmutableArray<InstallerAction> actions, NetworkDocument house,
        params IEnumerable<string> givesUp)
    {
        var after = Evaluation.Of(house);
        return new(id, title, summary, actions, house, after.WantsHeld, after.Wants.Length, after.Faults, after.Cautions,
            house.Endpoints.Select(endpoint => after.State.Internet(endpoint.Id).NatLayers).DefaultIfEmpty().Max(),
            after.State.Segments.Count(segment => after.Facts.RoutersOn[segment.Index].Any(router => after.Facts.LeadsOn(router))),
            [.. givesUp, .. after.Wants.Where(want => want.Met != Altrin.Core.Simulation.Answer.Yes).Select(want => $"{want.Sentence}: {want.Because}")]);
    }
}
