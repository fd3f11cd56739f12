using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>Two versions of a house have the parts in common that are written alike: what compares them then looks at next to nothing, and a long
/// history takes little memory.</summary>
internal static class SharedParts
{
    /// <summary>The house, with what is written as in <paramref name="before"/> taken from there.</summary>
    public static NetworkDocument With(NetworkDocument house, NetworkDocument before) => house with
    {
        Line = SameWritten.Are(house.Line, before.Line) ? before.Line : house.Line,
        Devices = List(house.Devices, before.Devices, static box => box.Id),
        Cables = List(house.Cables, before.Cables, static cable => cable.Id),
        Endpoints = List(house.Endpoints, before.Endpoints, static thing => thing.Id),
        Needs = List(house.Needs, before.Needs, static need => need.Id),
        Rooms = List(house.Rooms, before.Rooms, static room => room.Id),
        Neighbours = SameWritten.Are(house.Neighbours, before.Neighbours) ? before.Neighbours : house.Neighbours,
        Runs = SameWritten.Are(house.Runs, before.Runs) ? before.Runs : house.Runs,
        Measured = SameWritten.Are(house.Measured, before.Measured) ? before.Measured : house.Measured,
        Kinds = SameWritten.Are(house.Kinds, before.Kinds) ? before.Kinds : house.Kinds,
        Buildings = SameWritten.Are(house.Buildings, before.Buildings) ? before.Buildings : house.Buildings,
        Building = SameWritten.Are(house.Building, before.Building) ? before.Building : house.Building,
    };

    private static ImmutableArray<T> List<T>(ImmutableArray<T> now, ImmutableArray<T> before, Func<T, string> id) where T : class
    {
        if (now == before) return now;
        var byId = new Dictionary<string, T>(before.Length, StringComparer.Ordinal);
        foreach (var one in before) byId.TryAdd(id(one), one);
        var list = ImmutableArray.CreateBuilder<T>(now.Length);
        var isAll = now.Length == before.Length;
        for (var i = 0; i < now.Length; i++)
        {
            var old = byId.GetValueOrDefault(id(now[i]));
            list.Add(old is not null && SameWritten.Are(old, now[i]) ? old : now[i]);
            isAll &= isAll && ReferenceEquals(list[i], before[i]);
        }
        return isAll ? before : list.MoveToImmutable();
    }
}
