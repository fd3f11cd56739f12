namespace Altrin.Core.Documents;

/// <summary>One thing in a document that cannot be read: where, what stands there, what may, the mend.</summary>
/// <param name="Place">Such as <c>devices[2].lan.address</c>; empty for the document as a whole.</param>
public sealed record DocumentProblem(string Place, string Message)
{
    public override string ToString() => Place.Length == 0 ? Message : $"{Place}: {Message}";
}

/// <summary>Gathers problems by place. Past <see cref="Most"/> it stops listening: nobody mends two hundred at once.</summary>
public sealed class ProblemList
{
    public const int Most = 200;

    private readonly List<DocumentProblem> found = [];

    public IReadOnlyList<DocumentProblem> Found => found;

    public void Add(string place, string message)
    {
        if (found.Count < Most) found.Add(new(place, message));
    }
}
