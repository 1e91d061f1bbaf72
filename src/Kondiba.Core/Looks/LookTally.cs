using System.Text.Json.Serialization;
using Kondiba.Core.Coatings;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using Kondiba.Core.Wording;
using NodaTime;
using static System.Math;

namespace Kondiba.Core.Looks;

/// <summary>A coat of a piece as its decoration sees it.</summary>
/// <param name="PerPiece">Coating on one piece.</param>
/// <param name="Thickness">Of the coat.</param>
/// <param name="Setting">Setting times, one for each place.</param>
/// <param name="DipTime">Of the hands, for one piece.</param>
internal sealed record DippedCoat(
    Figure<Mass> PerPiece, Length Thickness, IReadOnlyList<SettingTime> Setting, Sourced<Duration> DipTime);

/// <summary>A dip over the first coat.</summary>
/// <param name="Coating">Code of the coating.</param>
/// <param name="Colour">Code of its colour.</param>
/// <param name="Angle">At which the piece goes in, in degrees.</param>
/// <param name="UpTo">How far the coat reaches, along the way the piece goes in, from the middle of the dipped end.</param>
/// <param name="PerPiece">Coating on one piece.</param>
/// <param name="Coat">Its thickness.</param>
/// <param name="Setting">Setting times, one for each place.</param>
public sealed record OverCoat(
    string Coating, string Colour, double Angle, Length UpTo, Figure<Mass> PerPiece, Length Coat, IReadOnlyList<SettingTime> Setting);

