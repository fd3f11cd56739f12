using System.Collections;
using System.Collections.Concurrent;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace Altrin.Core.Documents;

/// <summary>Whether two values are written alike, without writing them: where they share what did not change, as two versions of one box do, next to nothing
/// is looked at.</summary>
internal static class SameWritten
{
    private static readonly ConcurrentDictionary<Type, JsonTypeInfo> Known = new();

    public static bool Are<T>(T a, T b) => Are(a, b, typeof(T));

    private static bool Are(object? a, object? b, Type type)
    {
        if (ReferenceEquals(a, b)) return true;
        if (a is null || b is null) return false;
        var info = Known.GetOrAdd(Nullable.GetUnderlyingType(type) ?? type, static one => AltrinJson.Compact.GetTypeInfo(one));
        return info switch
        {
            // Which of several kinds it is is written too.
            { PolymorphismOptions: not null } => a.Equals(b) || Write(a, type) == Write(b, type),
            { Kind: JsonTypeInfoKind.Object } => HaveSame(info, a, b),
            { Kind: JsonTypeInfoKind.Enumerable } => AreLists((IEnumerable)a, (IEnumerable)b, info.ElementType!),
            _ => a.Equals(b) || Write(a, type) == Write(b, type),
        };
    }

    private static bool HaveSame(JsonTypeInfo info, object a, object b)
    {
        foreach (var field in info.Properties)
        {
            if (field.Get is not { } get) continue;
            var (mine, yours) = (get(a), get(b));
            if (ReferenceEquals(mine, yours) || mine is not null && mine.Equals(yours)) continue;
            if (field.ShouldSerialize is { } isWritten && isWritten(a, mine) is var one)
            {
                if (one != isWritten(b, yours)) return false;
                if (!one) continue;
            }
            if (field.IsExtensionData || field.CustomConverter is not null ? Write(mine, field.PropertyType) != Write(yours, field.PropertyType) : !Are(mine, yours, field.PropertyType)) return false;
        }
        return true;
    }

    private static bool AreLists(IEnumerable a, IEnumerable b, Type of)
    {
        var (mine, yours) = (a.GetEnumerator(), b.GetEnumerator());
        while (true)
        {
            var (isMore, isMoreThere) = (mine.MoveNext(), yours.MoveNext());
            if (isMore != isMoreThere) return false;
            if (!isMore) return true;
            if (!Are(mine.Current, yours.Current, of)) return false;
        }
    }

    private static string Write(object? value, Type type) => JsonSerializer.Serialize(value, type, AltrinJson.Compact);
}
