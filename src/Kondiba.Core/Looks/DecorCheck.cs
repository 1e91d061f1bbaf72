using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Looks;

/// <summary>A pattern whose every field stands for something in the trade tables.</summary>
internal sealed record Drizzle(int Index, PatternDraft Draft, PatternKind Kind, Coating Coating, CoatingColour Colour)
{
    /// <summary>Key of the pot it is taken from.</summary>
    public string Pot => Coating.Pot(Colour);
}

/// <summary>Coating that is drawn from a bag onto a line's pieces.</summary>
internal sealed record Bagged(Dip For, Coating Coating, CoatingColour Colour, Message What, Figure<Mass> PerPiece, Sourced<Share>? OffPiece)
{
    /// <summary>Key of the pot it is taken from.</summary>
    public string Pot => Coating.Pot(Colour);

    /// <summary>For all pieces, spoilt ones too, and what falls beside them.</summary>
    public Mass Total => PerPiece.Value * (For.Count.Value * (1 + For.Centre.Spoil.Value.Si) * (1 + (OffPiece?.Value.Si ?? 0)));
}

/// <summary>Finds what cannot be in a decoration, field by field.</summary>
internal static class DecorCheck
{
    private const int MostOfEach = 8;
    private const int MostText = 4;
    private const int MostParts = 24;
    private const double LeastBead = 0.5;
    private const double MostSpacing = 100;

    /// <summary>The decoration of a line.</summary>
    public static Design For(Decor decor, Dip first, ReferenceData tables, List<Problem> problems)
    {
        var check = new Check($"lines[{first.Line}].decor", first, tables, problems);
        if (decor.HasGaps)
        {
            problems.Add(new($"lines[{first.Line}].decor", "decoration.something-design-empty", "decoration.something-design-empty.do"));
            decor = Decor.None;
        }

        check.Few("dips", decor.Dips.Count);
        check.Few("patterns", decor.Patterns.Count);
        check.Few("sprinkles", decor.Sprinkles.Count);
        check.Few("parts", decor.Parts.Count);
        var dips = decor.Dips.Take(MostOfEach).Index().Select(d => check.OverDip(d.Index, d.Item)).OfType<Dip>().ToList();
        var coat = Coats.Widest(first, dips);
        var drizzles = decor.Patterns.Take(MostOfEach)
            .Index()
            .Select(p => check.Pattern(p.Index, p.Item, coat, dips))
            .OfType<Drizzle>()
            .ToList();
        var sprinkles = check.Sprinkles(decor.Sprinkles);
        check.Order(drizzles, sprinkles);
        var patterns = drizzles.ConvertAll(d => (d, PatternTally.For(d, coat, first, tables, problems)));
        return new(first, dips, patterns, sprinkles, check.Parts(decor.Parts, coat), check.Paint(decor.Paint), coat);
    }

    private sealed class Check(string at, Dip first, ReferenceData tables, List<Problem> problems)
    {
        private void Add(string field, Message reason, Message remedy, Severity severity = Severity.Error) =>
            problems.Add(new($"{at}.{field}", reason, remedy, severity));

        public void Few(string field, int count)
        {
            if (count > MostOfEach)
                Add(
                    field,
                    Message.Of("decoration.piece-takes-most-them", ("mostOfEach", MostOfEach)),
                    "decoration.piece-takes-most-them.do");
        }

        public Dip? OverDip(int i, OverDip dip)
        {
            var before = problems.Count;
            var field = $"dips[{i}]";
            var (coating, colour) = Colour(field, dip.Coating, dip.Colour);
            if (!(dip.Depth is >= Dip.LeastDepth and <= 1))
                Add($"{field}.depth", "decoration.dip-covers-more-nothing", "decoration.dip-covers-more-nothing.do");
            if (!(dip.Angle is >= -90 and <= 90))
                Add($"{field}.angle", "decoration.piece-goes-end-first", "decoration.piece-goes-end-first.do");
            if (problems.Count > before)
                return null;
            if (first.Size.Shape is Cavity)
            {
                Add(field, "decoration.piece-from-mould-not", "decoration.piece-from-mould-not.do", Severity.Unfit);
                return null;
            }

            return first with
            {
                Bare = false,
                Layer = i + 1,
                Coating = coating!,
                Colour = colour!,
                Depth = new(
                dip.Depth),
                Coats = 1,
                AtOnce = false,
                Angle = dip.Angle * PI / 180
            };
        }