/// <summary>What a look comes to on one piece.</summary>
/// <param name="Over">Dips over the first coat.</param>
/// <param name="Patterns">Lines drawn.</param>
/// <param name="Sprinkles">Sprinkles.</param>
/// <param name="Parts">Glued parts.</param>
/// <param name="Lustre">Dust brushed on; null for none.</param>
/// <param name="Flecks">Where lustre catches the light, as x, y, x, y ….</param>
/// <param name="Drizzle">Coating in all patterns.</param>
/// <param name="Time">To decorate one, by the maker's hand.</param>
/// <param name="Wet">How long the last coat takes sprinkles and dragged lines on the counter; null where it never sets.</param>
/// <param name="Round">Pieces to dip before stopping to decorate; null when nothing goes on wet.</param>
/// <param name="Cost">Coating on one, at the price of its packs.</param>
/// <param name="Steps">What to do, in the order of the hands.</param>
/// <param name="WetWork">To do on the wet coat of one piece.</param>
/// <param name="WetSteps">What is done on it.</param>
/// <param name="SetSteps">What is done when the last coat has set.</param>
/// <param name="OnTouchDry">Whether that is drawing only, for which touch-dry is enough.</param>
public sealed record LookTally(
    IReadOnlyList<OverCoat> Over,
    IReadOnlyList<PatternTally> Patterns,
    IReadOnlyList<SprinkleTally> Sprinkles,
    IReadOnlyList<PartTally> Parts,
    Figure<Mass>? Lustre,
    IReadOnlyList<Length> Flecks,
    Figure<Mass> Drizzle,
    Figure<Duration> Time,
    Figure<Duration>? Wet,
    Figure<int>? Round,
    Figure<Money> Cost,
    IReadOnlyList<Message> Steps,
    [property: JsonIgnore] Duration WetWork,
    [property: JsonIgnore] IReadOnlyList<Message> WetSteps,
    [property: JsonIgnore] IReadOnlyList<Message> SetSteps,
    [property: JsonIgnore] bool OnTouchDry)
{
    private const int MostFlecks = 40;

    /// <summary>Computes it.</summary>
    /// <param name="design">The decoration, checked.</param>
    /// <param name="coats">What each of its coats comes to, first to last.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    /// <param name="problems">Gets what should be minded.</param>
    internal static LookTally For(Design design, IReadOnlyList<DippedCoat> coats, ReferenceData tables, List<Problem> problems)
    {
        var (c, first, layers) = (tables.Decorating, design.First, design.Layers);
        var shape = first.Size.Shape;
        var patterns = design.Patterns.Select(p => p.Tally).ToList();
        var parts = PartTally.On(design, tables);
        var drizzle = patterns.Select(p => p.Mass.Value).Total();
        var (wetWork, time) = Times(design, c);
        var wet = Window(coats[^1].Setting, tables.Setting);
        var round = RoundOf(design, wet, wetWork, coats[0].DipTime, problems);
        var cost = CostOf([
            .. layers.Zip(coats, (d, t) => (d.Coating, t.PerPiece.Value)),
            .. design.Patterns.Select(p => (p.Drizzle.Coating, p.Tally.Mass.Value)),
            (layers[^1].Coating, design.Glue),
        ]);
        return new(
            [.. design.Dips.Zip(
                coats.Skip(1),
                (d, t) => new OverCoat(
                    d.Coating.Code,
                    d.Colour.Code,
                    Math.Round(d.Angle * 180 / PI, 6),
                    new(shape.DipUpTo(d.Depth, d.Angle)),
                    t.PerPiece,
                    t.Thickness,
                    t.Setting))],
            patterns,
            design.SprinkleTallies,
            parts,
            design.Lustre,
            design.Paint is { } painted ? Points.Flat(Points.Scatter(design.Coat, (int)Ceiling(MostFlecks * painted.Draft.Cover))) : [],
            new(
                drizzle,
                () => [
                    .. patterns.SelectMany(p => p.Mass.Working),
                    WorkingLine.Of("decoration.drizzle-one-piece", "decoration.drizzle-one-piece.how", drizzle, Source.Computed),
                ]),
            time,
            wet,
            round,
            cost,
            LookSteps.All(design),
            wetWork,
            LookSteps.OnWet(design),
            LookSteps.OnSet(design),
            design.Sprinkles.All(s => !s.Draft.Glued) && design.Parts.All(p => p.Draft.Pressed) && design.Paint is null);
    }

    internal IEnumerable<(string Path, Func<IReadOnlyList<WorkingLine>> Working)> Figures(string path)
    {
        yield return ($"{path}.drizzle", () => Drizzle.Working);
        yield return ($"{path}.time", () => Time.Working);
        yield return ($"{path}.cost", () => Cost.Working);
        if (Wet is { } wet)
            yield return ($"{path}.wet", () => wet.Working);
        if (Round is { } round)
            yield return ($"{path}.round", () => round.Working);
        if (Lustre is { } lustre)
            yield return ($"{path}.lustre", () => lustre.Working);
        foreach (var (i, coat) in Over.Index())
            yield return ($"{path}.over[{i}].perPiece", () => coat.PerPiece.Working);
        foreach (var pattern in Patterns)
        {
            yield return ($"{path}.patterns[{pattern.Pattern}].line", () => pattern.Line.Working);
            yield return ($"{path}.patterns[{pattern.Pattern}].mass", () => pattern.Mass.Working);
        }

        foreach (var sprinkle in Sprinkles)
            yield return ($"{path}.sprinkles[{sprinkle.Sprinkle}].mass", () => sprinkle.Mass.Working);
    }

    internal static Figure<Mass> Brushed(PaintDraft draft, Lustre kind, Area area)
    {
        var mass = area * draft.Cover * kind.PerArea.Value;
        return new(mass, () =>
        [
            WorkingLine.Of("decoration.area-coat", "", area, Source.Computed),
            WorkingLine.Of("decoration.brushed", "", new Share(draft.Cover), Source.Entered),
            WorkingLine.Of(Message.Of("decoration.area", ("kind", kind.Name)), kind.PerArea),
            WorkingLine.Of(
                Message.Of("decoration.one-piece-2", ("kind", kind.Name)),
                Message.Of("decoration.area-covered", ("area", area), ("cover", draft.Cover * 100), ("perArea", kind.PerArea.Value)),
                mass,
                Source.Computed),
        ]);
    }

    /// <summary>What must be done on the wet coat, and all that takes the hands on one piece.</summary>
    private static (Duration Wet, Figure<Duration> All) Times(Design design, DecorConstants c)
    {
        var sprinkling = c.Sprinkling.Value * design.Sprinkles.Count(s => !s.Draft.Glued);
        var brushing = c.Brushing.Value * (design.Sprinkles.Count(s => s.Draft.Glued) + (design.Paint is null ? 0 : 1));
        var gluing = c.Gluing.Value * design.Parts.Where(p => !p.Draft.Pressed).Sum(p => p.Draft.Count);
        var pressing = c.Pressing.Value * design.Parts.Where(p => p.Draft.Pressed).Sum(p => p.Draft.Count);
        var wet = design.Patterns.Where(p => p.Drizzle.Kind.GoesOn is GoesOn.Wet)
            .Aggregate(sprinkling + pressing, (sum, p) => sum + p.Tally.Time);
        var all = design.Patterns.Aggregate(sprinkling + pressing + brushing + gluing, (sum, p) => sum + p.Tally.Time);
        return (wet, new(all, () =>
        [
            WorkingLine.Of("decoration.speed-hand-long-lines", c.HandSpeed),
            WorkingLine.Of("decoration.each-new-start", "", c.Lift.Value, c.Lift.Source),
            .. design.Patterns.Select(p => WorkingLine.Of(
                Message.ByName(p.Drizzle.Kind.Name),
                Message.Of("decoration.speed-starts", ("line", p.Tally.Line.Value), ("pace", p.Drizzle.Kind.Pace.Value.Si)),
                p.Tally.Time,
                p.Drizzle.Kind.Pace.Source)),
            .. sprinkling > Duration.Zero ? new[] { WorkingLine.Of("decoration.sprinkling", "", sprinkling, c.Sprinkling.Source) } : [],
            .. brushing > Duration.Zero ? new[] { WorkingLine.Of("decoration.brushing", "", brushing, c.Brushing.Source) } : [],
            .. pressing > Duration.Zero ? new[] { WorkingLine.Of("decoration.pressing", "", pressing, c.Pressing.Source) } : [],
            .. gluing > Duration.Zero ? new[] { WorkingLine.Of("decoration.gluing-holding", "", gluing, c.Gluing.Source) } : [],
            WorkingLine.Of("decoration.decorate-one", "decoration.decorate-one.how", all, Source.Computed),
        ]));
    }

    private static Figure<Duration>? Window(IReadOnlyList<SettingTime> setting, SettingConstants c)
    {
        if (setting[0].Wet is not { } wet)
            return null;
        return new(wet, () =>
        [
            WorkingLine.Of("decoration.takes-sprinkles-up-share", c.Wet),
            WorkingLine.Of("decoration.wet-window", "decoration.wet-window.how", wet, Source.Computed),
        ]);
    }

    private static Figure<int>? RoundOf(
        Design design, Figure<Duration>? wet, Duration wetWork, Sourced<Duration> dipTime, List<Problem> problems)
    {
        if (wetWork == Duration.Zero || wet is null)
            return null;
        var each = dipTime.Value + wetWork;
        var round = Max(1, (int)(wet.Value.TotalSeconds / each.TotalSeconds));
        if (wetWork > wet.Value)
        {
            problems.Add(new(
                $"lines[{design.First.Line}].decor.{(design.Patterns.Select(p => p.Drizzle).FirstOrDefault(d => d.Kind.GoesOn is GoesOn.Wet) is { } d ? $"patterns[{d.Index}].lines" : "sprinkles")}",
                Message.Of("decoration.coat-stays-wet-s", ("wet", wet.Value.TotalSeconds), ("wetWork", wetWork.TotalSeconds)),
                "decoration.coat-stays-wet-s.do",
                Severity.Mind));
        }

        return new(round, () =>
        [
            .. wet.Working,
            WorkingLine.Of("decoration.from-one-piece-next", "", dipTime.Value, dipTime.Source),
            WorkingLine.Of("decoration.wet-work-one", "", wetWork, Source.Computed),
            WorkingLine.Count(
                "decoration.pieces-round",
                Message.Of("decoration.pieces-round.how", ("wet", wet.Value.TotalSeconds), ("each", each.TotalSeconds)),
                round,
                Source.Computed),
        ]);
    }

    private static Figure<Money> CostOf(IReadOnlyList<(Coating Coating, Mass Mass)> uses)
    {
        var priced = uses.Where(u => u.Mass.Si > 0 && u.Coating.Packs.Count > 0)
            .Select(u => (u.Coating, u.Mass, Pack: u.Coating.Packs.MinBy(p => p.Mass.Value.Si)!))
            .Select(u => (u.Coating, u.Mass, u.Pack, Cost: u.Pack.Price.Value * (u.Mass / u.Pack.Mass.Value))).ToList();
        var cost = priced.Aggregate(default(Money), (sum, u) => sum + u.Cost);
        return new(cost, () =>
        [
            .. priced.Select(u => WorkingLine.Count(
                Message.ByName(u.Coating.Name),
                Message.Of("decoration.share-of-pack", ("mass", u.Mass), ("price", u.Pack.Price.Value), ("mass2", u.Pack.Mass.Value)),
                (double)u.Cost.Amount,
                u.Pack.Price.Source)),
            WorkingLine.Count("decoration.coating-one-piece", "decoration.decorate-one.how", (double)cost.Amount, Source.Computed),
        ]);
    }
}
