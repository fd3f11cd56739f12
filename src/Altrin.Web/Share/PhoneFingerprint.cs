namespace Altrin.Web.Share;

/// <summary>By which a person tells the laptop's certificate from another's; null where no phone is answered.</summary>
internal sealed record PhoneFingerprint(string? Words);
