using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Moulds;
using Kondiba.Core.Orders;
using Kondiba.Core.Pantry;
using Kondiba.Core.Planning;
using Kondiba.Core.Pricing;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

public sealed class MouldTests
{
    private static LineDraft Moulded(
        double count,
        string mould = "cookie-round",
        string? insert = "sandwich-cookie",
        string? size = "thin",
        AccentDraft? accent = null) =>
        Line("moulded-piece", "cookie", count, "teal") with { Making = new(Mould: new(mould, insert, size, accent)) };

    private static MouldFill Fill(string mould, string? insert, string? size) =>
        MouldFill.For(
            Tables.Reference.Mould(mould)!,
            insert is null ? null : Tables.Reference.Centre(insert)!.Size(size),
            "cookie",
            Tables.Reference.Moulding);

    /// <summary>Common practice: a cavity heaped level with dry wafers holds about 60 % of its volume in coating, and the insert takes the rest.</summary>
    [Fact]
    public void A_cookie_mould_agrees_with_the_rule_of_dry_wafers()
    {
        var fill = Fill("cookie-round", "sandwich-cookie", "thin");
        Assert.Null(fill.Misfit.Said());
        Assert.True(fill.RuleAgrees);
        Assert.Equal(0.60, fill.Coating.Value / fill.Filled, 0.03);

        // π/4 · 5.5² · 1.6 − π/4 · 4.5² · 1.0 cm³
        Assert.Equal((Math.PI / 4 * 5.5 * 5.5 * 1.6) - (Math.PI / 4 * 4.5 * 4.5), fill.Coating.Value.In("mL"), 9);
        Assert.False(Fill("bite", null, null).RuleAgrees);
    }

    /// <summary>Common practice: double-filled cookies are too tall for most moulds.</summary>
    [Fact]
    public void A_cookie_too_tall_is_caught_with_what_would_fit()
    {
        var problem = Assert.Single(Tally(null, Moulded(12, size: "double")).Problems, p => p.Severity is Severity.Unfit);
        Assert.Equal("lines[0].making.mould.insert", problem.Field);
        Assert.Contains("14 mm tall", problem.Reason.Said(), StringComparison.Ordinal);
        Assert.Contains("at most 12.5 mm", problem.Remedy.Said(), StringComparison.Ordinal);
        Assert.DoesNotContain(Tally(null, Moulded(12)).Problems, p => p.Severity is Severity.Unfit);
        Assert.Null(Fill("muffin-tin", "sandwich-cookie", "double").Misfit.Said());
    }

    [Fact]
    public void A_cookie_too_wide_is_caught() =>
        Assert.Contains("leaves less than 2 mm", Fill("bite", "sandwich-cookie", "thin").Misfit.Said(), StringComparison.Ordinal);

    [Fact]
    public void A_deep_tin_is_filled_just_over_the_insert_and_a_flat_mould_to_its_brim()
    {
        var tin = Tables.Reference.Mould("muffin-tin")!;
        var shallow = Fill("muffin-tin", "sandwich-cookie", "thin");
        Assert.Equal((tin.Holds * (13.5 / 30)).Si, shallow.Filled.Si, 12);
        Assert.Equal(tin.Holds.Si, Fill("muffin-tin", null, null).Filled.Si, 12);
        Assert.Equal(Tables.Reference.Mould("cookie-round")!.Holds.Si, Fill("cookie-round", "sandwich-cookie", "mini").Filled.Si, 12);
    }

    [Fact]
    public void Coating_in_moulds_is_linear_in_the_pieces_and_rounds_are_whole() => (from count in Gen.Int[1, 150] from cavities in Gen.Int[1, 30] select (count, cavities)).Sample(
        x =>
        {
            var (one, many) = (Tally(null, Moulded(1)).Lines[0], Tally(null, Moulded(x.count)).Lines[0]);
            Assert.Equal(one.PerPiece.Value.Si, many.PerPiece.Value.Si, 12);
            Assert.Equal((one.OnPieces.Value * x.count).Si, many.OnPieces.Value.Si, 9);
            var rounds = Rounds.For(x.count, x.cavities);
            Assert.True(rounds * x.cavities >= x.count && (rounds - 1) * x.cavities < x.count);
        },
        iter: 60);

