using System.Collections.Immutable;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Readings.Eyes;

/// <summary>The outputs of several tools of one laptop at one moment as one reading.</summary>
public static class OneReading
{
    /// <summary>The source of what a laptop showed by itself.</summary>
    public const string Source = "laptop";

    public static PastedReading Of(IEnumerable<PastedReading> readings)
    {
        var all = readings.ToList();
        var adapters = all.SelectMany(one => one.Adapters).Where(one => one.Name.Length > 0).GroupBy(one => one.Name,
            StringComparer.Ordinal).Select(One);
        return new(Source, null, [.. adapters], [.. all.SelectMany(one => one.Neighbours).DistinctBy(one => (one.Address, one.Mac))],
            [.. all.SelectMany(one => one.Networks).Distinct()], [.. all.SelectMany(one => one.Hops)],
                [.. all.SelectMany(one => one.Pings)], [])
        {
            Tells = [.. all.SelectMany(one => one.Tells).Distinct()],
            Pages = [.. all.SelectMany(one => one.Pages)],
        };
    }

    /// <summary>What one tool leaves out another says; where both speak the first is believed.</summary>
    private static SeenAdapter One(IEnumerable<SeenAdapter> same) => same.Aggregate((a, b) => a with
    {
        Kind = a.Kind == AdapterKind.Other ? b.Kind : a.Kind,
        Mac = a.Mac ?? b.Mac,
        Address = a.Address ?? b.Address,
        Gateway = a.Gateway ?? b.Gateway,
        Dns = a.Dns.IsEmpty ? b.Dns : a.Dns,
        Method = a.Method ?? b.Method,
        Server = a.Server ?? b.Server,
        LinkLocal = a.LinkLocal ?? b.LinkLocal,
        Also = a.Also.IsEmpty ? b.Also : a.Also,
    });
}
