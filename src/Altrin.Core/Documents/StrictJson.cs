using System.Text;
using System.Text.Json;

namespace Altrin.Core.Documents;

/// <summary>Opens JSON that people write: no field twice, no comments, and a slip is named by line and column.</summary>
internal static class StrictJson
{
    private const int MostReason = 200;

    private static readonly JsonDocumentOptions Strict = new() { AllowDuplicateProperties = false, MaxDepth = 32 };

    /// <returns>What the reader made of it; null, with the problem noted, where it is no JSON or no object.</returns>
    public static T? Open<T>(ReadOnlyMemory<byte> utf8, ProblemList problems, Func<ObjectReader, T> read) where T : class
    {
        // A byte order mark is not JSON, but editors write it.
        if (utf8.Span.StartsWith(Encoding.UTF8.Preamble)) utf8 = utf8[Encoding.UTF8.Preamble.Length..];
        try
        {
            using var json = JsonDocument.Parse(utf8, Strict);
            return ObjectReader.Open(json.RootElement, "", problems) is { } reader ? read(reader) : null;
        }
        catch (JsonException error)
        {
            var place = $"line {error.LineNumber.GetValueOrDefault() + 1}, column {error.BytePositionInLine.GetValueOrDefault() + 1}";
            // The parser quotes what it stumbled over, and that may be the rest of the file.
            var reason = error.Message.Split(" LineNumber:")[0].Split(" Path:")[0];
            if (reason.Length > MostReason) reason = $"{reason[..MostReason]}…";
            problems.Add("", $"This is not JSON at {place}: {reason}");
        }
        catch (InvalidOperationException)
        {
            // Looking for fields written twice, the parser stumbles over a name with half a surrogate pair.
            problems.Add("", "A field's name is not readable text. Rename it.");
        }
        return null;
    }
}
