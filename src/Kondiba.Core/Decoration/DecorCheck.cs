using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using static System.Math;

namespace Kondiba.Core.Decoration;

/// <summary>A pattern whose every field stands for something in the trade tables.</summary>
internal sealed record Drizzle(int Index, PatternDraft Draft, PatternKind Kind, Coating Coating, CoatingColour Colour)
{
    /// <summary>Key of the pot it is taken from.</summary>
    public string Pot => Coating.Pot(Colour);
}

/// <summary>A line's decoration in terms of the trade tables, its patterns drawn; what cannot be is left out.</summary>
internal sealed record Design(
    Dip First,
    IReadOnlyList<Dip> Dips,
    IReadOnlyList<(Drizzle Drizzle, PatternTally Tally)> Patterns,
    IReadOnlyList<(int Index, SprinkleDraft Draft, Sprinkle Kind)> Sprinkles,
    IReadOnlyList<(int Index, PartDraft Draft, Part Kind)> Parts,
    (PaintDraft Draft, Lustre Kind)? Paint,
    Outline Coat)
{
    /// <summary>All its coats, first to last.</summary>
    public IReadOnlyList<Dip> Layers { get; } = [First, .. Dips];

    /// <summary>Area of the coat that covers most.</summary>
    public Area Area { get; } = new(Dips.Prepend(First).Max(d => d.Size.Shape.DippedArea(d.Depth, d.Angle).Si));

    /// <summary>What its sprinkles come to.</summary>
    public IReadOnlyList<SprinkleTally> SprinkleTallies => field ??= [.. Sprinkles.Select(s => SprinkleTally.For(s.Index, s.Draft, s.Kind, this))];

    /// <summary>What its lustre comes to; null for none.</summary>
    public Figure<Mass>? Lustre => Paint is { } paint ? field ??= LookTally.Brushed(paint.Draft, paint.Kind, Area) : null;

    /// <summary>Coating in the dots that hold its parts, of the last coat's own colour.</summary>
    public Mass Glue => Parts.Select(p => p.Kind.Dot.Value * p.Draft.Count).Total();

    /// <summary>What its patterns and dots take from each pot, on one piece and beside it.</summary>
    public IEnumerable<Bagged> Bags(TradeTables tables)
    {
        var c = tables.Decorating;
        foreach (var (drizzle, tally) in Patterns)
            yield return new(First, drizzle.Coating, drizzle.Colour, $"{drizzle.Colour.Name} {drizzle.Kind.Name}", tally.Mass, c.OffPiece);
        foreach (var (_, draft, kind) in Parts)
        {
            if (kind.MouldedIn(draft, tables) is not { } moulded)
                continue;
            var each = moulded.Mould.Holds * Amounts.Flow.Of(moulded.Coating, default, tables.Film).Density;
            yield return new(First, moulded.Coating, moulded.Colour, kind.Plural, new(each * draft.Count, () =>
            [
                .. moulded.Mould.Measures,
                WorkingLine.Of($"one {kind.Name}", "cavity × density of the coating", each, Source.Computed),
                WorkingLine.Of($"{kind.Plural} on one piece", $"{draft.Count} × {each.In("g"):0.00} g", each * draft.Count, Source.Computed),
            ]), null);
        }

        if (Glue.Si > 0)
        {
            var last = Layers[^1];
            yield return new(First, last.Coating, last.Colour, "dots under parts", new(Glue, () => [.. Parts.Select(p => WorkingLine.Of($"dot under a {p.Kind.Name}", p.Kind.Dot))]), null);
        }
    }
}

