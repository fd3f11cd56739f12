using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Planning;

/// <summary>The minutes of a plan by table (section 5 of the format), in seconds: common practice, no source. An order reckons its own.</summary>
internal static class WorkTable
{
    public const double SaveSeconds = 60, PlugSeconds = 60, CarrySeconds = 180;

    public const int TouchMinutes = 2;

    /// <summary>Settings of a box that differ; a save for each page of them, and a restart by the label where mode or address is among them.</summary>
    public static (int Settings, double Seconds) At(Device now, Device wanted)
    {
        var differ = SettingCatalogue.All.Where(setting => !setting.IsAlike(now, wanted)).ToList();
        var seconds = SaveSeconds * differ.Select(setting => setting.Page).Distinct().Count();
        if (differ.Exists(setting => setting.Page is SettingsPage.Mode or SettingsPage.Address)) seconds += wanted.Label?.RebootSeconds ?? BoxLabel.UsualRebootSeconds;
        return (differ.Count, seconds);
    }
}