        public Drizzle? Pattern(int i, PatternDraft pattern, Outline coat, List<Dip> dips)
        {
            var before = problems.Count;
            var field = $"patterns[{i}]";
            var kind = tables.Decor.Pattern(pattern.Kind);
            if (kind is null)
                Add(
                    $"{field}.kind",
                    Message.Of("decoration.pattern-called", ("kind", pattern.Kind)),
                    Message.Of("decoration.pattern-called.do", ("patterns", Argument.Of(tables.Decor.Patterns.Select(p => p.Code)))));
            var (coating, colour) = Colour(field, pattern.Coating, pattern.Colour);
            if (kind is not null && (pattern.Lines < kind.Least || pattern.Lines > kind.Most))
                Add(
                    $"{field}.lines",
                    Message.Of(
                        "decoration.takes",
                        ("capital", Capital(kind.Name)),
                        ("least", kind.Least),
                        ("most", kind.Most),
                        ("counted", kind.Counted)),
                    "decoration.takes.do");
            var room = Min(coat.Most.X - coat.Least.X, coat.Most.Y - coat.Least.Y) * 1e3;
            if (!(pattern.Bead >= LeastBead))
                Add(
                    $"{field}.bead",
                    Message.Of("decoration.tip-draws-bead-thinner", ("leastBead", LeastBead)),
                    "decoration.tip-draws-bead-thinner.do");
            else if (pattern.Bead > room)
                Add(
                    $"{field}.bead",
                    Message.Of(
                        "decoration.bead-mm-wider-coat",
                        ("bead", pattern.Bead),
                        ("toLowerInvariant", English.WithArticle(first.One).ToLowerInvariant()),
                        ("room", room)),
                    Message.Of("decoration.bead-mm-wider-coat.do", ("floor", Floor(room / 4 * 10) / 10)));
            if (pattern.Spacing is { } spacing && !(spacing > 0 && spacing <= MostSpacing))
                Add(
                    $"{field}.spacing",
                    Message.Of("decoration.lines-lie-more-nothing", ("mostSpacing", MostSpacing)),
                    "decoration.lines-lie-more-nothing.do");
            if (!(Abs(pattern.Angle) <= 180))
                Add($"{field}.angle", "decoration.pattern-turned-most-half", "decoration.pattern-turned-most-half.do");
            if (!(pattern.Phase is >= 0 and <= 1))
                Add($"{field}.phase", "decoration.pattern-shifted-most-one", "decoration.pattern-shifted-most-one.do");
            if (kind?.Code is "letters")
                Text(field, pattern.Text);
            if (problems.Count > before)
                return null;

            var tip = pattern.Bead / tables.Decorating.BeadPerTip.Value.Si;
            if (kind!.Code is not "dots"
                && (tip < tables.Decorating.TipFrom.Value.In("mm") - 0.25 || tip > tables.Decorating.TipTo.Value.In("mm") + 0.25))
                Add(
                    $"{field}.bead",
                    Message.Of(
                        "decoration.wants-tip-mm-tips",
                        ("tip", tip),
                        ("tipFrom", tables.Decorating.TipFrom.Value),
                        ("tipTo", tables.Decorating.TipTo.Value)),
                    "decoration.wants-tip-mm-tips.do",
                    Severity.Mind);
            if (kind.Code is not "dots" && pattern.Spacing is { } gap && gap < pattern.Bead)
                Add(
                    $"{field}.spacing",
                    Message.Of("decoration.lines-mm-apart-run", ("gap", gap), ("bead", pattern.Bead)),
                    "decoration.lines-mm-apart-run.do",
                    Severity.Mind);
            var under = dips.LastOrDefault() ?? first;
            if (under.Bare && kind.GoesOn is GoesOn.Wet && kind.Bare is null)
            {
                Add(
                    $"{field}.kind",
                    Message.Of("decoration.drawn-wet-coat-piece", ("capital", Capital(kind.Name))),
                    "decoration.drawn-wet-coat-piece.do",
                    Severity.Unfit);
                return null;
            }

            if (!under.Bare && !tables.Colour.SeenOn(Spectrum.LabOf(colour!.Srgb), Spectrum.LabOf(under.Colour.Srgb)))
                Add(
                    $"{field}.colour",
                    Message.Of("decoration.will-hardly-seen", ("capital", Capital(colour.Name)), ("colour", under.Colour.Name)),
                    "decoration.will-hardly-seen.do",
                    Severity.Mind);
            return new(i, pattern, kind, coating!, colour!);
        }

