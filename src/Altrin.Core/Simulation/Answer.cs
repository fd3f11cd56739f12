using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Yes, no, or sometimes: the last only where a race decides and its contenders lead to different ends.</summary>
[JsonConverter(typeof(WordConverter<Answer>))]
public enum Answer { No, Yes, Sometimes }

/// <summary>The set of ends that a race can have.</summary>
[Flags]
internal enum Ends
{
    None = 0,
    Yes = 1,
    No = 2,
    Either = Yes | No,
}

internal static class EndsOps
{
    /// <summary>Both must come out well, whatever each depends on.</summary>
    public static Ends And(this Ends a, Ends b)
    {
        var ends = Ends.None;
        if ((a & Ends.Yes) != 0 && (b & Ends.Yes) != 0) ends |= Ends.Yes;
        if ((a & Ends.No) != 0 || (b & Ends.No) != 0) ends |= Ends.No;
        return ends;
    }

    public static Answer ToAnswer(this Ends ends) => ends switch
    {
        Ends.Yes => Answer.Yes,
        Ends.Either => Answer.Sometimes,
        _ => Answer.No,
    };
}
