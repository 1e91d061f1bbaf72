using System.Text.Json.Serialization;
using Kondiba.Core.Amounts;
using Kondiba.Core.Films;
using Kondiba.Core.Learning;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Orders;
using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using NodaTime;

namespace Kondiba.Core.Logbook;

/// <summary>What was expected of pieces of one kind.</summary>
/// <param name="Path">Of what they teach: how they are held, the centre, the coating.</param>
/// <param name="Grams">On all of them, by the tables.</param>
/// <param name="Spoilt">Of them, those that go wrong by the tables.</param>
public sealed record ExpectedPieces(string Path, double Grams, double Spoilt);

/// <summary>
/// What was expected of a batch when it was logged; it stays the same whatever is learned later. Masses in g, times in min.
/// </summary>
/// <param name="Pieces">Of the pieces, kind by kind, by the tables.</param>
/// <param name="Planned">On all of them, by what had been learned until then.</param>
/// <param name="Tools">What sticks to tools and walls.</param>
/// <param name="Vessel">Code of the vessel.</param>
/// <param name="Method">Code of what it was melted by.</param>
/// <param name="DipMinutes">Dipping them, by the tables; null when it could not be computed.</param>
/// <param name="MeltMinutes">Melting it, by the model; null when nothing was weighed.</param>
/// <param name="Drying">Setting, by the model, in every place that the kitchen has.</param>
/// <param name="Film">Thickness of a coat of the first kind, in mm.</param>
/// <param name="Covers">Thickness that its colour needs to hide what is under it, in mm.</param>
/// <param name="ThinnerShare">Thinner for one part of coating.</param>
public sealed record BatchExpected(
    IReadOnlyList<ExpectedPieces> Pieces,
    double Planned,
    double Tools,
    string? Vessel,
    string Method,
    double? DipMinutes,
    double? MeltMinutes,
    IReadOnlyList<BatchDrying> Drying,
    double Film,
    double Covers,
    double ThinnerShare)
{
    private const double Most = 1e7;

    /// <summary>On all pieces, by the tables.</summary>
    [JsonIgnore]
    public double ByTables => Pieces.Sum(p => p.Grams);

    /// <summary>Whether it can be what was expected of a batch: as many kinds of pieces, and no number that could not be.</summary>
    /// <param name="batch">The batch.</param>
    public bool FitsTo(Batch batch)
    {
        IEnumerable<double?> all =
        [
            Planned, Tools, DipMinutes, MeltMinutes, Film, Covers, ThinnerShare,
            .. Pieces.SelectMany(p => new double?[] { p.Grams, p.Spoilt }),
            .. Drying.SelectMany(t => new[] { t.TouchDry, t.Hard }),
        ];
        return Pieces.Count == batch.Pieces.Count && all.All(n => n is null or (>= 0 and <= Most));
    }

    /// <summary>Computes it.</summary>
    /// <param name="batch">As logged; it must have passed <see cref="BatchCheck"/>.</param>
    /// <param name="untaught">The kitchen's tables as if it had logged nothing.</param>
    /// <param name="learned">What it has learned so far.</param>
    public static BatchExpected Of(Batch batch, KitchenTables untaught, Learned learned)
    {
        var order = AsOrder(batch);
        var tally = CoatingTally.For(order, untaught, default);
        var tables = Orders.Schools.Chosen(order, untaught);
        var pot = tally.Pots.FirstOrDefault(p => p.Key == batch.Pot);
        var pieces = batch.Pieces.Index().Select(p => Expected(batch, p.Item, tally.Lines.FirstOrDefault(l => l.Line == p.Index), tables));
        var method = tables.Reference.Melting.Methods.FirstOrDefault(m => m.Code == batch.Method) ?? Prep.MeltingOf.MethodOf(tables);
        List<ExpectedPieces> all = [.. pieces];
        var first = tally.Lines is [var line, ..] ? line : null;
        return new(
            all,
            all.Sum(p => p.Grams * learned.Stick.Of(p.Path).Mean),
            tables.Reference.Pot.ToolLoss.Value.In("g"),
            batch.Vessel ?? pot?.Vessel,
            method.Code,
            pot is null ? null : DippingOf(order, tally, tables),
            pot is null ? null : MeltingOf(batch, pot, method, tables),
            first is null ? [] : [.. first.Setting.Select(s => new BatchDrying(s.Place, Minutes(s.TouchDry), Minutes(s.HandleHard)))],
            first?.Film.Value.In("mm") ?? 0,
            CoversOf(batch, tables.Reference),
            pot?.Thinner is { } thinner ? thinner.Mass.Value / pot.OfCoating : 0);
    }

    /// <summary>The batch as an order of what was dipped, those that went wrong too.</summary>
    internal static OrderDraft AsOrder(Batch batch) =>
        new([.. batch.Pieces.Select(p => new LineDraft(
            p.Centre,
            p.Size,
            Math.Max(1, p.Dipped),
            CountedIn.Pieces,
            batch.Coating,
            batch.Colour,
            p.Depth,
            p.Coats,
            p.AtOnce,
            p.Upright))])
        {
            Pots = new Dictionary<string, PotDraft> { [batch.Pot] = new(batch.Vessel, batch.Thinner) },
        };

    private static ExpectedPieces Expected(Batch batch, BatchPieces pieces, LineTally? line, KitchenTables tables)
    {
        var centre = tables.Reference.Centre(pieces.Centre)!;
        var each = pieces.PerPiece ?? line?.PerPiece.Value.In("g") ?? 0;
        var spoil = centre.Spoil.Value.Si;
        return new(Dip.KinOf(centre, batch.Coating), each * pieces.Dipped, pieces.Dipped * spoil / (1 + spoil));
    }

    private static double DippingOf(OrderDraft order, CoatingTally tally, KitchenTables tables)
    {
        // What was dipped is all there was: nothing more is begun for what goes wrong.
        var steps = PrepWork.Of(order, tally, tables).Where(s => s.Stage is Stage.Dip).ToList();
        var hands = steps.Aggregate(Duration.Zero, (sum, s) => sum + s.Hands);
        var begun = tally.Lines.Sum(l => l.Begun(tables.Reference.Centre(order.Lines[l.Line].Centre)!.Spoil.Value));
        return hands.TotalMinutes * tally.Pieces / Math.Max(1, begun);
    }

    private static double? MeltingOf(Batch batch, Pot pot, MeltMethod method, KitchenTables tables)
    {
        if (batch.Before is not { } grams)
            return null;
        return Melt.For(
            tables.Reference.Coating(pot.Coating)!,
            Quantities.Of<Mass>(grams, "g"),
            method,
            tables.Reference.Setting.Room.Air.Value,
            tables.Reference.Melting,
            tables.Reference.Setting).InAll.TotalMinutes;
    }

    private static double CoversOf(Batch batch, ReferenceData tables)
    {
        var colour = tables.Coating(batch.Coating)?.Colours.FirstOrDefault(c => c.Code == batch.Colour);
        return colour is null ? 0 : tables.Film.Covers.Of(colour.Cover).Value.In("mm");
    }

    private static double? Minutes(Duration? time) => time?.TotalMinutes;
}
