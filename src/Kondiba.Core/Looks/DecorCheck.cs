using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Looks;

/// <summary>Finds what cannot be in a decoration, field by field.</summary>
internal static partial class DecorCheck
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

    private sealed partial class Check(string at, Dip first, ReferenceData tables, List<Problem> problems)
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
                            ? Message.Of("decoration.hold-only-when-they", ("kind", kind.Name))
                            : Message.Of("decoration.hold-only-wet-coat", ("kind", kind.Name)),
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
                            ("parts", kind.Plural),
                            ("coating", draft.Coating),
                            ("colour", draft.Colour)),
                        kind.Mould is null
                            ? Message.Of("decoration.not-moulded-here.do")
                            : Message.Of("decoration.choose-coating-one-colours"));
                else if (kind.Only is { } only && only is GoesOn.Wet != draft.Pressed)
                    Add(
                        $"{field}.pressed",
                        only is GoesOn.Wet
                            ? Message.Of("decoration.hold-only-when-they-pressed", ("parts", kind.Plural))
                            : Message.Of("decoration.glued-after-setting", ("parts", kind.Plural)),
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

        private (Coating? Coating, CoatingColour? Colour) Colour(string field, string? coating, string? colour) =>
            tables.ColourOf(coating, colour, (part, reason, remedy) => Add($"{field}.{part}", reason, remedy));
    }
}
