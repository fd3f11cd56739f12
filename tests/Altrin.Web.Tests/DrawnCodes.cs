using System.Globalization;
using System.Text.RegularExpressions;
using ZXing;
using ZXing.Common;

namespace Altrin.Web.Tests;

/// <summary>Reads a code that was drawn as squares in a drawing.</summary>
internal static partial class DrawnCodes
{
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
        var light = new byte[width * height];
        Array.Fill(light, (byte)255);
        foreach (Match square in Square().Matches(svg))
            for (var y = Number(square.Groups[2]); y < Number(square.Groups[2]) + Number(square.Groups[4]); y++)
                for (var x = Number(square.Groups[1]); x < Number(square.Groups[1]) + Number(square.Groups[3]); x++) light[y * width + x] = 0;
        return new MultiFormatReader().decode(new BinaryBitmap(new GlobalHistogramBinarizer(new RGBLuminanceSource(light, width, height, RGBLuminanceSource.BitmapFormat.Gray8))))?.Text;
    }
}
