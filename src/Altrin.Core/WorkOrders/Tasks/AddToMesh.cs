using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Tasks;

/// <summary>A satellite is added to its mesh in one step, once the main unit is set: it takes name and key from there, and nothing is set
/// on it
/// (common practice, no source).</summary>
/// <param name="Main">The main unit; null where the house names none.</param>
internal sealed record AddToMesh(Device Wanted, Device? Main, SetBy By, ImmutableArray<SettingsPage> Saved,
    ImmutableArray<InstallerAction> Does)
    : OrderTask($"mesh {Wanted.Id}", Does)
{
    public override string Device => Wanted.Id;
    public override int WaitSeconds => WorkTimes.ModeSave(Wanted);
    public override ImmutableArray<SettingsPage> Pages => Saved;
    public override TradePlace Place => TradePlace.SetInPlace;

    /// <summary>Whether it is a satellite before and after, and so nothing is typed into it.</summary>
    public static bool IsSatellite(Device now, Device wanted) =>
        now.Traits.AlwaysAsks && wanted.Traits.AlwaysAsks && wanted.Traits.BreaksLoops;

    /// <returns>Null where its turn has not come, or there is nothing to do.</returns>
    public static AddToMesh? For(NetworkDocument house, NetworkDocument planned, Device wanted, Func<Device, Device, bool> isDone)
    {
        var main = planned.Devices.FirstOrDefault(box => !box.Traits.AlwaysAsks && planned.KindOf(box)?.Group == KitGroup.Mesh);
        if (main is not null && house.FindDevice(main.Id) is var now && (now is null || !isDone(now, main))) return null;
        var pages = SettingCatalogue.All.Select(setting => setting.Page).Where(page => page != SettingsPage.Power)
            .Distinct().ToImmutableArray();
        var (actions, _) = BoxSaves.Acts(house, wanted, pages.AsSpan());
        return actions.IsEmpty ? null : new(wanted, main, planned.KindOf(wanted)?.SetUp.By ?? SetBy.Page, pages, actions);
    }

    public override void Write(WorkInProgress work)
    {
        var with = By switch { SetBy.App => "in the app", SetBy.Button => "by the buttons of both", _ => "at its main unit" };
        work.Step(new(StepKind.AddToMesh, "Add it", $"Add {Wanted.Name} to {Main?.Name ?? "the mesh"}, {with}")
        {
            Actions = Actions,
            WaitSeconds = WaitSeconds,
            Expect = after => [.. after.JoinedLamp(Wanted.Id), .. after.ListedAs(Wanted.Id)],
            Cautions =
            [
                $"It takes name and key from {Main?.Name ?? "the main unit"}: nothing is set on it.",
                .. LogInStep.AsItsKindIsSet(work.House, Wanted),
                .. Wanted.Traits.Caution is { } lamp ? new[] { lamp } : [],
            ],
        });
    }
}
