using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Visit;

[JsonConverter(typeof(WordConverter<LineKind>))]
public enum LineKind { Plain, Laptop, Known, New, NoBox, Neighbour, Unread }

/// <summary>A line of what was pasted, and what it says of this house.</summary>
/// <param name="Says">Null for a line that says nothing of use, such as a prompt or a heading.</param>
public sealed record NotedLine(int Number, string Text, LineKind Kind, string? Says);

/// <summary>Something that was seen and is not in the house yet, or not so.</summary>
/// <param name="Key">The same for the same thing seen again.</param>
/// <param name="Title">What it would be called, or what it is about.</param>
/// <param name="Because">How it is known, or what to do where it is not.</param>
/// <param name="Actions">What takes it into the house as found.</param>
/// <param name="IsThing">Takes in a thing that is new, by the name it is given; else a correction.</param>
/// <param name="Address">Where it was seen; null where that does not show.</param>
public sealed record Proposal(string Key, string Title, string Because, ImmutableArray<InstallerAction> Actions, bool IsThing = false,
    string? Address = null, string? Mac = null);

/// <summary>One output that was recognised.</summary>
/// <param name="Source">By the format’s word.</param>
/// <param name="Says">In the trade’s words: “Windows, neighbours”.</param>
/// <param name="Cannot">What such a list does not show: absence from it proves nothing.</param>
public sealed record RecognisedPart(string Source, string Says, int Count, string? Cannot);

/// <summary>What a paste says of this house: line by line, what it proposes, and what it means.</summary>
/// <param name="Lines">The first of them, as far as they are shown.</param>
/// <param name="LineCount">Of the whole paste.</param>
/// <param name="Waiting">What more there is to take once the house has begun.</param>
/// <param name="Strangers">MACs that were seen and that nobody of the house has: of a label the last four then tell which it is.</param>
public sealed record Paste(ImmutableArray<RecognisedPart> Parts, ImmutableArray<NotedLine> Lines, int LineCount,
    ImmutableArray<Proposal> Proposals, ImmutableArray<string> Meanings, ImmutableArray<MacAddress> Strangers,
    int Waiting = 0)
{
    /// <summary>More lines than these are not shown, though they are read.</summary>
    public const int MostLines = 600;

    /// <summary>What is longer is shown so far: no line that is printed for people is.</summary>
    public const int LongestShown = 500;

    /// <param name="before">A list taken before a box was plugged in; null where there was none.</param>
    /// <param name="maker">Whom a MAC is registered to, where somebody here knows.</param>
    public static Paste Of(NetworkDocument house, string text, string? before = null, Func<MacAddress, string?>? maker = null) =>
        Of(house, PastedText.Read(text), PastedText.Split(text), before is null ? [] : PastedText.Read(before), maker);

    /// <summary>What a laptop showed by itself: there is no text.</summary>
    /// <param name="isWhole">It asked everybody first: its list of neighbours lacks nobody of the subnet.</param>
    public static Paste Of(NetworkDocument house, PastedReading reading, PastedReading? before, bool isWhole,
        Func<MacAddress, string?>? maker = null)
    {
        var paste = Of(house, [reading], [], before is null ? [] : [before], maker);
        return isWhole ? paste with { Parts = [.. paste.Parts.Select(part => part with { Cannot = null })] } : paste;
    }

    private static Paste Of(NetworkDocument house, IReadOnlyList<PastedReading> readings, string[] lines, IReadOnlyList<PastedReading> old,
        Func<MacAddress, string?>? maker)
    {
        if (FirstGateway.Of(house, readings) is not { } begin) return new PasteReader(house, readings, maker).Read(lines, old);
        // The rest is held against the house that begins with it, and offered once it has begun.
        var read = new PasteReader(begin.Actions.Apply(house), readings, maker).Read(lines, old);
        return read with { Proposals = [begin], Waiting = read.Proposals.Length };
    }
}
