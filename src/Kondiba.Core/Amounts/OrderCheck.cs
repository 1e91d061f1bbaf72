using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Vessels;
using NodaTime;

namespace Kondiba.Core.Amounts;

/// <summary>A dip of a line whose every field stands for something in the trade tables.</summary>
/// <remarks>Layer 0 is the line's first coat, further ones are dips over it; the angle, in radians, is the one at which the piece goes in; a part is one of a figure's, or a mould's first layer. A bare one gets no coat: its depth is how far decoration goes.</remarks>
internal sealed record Dip(
    int Line, Centre Centre, CentreSize Size, Figure<int> Count, Coating Coating, CoatingColour Colour, Share Depth, int Coats, bool AtOnce, bool Upright, int Layer = 0, double Angle = 0, string? Part = null, bool Bare = false)
{
    /// <summary>The piece in words: "medium apple".</summary>
    public string One => $"{Size.Name} {Centre.Name}".Trim();

    /// <summary>The field that its depth and coats are set in.</summary>
    public string Field(string own) => $"lines[{Line}].{(Part is not null ? "making" : Layer == 0 ? own : $"decor.dips[{Layer - 1}].depth")}";

    /// <summary>Key of the pot it is dipped in.</summary>
    public string Pot => Coating.Pot(Colour);

    /// <summary>A piece as it goes into the coating.</summary>
    public HeldPiece Held => new(One, Centre.Holding, Size.Shape, Depth);

    /// <summary>Time of the hands for all pieces and coats, spoilt ones too.</summary>
    public Duration HandsOn(DippingWay way) => way.Time.Value * (Count.Value * (1 + Centre.Spoil.Value.Si) * Coats);
}

/// <summary>Finds what cannot be in an order, field by field.</summary>
internal static class OrderCheck
{
    private const int MostPieces = 2000;
    internal const int MostInOrder = 10_000;
    internal const double LeastDepth = 0.01;
    private const int MostCoats = 3;
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
    public static IEnumerable<Problem> Order(OrderDraft order, TradeTables tables, LocalDateTime now)
    {
        if (string.IsNullOrWhiteSpace(order.Name))
            yield return new("name", "The order has no name.", "Say whom or what it is for.");
        else if (order.Name.Length > LongestName)
            yield return new("name", $"The name is longer than {LongestName} characters.", "Shorten it; there is room under notes.");
        if (order.Notes?.Length > LongestNotes)
            yield return new("notes", $"The notes are longer than {LongestNotes} characters.", "Shorten them.");
        if (order.Pickup is not { } pickup)
            yield return new("pickup", "There is no pickup time.", "Choose the day and the time it is collected.");
        else if (pickup < now)
            yield return new("pickup", "The pickup is in the past.", "Choose a time from now on.");
        else if (pickup > now + FurthestAhead)
            yield return new("pickup", "The pickup is more than two years ahead.", "Check the year.");
        if (order.Lines.Count > MostLines)
            yield return new("lines", $"The order has more than {MostLines} lines.", "Split it in two orders.");
        if (order.Margin is { } margin && !(margin is >= 0 and <= MostMargin))
            yield return new("margin", "The margin is less than nothing or more than all of it.", "Type a share between 0 % and 100 %.");
        foreach (var problem in order.Palette is { Count: > 0 } palette ? Colour.Palette.Check(palette) : [])
            yield return problem;
        foreach (var (field, text, longest) in new[] { ("client", order.Client, LongestName), ("contact", order.Contact, LongestContact), ("place", order.Place, LongestPlace) })
        {
            if (text?.Length > longest)
                yield return new(field, $"This is longer than {longest} characters.", "Shorten it; there is room under notes.");
        }

        foreach (var (code, choice) in order.Schools ?? new Dictionary<string, string>())
        {
            if (Prep.Schools.Check(code, choice, tables) is { } problem)
                yield return problem;
        }

        foreach (var problem in Safety.Allergens.Clashes(order, tables))
            yield return problem;
        foreach (var (i, packing) in (order.Packing ?? []).Index())
        {
            if (tables.Wares.Supplies.All(s => s.Code != packing.Supply))
                yield return new($"packing[{i}].supply", $"There is nothing to pack in called '{packing.Supply}'.", $"Choose of {string.Join(", ", tables.Wares.Supplies.Select(s => s.Code))}.");
            if (packing.Per is < 1 or > MostPieces)
                yield return new($"packing[{i}].per", $"A pack is for one to {MostPieces} pieces.", "Type for how many pieces one is.");
            if (!(packing.Each is > 0 and <= 1000))
                yield return new($"packing[{i}].each", "There is nothing of it, or more than a box takes.", "Type how much of it each time.");
        }

        foreach (var problem in order.Price?.Check() ?? [])
            yield return problem;
        if (order.Deposit is < 0 or > 1_000_000)
            yield return new("deposit", "The deposit is less than nothing, or more than any order.", "Type what is to be paid ahead, or leave it empty.");
        foreach (var (key, pot) in order.Pots)
            foreach (var problem in Pot(key, pot, tables))
                yield return problem;
    }

