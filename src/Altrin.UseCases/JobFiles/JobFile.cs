using System.Collections.Immutable;
using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Data;

namespace Altrin.UseCases.JobFiles;

/// <param name="Subject">The box, thing or room that it shows.</param>
public sealed record FilePhoto(string Subject, byte[] Content);

/// <summary>What a job file holds.</summary>
/// <param name="Deeds">Of the plan, in order.</param>
/// <param name="Log">What was changed, oldest first; goes out, and is not taken in.</param>
/// <param name="Secrets">As they are sealed; null where nobody asked for them.</param>
public sealed record JobFileContent(string Name, DateTimeOffset Created, DateTimeOffset Changed, int Version, NetworkDocument Found,
    NetworkDocument Planned,
    ImmutableArray<InstallerAction> Deeds, ImmutableArray<LogEntry> Log, ImmutableArray<FilePhoto> Photos, byte[]? Secrets);

/// <summary>A job as one file, <c>.altrin</c>: a zip of documents. Section 8 of the format.</summary>
public static class JobFile
{
    public const string Format = "altrin.job/1", MediaType = "application/zip", Extension = ".altrin";

    private const int MostMembers = 600;

    private const long MostBytes = 96L << 20, MostBytesOfOne = 24L << 20;

    private static readonly string[] Known = ["job.json", "found.json", "planned.json", "deeds.jsonl", "log.jsonl", "secrets.json"];

    private sealed record Head(string Format, string Name, DateTimeOffset Created, DateTimeOffset Changed, int Version,
        ImmutableArray<PhotoNote>? Photos = null);

    private sealed record PhotoNote(string File, string Subject);

    private sealed record LogLine(Side Side, int Number, string Sentence, DateTimeOffset At);

    public static byte[] Write(JobFileContent job)
    {
        using var buffer = new MemoryStream();
        using (var zip = new ZipArchive(buffer, ZipArchiveMode.Create, leaveOpen: true))
        {
            void Add(string name, byte[] content)
            {
                var entry = zip.CreateEntry(name, CompressionLevel.Optimal);
                // Nothing of the file hangs on the clock.
                entry.LastWriteTime = new DateTimeOffset(1980, 1, 1, 0, 0, 0, TimeSpan.Zero);
                using var into = entry.Open();
                into.Write(content);
            }
            var photos = job.Photos.Select((photo, i) =>
                new PhotoNote($"photos/{(i + 1).ToString("d3", CultureInfo.InvariantCulture)}.jpg", photo.Subject)).ToImmutableArray();
            Add("job.json",
                JsonSerializer.SerializeToUtf8Bytes(new Head(Format, job.Name, job.Created, job.Changed, job.Version, photos.IsEmpty ? null
                : photos), AltrinJson.Indented));
            Add("found.json", Encoding.UTF8.GetBytes(AltrinJson.Write(job.Found)));
            Add("planned.json", Encoding.UTF8.GetBytes(AltrinJson.Write(job.Planned)));
            Add("deeds.jsonl", Lines(job.Deeds));
            Add("log.jsonl", Lines(job.Log.Select(one => new LogLine(one.Side, one.Number, one.Sentence, one.At))));
            foreach (var (note, photo) in photos.Zip(job.Photos)) Add(note.File, photo.Content);
            if (job.Secrets is { } secrets) Add("secrets.json", secrets);
        }
        return buffer.ToArray();
    }

    private static byte[] Lines<T>(IEnumerable<T> all) =>
        Encoding.UTF8.GetBytes(string.Concat(all.Select(one => JsonSerializer.Serialize(one, AltrinJson.Compact) + "\n")));

    /// <param name="problem">What is wrong with the file, in words; nothing of it is taken then.</param>
    public static JobFileContent? Read(byte[] bytes, out string problem)
    {
        try
        {
            using var zip = new ZipArchive(new MemoryStream(bytes), ZipArchiveMode.Read);
            problem = WhyNot(zip) ?? "";
            return problem.Length > 0 ? null : Read(zip, out problem);
        }
        catch (Exception error) when (error is InvalidDataException or EndOfStreamException or IOException or NotSupportedException)
        {
            problem = "This is no whole job file: it was cut off, or is something else. Ask for it again.";
            return null;
        }
    }

