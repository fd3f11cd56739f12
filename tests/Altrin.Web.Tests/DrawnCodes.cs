using System.Globalization;
using System.Text.RegularExpressions;
using ZXing;
using ZXing.Common;

namespace Altrin.Web.Tests;

/// <summary>Reads a code that was drawn as squares in a drawing, a unit a module.</summary>
internal static partial class DrawnCodes
{
    /// <summary>Dots a module: as a phone would see it, not bigger than it has to be.</summary>
    private const int Scale = 2;

    /// <summary>ISO/IEC 18004, value from memory: so much light all around.</summary>
    private const int QuietZone = 4;

    [GeneratedRegex("""<rect x="(\d+)" y="(\d+)" width="(\d+)" height="(\d+)"/?>""")]
    private static partial Regex Square();

    [GeneratedRegex("""viewBox="0 0 (\d+) (\d+)" """)]
    private static partial Regex Size();

    public static string? Read(string svg)
    {
        static int Number(Group group) => int.Parse(group.Value, CultureInfo.InvariantCulture);
        var size = Size().Match(svg.Replace(">", " >", StringComparison.Ordinal));
        Assert.True(size.Success, svg[..Math.Min(400, svg.Length)]);
        var (width, height) = (Number(size.Groups[1]), Number(size.Groups[2]));
        var light = new byte[width * Scale * height * Scale];
        Array.Fill(light, (byte)255);
        foreach (Match square in Square().Matches(svg))
        {
            var (left, top, wide, high) = (Number(square.Groups[1]), Number(square.Groups[2]), Number(square.Groups[3]), Number(square.Groups[4]));
            Assert.True(left >= QuietZone && top >= QuietZone && left + wide <= width - QuietZone && top + high <= height - QuietZone, $"A dark square at {left}, {top} stands in the quiet zone of a code of {width} by {height}.");
            for (var y = top * Scale; y < (top + high) * Scale; y++) Array.Fill(light, (byte)0, (y * width + left) * Scale, wide * Scale);
        }
        return new MultiFormatReader().decode(new BinaryBitmap(new GlobalHistogramBinarizer(new RGBLuminanceSource(light, width * Scale, height * Scale, RGBLuminanceSource.BitmapFormat.Gray8))))?.Text;
    }
}