    /// <summary>An order's lines in terms of the trade tables, as many as a kitchen makes; the problems of the others are added.</summary>
    public static List<Dip> Lines(OrderDraft order, TradeTables tables, List<Problem> problems, int mostLines, int mostPieces)
    {
        List<Dip> dips = [];
        var pieces = 0;
        foreach (var (i, line) in order.Lines.Take(mostLines).Index())
        {
            if (Line(line, i, tables, problems) is not { } dip)
                continue;
            if (pieces + dip.Count.Value > mostPieces)
            {
                problems.Add(new($"lines[{i}].amount", $"With this line the order has more than {mostPieces} pieces.", "Split it in two orders."));
                continue;
            }

            pieces += dip.Count.Value;
            dips.Add(dip);
        }

        return dips;
    }

    /// <summary>The line in terms of the trade tables, or null with its problems added.</summary>
    private static Dip? Line(LineDraft? line, int index, TradeTables tables, List<Problem> problems)
    {
        if (line is null)
        {
            problems.Add(new($"lines[{index}]", "The line is empty.", "Fill it in or remove it."));
            return null;
        }

        var before = problems.Count;
        void Error(string field, string reason, string remedy) => problems.Add(new($"lines[{index}].{field}", reason, remedy));
        void Mind(string field, string reason, string remedy) => problems.Add(new($"lines[{index}].{field}", reason, remedy, Severity.Mind));

        var centre = tables.Centre(line.Centre);
        var size = centre?.Size(line.Size);
        if (centre is null)
            Error("centre", $"There is no centre called '{line.Centre}'.", $"Choose one of {string.Join(", ", tables.Centres.Select(c => c.Code))}.");
        else if (size is null)
            Error("size", $"{With.Article(centre.Name)} does not come in size '{line.Size}'.", $"Choose one of {string.Join(", ", centre.Sizes.Select(s => s.Code))}.");
        else
            size = LineMaking.Of(line, centre, size, tables, (field, reason, remedy, severity) => problems.Add(new($"lines[{index}].{field}", reason, remedy, severity))).Size;
        if (centre is not null)
        {
            Held(line, centre, tables, Error);
            centre = LineMaking.Held(line, centre);
        }

        var (coating, colour) = tables.ColourOf(line.Coating, line.Colour, Error);
        var count = size is null ? null : Count(line, centre!, size, Error);
        if (!(line.Depth is 0 or (>= LeastDepth and <= 1)))
            Error("depth", "A piece is dipped somewhere between not at all and whole.", "Type a share between 1 % and 100 %, or 0 % for a bare piece.");
        else if (line.Depth == 0 && centre?.Holding is Holding.Mould)
            Error("depth", "A moulded piece is coating through and through.", "Set the depth to 100 %.");
        if (line.Coats is < 1 or > MostCoats)
            Error("coats", $"A piece takes one to {MostCoats} coats.", "Choose one coat, or two for a double dip.");
        if (line.Look?.Length > LongestLook)
            Error("look", $"The look's name is longer than {LongestLook} characters.", "Shorten it.");
        if (problems.Skip(before).Any(p => p.Severity is Severity.Error))
            return null;

        if (line.Depth == 0)
        {
            if (LineMaking.DecorOf(line, centre!) is not { IsNothing: false } && centre!.Figure is null)
                Mind("depth", "It gets no coat, and nothing goes onto it.", "Choose a depth, or design a look.");
            return new(index, centre!, size!, count!, coating!, colour!, new(1), 1, false, Upright: false, Bare: true);
        }

        if (line.Depth > centre!.Deepest.Value.Si + 1e-9)
            Mind("depth", centre.DeepestReason, $"{centre.Deepest.Value.In("%"):0} % is about as deep as it goes.");
        else if (centre.Depths is [var only] && Math.Abs(line.Depth - only.Si) > 0.01)
            Mind("depth", $"{With.Capital(centre.Plural)} are dipped {(only.Si < 1 ? $"to {only.In("%"):0} %" : "whole")}.", $"Set the depth to {only.In("%"):0} %.");
        if (line.Coats < centre.LeastCoats)
            Mind("coats", $"{With.Article(centre.Name)} does not carry itself in one coat.", $"Give it {centre.LeastCoats} coats at least.");
        var upright = line.Upright ?? centre.Upright;
        if (upright && centre.Holding is Holding.Fork)
        {
            Mind("upright", $"{With.Article(centre.Name)} has nothing to stand on.", "Lay it flat; the foot is counted in.");
            upright = false;
        }

        return new(index, centre, size!, count!, coating!, colour!, new(line.Depth), line.Coats, line.AtOnce && line.Coats > 1, upright);
    }

