using SkiaSharp;
using ZXing;
using ZXing.Common;
using ZXing.Multi.QrCode;

namespace Altrin.Web.Photos;

/// <summary>What the QR codes of a picture say.</summary>
internal static class QrCodes
{
    /// <summary>No label has more.</summary>
    private const int Most = 6;

    public static IReadOnlyList<string> In(SKBitmap picture)
    {
        var light = new RGBLuminanceSource(picture.Bytes, picture.Width, picture.Height, RGBLuminanceSource.BitmapFormat.BGRA32);
        var hints = new Dictionary<DecodeHintType, object> { [DecodeHintType.TRY_HARDER] = true, [DecodeHintType.CHARACTER_SET] = "UTF-8" };
        try
        {
            var found = new QRCodeMultiReader().decodeMultiple(new BinaryBitmap(new HybridBinarizer(light)), hints) ?? [];
            return [.. found.Select(one => one.Text).OfType<string>().Where(text => text.Length > 0).Distinct().Take(Most)];
        }
        // A reader of pictures from anywhere may stumble over its own arithmetic: then there is no code.
        catch (Exception error) when (error is IndexOutOfRangeException or ArgumentException or InvalidOperationException or ReaderException) { return []; }
    }
}