    [Fact]
    public void No_pieces_want_no_round_and_no_mould_makes_none()
    {
        Assert.Equal(0, Rounds.For(0, 8));
        Assert.Equal(0, Rounds.For(12, 0));
    }

    [Fact]
    public void An_accent_takes_its_share_of_the_cavity_from_its_own_pot()
    {
        var plain = Tally(null, Moulded(24));
        var layered = Tally(null, Moulded(24, accent: new(Wafers, "silver", 0.25)));
        var accent = Assert.Single(layered.Lines[0].Parts!);
        Assert.Equal((Wafers, "silver"), (accent.Coating, accent.Colour));
        Assert.Equal(plain.Lines[0].PerPiece.Value.Si, (layered.Lines[0].PerPiece.Value + accent.Tally.PerPiece.Value).Si, 9);
        Assert.Equal(0.25, accent.Tally.PerPiece.Value / plain.Lines[0].PerPiece.Value, 6);
        Assert.Equal(2, layered.Pots.Count);
        Assert.NotNull(layered.WorkingOf("lines[0].parts.accent.perPiece"));
    }

    [Fact]
    public void Features_of_several_colours_and_a_layer_share_the_cavity_each_from_its_own_pot()
    {
        var plain = Tally(null, Moulded(24)).Lines[0].PerPiece.Value.Si;
        LineDraft With(params AccentDraft[] features) =>
            Moulded(24, accent: new(Wafers, "white", 0.2)) is var line
                ? line with { Making = line.Making! with { Mould = line.Making.Mould! with { Features = features } } }
                : null!;
        var featured = With(new(Wafers, "silver", 0.03), new(Wafers, "teal", 0.05), new(Wafers, "silver", 0.02));
        var order = Order(null, featured) with { Pickup = Now.PlusDays(4) };
        var tally = CoatingTally.For(order, Tables, Now);
        var line = Assert.Single(tally.Lines);
        Assert.Equal(["feature-0", "feature-1", "feature-2", "accent"], line.Parts!.Select(p => p.Code));
        Assert.Equal([0.03, 0.05, 0.02, 0.2], line.Parts!.Select(p => Math.Round(p.Tally.PerPiece.Value.Si / plain, 6)));
        Assert.Equal(plain, line.PerPiece.Value.Si + line.Parts!.Sum(p => p.Tally.PerPiece.Value.Si), 9);
        Assert.Equal(3, tally.Pots.Count);
        var steps = PrepList.For(order, tally, Tables, Now).Steps.Select(s => s.Code).ToList();
        Assert.True(
            steps.IndexOf("mould.0.1.features") < steps.IndexOf("mould.0.1.accent")
                && steps.IndexOf("mould.0.1.accent") < steps.IndexOf("mould.0.1"));
        Assert.Contains(
            Tally(null, With(new AccentDraft(Wafers, "teal", 0.8))).Problems, p => p.Field == "lines[0].making.mould.features[0].share");
        Assert.Contains(Tally(null, With([null!])).Problems, p => p.Field == "lines[0].making.mould.features[0]");
    }

    /// <summary>Broken pieces fill a share of the cavity, and only so many are bought as make it up.</summary>
    [Fact]
    public void Broken_pieces_fill_a_share_of_the_cavity() => Gen.Double[0.05, 0.6].Sample(share =>
    {
        var line = Moulded(40) is var whole
            ? whole with { Making = whole.Making! with { Mould = whole.Making.Mould! with { Broken = share } } }
            : null!;
        var tally = CoatingTally.For(Order(null, line), Tables, Now);
        var (mould, cookie) = (Tables.Reference.Mould(
            "cookie-round")!, Tables.Reference.Centre("sandwich-cookie")!.Size("thin")!.Shape.WholeVolume);
        Assert.Equal(mould.Holds.Si * (1 - share), tally.Lines[0].Moulded!.Coating.Value.Si, 9);
        var begun = Math.Ceiling(40 * (1 + Tables.Reference.Centre("moulded-piece")!.Spoil.Value.Si));
        Assert.Equal(
            Math.Ceiling((begun * mould.Holds.Si * share / cookie.Si) - 1e-9),
            Need.Of(Order(null, line), tally, Tables.Reference).Single(n => n.Ware == "centre.sandwich-cookie.thin").ToHave.Value);
    });

