using Altrin.Core.Network;

namespace Altrin.Core.Rules.Needs;

/// <summary>Which judge hears which want.</summary>
public static class NeedBook
{
    public static NeedVerdict Judge(Facts facts, Need need) => need.Match(new NeedHearing(facts));
}