        public List<(int, SprinkleDraft, Sprinkle)> Sprinkles(IReadOnlyList<SprinkleDraft> sprinkles)
        {
            var known = new List<(int, SprinkleDraft, Sprinkle)>();
            var (front, tip) = (0.0, 0.0);
            foreach (var (i, draft) in sprinkles.Take(MostOfEach).Index())
            {
                var field = $"sprinkles[{i}]";
                var kind = tables.Decor.Sprinkle(draft.Kind);
                if (kind is null)
                    Add(
                        $"{field}.kind",
                        Message.Of("decoration.sprinkle-called", ("kind", draft.Kind)),
                        Message.Of(
                            "decoration.sprinkle-called.do", ("sprinkles", Argument.Of(tables.Decor.Sprinkles.Select(s => s.Code)))));
                if (!(draft.Cover > 0))
                {
                    Add($"{field}.cover", "decoration.sprinkles-cover-nothing-none", "decoration.sprinkles-cover-nothing-none.do");
                    continue;
                }

                var (f, t) = (front + (draft.Side is Side.Tip ? 0 : draft.Cover), tip + (draft.Side is Side.Front ? 0 : draft.Cover));
                if (Max(f, t) > 1 + 1e-9)
                {
                    Add(
                        $"{field}.cover",
                        Message.Of("decoration.more-coat-covered-all", ("max", Max(f, t) * 100)),
                        Message.Of("decoration.more-coat-covered-all.do", ("cover", (draft.Cover - Max(f, t) + 1) * 100)));
                    continue;
                }

                if (kind is null)
                    continue;
                if (first.Bare && !draft.Glued)
                {
                    Add(
                        $"{field}.glued",
                        Message.Of("decoration.wet-coat-hold", ("kind", kind.Name)),
                        "decoration.wet-coat-hold.do",
                        Severity.Unfit);
                    continue;
                }

                if (kind.Only is { } only && only is GoesOn.Set != draft.Glued)
                    Add(
                        $"{field}.glued",
                        only is GoesOn.Set
                            ? Message.Of("decoration.hold-only-when-they", ("capital", Capital(kind.Name)))
                            : Message.Of("decoration.hold-only-wet-coat", ("capital", Capital(kind.Name))),
                        only is GoesOn.Set ? Message.Of("decoration.hold-only-when-they.do") : Message.Of("decoration.choose-wet-coat"));
                (front, tip) = (f, t);
                known.Add((i, draft, kind));
            }

            return known;
        }

        public List<(int, PartDraft, Part)> Parts(IReadOnlyList<PartDraft> parts, Outline coat)
        {
            var known = new List<(int, PartDraft, Part)>();
            var room = coat.Area;
            foreach (var (i, draft) in parts.Take(MostOfEach).Index())
            {
                var field = $"parts[{i}]";
                var kind = tables.Decor.Part(draft.Kind);
                if (kind is null)
                    Add(
                        $"{field}.kind",
                        Message.Of("decoration.part-called", ("kind", draft.Kind)),
                        Message.Of("decoration.part-called.do", ("parts", Argument.Of(tables.Decor.Parts.Select(p => p.Code)))));
                else if (draft.Colour is not null && tables.MouldedIn(kind, draft) is null)
                    Add(
                        $"{field}.colour",
                        Message.Of(
                            "decoration.not-moulded-here",
                            ("capital", Capital(kind.Plural)),
                            ("coating", draft.Coating),
                            ("colour", draft.Colour)),
                        kind.Mould is null
                            ? Message.Of("decoration.not-moulded-here.do")
                            : Message.Of("decoration.choose-coating-one-colours"));
                else if (kind.Only is { } only && only is GoesOn.Wet != draft.Pressed)
                    Add(
                        $"{field}.pressed",
                        only is GoesOn.Wet
                            ? Message.Of("decoration.hold-only-when-they-pressed", ("capital", Capital(kind.Plural)))
                            : Message.Of("decoration.glued-after-setting", ("capital", Capital(kind.Plural))),
                        only is GoesOn.Wet
                            ? Message.Of("decoration.hold-only-when-they-pressed.do")
                            : Message.Of("decoration.hold-only-when-they.do"));
                else if (first.Bare && draft.Pressed)
                    Add(
                        $"{field}.pressed",
                        Message.Of("decoration.wet-coat-press-onto", ("plural", kind.Plural)),
                        "decoration.wet-coat-hold.do",
                        Severity.Unfit);
                else if (draft.Count is < 1 or > MostParts)
                    Add(
                        $"{field}.count",
                        Message.Of("decoration.piece-takes-one", ("mostParts", MostParts), ("plural", kind.Plural)),
                        "decoration.piece-takes-one.do");
                else if (kind.Across.Value.Circle.Si * draft.Count is var taken && taken > room)
                    Add(
                        $"{field}.count",
                        Message.Of(
                            "decoration.do-not-fit-coat", ("count", draft.Count), ("parts", draft.Count == 1 ? kind.Name : kind.Plural)),
                        Message.Of("decoration.do-not-fit-coat.do", ("room", (int)(room / kind.Across.Value.Circle.Si))));
                else
                {
                    room -= taken;
                    known.Add((i, draft, kind));
                }
            }

            return known;
        }