    /// <summary>What cannot be of the stick or the disc that a line's pieces are put on.</summary>
    private static void Held(LineDraft line, Centre centre, TradeTables tables, Action<string, string, string> error)
    {
        if (line.Making?.On is { } on and not Making.NoStick)
        {
            if (centre.Holding is Holding.Mould || centre.Figure is not null || centre.DippedEndUp)
                error("making.on", $"{With.Capital(centre.Plural)} go on no stick.", "Leave the stick out.");
            else if (tables.Wares.StickFor(centre, on) is null)
                error("making.on", $"There is no stick called '{on}'.", $"Choose one of {string.Join(", ", tables.Wares.Supplies.Where(s => s.Long is not null).Select(s => s.Code))}, or {Making.NoStick}.");
        }

        if (line.Making?.Disc is { } disc && !(disc.Across is >= LeastDisc and <= MostDisc))
            error("making.disc.across", $"A piped disc is {LeastDisc} to {MostDisc} mm wide.", "Enter a little more than the piece is wide.");
    }

    private static IEnumerable<Problem> Pot(string key, PotDraft pot, TradeTables tables)
    {
        var field = $"pots.{key}";
        var (coating, colour) = tables.PotOf(key);
        if (colour is null)
        {
            yield return new(field, $"There is no coating and colour called '{key}'.", "Make choices for pots of this order.");
            yield break;
        }

        if (pot.Vessel is not null && tables.Vessel(pot.Vessel) is null)
            yield return new($"{field}.vessel", $"There is no vessel called '{pot.Vessel}'.", $"Choose one of {string.Join(", ", tables.Vessels.Select(v => v.Code))}.");
        if (pot.Thinner is not (null or PotDraft.NoThinner) && !coating!.Thinners.Contains(pot.Thinner))
        {
            var name = tables.Thinner(pot.Thinner)?.Name ?? $"'{pot.Thinner}'";
            yield return new($"{field}.thinner", $"{name} is nothing to thin {coating.Name} with.", $"Choose {string.Join(" or ", coating.Thinners.Select(t => tables.Thinner(t)!.Name))}, or none.");
        }

        if (pot.Film is { } film && !(film is >= 0.3 and <= 4))
            yield return new($"{field}.film", "No coat is thinner than 0.3 mm or thicker than 4 mm.", "Type a film between 0.3 and 4 mm; 1 mm is a smooth coat.");
    }

    private static Figure<int>? Count(LineDraft line, Centre centre, CentreSize size, Action<string, string, string> error)
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
            error("countedIn", $"{centre.Plural} are not counted in {(line.CountedIn is CountedIn.Packs ? "packs" : "weight")}.", "Count them in pieces or dozens.");
            return null;
        }

        // By weight only whole pieces come out of it; a part of a dozen or pack is made whole.
        var exact = Math.Round(line.Amount * per, 6);
        var count = line.CountedIn is CountedIn.Weight ? Math.Floor(exact) : Math.Ceiling(exact);
        if (!(line.Amount > 0) || count < 1)
        {
            error("amount", "There must be at least one piece.", line.CountedIn is CountedIn.Weight && line.Amount > 0
                ? $"One weighs {size.Mass.Value.In("g"):0.#} g: ask for more."
                : "Type how many, or remove the line.");
            return null;
        }

        if (count > MostPieces)
        {
            error("amount", $"More than {MostPieces} pieces in one line is more than a home kitchen dips.", "Check the count, or split the line.");
            return null;
        }

        if (line.CountedIn is CountedIn.Pieces && count != line.Amount)
        {
            error("amount", "A part of a piece cannot be dipped.", "Type a whole number.");
            return null;
        }

        return new((int)count, () => line.CountedIn switch
        {
            CountedIn.Weight =>
            [
                WorkingLine.Of("weight wanted", "", Quantities.Of<Mass>(line.Amount, "g"), Source.Entered),
                WorkingLine.Of("one weighs", size.Mass),
                WorkingLine.Count("pieces", $"{line.Amount:0.#} g ÷ {size.Mass.Value.In("g"):0.##} g, whole ones", count, Source.Computed),
            ],
            CountedIn.Pieces => [WorkingLine.Count("pieces", "", count, Source.Entered)],
            _ =>
            [
                WorkingLine.Count(line.CountedIn is CountedIn.Dozens ? "dozens" : centre.PackName[1], "", line.Amount, Source.Entered),
                WorkingLine.Count("pieces", $"{line.Amount:0.##} × {per:0}", count, Source.Computed),
            ],
        });
    }
}
