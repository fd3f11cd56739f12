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

    /// <summary>One line on standard error, whatever the message is made of.</summary>
    public static int Fail(TextWriter error, string message)
    {
        error.WriteLine(message.ReplaceLineEndings(" "));
        return Unreadable;
    }
}