    [Fact]
    public void More_than_most_of_a_cavity_is_not_filled_with_broken_pieces()
    {
        var line = Moulded(40) is var whole
            ? whole with { Making = whole.Making! with { Mould = whole.Making.Mould! with { Broken = 0.9 } } }
            : null!;
        Assert.Contains(Tally(null, line).Problems, p => p.Field == "lines[0].making.mould.broken" && p.Severity is Severity.Error);
    }

    [Theory]
    [InlineData("bucket", "sandwich-cookie", "thin", "making.mould.mould")]
    [InlineData("cookie-round", "cloud", null, "making.mould.insert")]
    [InlineData("cookie-round", "moulded-piece", null, "making.mould.insert")]
    [InlineData("cookie-round", "sandwich-cookie", "giant", "making.mould.insertSize")]
    public void A_mould_that_cannot_be_is_told_by_its_field(string mould, string insert, string? size, string field) =>
        Assert.Contains(
            Tally(null, Moulded(6, mould, insert, size)).Problems, p => p.Field == $"lines[0].{field}" && p.Severity is Severity.Error);

    [Fact]
    public void An_accent_of_all_or_of_an_unknown_colour_is_told()
    {
        Assert.Contains(
            Tally(null, Moulded(6, accent: new(Wafers, "silver", 1))).Problems, p => p.Field == "lines[0].making.mould.accent.share");
        Assert.Contains(
            Tally(null, Moulded(6, accent: new(Wafers, "mud", 0.2))).Problems, p => p.Field == "lines[0].making.mould.accent.colour");
    }

    [Fact]
    public void A_moulded_piece_is_laid_and_drawn_as_wide_as_its_cavity()
    {
        var tally = Tally(null, Moulded(20));
        var seen = tally.Lines[0].Seen!;
        Assert.Equal((55.0, 55.0), (Math.Round(seen.Length.In("mm"), 6), Math.Round(seen.Width.In("mm"), 6)));
        Assert.Equal(27.5, seen.Profile.Max(p => p.HalfWidth.In("mm")), 0.1);
        Assert.All(tally.Trays.SelectMany(t => t.Rows), r => Assert.True(r.Pitch >= seen.Width));

        // Seen from above it is a disc, whatever is drawn on it.
        var shape = Fill("cookie-round", null, null).Shape(Tables.Reference.Mould("cookie-round")!);
        Assert.Equal(Math.PI / 4 * 55 * 55, shape.Outline(false).Area * 1e6, 5.0);
        Assert.Equal(60 * 25, Fill("small-bar", null, null).Shape(Tables.Reference.Mould("small-bar")!).Outline(false).Area * 1e6, 60.0);
        Assert.Null(Tally(null, Line("moulded-piece", "cookie", 20)).Lines[0].Seen);
    }

    [Fact]
    public void The_insert_is_bought_made_ready_and_told_with_its_allergens()
    {
        var order = Order(null, Moulded(40));
        var tally = CoatingTally.For(order, Tables, Now);
        Assert.Equal(42, Need.Of(order, tally, Tables.Reference).Single(n => n.Ware == "centre.sandwich-cookie.thin").ToHave.Value);
        Assert.Contains(Amounts.Allergens.Of(order, Tables.Reference), u => u is { Allergen: "wheat", Field: "making.mould.insert" });
        Assert.Contains(PrepList.For(order, tally, Tables, Now).Steps, s => s.Code == "prep.sandwich-cookie.brush");
        Assert.True(Costing.For(order, tally, Tables).Parts.Single(p => p.Code == "centres").Cost.Value.Amount > 0);
    }

    [Fact]
    public void An_insert_that_is_made_at_home_wants_its_ingredients()
    {
        var order = Order(null, Moulded(20, "muffin-tin", "cracker-sandwich", "one"));
        var tally = CoatingTally.For(order, Tables, Now);
        var needs = Need.Of(order, tally, Tables.Reference).ToDictionary(n => n.Ware, n => n.ToHave.Value);
        Assert.Equal(42, needs["ingredient.cracker"]);
        Assert.DoesNotContain("centre.cracker-sandwich.one", needs.Keys);
        Assert.Contains(
            PrepList.For(order, tally, Tables, Now).Steps, s => s.Text.Said().StartsWith("A level teaspoon", StringComparison.Ordinal));
    }

