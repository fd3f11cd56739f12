using SkiaSharp;

namespace Altrin.Web.Photos;

/// <summary>A picture as it is kept: upright, of a bounded size, and nothing but its dots.</summary>
/// <param name="Codes">What QR codes in it say.</param>
internal sealed record TakenPhoto(byte[] Jpeg, IReadOnlyList<string> Codes);

/// <summary>Takes a picture in: told by its content, measured before anything is decoded, drawn anew so that whatever else the file held (where it
/// was taken, by whom, a second file behind the first) is left behind.</summary>
internal static class PhotoIntake
{
    /// <summary>The longer side of what is kept, in dots: a label can still be read.</summary>
    public const int LongestSide = 1600;

    /// <summary>More dots than these are not decoded.</summary>
    public const long MostDots = 40_000_000;

    public const int MostBytes = 24 << 20;

    private const int Quality = 85;

    /// <returns>Why it is not taken; null with the picture.</returns>
    public static (TakenPhoto? Photo, string? Problem) Take(byte[] content)
    {
        if (WhyNot(content) is { } problem) return (null, problem);
        using var data = SKData.CreateCopy(content);
        using var codec = SKCodec.Create(data);
        if (codec is null) return (null, "This picture is damaged: it cannot be opened. Take it again.");
        var info = codec.Info;
        if (info.Width <= 0 || info.Height <= 0) return (null, "This picture is damaged: it has no size. Take it again.");
        if ((long)info.Width * info.Height > MostDots) return (null, $"This picture has {(long)info.Width * info.Height / 1_000_000} million dots. Set the camera to at most {MostDots / 1_000_000} million, or send it smaller.");
        using var decoded = Decode(codec);
        if (decoded is null) return (null, "This picture is cut off or damaged. Take it again.");
        using var upright = Upright(decoded, codec.EncodedOrigin);
        var codes = QrCodes.In(upright);
        using var small = Shrink(upright);
        using var image = SKImage.FromBitmap(small);
        using var jpeg = image.Encode(SKEncodedImageFormat.Jpeg, Quality);
        return (new(jpeg.ToArray(), codes), null);
    }

    private static string? WhyNot(ReadOnlySpan<byte> content)
    {
        if (content.Length > MostBytes) return $"This picture has more than {MostBytes >> 20} MB. Send it smaller.";
        if (content.Length < 16) return "This is no picture: it is empty, or nearly so.";
        if (content is [0xFF, 0xD8, 0xFF, ..]) return null;
        if (content is [0x89, (byte)'P', (byte)'N', (byte)'G', 0x0D, 0x0A, 0x1A, 0x0A, ..]) return null;
        if (content[..4].SequenceEqual("RIFF"u8) && content[8..12].SequenceEqual("WEBP"u8)) return null;
        if (content[4..8].SequenceEqual("ftyp"u8)) return "HEIC and the like are not read here. Set the camera to “most compatible”, or share the picture as JPEG.";
        return "This is no picture that can be read. Use JPEG, PNG or WebP.";
    }

    /// <summary>A JPEG is decoded no larger than need be for a code in it to be read.</summary>
    private static SKBitmap? Decode(SKCodec codec)
    {
        var info = codec.Info;
        var wanted = codec.GetScaledDimensions(Math.Min(1f, 2f * LongestSide / Math.Max(info.Width, info.Height)));
        var bitmap = new SKBitmap(new SKImageInfo(wanted.Width, wanted.Height, SKColorType.Bgra8888, SKAlphaType.Premul));
        var result = codec.GetPixels(bitmap.Info, bitmap.GetPixels());
        if (result is SKCodecResult.Success) return bitmap;
        bitmap.Dispose();
        return null;
    }

    private static SKBitmap Upright(SKBitmap from, SKEncodedOrigin origin)
    {
        var isOnSide = origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;
        var upright = new SKBitmap(new SKImageInfo(isOnSide ? from.Height : from.Width, isOnSide ? from.Width : from.Height, SKColorType.Bgra8888, SKAlphaType.Opaque));
        using var canvas = new SKCanvas(upright);
        // Behind what is see-through.
        canvas.Clear(SKColors.White);
        switch (origin)
        {
            case SKEncodedOrigin.TopRight: canvas.Scale(-1, 1, from.Width / 2f, 0); break;
            case SKEncodedOrigin.BottomRight: canvas.RotateDegrees(180, from.Width / 2f, from.Height / 2f); break;
            case SKEncodedOrigin.BottomLeft: canvas.Scale(1, -1, 0, from.Height / 2f); break;
            case SKEncodedOrigin.LeftTop: canvas.SetMatrix(new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1)); break;
            case SKEncodedOrigin.RightTop: canvas.SetMatrix(new SKMatrix(0, -1, from.Height, 1, 0, 0, 0, 0, 1)); break;
            case SKEncodedOrigin.RightBottom: canvas.SetMatrix(new SKMatrix(0, -1, from.Height, -1, 0, from.Width, 0, 0, 1)); break;
            case SKEncodedOrigin.LeftBottom: canvas.SetMatrix(new SKMatrix(0, 1, 0, -1, 0, from.Width, 0, 0, 1)); break;
            case SKEncodedOrigin.TopLeft: break;
            default: break;
        }
        canvas.DrawBitmap(from, 0, 0);
        return upright;
    }

    private static SKBitmap Shrink(SKBitmap from)
    {
        var by = (float)LongestSide / Math.Max(from.Width, from.Height);
        if (by >= 1) return from.Copy();
        return from.Resize(new SKImageInfo(Math.Max(1, (int)(from.Width * by)), Math.Max(1, (int)(from.Height * by)), from.ColorType, from.AlphaType), new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
    }
}
