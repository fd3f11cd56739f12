using System.Text.Json;
using Altrin.Core.Documents;

namespace Altrin.Core.Tests.Documents;

/// <summary>The reader's half of the agreement with the published JSON Schema; the schema's half, over the same documents, is
/// web/src/api/schema.test.ts, where a validator of the standard is at hand.</summary>
public class SchemaTests
{
    public static IEnumerable<TheoryDataRow<string>> Refused()
    {
        var file = Path.Combine(Examples.Root, "tests", "documents", "refused.json");
        return JsonDocument.Parse(File.ReadAllText(file)).RootElement.EnumerateArray().Select(document => new TheoryDataRow<string>(document.GetRawText()));
    }

    [Theory, MemberData(nameof(Refused))]
    public void The_reader_refuses_what_the_schema_refuses(string text) => Assert.NotEmpty(DocumentReader.Read(text).Problems);
}
