namespace Altrin.Core.Tests;

/// <summary>A mutation run starts the suite hundreds of times on a busy machine.</summary>
internal static class MutationRun
{
    /// <summary>For what measures time, which would fall by the load and not by the change, and for the longest laws of matters that are not being changed.</summary>
    public static void Skips(string why)
    {
        var folder = Environment.GetEnvironmentVariable("ALTRIN_MUTATION");
        Assert.SkipWhen(folder is not null && folder != why, $"not in a mutation run of {folder}: {why}");
    }
}