    [Fact]
    public void Moulds_are_filled_round_by_round_each_when_the_one_before_has_come_out()
    {
        var order = Order(null, Moulded(40, accent: new(Wafers, "silver", 0.2)));
        var steps = PrepList.For(order, CoatingTally.For(order, Tables, Now), Tables, Now).Steps
            .Where(s => s.Code.StartsWith("mould.", StringComparison.Ordinal))
            .ToList();

        // 42 pieces in 16 cavities: three rounds, each an accent, a filling and a coming out.
        Assert.Equal(9, steps.Count);
        foreach (var (before, after) in steps.Zip(steps.Skip(1)))
            Assert.True(
                after.Starts >= before.Ends.PlusSeconds((long)before.Wait.TotalSeconds),
                $"{after.Code} begins before {before.Code} has set");
        Assert.Equal(
            ["16", "16", "10"],
            steps.Where(s => s.Text.Said().Contains("scrape flush", StringComparison.Ordinal)).Select(s => s.For.Split(' ')[0]));
    }

    [Fact]
    public void Accents_moulded_at_home_take_coating_and_bought_ones_do_not()
    {
        LineDraft Starred(string? colour) =>
            Rods(24) with { Decor = Decoration.Decor.None with { Parts = [new("star", 2, colour is null ? null : Wafers, colour)] } };
        var (bought, made) = (Tally(null, Starred(null)), Tally(null, Starred("silver")));
        Assert.Equal(48 * 1.03, bought.Trimmings.Single().Amount.Value, 1.0);
        Assert.Empty(made.Trimmings);
        var silver = made.Pots.Single(p => p.Colour == "silver");

        // Two stars of 0.9 mL of coating at 1.25 g/mL on each of 24 rods and 3 % more.
        Assert.Equal(2 * 0.9 * 1.25 * 24 * 1.03, silver.Drizzle!.Mass.Value.In("g"), 1.0);
        Assert.Contains(
            PrepList.For(Order(null, Starred("silver")), made, Tables, Now).Steps,
            s => s.Code == "mould.0.star" && s.Text.Said().Contains("3 rounds", StringComparison.Ordinal));
        Assert.Contains(Tally(null, Starred("mud")).Problems, p => p.Field == "lines[0].decor.parts[0].colour");
    }

    private static readonly OwnMould Shell = new(
        "tide",
        "tide mould",
        CavityKind.Free,
        new Dictionary<string, double> { ["holds"] = 12, ["across"] = 30, ["deep"] = 14 },
        true,
        6,
        2);

    [Fact]
    public void A_mould_of_ones_own_computes_and_one_that_cannot_be_names_the_field()
    {
        Assert.Empty(OwnCheck.Of(Shell));
        var tables = OwnTables.For(Tables, OwnThings.None with { Moulds = [Shell] });
        var line = Moulded(12, "tide", null, null);
        Assert.Equal(12 * 1.25, CoatingTally.For(Order(null, line), tables, Now).Lines[0].PerPiece.Value.In("g"), 0.3);
        foreach (var mould in Tables.Reference.Moulds)
            Assert.Equal(
                mould.Holds.Si,
                OwnTables.For(Tables, OwnThings.None with { Moulds = [OwnTables.Entered(mould)] }).Reference.Mould(mould.Code)!.Holds.Si,
                12);
        Assert.Contains(OwnCheck.Of(Shell with { Cavities = 0 }), p => p.Field == "cavities");
        Assert.Contains(OwnCheck.Of(Shell with { Trays = 0 }), p => p.Field == "trays");
        Assert.Contains(
            OwnCheck.Of(Shell with { Measures = new Dictionary<string, double> { ["holds"] = 12, ["across"] = 30 } }),
            p => p.Field == "measures.deep");
        Assert.Contains(
            OwnCheck.Of(Shell with { Measures = new Dictionary<string, double> { ["holds"] = 0, ["across"] = 30, ["deep"] = 14 } }),
            p => p.Field == "measures.holds");
    }
}