    /// <summary>A hostile zip is known by its list: too many members, names that lead elsewhere, two of one name, more than any job
    /// has.</summary>
    private static string? WhyNot(ZipArchive zip)
    {
        if (zip.Entries.Count > MostMembers) return $"There are {zip.Entries.Count} files in it: a job has at most {MostMembers}.";
        var names = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        foreach (var entry in zip.Entries)
        {
            if (!names.Add(entry.FullName)) return $"“{Shown(entry.FullName)}” is in it twice.";
            if (!Known.Contains(entry.FullName) && !IsPhoto(entry.FullName)) return $"“{Shown(entry.FullName)}” belongs to no job file.";
            if (entry.Length > MostBytesOfOne) return $"“{Shown(entry.FullName)}” is larger than anything of a job.";
        }
        return zip.Entries.Sum(entry => entry.Length) > MostBytes ? "It is larger than any job." : null;
    }

    private static string Shown(string name) => name.Length > 60 ? $"{name[..60]}…" : name;

    private static bool IsPhoto(string name) =>
        System.Text.RegularExpressions.Regex.IsMatch(name, @"\Aphotos/[A-Za-z0-9_-]{1,60}\.(jpg|jpeg|png)\z");

    private static JobFileContent? Read(ZipArchive zip, out string problem)
    {
        byte[]? Bytes(string name)
        {
            if (zip.GetEntry(name) is not { } entry) return null;
            using var from = entry.Open();
            using var into = new MemoryStream();
            var chunk = new byte[1 << 16];
            // What it says of its own size need not be true.
            for (int read; (read = from.Read(chunk)) > 0;)
            {
                into.Write(chunk, 0, read);
                if (into.Length > MostBytesOfOne) throw new InvalidDataException(name);
            }
            return into.ToArray();
        }

        problem = "";
        Head? head;
        try { head = Bytes("job.json") is { } json ? JsonSerializer.Deserialize<Head>(json, AltrinJson.Compact) : null; }
        catch (JsonException) { head = null; }
        if (head is not { Format: Format })
        {
            problem = head is null ? "Its job.json is missing, or cannot be read." : $"Its format is “{Shown(head.Format)}”, not {Format}.";
            return null;
        }
        if (Document("found.json", out problem) is not { } found || Document("planned.json", out problem) is not { } planned) return null;
        var deeds = ImmutableArray.CreateBuilder<InstallerAction>();
        foreach (var line in Encoding.UTF8.GetString(Bytes("deeds.jsonl") ?? []).Split('\n', StringSplitOptions.RemoveEmptyEntries))
        {
            try { deeds.Add(JsonSerializer.Deserialize<InstallerAction>(line, AltrinJson.Compact)!); }
            catch (Exception error) when (error is JsonException or NotSupportedException)
            {
                problem = $"Line {deeds.Count + 1} of its deeds.jsonl is no deed.";
                return null;
            }
        }
        var photos = (head.Photos
            ?? []).Select(note => (note.Subject, Content: IsPhoto(note.File) ? Bytes(note.File) : null)).Where(one =>
            one.Content is not null)
            .Select(one => new FilePhoto(one.Subject, one.Content!)).ToImmutableArray();
        return new(head.Name, head.Created, head.Changed, head.Version, found, planned, deeds.ToImmutable(), [], photos,
            Bytes("secrets.json"));

        NetworkDocument? Document(string name, out string why)
        {
            why = "";
            if (Bytes(name) is not { } json)
            {
                why = $"Its {name} is missing.";
                return null;
            }
            var read = DocumentReader.Read(json);
            if (read.Document is null) why = $"{name}: {read.Problems[0]}";
            return read.Document;
        }
    }

    /// <summary>What brings the house as found to the one as planned: the deeds of the file where they do, else what differs.</summary>
    public static ImmutableArray<InstallerAction> PlanOf(JobFileContent job)
    {
        var attempt = ActionRunner.DoAll(job.Found, job.Deeds);
        return attempt.House is { } after && AltrinJson.WriteCompact(after) == AltrinJson.WriteCompact(job.Planned) ? job.Deeds
            : Difference.Actions(job.Found, job.Planned);
    }
}
