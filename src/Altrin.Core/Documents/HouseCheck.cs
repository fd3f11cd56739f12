using System.Text.Json;
using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>Whether a house, however it came about, is one that the reader takes.</summary>
/// <remarks>Asked by writing it and reading it back, so that there is one set of limits and no second list of them to forget a case in.</remarks>
public static class HouseCheck
{
    internal const string Unwritable = "Something in it is no number or no readable text. Write plain numbers and text.";

    /// <returns>The first problem; null for a house that reads back.</returns>
    public static DocumentProblem? WhyNot(NetworkDocument house) => Read(house) is { Document: null } result ? result.Problems[0] : null;

    /// <summary>The house as it will be read from now on: what cannot be written as it stands is by then what was written.</summary>
    public static ReadResult Read(NetworkDocument house)
    {
        try
        {
            return DocumentReader.Read(JsonSerializer.SerializeToUtf8Bytes(house, AltrinJson.Compact));
        }
        // What no JSON can hold, such as a number that is none.
        catch (Exception error) when (error is ArgumentException or JsonException or InvalidOperationException)
        {
            return new(null, [new("", Unwritable)]);
        }
    }
}
