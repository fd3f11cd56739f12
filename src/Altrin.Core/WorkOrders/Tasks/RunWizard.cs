using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Tasks;

/// <summary>A box as sold asks for everything in one pass: a wizard on its page, or its app. One step, with all the answers in the order of its
/// screens (common practice, no source).</summary>
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
    public static RunWizard? For(NetworkDocument house, Device now, Device wanted, ImmutableHashSet<SettingsPage> differ, bool isAlone)
    {
        if (house.KindOf(now) is not { SetUp: { FirstPage: FirstPage.Wizard, By: var by } } || now.Lan is null) return null;
        if (house.Cables.Any(cable => cable.A.Device == now.Id || cable.B.Device == now.Id) && !isAlone) return null;
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

    public override void Write(WorkInProgress work)
    {
        var planned = work.Planned.FindDevice(Wanted.Id)!;
        var part = planned.Mode == work.House.FindDevice(Wanted.Id)!.Mode ? "" : $" as {planned.Mode.Say()}";
        var isApp = By == SetBy.App;
        var cautions = ImmutableArray.CreateBuilder<string>();
        if (isApp)
            cautions.Add("In its app, with the household’s own account: mobile data off, and the phone does not join the old network by itself.");
        else cautions.Add("One pass through its first pages. What it asks besides, such as country and time, is as the house is; nothing else is changed.");
        if (work.House.KindOf(planned)?.SetUp.NeedsLine == true)
            cautions.Add("It wants the live line while it is set: plug it where there is internet before you begin.");
        if (Pages.Contains(SettingsPage.Address) && planned.Lan?.Address is { } own)
            cautions.Add($"Before: ping {own.Address} from the house’s network. Nobody may answer there.");
        if (Pages.Contains(SettingsPage.Password))
            cautions.Add("Its page password is not the Wi-Fi password. Note the new one: without it only a reset opens the page.");
        if (WaitSeconds > 0) cautions.Add("At the end it restarts with all of it.");
        work.Step(new(StepKind.RunWizard, isApp ? "In its app" : "Its wizard", isApp ? $"Set {planned.Name}{part} in its app" : $"Set {planned.Name}{part} by its wizard")
        {
            Page = Page,
            Actions = Actions,
            Find = isApp ? "Its app" : "Its first page",
            Changes = Rows,
            WaitSeconds = WaitSeconds > 0 ? WaitSeconds : null,
            Expect = Page is null ? after => after.ListedAs(planned.Id)
                : after => [.. after.LaptopShows(), .. after.PageReading(planned.Id)],
            Cautions = cautions.ToImmutable(),
        });
    }
}
