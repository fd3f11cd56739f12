using SkiaSharp;
using ZXing;
using ZXing.Common;
using ZXing.Multi.QrCode;

namespace Altrin.Web.Photos;

/// <summary>What the QR codes of a picture say, and codes drawn.</summary>
internal static class QrCodes
{
    /// <summary>No label has more.</summary>
    private const int Most = 6;

    /// <summary>Modules of light all around a code, without which readers miss one now and then (ISO/IEC 18004, value from memory).</summary>
    private const int QuietZone = 4;

    /// <summary>A code that says the text, as a drawing of squares, a unit a module; printed at any size it stays sharp.</summary>
    public static string Draw(string text) => new BarcodeWriterSvg
    {
        Format = BarcodeFormat.QR_CODE,
        Options = new ZXing.QrCode.QrCodeEncodingOptions { Margin = QuietZone, CharacterSet = "UTF-8", ErrorCorrection = ZXing.QrCode.Internal.ErrorCorrectionLevel.M },
    }.Write(text).Content;

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
