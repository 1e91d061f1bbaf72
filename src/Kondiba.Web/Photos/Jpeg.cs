using System.Buffers.Binary;

namespace Kondiba.Web.Photos;

/// <summary>A JPEG file, segment by segment (ITU-T T.81, annex B).</summary>
internal static class Jpeg
{
    private const int Longest = 8000;

    private const byte Marker = 0xFF, Stuffing = 0x00, StartOfImage = 0xD8, EndOfImage = 0xD9, StartOfScan = 0xDA, Comment = 0xFE;

    /// <summary>
    /// The file without what a camera or a program wrote into it beside the picture, as where and when it was taken; null where it is no
    /// whole JPEG of a sensible size. Nothing behind the picture's end is kept.
    /// </summary>
    public static byte[]? Stripped(ReadOnlySpan<byte> file)
    {
        if (file is not [Marker, StartOfImage, ..])
            return null;
        var (at, hasFrame, kept) = (2, false, new List<byte>(file.Length));
        kept.AddRange(file[..2]);
        while (at + 4 <= file.Length && file[at] == Marker)
        {
            var marker = file[at + 1];
            var length = 2 + BinaryPrimitives.ReadUInt16BigEndian(file[(at + 2)..]);
            if (length < 4 || at + length > file.Length)
                return null;
            var segment = file.Slice(at, length);
            at += length;
            if (IsFrame(marker) && !(hasFrame = IsSensible(segment)))
                return null;
            if (IsOfPicture(marker, segment[4..]))
                kept.AddRange(segment);
            if (marker != StartOfScan)
                continue;
            var scan = ScanLength(file[at..]);
            kept.AddRange(file.Slice(at, scan));
            at += scan;
            if (!file[at..].StartsWith((ReadOnlySpan<byte>)[Marker, EndOfImage]))
                continue;
            kept.AddRange([Marker, EndOfImage]);
            return hasFrame ? [.. kept] : null;
        }

        return null;
    }

    /// <summary>Bytes of a scan, up to the next marker that is not one of its restarts.</summary>
    private static int ScanLength(ReadOnlySpan<byte> data)
    {
        var at = 0;
        while (at + 1 < data.Length && !(data[at] == Marker && data[at + 1] is not (Stuffing or Marker or (>= 0xD0 and <= 0xD7))))
            at++;
        return at + 1 < data.Length ? at : data.Length;
    }

    private static bool IsFrame(byte marker) => marker is >= 0xC0 and <= 0xCF and not (0xC4 or 0xC8 or 0xCC);

    private static bool IsSensible(ReadOnlySpan<byte> frame) =>
        frame.Length >= 9
        && BinaryPrimitives.ReadUInt16BigEndian(frame[5..]) is > 0 and <= Longest
        && BinaryPrimitives.ReadUInt16BigEndian(frame[7..]) is > 0 and <= Longest;

    /// <summary>Whether a segment is needed to show the picture: JFIF's and Adobe's heads, colours, and all that is no note.</summary>
    private static bool IsOfPicture(byte marker, ReadOnlySpan<byte> content) => marker switch
    {
        0xE0 or 0xEE => true,
        0xE2 => content.StartsWith("ICC_PROFILE"u8),
        >= 0xE0 and <= 0xEF or Comment => false,
        _ => true,
    };
}
