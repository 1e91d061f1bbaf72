using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Amounts;

/// <summary>Finds what cannot be in an order, field by field.</summary>
internal static class OrderCheck
{
    private const int MostPieces = 2000;
    internal const int MostInOrder = 10_000;
    private const int MostCoats = 3;
    private const int MostBoxes = 400;
    private const int MostPlaces = 144;
    internal const int MostLines = 200;
    private const int LongestName = 80;
    private const int LongestNotes = 2000;
    private const int LongestContact = 120;
    private const int LongestPlace = 200;
    private const int LongestLook = 60;
    private const double MostMargin = 1;
    private const double LeastDisc = 10;
    private const double MostDisc = 150;
    private static readonly Period FurthestAhead = Period.FromYears(2);

    /// <summary>The problems of the order's own fields.</summary>
    public static IEnumerable<Problem> Order(OrderDraft order, ReferenceData tables, LocalDateTime now)
    {
        if (string.IsNullOrWhiteSpace(order.Name))
            yield return new("name", "amounts.order-name", "amounts.order-name.do");
        else if (order.Name.Length > LongestName)
            yield return new(
                "name", Message.Of("amounts.name-longer-characters", ("longestName", LongestName)), "amounts.name-longer-characters.do");
        if (order.Notes?.Length > LongestNotes)
            yield return new(
                "notes",
                Message.Of("amounts.notes-longer-characters", ("longestNotes", LongestNotes)),
                "amounts.notes-longer-characters.do");
        if (order.Pickup is not { } pickup)
            yield return new("pickup", "amounts.pickup-time", "amounts.pickup-time.do");
        else if (pickup < now)
            yield return new("pickup", "amounts.pickup-past", "amounts.pickup-past.do");
        else if (pickup > now + FurthestAhead)
            yield return new("pickup", "amounts.pickup-more-two-years", "amounts.pickup-more-two-years.do");
        if (order.Lines.Count > MostLines)
            yield return new("lines", Message.Of("amounts.order-more-lines", ("mostLines", MostLines)), "amounts.order-more-lines.do");
        if (order.Margin is { } margin && !(margin is >= 0 and <= MostMargin))
            yield return new("margin", "amounts.margin-less-nothing-more", "amounts.margin-less-nothing-more.do");
        foreach (var problem in order.Palette is { Count: > 0 } palette ? Palettes.Palette.Check(palette) : [])
            yield return problem;
        foreach (var (field, text, longest) in new[] { ("client", order.Client, LongestName), ("contact", order.Contact, LongestContact),
            ("place", order.Place, LongestPlace) })
        {
            if (text?.Length > longest)
                yield return new(field, Message.Of("amounts.longer-characters", ("longest", longest)), "amounts.name-longer-characters.do");
        }

        foreach (var (code, choice) in order.Schools ?? new Dictionary<string, string>())
        {
            if (Orders.Schools.Check(code, choice, tables) is { } problem)
                yield return problem;
        }

        foreach (var problem in Amounts.Allergens.Clashes(order, tables))
            yield return problem;
        foreach (var problem in Packing(order.Packing ?? [], order.Lines.Count, tables))
            yield return problem;
        if (order.Boxes is { } boxes && (boxes.Count > MostBoxes || boxes.Any(b => b is null || b.Count > MostPlaces)))
            yield return new("boxes", "amounts.boxes", "amounts.boxes.do");
        foreach (var problem in order.Price?.Check() ?? [])
            yield return problem;
        if (order.Deposit is < 0 or > 1_000_000)
            yield return new("deposit", "amounts.deposit-less-nothing-more", "amounts.deposit-less-nothing-more.do");
        foreach (var problem in Payment.Check(order.Payments ?? []))
            yield return problem;
        foreach (var (key, pot) in order.Pots)
            foreach (var problem in Pot(key, pot, tables))
                yield return problem;
    }

