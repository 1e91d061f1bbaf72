using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using NodaTime;

namespace Kondiba.Core.Amounts;

/// <summary>What an order comes to: coating, packs, trays and setting times.</summary>
/// <param name="Pieces">Pieces in the lines that could be computed.</param>
/// <param name="Lines">One for each line that could be computed.</param>
/// <param name="Pots">One for each colour, in the order they are wanted.</param>
/// <param name="Trays">In dip order.</param>
/// <param name="Problems">What cannot be, or should be minded; errors leave only their own line or field out.</param>
public sealed record CoatingTally(
    int Pieces,
    IReadOnlyList<LineTally> Lines,
    IReadOnlyList<Pot> Pots,
    IReadOnlyList<Tray> Trays,
    IReadOnlyList<Problem> Problems)
{
    /// <summary>Computes an order.</summary>
    /// <param name="order">The order as typed.</param>
    /// <param name="tables">The trade tables.</param>
    /// <param name="now">The kitchen's clock, to tell a pickup in the past.</param>
    public static CoatingTally For(OrderDraft order, TradeTables tables, LocalDateTime now)
    {
        var problems = OrderCheck.Order(order, tables, now).ToList();
        var dips = order.Lines.Select((line, i) => OrderCheck.Line(line, i, tables, problems)).OfType<Dip>().ToList();

        var flows = dips.Select(d => d.Coating).Distinct().ToDictionary(c => c, c => Flow.Of(c, tables.Film));
        var lines = dips.ToDictionary(d => d.Line, d => LineTally.For(d, flows[d.Coating], tables));
        var pots = new List<Pot>();
        var dipOrder = new List<Dip>();
        foreach (var colour in dips.GroupBy(d => d.Colour.Code))
        {
            var potDips = colour.Select(d => new PotDip(d, lines[d.Line])).ToList();
            var (pot, inOrder) = Pot.For(potDips, flows[potDips[0].Dip.Coating], order.Vessels.GetValueOrDefault(colour.Key), tables, problems);
            if (pot is not null)
                pots.Add(pot);
            dipOrder.AddRange(inOrder.Select(p => p.Dip));
        }

        return new(
            dips.Sum(d => d.Count),
            [.. dips.Select(d => lines[d.Line])],
            pots,
            TrayLayout.For(dipOrder.Select(d => (d.Line, d.Centre, d.Size, d.Count)), tables.Tray),
            problems);
    }

    /// <summary>How a figure of this tally came about, or null when it has no such figure.</summary>
    /// <param name="figure">Its path: "lines[2].perPiece", "lines[2].setting.fridge", "pots.midnight.toMelt".</param>
    public IReadOnlyList<WorkingLine>? WorkingOf(string figure) => Figures().FirstOrDefault(f => f.Path == figure).Working?.Invoke();

    private IEnumerable<(string Path, Func<IReadOnlyList<WorkingLine>> Working)> Figures()
    {
        foreach (var line in Lines)
        {
            yield return ($"lines[{line.Line}].perPiece", () => line.PerPiece.Working);
            yield return ($"lines[{line.Line}].film", () => line.Film.Working);
            yield return ($"lines[{line.Line}].onPieces", () => line.OnPieces.Working);
            foreach (var setting in line.Setting)
                yield return ($"lines[{line.Line}].setting.{setting.Place}", setting.Working);
        }

        foreach (var pot in Pots)
        {
            yield return ($"pots.{pot.Colour}.onPieces", () => pot.OnPieces.Working);
            yield return ($"pots.{pot.Colour}.pool", () => pot.Pool.Working);
            yield return ($"pots.{pot.Colour}.spare", () => pot.Spare.Working);
            yield return ($"pots.{pot.Colour}.toMelt", () => pot.ToMelt.Working);
            yield return ($"pots.{pot.Colour}.packs", () => pot.Packs.Working);
        }
    }
}

/// <summary>What a line comes to.</summary>
/// <param name="Line">Index of the line in the order.</param>
/// <param name="PerPiece">Coating on one piece, all coats.</param>
/// <param name="Film">Thickness of one coat.</param>
/// <param name="OnPieces">Coating on all of them, spoilt ones too.</param>
/// <param name="DipLine">Distance of the coat's edge from the dipped end, for drawing.</param>
/// <param name="Setting">Setting times, one for each place.</param>
public sealed record LineTally(
    int Line,
    Figure<Mass> PerPiece,
    Figure<Length> Film,
    Figure<Mass> OnPieces,
    Length DipLine,
    IReadOnlyList<SettingTime> Setting)
{
    internal static LineTally For(Dip dip, Flow flow, TradeTables tables)
    {
        var shape = dip.Size.Shape;
        var area = shape.DippedArea(dip.Depth);
        var film = Amounts.Film.After(flow, shape.DipLine(dip.Depth), tables.Film);
        var stick = tables.Film.Stick;
        var perPiece = area * film.Value * flow.Density * dip.Coats * stick.Value.Si;
        var spoil = dip.Centre.Spoil;
        var onPieces = perPiece * dip.Count * (1 + spoil.Value.Si);

        IReadOnlyList<WorkingLine> PieceWorking() =>
        [
            .. dip.Size.Dimensions,
            WorkingLine.Of("dip depth", "", dip.Depth, Source.Entered),
            WorkingLine.Of("dipped area A", shape.AreaFormula(dip.Depth), area, Source.Computed),
            .. film.Working,
            WorkingLine.Count("coats", "", dip.Coats, Source.Entered),
            WorkingLine.Of("your own factor on the film", stick),
            WorkingLine.Of("coating on one piece", $"A·h·ρ·coats = {area.In("cm²"):0.0} cm² × {film.Value.In("mm"):0.00} mm × {flow.Density.Si:0} kg/m³ × {dip.Coats} × {stick.Value.Si}", perPiece, Source.Computed),
        ];
        var piece = new DippedPiece(film.Value * (dip.Coats * stick.Value.Si), area, shape.WholeArea - area, flow.Density, dip.Coating.DipAt.Value, dip.Size.Mass, dip.Centre.HeatCapacity);
        return new(
            dip.Line,
            new(perPiece, PieceWorking),
            film,
            new(onPieces, () =>
            [
                WorkingLine.Of("coating on one piece", "see its own working", perPiece, Source.Computed),
                WorkingLine.Count("pieces", "", dip.Count, Source.Entered),
                WorkingLine.Of("dipped in vain", spoil),
                WorkingLine.Of($"on {dip.Count} {dip.Centre.Plural}", $"{dip.Count} × (1 + {spoil.Value.Si}) × {perPiece.In("g"):0.00} g", onPieces, Source.Computed),
            ]),
            shape.DipLine(dip.Depth),
            [.. tables.Setting.Places.Select(place => SettingModel.For(piece, place, tables.Setting))]);
    }
}
