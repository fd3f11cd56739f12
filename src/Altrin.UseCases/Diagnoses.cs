using System.Collections.Immutable;
using System.Text;
using Altrin.Core.Diagnosis;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Data;

namespace Altrin.UseCases;

/// <summary>A diagnosis of a job: what was seen, and what follows from it.</summary>
/// <param name="Believed">The house that was believed in.</param>
/// <param name="Result">Null where nothing was seen yet.</param>
/// <param name="Lost">What was seen of boxes and things that are gone from the house meanwhile is left aside; null where nothing
/// is.</param>
public sealed record JobDiagnosis(StoredDiagnosis Stored, NetworkDocument Believed, ImmutableArray<Sighting> Seen, DiagnosisResult? Result,
    string? Lost);

/// <summary>Diagnoses of jobs: stored as they are at every answer, computed when they are asked for.</summary>
public sealed class Diagnoses(DiagnosisStore store, Recent recent)
{
    private sealed record Key(string Job, int Version, Side Side, string Seen, bool HasSocket);

    private sealed record MendKey(string Job, int Version, Side Side, string Seen, int Cause, Hands Hands);

    public Task<ImmutableArray<StoredDiagnosis>> List(string job, CancellationToken cancel) => store.List(job, cancel);

    /// <summary>See <see cref="DiagnosisStore.Save"/>.</summary>
    public Task<ChangeResult> Save(string job, StoredDiagnosis said, CancellationToken cancel) => store.Save(job, said, cancel);

    public JobDiagnosis Of(Job job, StoredDiagnosis stored, Hands hands)
    {
        var believed = (stored.Side == Side.Planned ? job.Planned : job.Found).Document;
        var (seen, problems) = SightingsReader.Read(Encoding.UTF8.GetBytes(stored.Seen), believed);
        if (seen.IsEmpty) return new(stored, believed, [], null, problems.Count > 0 ? problems[0].ToString() : null);
        var key = new Key(job.Head.Id, job.Head.Version, stored.Side, stored.Seen, hands == Hands.Laptop);
        var result = recent.Find<DiagnosisResult>(key)
            ?? recent.Keep(key, Diagnoser.Of(believed, seen, hands == Hands.Laptop, thinksFurther: true), believed.Devices.Length * 4);
        return new(stored, believed, seen, result, null);
    }

    /// <summary>The work from the house as it then is to the house as believed: an order like any other, without steps where words say it
    /// better.
    /// Null where there is no such cause.</summary>
    public WorkOrder? Mend(Job job, JobDiagnosis diagnosis, int cause, Hands hands, CancellationToken cancel)
    {
        if (diagnosis.Result is not { } result || cause < 0 || cause >= result.Causes.Length) return null;
        var key = new MendKey(job.Head.Id, job.Head.Version, diagnosis.Stored.Side, diagnosis.Stored.Seen, cause, hands);
        if (recent.Find<WorkOrder>(key) is { } kept) return kept;
        var order = OrderWays.Of(result.Causes[cause].House, diagnosis.Believed, hands, Course.First with { ProvesLine = false },
            cancel).Best;
        if (result.Causes[cause].Alike[0].MendInWords is not null
            || order.Steps.All(step => step.Actions.All(action => action.MovesLaptop()))) order = order with { Steps = [] };
        return recent.Keep(key, order, order.Steps.Length);
    }
}
