using System.Collections.Immutable;
using Altrin.Core.Diagnosis.Sightings;

namespace Altrin.Core.Diagnosis.Looking;

/// <param name="Causes">Which groups may answer so.</param>
public sealed record LookAnswer(Shown Value, ImmutableArray<int> Causes);

/// <summary>A look, and what it would tell.</summary>
/// <param name="Do">What to do, in words.</param>
/// <param name="Minutes">With the walk there.</param>
/// <param name="Bits">What its answer tells on the mean.</param>
public sealed record NextLook(Look Look, string Do, double Minutes, double Bits, ImmutableArray<LookAnswer> Answers);
