using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Planning.Ranking;

/// <summary>The minutes of a plan by table (section 5 of the format), in seconds: common practice, no source. An order reckons its own.</summary>
internal static class WorkTable
{
    /// <summary>Settings of a box that differ; a save for each page of them, and a restart by the label where mode or address is among them.</summary>
    public static (int Settings, double Seconds) At(Device now, Device wanted)
    {
        var differ = SettingCatalogue.All.Where(setting => !setting.IsAlike(now, wanted)).ToList();
        var seconds = (double)WorkTimes.Save * differ.Select(setting => setting.Page).Distinct().Count();
        if (differ.Exists(setting => setting.Page is SettingsPage.Mode or SettingsPage.Address)) seconds += WorkTimes.Reboot(wanted);
        return (differ.Count, seconds);
    }
}