        public (PaintDraft, Lustre)? Paint(PaintDraft? paint)
        {
            if (paint is null)
                return null;
            if (tables.Decor.Lustre(paint.Kind) is not { } kind)
                Add(
                    "paint.kind",
                    Message.Of("decoration.lustre-called", ("kind", paint.Kind)),
                    Message.Of("decoration.lustre-called.do", ("lustres", Argument.Of(tables.Decor.Lustres.Select(l => l.Code)))));
            else if (!(paint.Cover > 0 && paint.Cover <= 1))
                Add("paint.cover", "decoration.lustre-covers-more-nothing", "decoration.dip-covers-more-nothing.do");
            else
                return (paint, kind);
            return null;
        }

        /// <summary>What must be done wet cannot come after what wants a coat that has set, nor under wet sprinkles.</summary>
        public void Order(List<Drizzle> drizzles, List<(int, SprinkleDraft Draft, Sprinkle Kind)> sprinkles)
        {
            foreach (var (n, wet) in drizzles.Index().Where(d => d.Item.Kind.GoesOn is GoesOn.Wet))
            {
                var field = $"patterns[{wet.Index}].kind";
                if (drizzles.Take(n).FirstOrDefault(d => d.Kind.GoesOn is GoesOn.Set) is { } set)
                    Add(
                        field,
                        Message.Of("decoration.drawn-wet-coat-before", ("capital", Capital(wet.Kind.Name)), ("kind", set.Kind.Name)),
                        Message.Of("decoration.drawn-wet-coat-before.do", ("kind", wet.Kind.Name)),
                        Severity.Unfit);
                else if (drizzles.Take(n).Any(d => d.Kind.GoesOn is GoesOn.Wet))
                    Add(field, "decoration.two-patterns-cannot-both", "decoration.two-patterns-cannot-both.do", Severity.Unfit);
                else if (sprinkles.FirstOrDefault(s => !s.Draft.Glued && s.Draft.Side is not Side.Tip) is { Kind: { } kind })
                    Add(
                        field,
                        Message.Of("decoration.both-want-wet-coat", ("capital", Capital(wet.Kind.Name)), ("kind", kind.Name)),
                        Message.Of("decoration.both-want-wet-coat.do", ("kind", kind.Name)),
                        Severity.Unfit);
            }
        }

        private void Text(string field, string? text)
        {
            if (string.IsNullOrWhiteSpace(text) || text.Length > MostText)
                Add(
                    $"{field}.text",
                    Message.Of("decoration.one-letters-figures-go", ("mostText", MostText)),
                    "decoration.one-letters-figures-go.do");
            else if (Letters.Unknown(text).ToList() is { Count: > 0 } unknown)
                Add(
                    $"{field}.text",
                    Message.Of("decoration.way-pipe-here", ("letters", Argument.Of([.. unknown.Select(c => $"“{c}”")]))),
                    "decoration.way-pipe-here.do");
        }

        private (Coating? Coating, CoatingColour? Colour) Colour(string field, string? coating, string? colour) =>
            tables.ColourOf(coating, colour, (part, reason, remedy) => Add($"{field}.{part}", reason, remedy));

        private static string Capital(string words) => char.ToUpperInvariant(words[0]) + words[1..];
    }
}

/// <summary>What is seen of a coat from above.</summary>
internal static class Coats
{
    /// <summary>The coat that covers most: what decoration goes onto.</summary>
    public static Outline Widest(Dip first, IEnumerable<Dip> over) => over.Prepend(first).Select(Seen).MaxBy(o => o.Area)!;

    /// <summary>The part of what is seen of a piece that goes under when it is dipped at an angle.</summary>
    /// <param name="seen">What is seen of the piece.</param>
    /// <param name="dip">A dip of the piece, which tells how it lies.</param>
    /// <param name="angle">The angle, in radians.</param>
    /// <param name="upTo">How far it reaches along the way the piece goes in, in metres from the middle of the dipped end.</param>
    public static Outline Under(Outline seen, Dip dip, double angle, double upTo)
    {
        var (sin, cos) = SinCos(angle);
        return dip.Centre.DippedEndUp ? seen.Cut(new(sin, cos), upTo) : seen.Cut(new(sin, -cos), upTo - (dip.Size.Shape.Length.Si * cos));
    }

    private static Outline Seen(Dip dip)
    {
        var shape = dip.Size.Shape;
        var whole = shape.Outline(dip.Centre.DippedEndUp);
        return shape.DipLine(dip.Depth) >= shape.Length && dip.Depth.Si >= 1
            ? whole
            : Under(whole, dip, dip.Angle, shape.DipUpTo(dip.Depth, dip.Angle));
    }
}
