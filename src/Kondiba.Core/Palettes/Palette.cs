using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Facts;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Palettes;

/// <summary>A scheme of colours to put on an order's lines.</summary>
/// <param name="Palette">Two to five colours, each as #rrggbb.</param>
/// <param name="Lines">The lines as typed.</param>
public sealed record PaletteDraft(IReadOnlyList<string> Palette, IReadOnlyList<LineDraft> Lines);

/// <summary>A colour of the scheme and the one that comes nearest among those of the usual coating.</summary>
/// <param name="Srgb">The colour of the scheme, as #rrggbb.</param>
/// <param name="Colour">Code of the nearest one.</param>
/// <param name="Nearest">How that looks, as #rrggbb.</param>
/// <param name="DeltaE">ΔE00 between them.</param>
/// <param name="Words">The same in words.</param>
/// <param name="Reached">Whether it will do; otherwise the colour wants mixing.</param>
/// <param name="SeenOn">Colours of the scheme on which a drizzle of this one is seen, as #rrggbb.</param>
public sealed record PaletteColour(
    string Srgb, string Colour, string Nearest, double DeltaE, Message Words, bool Reached, IReadOnlyList<string> SeenOn);

/// <summary>The colours that a scheme gives a line.</summary>
/// <param name="Line">Index of the line.</param>
/// <param name="Colour">Code of the first coat's colour, in the line's own coating.</param>
/// <param name="Dips">Codes of the further dips' colours.</param>
/// <param name="Patterns">Codes of the patterns' colours, each seen on its coat.</param>
public sealed record PaletteLine(int Line, string Colour, IReadOnlyList<string> Dips, IReadOnlyList<string> Patterns);

/// <summary>A scheme put on an order's lines.</summary>
/// <param name="Colours">The scheme's colours, as far as they are colours.</param>
/// <param name="Lines">What each line gets.</param>
/// <param name="Problems">What cannot be; no line gets anything then.</param>
public sealed record Palette(IReadOnlyList<PaletteColour> Colours, IReadOnlyList<PaletteLine> Lines, IReadOnlyList<Problem> Problems)
{
    private const int Fewest = 2;
    private const int Most = 5;

    /// <summary>What keeps colours from being a scheme.</summary>
    public static IEnumerable<Problem> Check(IReadOnlyList<string> palette)
    {
        if (palette.Count is < Fewest or > Most)
            yield return new(
                "palette",
                Message.Of("colour.scheme-colours", ("fewest", Fewest), ("most", Most)),
                palette.Count < Fewest ? Message.Of("colour.scheme-colours.do") : Message.Of("colour.take-some-away"));
        foreach (var (i, srgb) in palette.Index())
            if (!Spectrum.IsSrgb(srgb))
                yield return new($"palette[{i}]", Message.Of("colour.not-colour", ("srgb", srgb)), "colour.not-colour.do");
    }

    /// <summary>
    /// Puts the scheme on the lines: coats take its colours in turn, further dips the next one, and a pattern the next one that is
    /// seen on its coat; where none is, the line's coating gives the one that is seen best.
    /// </summary>
    public static Palette For(PaletteDraft draft, KitchenTables tables)
    {
        var problems = Check(draft.Palette).ToList();
        var wanted = draft.Palette.Where(Spectrum.IsSrgb).Select(srgb => (Srgb: srgb, Look: Spectrum.LabOf(srgb))).ToList();
        var usual = tables.Reference.Coating(tables.Profile.Habits.Coating)!;
        var colours = wanted.ConvertAll(w =>
        {
            var (colour, deltaE) = Nearest(usual, w.Look);
            var seenOn = wanted.Where(o => o.Srgb != w.Srgb && tables.Reference.Colour.SeenOn(w.Look, o.Look)).Select(o => o.Srgb);
            return new PaletteColour(
                w.Srgb,
                colour.Code,
                colour.Srgb,
                deltaE,
                tables.Reference.Colour.Words(deltaE),
                deltaE < tables.Reference.Colour.Reached.Value.Si,
                [.. seenOn]);
        });
        return new(
            colours,
            problems.Count > 0
                ? []
                : [.. draft.Lines.Index()
                    .Select(l => Wear(l.Index, l.Item, [.. wanted.Select(w => w.Look)], tables.Reference))
                    .OfType<PaletteLine>()],
            problems);
    }

    private static PaletteLine? Wear(int index, LineDraft? line, IReadOnlyList<Lab> scheme, ReferenceData tables)
    {
        if (tables.Coating(line?.Coating) is not { } coating || line!.Decor?.HasGaps is true)
            return null;
        var coat = Nearest(coating, scheme[index % scheme.Count]).Colour;
        var (turn, under) = (index, coat);
        var dips = new List<string>();
        foreach (var dip in line.Decor?.Dips ?? [])
        {
            under = Next(tables.Coating(dip.Coating) ?? coating);
            dips.Add(under.Code);
        }

        return new(index, coat.Code, dips, [.. (line.Decor?.Patterns ?? []).Select(p => Next(tables.Coating(p.Coating) ?? coating).Code)]);

        CoatingColour Next(Coating of)
        {
            for (var tries = 0; tries < scheme.Count; tries++)
            {
                var next = Nearest(of, scheme[++turn % scheme.Count]).Colour;
                if (tables.Colour.SeenOn(Spectrum.LabOf(next.Srgb), Spectrum.LabOf(under.Srgb)))
                    return next;
            }

            return of.Colours.MaxBy(c => Lab.DeltaE(Spectrum.LabOf(c.Srgb), Spectrum.LabOf(under.Srgb)))!;
        }
    }

    private static (CoatingColour Colour, double DeltaE) Nearest(Coating coating, Lab wanted)
    {
        var (colour, look) = coating.Colours.Select(c => (c, Spectrum.LabOf(c.Srgb))).MinBy(c => Lab.Distance(wanted, c.Item2));
        return (colour, Lab.DeltaE(look, wanted));
    }
}
