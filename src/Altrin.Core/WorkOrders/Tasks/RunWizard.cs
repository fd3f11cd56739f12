using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Tasks;

/// <summary>A box as sold asks for everything in one pass: a wizard on its page, or its app. One step, with all the answers in the order
/// of its screens (common practice, no source).</summary>
internal sealed record RunWizard(Device Wanted, SetBy By, ImmutableArray<SettingsPage> Saved, ImmutableArray<InstallerAction> Does,
    ImmutableArray<SettingChange> Rows, bool IsAlone) : OrderTask($"wizard {Wanted.Id}", Does)
{
    /// <summary>What a wizard asks; the rest has pages of its own.</summary>
    private static readonly ImmutableArray<SettingsPage> Asked =
        [SettingsPage.Mode, SettingsPage.Wifi, SettingsPage.Password, SettingsPage.Address, SettingsPage.Dhcp, SettingsPage.DhcpOff];

    public override string? Page => By == SetBy.App ? null : Wanted.Id;
    public override string Device => Wanted.Id;
    public override int WaitSeconds => Saved.Max(page => BoxSaves.Wait(page, Wanted));
    public override ImmutableArray<SettingsPage> Pages => Saved;
    public override TradePlace Place => IsAlone ? TradePlace.SetAlone : TradePlace.SetInPlace;
    public override string Phase(NetworkDocument house, NetworkDocument planned) =>
        IsAlone ? $"At the table, {Wanted.Name} alone" : base.Phase(house, planned);

    /// <returns>Null where its kind has no wizard, where it was set before, or where one page would do.</returns>
    public static RunWizard? For(NetworkDocument house, NetworkDocument planned, Device now, Device wanted,
        ImmutableHashSet<SettingsPage> differ,
        bool isAlone)
    {
        if (house.KindOf(now) is not { SetUp: { FirstPage: FirstPage.Wizard, By: var by, NeedsLine: var needsLine } }
            || now.Lan is null) return null;
        if (needsLine ? !IsCabledAs(house, planned, now.Id) : house.Cables.Any(cable => IsAt(cable, now.Id))) return null;
        var pages = Asked.Where(differ.Contains).ToImmutableArray();
        if (pages.Length < 2 || !SettingCatalogue.AreAlike(now, SettingCatalogue.AsSold(house, now))) return null;
        var (actions, rows) = (ImmutableArray.CreateBuilder<InstallerAction>(), ImmutableArray.CreateBuilder<SettingChange>());
        // Screen by screen, each on the box as the one before has left it; what none of them took is looked at once more together.
        foreach (var page in pages.Select(page => (SettingsPage?)page).Append(null))
        {
            var (next, said) = page is { } one ? BoxSaves.Acts(house, wanted, one) : BoxSaves.Acts(house, wanted, pages.AsSpan());
            house = next.Apply(house);
            actions.AddRange(next);
            rows.AddRange(said);
        }
        return actions.Count == 0 ? null : new(wanted, by, pages, actions.ToImmutable(), rows.ToImmutable(), isAlone);
    }

    /// <summary>The live line comes before the app: every cable that it is to have at its WAN side is in.</summary>
    private static bool IsCabledAs(NetworkDocument house, NetworkDocument planned, string box) =>
        planned.Cables.Where(cable => IsAt(cable, box) && IsUpward(planned, cable, box)).All(cable => house.FindCable(cable.Id) is { } now
            && now.A == cable.A && now.B == cable.B) && (planned.Line?.Device == box) == (house.Line?.Device == box);

    private static bool IsAt(Cable cable, string box) => cable.A.Device == box || cable.B.Device == box;

    private static bool IsUpward(NetworkDocument house, Cable cable, string box) =>
        house.FindDevice(box)?.FindPort((cable.A.Device == box ? cable.A : cable.B).Port)?.Role == PortRole.Wan;

    public override void Write(WorkInProgress work)
    {
        var planned = work.Planned.FindDevice(Wanted.Id)!;
        var part = planned.Mode == work.House.FindDevice(Wanted.Id)!.Mode ? "" : $" as {planned.Mode.Say()}";
        var isApp = By == SetBy.App;
        work.Step(new(StepKind.RunWizard, isApp ? "In its app" : "Its wizard",
            $"Set {planned.Name}{part} {(isApp ? "in its app" : "by its wizard")}")
        {
            Page = Page,
            Actions = Actions,
            Find = isApp ? "Its app" : "Its first page",
            Changes = Rows,
            WaitSeconds = WaitSeconds > 0 ? WaitSeconds : null,
            Expect = Page is null ? after => [.. after.JoinedLamp(planned.Id), .. after.ListedAs(planned.Id)]
                : after => [.. after.LaptopShows(), .. after.JoinedLamp(planned.Id), .. after.PageReading(planned.Id)],
            Cautions =
            [
                isApp ? "Use the household’s own account."
                    : "Go through its first pages once. Country and time, if they ask, are those of the house.",
                .. LogInStep.AsItsKindIsSet(work.House, planned),
                .. LampWords.WhereNotJoined(work.Planned, planned.Id),
                .. Pages.Contains(SettingsPage.Password) ? new[] { SaveSettings.PasswordCaution } : [],
            ],
        });
    }
}
