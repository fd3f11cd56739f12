using Altrin.Core.Actions;

namespace Altrin.Core.Tests.Actions;

public class NamingTests
{
    [Theory]
    [InlineData(1, "1st")]
    [InlineData(2, "2nd")]
    [InlineData(3, "3rd")]
    [InlineData(4, "4th")]
    [InlineData(11, "11th")]
    [InlineData(12, "12th")]
    [InlineData(13, "13th")]
    [InlineData(21, "21st")]
    [InlineData(81, "81st")]
    [InlineData(111, "111th")]
    [InlineData(122, "122nd")]
    public void Steps_are_counted_as_they_are_said(int n, string said) => Assert.Equal(said, Naming.Ordinal(n));
}