    private static IEnumerable<Problem> Packing(IReadOnlyList<PackingDraft> packed, int lines, ReferenceData tables)
    {
        foreach (var (i, packing) in packed.Index())
        {
            if (tables.Wares.Supplies.All(s => s.Code != packing.Supply))
                yield return new(
                    $"packing[{i}].supply",
                    Message.Of("amounts.nothing-pack-called", ("supply", packing.Supply)),
                    Message.Of("amounts.nothing-pack-called.do", ("supplies", Argument.Of(tables.Wares.Supplies.Select(s => s.Code)))));
            if (packing.Per is < 1 or > MostPieces)
                yield return new(
                    $"packing[{i}].per", Message.Of("amounts.pack-one-pieces", ("mostPieces", MostPieces)), "amounts.pack-one-pieces.do");
            if (packing.Lines?.Any(l => l < 0 || l >= lines) is true)
                yield return new($"packing[{i}].lines", "amounts.packing-lines", "amounts.packing-lines.do");
            if (!(packing.Each is > 0 and <= 1000))
                yield return new($"packing[{i}].each", "amounts.nothing-more-box-takes", "amounts.nothing-more-box-takes.do");
        }
    }

    /// <summary>An order's lines in terms of the trade tables, as many as a kitchen makes; the problems of the others are added.</summary>
    public static List<Dip> Lines(OrderDraft order, ReferenceData tables, List<Problem> problems, int mostLines, int mostPieces)
    {
        List<Dip> dips = [];
        var pieces = 0;
        foreach (var (i, line) in order.Lines.Take(mostLines).Index())
        {
            if (Line(line, i, tables, problems) is not { } dip)
                continue;
            if (pieces + dip.Count.Value > mostPieces)
            {
                problems.Add(new(
                    $"lines[{i}].amount",
                    Message.Of("amounts.line-order-more-pieces", ("mostPieces", mostPieces)),
                    "amounts.order-more-lines.do"));
                continue;
            }

            pieces += dip.Count.Value;
            dips.Add(dip);
        }

        return dips;
    }

    /// <summary>The line in terms of the trade tables, or null with its problems added.</summary>
    private static Dip? Line(LineDraft? line, int index, ReferenceData tables, List<Problem> problems)
    {
        if (line is null)
        {
            problems.Add(new($"lines[{index}]", "amounts.line-empty", "amounts.line-empty.do"));
            return null;
        }

        var before = problems.Count;
        void Error(string field, Message reason, Message remedy) => problems.Add(new($"lines[{index}].{field}", reason, remedy));
        void Mind(string field, Message reason, Message remedy) =>
            problems.Add(new($"lines[{index}].{field}", reason, remedy, Severity.Mind));

        var centre = tables.Centre(line.Centre);
        CentreSize? size = null;
        if (centre is null)
            Error(
                "centre",
                Message.Of("amounts.centre-called", ("centre", line.Centre)),
                Message.Of("amounts.centre-called.do", ("centres", Argument.Of(tables.Centres.Select(c => c.Code)))));
        else
            size = SizeOf(line, index, centre, tables, problems);
        if (centre is not null)
        {
            Held(line, centre, tables, Error);
            centre = LineMaking.Held(line, centre);
        }

        var (coating, colour) = tables.ColourOf(line.Coating, line.Colour, Error);
        var count = size is null ? null : Count(line, centre!, size, Error);
        if (!(line.Depth is 0 or (>= Dip.LeastDepth and <= 1)))
            Error("depth", "amounts.piece-dipped-somewhere-between", "amounts.piece-dipped-somewhere-between.do");
        else if (line.Depth == 0 && centre?.Holding is Holding.Mould)
            Error("depth", "amounts.moulded-piece-coating-through", "amounts.moulded-piece-coating-through.do");
        if (line.Coats is < 1 or > MostCoats)
            Error("coats", Message.Of("amounts.piece-takes-one-coats", ("mostCoats", MostCoats)), "amounts.piece-takes-one-coats.do");
        if (line.Look?.Length > LongestLook)
            Error("look", Message.Of("amounts.look-s-name-longer", ("longestLook", LongestLook)), "amounts.look-s-name-longer.do");
        if (problems.Skip(before).Any(p => p.Severity is Severity.Error))
            return null;

        if (line.Depth == 0)
        {
            if (LineMaking.DecorOf(line, centre!) is not { IsNothing: false } && centre!.Figure is null)
                Mind("depth", "amounts.gets-coat-nothing-goes", "amounts.gets-coat-nothing-goes.do");
            return new(index, centre!, size!, count!, coating!, colour!, new(1), 1, false, Upright: false, Bare: true);
        }

        var upright = Fitting(line, centre!, Mind);
        return new(index, centre!, size!, count!, coating!, colour!, new(line.Depth), line.Coats, line.AtOnce && line.Coats > 1, upright);
    }