/// <summary>Coating that is drawn from a bag onto a line's pieces.</summary>
internal sealed record Bagged(Dip For, Coating Coating, CoatingColour Colour, string What, Figure<Mass> PerPiece, Sourced<Share>? OffPiece)
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
    public static Design For(Decor decor, Dip first, TradeTables tables, List<Problem> problems)
    {
        var check = new Check($"lines[{first.Line}].decor", first, tables, problems);
        if (decor.HasGaps)
        {
            problems.Add(new($"lines[{first.Line}].decor", "Something of the design is empty.", "Fill it in or take it away."));
            decor = Decor.None;
        }

        check.Few("dips", decor.Dips.Count);
        check.Few("patterns", decor.Patterns.Count);
        check.Few("sprinkles", decor.Sprinkles.Count);
        check.Few("parts", decor.Parts.Count);
        var dips = decor.Dips.Take(MostOfEach).Index().Select(d => check.OverDip(d.Index, d.Item)).OfType<Dip>().ToList();
        var coat = Coats.Widest(first, dips);
        var drizzles = decor.Patterns.Take(MostOfEach).Index().Select(p => check.Pattern(p.Index, p.Item, coat, dips)).OfType<Drizzle>().ToList();
        var sprinkles = check.Sprinkles(decor.Sprinkles);
        check.Order(drizzles, sprinkles);
        var patterns = drizzles.ConvertAll(d => (d, PatternTally.For(d, coat, first, tables, problems)));
        return new(first, dips, patterns, sprinkles, check.Parts(decor.Parts, coat), check.Paint(decor.Paint), coat);
    }

    private sealed class Check(string at, Dip first, TradeTables tables, List<Problem> problems)
    {
        private void Add(string field, string reason, string remedy, Severity severity = Severity.Error) => problems.Add(new($"{at}.{field}", reason, remedy, severity));

        public void Few(string field, int count)
        {
            if (count > MostOfEach)
                Add(field, $"A piece takes at most {MostOfEach} of them.", "Take some away.");
        }

        public Dip? OverDip(int i, OverDip dip)
        {
            var before = problems.Count;
            var field = $"dips[{i}]";
            var (coating, colour) = Colour(field, dip.Coating, dip.Colour);
            if (!(dip.Depth is >= OrderCheck.LeastDepth and <= 1))
                Add($"{field}.depth", "A dip covers more than nothing and at most all.", "Type a share between 1 % and 100 %.");
            if (!(dip.Angle is >= -90 and <= 90))
                Add($"{field}.angle", "A piece goes in end first, at 0°, sideways, at 90° or −90°, or between.", "Type an angle between −90° and 90°.");
            if (problems.Count > before)
                return null;
            if (first.Size.Shape is Cavity)
            {
                Add(field, "A piece from a mould is not dipped again.", "Fill the mould in layers instead, or leave it out.", Severity.Unfit);
                return null;
            }

            return first with { Bare = false, Layer = i + 1, Coating = coating!, Colour = colour!, Depth = new(dip.Depth), Coats = 1, AtOnce = false, Angle = dip.Angle * PI / 180 };
        }

        public Drizzle? Pattern(int i, PatternDraft pattern, Outline coat, List<Dip> dips)
        {
            var before = problems.Count;
            var field = $"patterns[{i}]";
            var kind = tables.Decor.Pattern(pattern.Kind);
            if (kind is null)
                Add($"{field}.kind", $"There is no pattern called '{pattern.Kind}'.", $"Choose one of {string.Join(", ", tables.Decor.Patterns.Select(p => p.Code))}.");
            var (coating, colour) = Colour(field, pattern.Coating, pattern.Colour);
            if (kind is not null && (pattern.Lines < kind.Least || pattern.Lines > kind.Most))
                Add($"{field}.lines", $"{Capital(kind.Name)} takes {kind.Least} to {kind.Most}{(kind.Counted.Length > 0 ? $" {kind.Counted}" : "")}.", "Type a number between them.");
            var room = Min(coat.Most.X - coat.Least.X, coat.Most.Y - coat.Least.Y) * 1e3;
            if (!(pattern.Bead >= LeastBead))
                Add($"{field}.bead", $"No tip draws a bead thinner than {LeastBead} mm.", "Type its width in mm; 1.8 mm is usual.");
            else if (pattern.Bead > room)
                Add($"{field}.bead", $"A bead of {pattern.Bead:0.#} mm is wider than the coat of {With.Article(first.One).ToLowerInvariant()}, which is {room:0} mm.", $"Type at most {Floor(room / 4 * 10) / 10:0.#} mm, or dip deeper.");
            if (pattern.Spacing is { } spacing && !(spacing > 0 && spacing <= MostSpacing))
                Add($"{field}.spacing", $"Lines lie more than nothing and at most {MostSpacing:0} mm apart.", "Type the distance, or leave it empty to spread them evenly.");
            if (!(Abs(pattern.Angle) <= 180))
                Add($"{field}.angle", "A pattern is turned by at most half a turn.", "Type an angle between −180° and 180°.");
            if (!(pattern.Phase is >= 0 and <= 1))
                Add($"{field}.phase", "A pattern is shifted by at most one spacing.", "Type a share between 0 % and 100 %.");
            if (kind?.Code is "letters")
                Text(field, pattern.Text);
            if (problems.Count > before)
                return null;

            var tip = pattern.Bead / tables.Decorating.BeadPerTip.Value.Si;
            if (kind!.Code is not "dots" && (tip < tables.Decorating.TipFrom.Value.In("mm") - 0.25 || tip > tables.Decorating.TipTo.Value.In("mm") + 0.25))
                Add($"{field}.bead", $"It wants a tip of {tip:0.0} mm; tips for drizzle open {tables.Decorating.TipFrom.Value.In("mm"):0.0} to {tables.Decorating.TipTo.Value.In("mm"):0.0} mm.", "A finer bead breaks, a thicker one runs: try it on parchment.", Severity.Mind);
            if (kind.Code is not "dots" && pattern.Spacing is { } gap && gap < pattern.Bead)
                Add($"{field}.spacing", $"Lines {gap:0.#} mm apart run into one another: the bead is {pattern.Bead:0.#} mm wide.", "Set them further apart, or take a finer bead.", Severity.Mind);
            var under = dips.LastOrDefault() ?? first;
            if (under.Bare && kind.GoesOn is GoesOn.Wet && kind.Bare is null)
            {
                Add($"{field}.kind", $"{Capital(kind.Name)} is drawn on a wet coat, and this piece is bare.", "Dip it, or draw something else.", Severity.Unfit);
                return null;
            }

            if (!under.Bare && !tables.Colour.SeenOn(Spectrum.LabOf(colour!.Srgb), Spectrum.LabOf(under.Colour.Srgb)))
                Add($"{field}.colour", $"{Capital(colour.Name)} will hardly be seen on {under.Colour.Name}.", "Choose a lighter or a darker one.", Severity.Mind);
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
                    Add($"{field}.kind", $"There is no sprinkle called '{draft.Kind}'.", $"Choose one of {string.Join(", ", tables.Decor.Sprinkles.Select(s => s.Code))}.");
                if (!(draft.Cover > 0))
                {
                    Add($"{field}.cover", "Sprinkles that cover nothing are none.", "Type a share between 1 % and 100 %, or take them away.");
                    continue;
                }

                var (f, t) = (front + (draft.Side is Side.Tip ? 0 : draft.Cover), tip + (draft.Side is Side.Front ? 0 : draft.Cover));
                if (Max(f, t) > 1 + 1e-9)
                {
                    Add($"{field}.cover", $"That is more than there is coat for: {Max(f, t) * 100:0} % covered in all.", $"Type at most {(draft.Cover - Max(f, t) + 1) * 100:0} % here, or take some of the others away.");
                    continue;
                }

                if (kind is null)
                    continue;
                if (first.Bare && !draft.Glued)
                {
                    Add($"{field}.glued", $"There is no wet coat for {kind.Name} to hold on.", "Choose “glued on”, or dip the piece.", Severity.Unfit);
                    continue;
                }

                if (kind.Only is { } only && only is GoesOn.Set != draft.Glued)
                    Add($"{field}.glued", only is GoesOn.Set ? $"{Capital(kind.Name)} hold only when they are glued on after setting." : $"{Capital(kind.Name)} hold only on the wet coat.", only is GoesOn.Set ? "Choose “glued on”." : "Choose “on the wet coat”.");
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
                    Add($"{field}.kind", $"There is no part called '{draft.Kind}'.", $"Choose one of {string.Join(", ", tables.Decor.Parts.Select(p => p.Code))}.");
                else if (draft.Colour is not null && kind.MouldedIn(draft, tables) is null)
                    Add($"{field}.colour", $"{Capital(kind.Plural)} are not moulded in '{draft.Coating}', '{draft.Colour}' here.", kind.Mould is null ? "They are bought: leave the colour empty." : "Choose a coating and one of its colours, or leave it empty to buy them.");
                else if (kind.Only is { } only && only is GoesOn.Wet != draft.Pressed)
                    Add($"{field}.pressed", only is GoesOn.Wet ? $"{Capital(kind.Plural)} hold only when they are pressed onto the wet coat." : $"{Capital(kind.Plural)} are glued on after setting.", only is GoesOn.Wet ? "Choose “pressed on”." : "Choose “glued on”.");
                else if (first.Bare && draft.Pressed)
                    Add($"{field}.pressed", $"There is no wet coat to press {kind.Plural} onto.", "Choose “glued on”, or dip the piece.", Severity.Unfit);
                else if (draft.Count is < 1 or > MostParts)
                    Add($"{field}.count", $"A piece takes one to {MostParts} {kind.Plural}.", "Type how many go on one piece.");
                else if (kind.Across.Value.Circle.Si * draft.Count is var taken && taken > room)
                    Add($"{field}.count", $"{draft.Count} {(draft.Count == 1 ? kind.Name : kind.Plural)} do not fit on the coat.", $"{(int)(room / kind.Across.Value.Circle.Si)} would.");
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
                Add("paint.kind", $"There is no lustre called '{paint.Kind}'.", $"Choose one of {string.Join(", ", tables.Decor.Lustres.Select(l => l.Code))}.");
            else if (!(paint.Cover > 0 && paint.Cover <= 1))
                Add("paint.cover", "Lustre covers more than nothing and at most all of the coat.", "Type a share between 1 % and 100 %.");
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
                    Add(field, $"{Capital(wet.Kind.Name)} is drawn on the wet coat, and {set.Kind.Name} before it wants the coat touch-dry.", $"Put {wet.Kind.Name} first.", Severity.Unfit);
                else if (drizzles.Take(n).Any(d => d.Kind.GoesOn is GoesOn.Wet))
                    Add(field, "Two patterns cannot both be dragged on one wet coat.", "Keep one of them, or draw the other when the coat has set.", Severity.Unfit);
                else if (sprinkles.FirstOrDefault(s => !s.Draft.Glued && s.Draft.Side is not Side.Tip) is { Kind: { } kind })
                    Add(field, $"{Capital(wet.Kind.Name)} and {kind.Name} both want the wet coat, and the pick would drag the grains.", $"Glue the {kind.Name} on after setting, or draw lines on the set coat instead.", Severity.Unfit);
            }
        }

        private void Text(string field, string? text)
        {
            if (string.IsNullOrWhiteSpace(text) || text.Length > MostText)
                Add($"{field}.text", $"One to {MostText} letters or figures go on a piece.", "Type initials or a number.");
            else if (Letters.Unknown(text).ToList() is { Count: > 0 } unknown)
                Add($"{field}.text", $"There is no way to pipe {With.List([.. unknown.Select(c => $"“{c}”")])} here.", "Use the letters A to Z, figures, & + - . ! ? or ♥.");
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
        return shape.DipLine(dip.Depth) >= shape.Length && dip.Depth.Si >= 1 ? whole : Under(whole, dip, dip.Angle, shape.DipUpTo(dip.Depth, dip.Angle));
    }
}
