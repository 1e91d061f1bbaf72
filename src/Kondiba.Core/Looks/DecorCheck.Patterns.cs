using Kondiba.Core.Centres;
using Kondiba.Core.Colour;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Looks;

/// <content>Patterns: each by itself, and the turn they are drawn in.</content>
internal static partial class DecorCheck
{
    private sealed partial class Check
    {
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
                        ("kind", kind.Name),
                        ("least", kind.Least),
                        ("most", kind.Most),
                        ("counted", kind.Counted)),
                    "decoration.takes.do");
            Measures(field, pattern, coat);
            if (kind?.Code is "letters")
                Text(field, pattern.Text);
            if (problems.Count > before)
                return null;

            MindDrawing(field, pattern, kind!);
            var under = dips.LastOrDefault() ?? first;
            if (under.Bare && kind!.GoesOn is GoesOn.Wet && kind.Bare is null)
            {
                Add(
                    $"{field}.kind",
                    Message.Of("decoration.drawn-wet-coat-piece", ("kind", kind.Name)),
                    "decoration.drawn-wet-coat-piece.do",
                    Severity.Unfit);
                return null;
            }

            if (!under.Bare && !tables.Colour.SeenOn(Spectrum.LabOf(colour!.Srgb), Spectrum.LabOf(under.Colour.Srgb)))
                Add(
                    $"{field}.colour",
                    Message.Of("decoration.will-hardly-seen", ("drawn", colour.Name), ("colour", under.Colour.Name)),
                    "decoration.will-hardly-seen.do",
                    Severity.Mind);
            return new(i, pattern, kind!, coating!, colour!);
        }

        private void Measures(string field, PatternDraft pattern, Outline coat)
        {
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
                        ("piece", first.One),
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
        }

        /// <summary>What can be drawn, but not as it is meant.</summary>
        private void MindDrawing(string field, PatternDraft pattern, PatternKind kind)
        {
            var tip = pattern.Bead / tables.Decorating.BeadPerTip.Value.Si;
            if (kind.Code is not "dots"
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
                        Message.Of("decoration.drawn-wet-coat-before", ("wet", wet.Kind.Name), ("kind", set.Kind.Name)),
                        Message.Of("decoration.drawn-wet-coat-before.do", ("kind", wet.Kind.Name)),
                        Severity.Unfit);
                else if (drizzles.Take(n).Any(d => d.Kind.GoesOn is GoesOn.Wet))
                    Add(field, "decoration.two-patterns-cannot-both", "decoration.two-patterns-cannot-both.do", Severity.Unfit);
                else if (sprinkles.FirstOrDefault(s => !s.Draft.Glued && s.Draft.Side is not Side.Tip) is { Kind: { } kind })
                    Add(
                        field,
                        Message.Of("decoration.both-want-wet-coat", ("wet", wet.Kind.Name), ("kind", kind.Name)),
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
    }
}
