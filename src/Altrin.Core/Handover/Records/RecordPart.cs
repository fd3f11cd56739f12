using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Records;

[JsonConverter(typeof(WordConverter<PartKind>))]
public enum PartKind { Heading, Line, Items, Table }

/// <summary>A piece of the record, told without a markup.</summary>
/// <param name="Level">Of a heading: 2 or 3.</param>
/// <param name="Items">Of a list.</param>
/// <param name="Rows">Of a table; the first is its head.</param>
public sealed record RecordPart(PartKind Kind, string Text, int Level, ImmutableArray<string> Items,
    ImmutableArray<ImmutableArray<string>> Rows)
{
    public static RecordPart Heading(int level, string text) => new(PartKind.Heading, text, level, [], []);

    public static RecordPart Line(string text) => new(PartKind.Line, text, 0, [], []);

    public static RecordPart List(IEnumerable<string> items) => new(PartKind.Items, "", 0, [.. items], []);

    public static RecordPart Table(IEnumerable<ImmutableArray<string>> rows) => new(PartKind.Table, "", 0, [], [.. rows]);
}

/// <summary>What only a job knows of a house.</summary>
/// <param name="Tested">What was done and seen, a sentence each, in order.</param>
/// <param name="PasswordsNoted">Boxes whose page password is kept with the job.</param>
public sealed record RecordNotes(ImmutableArray<string> Tested, IReadOnlySet<string> PasswordsNoted)
{
    public static RecordNotes None { get; } = new([], new HashSet<string>());
}
