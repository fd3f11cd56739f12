namespace Altrin.Core.Network;

/// <summary>What somebody measured in a room: to be held against what is promised, and against what is there afterwards.</summary>
public sealed record Measurement : DocumentPart
{
    public required string Id { get; init; }

    /// <summary>A room, by id or name.</summary>
    public required string Room { get; init; }

    /// <summary>The thing it was measured with; null: the installer's own.</summary>
    public string? Device { get; init; }

    /// <summary>Best of three, in Mb/s.</summary>
    public double? Mbps { get; init; }

    /// <summary>The level of what it was joined to, in dBm.</summary>
    public double? LevelDbm { get; init; }

    /// <summary>The box that was joined, by id, and on which band; null: nobody looked, and the best heard there is meant.</summary>
    public string? Source { get; init; }

    public Band? Band { get; init; }

    /// <summary>How it was measured, in the installer's words, and how often.</summary>
    public string? Method { get; init; }

    public int? Runs { get; init; }

    public const int MostRuns = 100;

    /// <summary>The day, as 2026-11-28; null where nobody wrote it down.</summary>
    public string? At { get; init; }
}
