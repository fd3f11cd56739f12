using System.Text.Json.Nodes;

namespace Altrin.Tests;

/// <summary>A job's answer put together as the page does it: where nothing is planned the planned house is the one as found.</summary>
internal static class WholeJob
{
    /// <returns>The answer itself where it is no job.</returns>
    public static JsonNode Of(JsonNode answer)
    {
        if (answer is not JsonObject job || job["plan"] is not JsonObject plan || job["found"] is not JsonObject found) return answer;
        if ((bool)plan["isAsFound"]!) job["planned"] = found.DeepClone();
        foreach (var (side, takes) in new[] { ("found", "ofFound"), ("planned", "ofPlanned") })
            foreach (var what in new[] { "undo", "redo" })
                if (job[side] is JsonObject house) house[what] = job[takes]![what]?.DeepClone();
        return job;
    }
}
