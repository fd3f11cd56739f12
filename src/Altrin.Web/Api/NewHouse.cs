using Altrin.Core.Network;

namespace Altrin.Web.Api;

/// <summary>What a new job starts with: nothing. What stands at the line is asked, not invented.</summary>
internal static class NewHouse
{
    public static NetworkDocument Empty() => new() { Name = "New house" };
}
