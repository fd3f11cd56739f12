using System.Runtime.CompilerServices;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.Tests;

/// <summary>The documents of docs/examples.</summary>
public static class Examples
{
    public static string Root { get; } = FindRoot();

    public static IEnumerable<string> Names() =>
        Directory.GetFiles(Path.Combine(Root, "docs", "examples"), "*.json").Select(file => Path.GetFileNameWithoutExtension(file)!).Order(StringComparer.Ordinal);

    public static IEnumerable<TheoryDataRow<string>> All() => Names().Select(name => new TheoryDataRow<string>(name));

    public static string Text(string name) => File.ReadAllText(Path.Combine(Root, "docs", "examples", $"{name}.json"));

    public static NetworkDocument House(string name) => Read(Text(name));

    public static NetworkDocument Read(string text)
    {
        var result = DocumentReader.Read(text);
        Assert.Empty(result.Problems);
        return result.Document!;
    }

    private static string FindRoot([CallerFilePath] string here = "")
    {
        var folder = Path.GetDirectoryName(here)!;
        while (!File.Exists(Path.Combine(folder, "altrin"))) folder = Path.GetDirectoryName(folder)!;
        return folder;
    }
}