    private static CentreSize? SizeOf(LineDraft line, int index, Centre centre, ReferenceData tables, List<Problem> problems)
    {
        void Tell(string field, Message reason, Message remedy, Severity severity) =>
            problems.Add(new($"lines[{index}].{field}", reason, remedy, severity));
        if (centre.Size(line.Size) is { } size)
            return LineMaking.Of(line, centre, size, tables, Tell).Size;
        Tell(
            "size",
            Message.Of("amounts.does-not-come-size-2", ("centre", centre.Name), ("size", line.Size)),
            Message.Of("amounts.does-not-come-size.do", ("sizes", Argument.Of(centre.Sizes.Select(s => s.Code)))),
            Severity.Error);
        return null;
    }

    /// <summary>Minds what its centre does not take well; whether its pieces stand upright.</summary>
    private static bool Fitting(LineDraft line, Centre centre, TellError mind)
    {
        if (line.Depth > centre.Deepest.Value.Si + 1e-9)
            mind("depth", Message.ByName(centre.DeepestReason), Message.Of("amounts.about-deep-goes", ("deepest", centre.Deepest.Value)));
        else if (centre.Depths is [var only] && Math.Abs(line.Depth - only.Si) > 0.01)
            mind(
                "depth",
                Message.Of(
                    "amounts.dipped",
                    ("plural", centre.Plural),
                    ("deep", only.Si < 1 ? Message.Of("amounts.to-a-depth", ("depth", only)) : "amounts.whole")),
                Message.Of("amounts.dipped.do", ("only", only)));
        if (line.Coats < centre.LeastCoats)
            mind(
                "coats",
                Message.Of("amounts.does-not-carry-itself", ("centre", centre.Name)),
                Message.Of("amounts.does-not-carry-itself.do", ("leastCoats", centre.LeastCoats)));
        var upright = line.Upright ?? centre.Upright;
        if (upright && centre.Holding is Holding.Fork)
        {
            mind("upright", Message.Of("amounts.nothing-stand", ("centre", centre.Name)), "amounts.nothing-stand.do");
            upright = false;
        }

        return upright;
    }

    /// <summary>What cannot be of the stick or the disc that a line's pieces are put on.</summary>
    private static void Held(LineDraft line, Centre centre, ReferenceData tables, TellError error)
    {
        if (line.Making?.On is { } on and not WareTable.NoStick)
        {
            if (centre.Holding is Holding.Mould || centre.Figure is not null || centre.DippedEndUp)
                error("making.on", Message.Of("amounts.go-stick", ("plural", centre.Plural)), "amounts.go-stick.do");
            else if (tables.Wares.StickFor(centre, on) is null)
                error(
                    "making.on",
                    Message.Of("amounts.stick-called", ("on", on)),
                    Message.Of(
                        "amounts.stick-called.do",
                        ("supplies", Argument.Of(tables.Wares.Supplies.Where(s => s.Long is not null).Select(s => s.Code))),
                        ("noStick", WareTable.NoStick)));
        }

        if (line.Making?.Disc is { } disc && !(disc.Across is >= LeastDisc and <= MostDisc))
            error(
                "making.disc.across",
                Message.Of("amounts.piped-disc-mm-wide", ("leastDisc", LeastDisc), ("mostDisc", MostDisc)),
                "amounts.piped-disc-mm-wide.do");
    }

