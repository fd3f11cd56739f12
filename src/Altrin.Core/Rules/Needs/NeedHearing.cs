using Altrin.Core.Network;

namespace Altrin.Core.Rules.Needs;

/// <summary>Hears every kind of want; each kind's part stands beside its judge.</summary>
internal sealed partial class NeedHearing(Facts facts) : INeedCases<NeedVerdict>;
