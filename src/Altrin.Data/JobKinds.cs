using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

/// <summary>Older jobs asked the kit shelf for an installer's own kinds each time they were read. This writes the kinds into them,
/// once.</summary>
internal static partial class JobKinds
{
    /// <summary>SQLite's user_version of a database whose jobs carry their kinds.</summary>
    private const long Carried = 1;

    public static void BringAlong(AltrinDb db, Func<IReadOnlyList<KitKind>> ownKinds)
    {
        db.Database.OpenConnection();
        using var turn = db.Database.BeginTransaction();
        if (db.Database.SqlQueryRaw<long>("SELECT user_version AS Value FROM pragma_user_version").Single() >= Carried) return;
        var own = ownKinds().ToDictionary(kind => kind.Kit, StringComparer.Ordinal);
        if (own.Count > 0)
            foreach (var job in db.Jobs.AsNoTracking().Select(job => job.Id).ToList()) BringAlong(db, job, own);
        db.SaveChanges();
        db.Database.ExecuteSqlRaw($"PRAGMA user_version = {Carried}");
        turn.Commit();
    }

    private static void BringAlong(AltrinDb db, string job, Dictionary<string, KitKind> own)
    {
        var revisions = db.Revisions.Where(row => row.JobId == job).ToList();
        var turns = db.Turns.Where(row => row.JobId == job).ToList();
        var named = revisions.SelectMany(row => new[] { row.Actions, row.Snapshot ?? "" }).Concat(turns.Select(turn => turn.House))
            .SelectMany(text => Kit().Matches(text).Select(match => match.Groups[1].Value)).Distinct()
            .Select(kit => own.GetValueOrDefault(kit)).OfType<KitKind>().ToList();
        if (named.Count == 0) return;
        // Every house of the job begins at a written one: with the kinds there, they are in all that follow.
        foreach (var row in revisions.Where(row => row.Side == Side.Found && row.Snapshot is not null))
            row.Snapshot = With(row.Snapshot!, named);
        foreach (var turn in turns) turn.House = With(turn.House, named);
    }

    /// <returns>The text as it was where it is no document.</returns>
    private static string With(string document, List<KitKind> kinds)
    {
        try
        {
            if (JsonNode.Parse(document) is not JsonObject house || house.ContainsKey("kinds")) return document;
            house["kinds"] = JsonSerializer.SerializeToNode(kinds, AltrinJson.Compact);
            return house.ToJsonString(AltrinJson.Compact);
        }
        // A job that cannot be read stays as it is stored.
        catch (JsonException) { return document; }
    }

    [GeneratedRegex("\"kit\":\"([a-z0-9-]+)\"")]
    private static partial Regex Kit();
}
