using System.Text.Json;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Web.Cli;

/// <summary>How every command reads its files, and says why one cannot be read.</summary>
internal static class InputFile
{
    public const int Unreadable = 2;

    /// <summary>Far beyond any home; what is larger is refused before it is read.</summary>
    private const long MostBytes = 64L << 20;

    /// <param name="file">A path, or <c>-</c> for standard input.</param>
    /// <returns>Null, with the problem, when it cannot be read.</returns>
    public static byte[]? Read(string file, Func<Stream> standardInput, out string? problem)
    {
        problem = null;
        try
        {
            using var stream = file == "-" ? standardInput() : File.OpenRead(file);
            using var buffer = new MemoryStream();
            var chunk = new byte[1 << 16];
            for (int read; (read = stream.Read(chunk)) > 0;)
            {
                buffer.Write(chunk, 0, read);
                if (buffer.Length <= MostBytes) continue;
                problem = $"{file}: larger than {MostBytes >> 20} MB.";
                return null;
            }
            return buffer.ToArray();
        }
        catch (Exception exception) when (exception is IOException or UnauthorizedAccessException or ArgumentException or NotSupportedException)
        {
            problem = $"{file}: {exception.Message}";
            return null;
        }
    }

    /// <param name="isNamed">The file is named in the line: it is one of several.</param>
    /// <returns>Null, with one line on standard error, where it cannot be read.</returns>
    public static NetworkDocument? Document(string file, Func<Stream> standardInput, TextWriter error, bool isNamed = true)
    {
        if (Read(file, standardInput, out var problem) is not { } bytes)
        {
            Fail(error, problem!);
            return null;
        }
        var read = DocumentReader.Read(bytes);
        if (read.Document is null) Fail(error, isNamed ? $"{file}: {read.Problems[0]}" : read.Problems[0].ToString());
        return read.Document;
    }

    /// <summary>Prints one value, as people read it, and a line end.</summary>
    public static int Print(Stream output, Action<Utf8JsonWriter> write)
    {
        using (var json = new Utf8JsonWriter(output,
            new() { Indented = true, NewLine = "\n", Encoder = AltrinJson.Compact.Encoder })) write(json);
        output.WriteByte((byte)'\n');
        output.Flush();
        return 0;
    }

    /// <summary>One line on standard error, whatever the message is made of.</summary>
    public static int Fail(TextWriter error, string message)
    {
        error.WriteLine(message.ReplaceLineEndings(" "));
        return Unreadable;
    }
}
