using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning;

/// <summary>The Stairs of a plan in small: what stands on each tread, and how far down it is.</summary>
/// <param name="Depth">Translations between it and the street.</param>
/// <param name="Router">Who stands on its edge; null for the street.</param>
/// <param name="Boxes">What stands on it, those joined by radio marked.</param>
public sealed record MiniTread(int Depth, string? Subnet, string? Router, bool IsChanged, ImmutableArray<MiniBox> Boxes);

/// <param name="IsChanged">Set, joined or used otherwise than as found.</param>
public sealed record MiniBox(string Name, bool ByRadio, bool IsChanged);

public static class MiniStairs
{
    public static ImmutableArray<MiniTread> Of(NetworkDocument found, NetworkState state)
    {
        var stairs = Stairs.Of(state);
        bool IsChanged(string id) => found.FindDevice(id) is not { } was || Actions.SettingCatalogue.All.Any(setting => !setting.IsAlike(was, state.House.FindDevice(id)!));
        MiniBox Box(string id) => new(state.House.NameOf(id), state.UplinkBox(id) is not null, IsChanged(id));
        return [.. stairs.Treads.Where(tread => !tread.IsTable && tread.GuestsOf is null).Select(tread =>
        {
            var step = stairs.Steps.FirstOrDefault(one => one.Lower == tread.Segment);
            return new MiniTread(step?.Number ?? 0, tread.Subnets.FirstOrDefault()?.ToString(), step is null ? null : state.House.NameOf(step.Device), step is not null && IsChanged(step.Device), [.. tread.Boxes.Select(Box)]);
        })];
    }
}
