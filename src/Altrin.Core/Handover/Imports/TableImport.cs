using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Imports;

/// <summary>One thing that a table says otherwise than the house.</summary>
/// <param name="Number">From 1.</param>
/// <param name="Row">In the table; the head is 1.</param>
/// <param name="Subject">The id of the box, thing or cable.</param>
/// <param name="Column">The first column that says it.</param>
/// <param name="Make">The deeds on the house as it is by then.</param>
public sealed record ImportDeed(int Number, int Row, string Subject, string Column, string From, string To, string Says,
    Func<NetworkDocument, ImmutableArray<InstallerAction>> Make)
{
    /// <returns>Null with the reason where it cannot be done in that house.</returns>
    public NetworkDocument? Apply(NetworkDocument house, out ActionProblem? problem)
    {
        problem = null;
        foreach (var action in Make(house))
        {
            problem = action.Problem(house);
            if (problem is not null) return null;
            house = action.Apply(house);
        }
        return house;
    }
}

/// <summary>A row of which nothing can be taken, or a cell that cannot be read.</summary>
/// <param name="Column">Null: the whole row.</param>
public sealed record ImportProblem(int Row, string? Column, string Says);

/// <summary>What a table would change in a house. Nothing is written until it is taken.</summary>
/// <param name="Unmatched">Rows of which nobody in the house is meant.</param>
/// <param name="Ignored">Columns that the format does not know.</param>
public sealed record TableImport(string Kind, ImmutableArray<ImportDeed> Deeds, ImmutableArray<ImportProblem> Unmatched,
    ImmutableArray<string> Ignored, ImmutableArray<ImportProblem> Problems);