    private static IEnumerable<Problem> Pot(string key, PotDraft pot, ReferenceData tables)
    {
        var field = $"pots.{key}";
        var (coating, colour) = tables.PotOf(key);
        if (colour is null)
        {
            yield return new(field, Message.Of("amounts.coating-colour-called", ("key", key)), "amounts.coating-colour-called.do");
            yield break;
        }

        if (pot.Vessel is not null && tables.Vessel(pot.Vessel) is null)
            yield return new(
                $"{field}.vessel",
                Message.Of("amounts.vessel-called", ("vessel", pot.Vessel)),
                Message.Of("amounts.vessel-called.do", ("vessels", Argument.Of(tables.Vessels.Select(v => v.Code)))));
        if (pot.Thinner is not (null or PotDraft.NoThinner) && !coating!.Thinners.Contains(pot.Thinner))
        {
            var name = tables.Thinner(pot.Thinner)?.Name ?? $"'{pot.Thinner}'";
            yield return new(
                $"{field}.thinner",
                Message.Of("amounts.nothing-thin", ("name", name), ("coating", coating.Name)),
                Message.Of("amounts.nothing-thin.do", ("thinners", Argument.Of(coating.Thinners.Select(t => tables.Thinner(t)!.Name)))));
        }

        if (pot.Film is { } film && !(film is >= 0.3 and <= 4))
            yield return new($"{field}.film", "amounts.coat-thinner-mm-thicker", "amounts.coat-thinner-mm-thicker.do");
    }

    private static Figure<int>? Count(LineDraft line, Centre centre, CentreSize size, TellError error)
    {
        double per = line.CountedIn switch
        {
            CountedIn.Dozens => 12,
            CountedIn.Packs => centre.Pack ?? 0,
            CountedIn.Weight => size.Mass.Value.Si > 0 ? 1 / size.Mass.Value.In("g") : 0,
            _ => 1,
        };
        if (per == 0)
        {
            error(
                "countedIn",
                Message.Of(
                    "amounts.not-counted",
                    ("plural", centre.Plural),
                    ("by", line.CountedIn is CountedIn.Packs ? Message.Of("amounts.in-packs") : "amounts.by-weight")),
                "amounts.not-counted.do");
            return null;
        }

        // By weight only whole pieces come out of it; a part of a dozen or pack is made whole.
        var exact = Math.Round(line.Amount * per, 6);
        var count = line.CountedIn is CountedIn.Weight ? Math.Floor(exact) : Math.Ceiling(exact);
        if (!(line.Amount > 0) || count < 1)
        {
            error(
                "amount",
                "amounts.must-least-one-piece",
                line.CountedIn is CountedIn.Weight && line.Amount > 0
                    ? Message.Of("amounts.must-least-one-piece.do", ("mass", size.Mass.Value))
                    : Message.Of("amounts.type-how-many-remove"));
            return null;
        }

        if (count > MostPieces)
        {
            error("amount", Message.Of("amounts.more-pieces-one-line", ("mostPieces", MostPieces)), "amounts.more-pieces-one-line.do");
            return null;
        }

        if (line.CountedIn is CountedIn.Pieces && count != line.Amount)
        {
            error("amount", "amounts.part-piece-cannot-dipped", "amounts.part-piece-cannot-dipped.do");
            return null;
        }

        return new((int)count, () => CountWorking(line, centre, size, per, count));
    }

    private static IReadOnlyList<WorkingLine> CountWorking(LineDraft line, Centre centre, CentreSize size, double per, double count) =>
        line.CountedIn switch
        {
            CountedIn.Weight =>
            [
                WorkingLine.Of("amounts.weight-wanted", "", Quantities.Of<Mass>(line.Amount, "g"), Source.Entered),
                WorkingLine.Of("amounts.one-weighs", size.Mass),
                WorkingLine.Count(
                    "amounts.pieces",
                    Message.Of("amounts.pieces.how", ("line", line.Amount), ("mass", size.Mass.Value)),
                    count,
                    Source.Computed),
            ],
            CountedIn.Pieces => [WorkingLine.Count("amounts.pieces", "", count, Source.Entered)],
            _ =>
            [
                WorkingLine.Count(
                    line.CountedIn is CountedIn.Dozens ? Message.Of("amounts.dozens") : Message.ByName(centre.PackName[1]),
                    "",
                    line.Amount,
                    Source.Entered),
                WorkingLine.Count(
                    "amounts.pieces", Message.Of("amounts.so-many-each", ("line", line.Amount), ("per", per)), count, Source.Computed),
            ],
        };
}
