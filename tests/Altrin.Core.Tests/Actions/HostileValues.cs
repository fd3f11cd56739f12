using System.Collections.Immutable;
using System.Reflection;
using System.Runtime.CompilerServices;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Actions;

/// <summary>Values of any type of the document or of a deed, made from the type alone: good ones, wrong ones and monstrous ones. The same for the
/// same seed. A field that is added tomorrow is tried tomorrow.</summary>
internal sealed class HostileValues(int seed)
{
    private static readonly string[] Texts =
        ["gw", "studio", "printer", "c1", "n1", "2g", "wan", "lan1", "lan4", "larkspur", "home", "", " ", new('x', 100_000), new('é', 17), "isp", "carrier",
            "installer-laptop", "\ud800", "a\0b", "‮", "😀😀😀😀😀😀😀😀😀", "line", "router", "5", "ax"];

    private static readonly int[] Wholes = [0, 1, 2, 20, 443, -1, 65536, 100_001, int.MaxValue, int.MinValue];
    private static readonly double[] Numbers = [0, 1, 2.5, -1, 100_001, 1e308, double.NaN, double.PositiveInfinity, double.NegativeInfinity, -0.0];
    private static readonly string[] Addresses = ["192.168.31.20", "192.168.31.1", "192.168.31.255", "0.0.0.0", "127.0.0.1", "224.0.0.1", "255.255.255.255", "10.0.0.1"];

    private readonly Random random = new(seed);

    public object? Of(Type type, bool mayBeNull = false, int depth = 0)
    {
        if (mayBeNull && random.Next(3) == 0) return null;
        if (Nullable.GetUnderlyingType(type) is { } inner) return random.Next(3) == 0 ? null : Of(inner, false, depth);
        if (type == typeof(string)) return Pick(Texts);
        if (type == typeof(int)) return Pick(Wholes);
        if (type == typeof(double)) return Pick(Numbers);
        if (type == typeof(bool)) return random.Next(2) == 0;
        if (type == typeof(Ipv4Address)) return Ipv4Address.Parse(Pick(Addresses));
        if (type == typeof(InterfaceAddress)) return new InterfaceAddress(Ipv4Address.Parse(Pick(Addresses)), random.Next(0, 33));
        if (type == typeof(MacAddress)) return new MacAddress((ulong)random.NextInt64(0, 1L << 48));
        if (type == typeof(Prefix)) return Prefix.Of(Ipv4Address.Parse(Pick(Addresses)), random.Next(0, 33));
        if (type == typeof(Socket)) return new Socket(Pick(Texts[..13]), Pick(Texts[..13]));
        if (type.IsEnum) return Enum.GetValues(type).GetValue(random.Next(Enum.GetValues(type).Length));
        if (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(ImmutableArray<>)) return List(type.GetGenericArguments()[0], depth);
        if (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(ImmutableDictionary<,>)) return Dictionary(type, depth);
        return depth > 5 && mayBeNull ? null : Record(type, depth);
    }

    private object List(Type item, int depth)
    {
        var count = random.Next(depth > 3 ? 1 : 3);
        var items = Array.CreateInstance(item, count);
        for (var i = 0; i < count; i++) items.SetValue(Of(item, !item.IsValueType && random.Next(4) == 0, depth + 1), i);
        return typeof(ImmutableArray).GetMethods().First(method => method is { Name: nameof(ImmutableArray.Create), IsGenericMethod: true }
            && method.GetParameters() is [{ ParameterType.IsArray: true }]).MakeGenericMethod(item).Invoke(null, [items])!;
    }

    private object Dictionary(Type type, int depth)
    {
        var (key, value) = (type.GetGenericArguments()[0], type.GetGenericArguments()[1]);
        var none = type.GetField("Empty")!.GetValue(null)!;
        return random.Next(2) == 0 ? none : type.GetMethod("SetItem")!.Invoke(none, [Of(key, false, depth + 1), Of(value, false, depth + 1)])!;
    }

    private object Record(Type type, int depth)
    {
        if (type.IsAbstract) type = Pick([.. type.GetNestedTypes().Where(type.IsAssignableFrom)]);
        var constructor = type.GetConstructors().OrderByDescending(one => one.GetParameters().Length).First(one => !one.GetParameters().Any(p => p.ParameterType == type));
        var nulls = new NullabilityInfoContext();
        var made = constructor.Invoke([.. constructor.GetParameters().Select(p => Of(p.ParameterType, nulls.Create(p).WriteState == NullabilityState.Nullable, depth + 1))]);
        foreach (var property in type.GetProperties())
        {
            if (property.SetMethod is not { IsPublic: true } || property.Name == nameof(DocumentPart.Unknown)) continue;
            if (constructor.GetParameters().Any(p => p.Name == property.Name)) continue;
            // Left as the record has it now and then, so that not everything is wrong at once.
            var isRequired = property.IsDefined(typeof(RequiredMemberAttribute));
            if (!isRequired && random.Next(2) == 0) continue;
            property.SetValue(made, Of(property.PropertyType, !isRequired && nulls.Create(property).WriteState == NullabilityState.Nullable, depth + 1));
        }
        return made;
    }

    private T Pick<T>(T[] from) => from[random.Next(from.Length)];
}
