using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Visit.Asking;

/// <summary>How an answer is given: by a press, in a field, with the box in hand, in the words of the job, or at a stop of the
/// walk.</summary>
[JsonConverter(typeof(WordConverter<AskedBy>))]
public enum AskedBy { Press, Pool, Box, Words, Stop }

/// <param name="Say">“yes”, “a data cable lies there”.</param>
/// <param name="Actions">What is noted in the house as found; none: it stays open, and is not asked again.</param>
public sealed record ReadyAnswer(string Say, ImmutableArray<InstallerAction> Actions);

/// <summary>Something that decides between two ways of doing the job.</summary>
/// <param name="Why">What it decides.</param>
/// <param name="Box">The box it is about; null where it is about none.</param>
/// <param name="Stop">Where the walk has it.</param>
/// <param name="Answered">What is known, in a few words; null while it is open.</param>
public sealed record Question(string Id, string Asks, string Why, AskedBy By, string? Box, StopKind Stop, string? Answered,
    ImmutableArray<ReadyAnswer> Answers);

/// <summary>A job in words, and the few questions that decide it, in the order of a walk.</summary>
/// <param name="Sort">Null where the words name no job that is known.</param>
/// <param name="Says">The job as it was understood, or how to say it.</param>
/// <param name="Examples">Words that are understood.</param>
public sealed record JobInWords(JobSort? Sort, string Part, string? Room, string Says, ImmutableArray<Question> Questions,
    ImmutableArray<string> Examples);
