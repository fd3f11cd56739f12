using System.Text;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Web.Cli;

/// <summary><c>read FILE…</c>: prints what a pasted output shows, a value an output; 2 with one line on standard error when nothing is recognised.</summary>
internal static class ReadCommand
{
    private const string Usage = "usage: read FILE… (- reads standard input)";

    /// <summary>Old Windows consoles write their own code page; its accents are not needed, its bytes must not stop anything.</summary>
    private static readonly Encoding Strict = new UTF8Encoding(false, throwOnInvalidBytes: true);

    public static int Run(string[] files, Func<Stream> standardInput, Stream output, TextWriter error)
    {
        if (files.Length == 0) return InputFile.Fail(error, Usage);
        var all = new List<PastedReading>();
        foreach (var file in files)
        {
            if (InputFile.Read(file, standardInput, out var problem) is not { } bytes) return InputFile.Fail(error, problem!);
            var readings = PastedText.Read(Decode(bytes));
            if (readings.Count == 0) return InputFile.Fail(error, $"{file}: nothing here is recognised. Paste what a terminal printed (addresses, neighbours, ping, routes, Wi-Fi), or a router's list of devices.");
            all.AddRange(readings);
        }
        foreach (var reading in all) output.Write(Encoding.UTF8.GetBytes(ReadingWriter.Write(reading, indented: all.Count == 1) + "\n"));
        output.Flush();
        return 0;
    }

    private static string Decode(byte[] bytes)
    {
        if (bytes is [0xff, 0xfe, ..]) return Encoding.Unicode.GetString(bytes, 2, bytes.Length - 2);
        if (bytes is [0xfe, 0xff, ..]) return Encoding.BigEndianUnicode.GetString(bytes, 2, bytes.Length - 2);
        try { return Strict.GetString(bytes); }
        catch (DecoderFallbackException) { return Encoding.Latin1.GetString(bytes); }
    }
}
