using System.Collections.Immutable;
using System.Globalization;
using Altrin.Core.Handover;
using Altrin.Core.Handover.Records;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Data;

namespace Altrin.UseCases;

/// <summary>What goes out of a job: its documents, and what only the job knows.</summary>
public sealed class Handovers(Orders orders, Diagnoses diagnoses)
{
    /// <param name="passwordsNoted">Boxes whose page password is kept with the job.</param>
    /// <param name="at">When a visit would begin.</param>
    public async Task<ExportRequest> Of(Job job, IReadOnlySet<string> passwordsNoted, DateTime at, CancellationToken cancel) =>
        new(job.Found.Document, job.Plan.IsEmpty ? null : job.Planned.Document, at)
        {
            Notes = new([.. await Done(job, cancel), .. await Diagnosed(job, cancel)], passwordsNoted),
        };

    /// <summary>What the installer said of the steps of the order, with the time.</summary>
    private async Task<IEnumerable<string>> Done(Job job, CancellationToken cancel)
    {
        var ticks = (await orders.Ticks(job.Head.Id, cancel)).Where(tick => tick.DoneAt is not null).ToDictionary(tick => tick.StepKey);
        if (ticks.Count == 0 || await orders.Of(job, null, Hands.Laptop, cancel) is not { } order) return [];
        return order.Order.Steps.Where(step => ticks.ContainsKey(step.Key)).Select(step =>
            (step.Title, Tick: ticks[step.Key])).OrderBy(one => one.Tick.DoneAt)
            .Select(one =>
                $"{one.Title}: {Say(one.Tick.Outcome)}{(one.Tick.Note.Length > 0 ? $" ({one.Tick.Note})" : "")}, {When(one.Tick.DoneAt!.Value)}.{Measured(one.Tick)}");
    }

    /// <summary>What the laptop itself saw, its changes in a row.</summary>
    private static string Measured(Tick tick) => tick.Seen.Length == 0 ? ""
        : $" Seen by the laptop: {string.Join(" ", tick.Seen.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))}";

    private async Task<IEnumerable<string>> Diagnosed(Job job, CancellationToken cancel) =>
        from one in await diagnoses.List(job.Head.Id, cancel)
        where one.EndedAt is not null
        select one.Cause is null ? $"A fault was looked for and not found, {When(one.EndedAt!.Value)}."
            : $"A fault was found, {When(one.EndedAt!.Value)}: {one.Cause}{(one.Mend is null ? "" : $" {one.Mend}.")}";

    private static string Say(string outcome) =>
        outcome switch { "as-said" => "seen as said", "something-else" => "something else was seen", _ => outcome };

    private static string When(DateTimeOffset at) => at.ToLocalTime().ToString("d MMM yyyy HH:mm", CultureInfo.InvariantCulture);

    /// <summary>The house as it is left.</summary>
    public static NetworkDocument Left(Job job) => job.Plan.IsEmpty ? job.Found.Document : job.Planned.Document;
}
