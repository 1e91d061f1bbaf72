using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Orders;
using Kondiba.Core.Pantry;
using Kondiba.Core.Planning;
using Kondiba.Core.Pricing;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using NodaTime;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

public sealed class PrepTests
{
    private static readonly OrderDraft Mixed = Order(
        null,
        Berries(),
        Truffles(60),
        Line("moulded-piece", "cookie", 20, "teal") with { Making = new(Mould: new("cookie-round", "sandwich-cookie", "thin")) },
        Line("caramel-rod", "one", 12, "dark", 0.66),
        Line("telescope", "one", 6)) with
    { Pickup = Now.PlusDays(3) };

    private static readonly Gen<LineDraft> AnyLine =
        from centre in Gen.OneOfConst([.. Tables.Reference.Centres.Where(c => c.Code != "moulded-piece"), .. Tables.Reference.Figures])
        from size in Gen.OneOfConst([.. centre.Sizes])
        from count in Gen.Int[1, 60]
        from colour in Gen.OneOfConst("dark", "teal", "midnight")
        select Line(centre.Code, size.Code, count, colour, centre.UsualDepth.Value.Si, centre.LeastCoats);

    private static readonly Gen<OrderDraft> AnyOrder =
        from lines in AnyLine.Array[1, 5]
        from hours in Gen.Int[30, 200]
        from choices in Gen.OneOfConst(
            [.. Tables.Reference.Schools]).SelectMany(s => Gen.OneOfConst([.. s.Choices]).Select(c => (s.Code, Choice: c.Code))).Array[0, 4]
        select Order(
            null, lines) with
        {
            Pickup = Now.PlusHours(hours),
            Schools = choices.DistinctBy(c => c.Code)
                .ToDictionary(c => c.Code, c => c.Choice)
        };

    private static PrepList List(OrderDraft order, KitchenTables? tables = null) =>
        PrepList.For(order, CoatingTally.For(order, tables ?? Tables, Now), tables ?? Tables, Now);

    [Fact]
    public void A_mixed_order_is_one_list_with_every_wait_and_one_list_to_buy()
    {
        var list = List(Mixed);
        Assert.Empty(list.Problems);
        string[] wanted =
        [
            "chop", "simmer", "pour", "whisk", "firm", "scoop", "chill", "roll", "wind", "sort", "rinse", "dry",
            "laid-out", "polish", "cut", "glue", "pack",
        ];
        Assert.All(
            wanted,
            code => Assert.Contains(
                list.Steps,
                s => s.Code == code
                    || s.Code.EndsWith($".{code}", StringComparison.Ordinal)
                    || s.Code.StartsWith($"{code}.", StringComparison.Ordinal)));
        Assert.All(
            list.Steps,
            s => Assert.True(s.Text.Said().Length > 10 && s.Why.Said().Length > 10 && s.Source.Text.Length > 0 && s.For.Length > 0));
        string[] bought = [
            "centre.strawberry.L",
            "ingredient.cream",
            "coating.dark-couverture.dark",
            "ingredient.caramel",
            "centre.pretzel-rod.one",
            "centre.sandwich-cookie.thin",
            "centre.sandwich-cookie.mini",
            "centre.marshmallow.one",
            "part.star",
        ];
        var shopping = ShoppingList.For([(Mixed, CoatingTally.For(Mixed, Tables, Now))], Tables);
        Assert.All(bought, ware => Assert.Contains(shopping.Lines, l => l.Ware.Code == ware && l.ToBuy > 0));
        Assert.Empty(shopping.Problems);
    }

    [Fact]
    public void The_first_step_of_a_filling_says_how_much_of_what()
    {
        var chop = List(Mixed).Steps.Single(s => s.Text.Said().StartsWith("Chop", StringComparison.Ordinal));
        Assert.Equal(["dark chocolate", "whipping cream"], chop.Amounts.Select(a => a.Name));
        Assert.Equal(62 * 18 / 0.96 / 1.6, chop.Amounts[0].Mass.Value.Si * 1000, 1e-6);
    }

    /// <summary>
    /// Checked without the planner: hands do one thing at a time, in working hours, after what comes before and its wait, and in time.
    /// </summary>
    [Fact]
    public void No_list_breaks_a_wait_the_hands_the_day_or_the_pickup() => AnyOrder.Sample(
        order =>
        {
            var tally = CoatingTally.For(order, Tables, Now);
            var list = List(order);
            if (list.Problems.Count > 0)
                return;
            var (opens, closes) = (new LocalTime(8, 0), new LocalTime(21, 0));
            var worked = list.Steps.Where(s => s.Hands > Duration.Zero).OrderBy(s => s.Starts).ToList();
            foreach (var (a, b) in worked.Zip(worked.Skip(1)))
                Assert.True(b.Starts >= a.Ends.PlusSeconds(-1), $"{b.Code} begins at {b.Starts} while {a.Code} lasts until {a.Ends}");
            Assert.All(
                list.Steps.Where(s => s.Stage is not Stage.Melt),
                s => Assert.True(s.Ends <= order.Pickup, $"{s.Code} ends at {s.Ends}"));
            Assert.All(
                worked,
                s => Assert.True(
                    s.Starts.TimeOfDay >= opens && s.Ends.Date == s.Starts.Date && s.Ends.TimeOfDay <= closes,
                    $"{s.Code} from {s.Starts} to {s.Ends}"));

            // Within one line the order of the hands: fillings and preparing before dipping, dipping before packing, each wait kept.
            foreach (var line in tally.Lines)
            {
                var own = list.Steps.Where(s => s.Lines.Contains(line.Line)).ToList();
                var dips = own.Where(s => s.Stage is Stage.Dip).ToList();
                var whole = own.Where(s => !s.For.Contains(" of ", StringComparison.Ordinal));
                Assert.All(whole.Where(s => s.Stage is Stage.Prep or Stage.Fill), before =>
                    Assert.True(
                        before.Ends.PlusSeconds((long)before.Wait.TotalSeconds) <= dips[0].Starts.PlusSeconds(1),
                        $"{before.Code} is not through when {dips[0].Code} begins"));
                Assert.True(own.Last(s => s.Stage is Stage.Pack).Starts >= dips[^1].Ends);
            }
        },
        iter: 40);

    /// <summary>Whatever one kitchen is asked for has its list, be it with more trays than there are.</summary>
    [Fact]
    public void No_order_of_a_kitchens_size_is_left_without_a_list()
    {
        var (all, none) = (0, 0);
        AnyOrder.Sample(
            order =>
            {
                Interlocked.Increment(ref all);
                if (List(order with { Pickup = Now.PlusDays(7) }).Steps.Count == 0)
                    Interlocked.Increment(ref none);
            },
            iter: 15);
        Assert.Equal((all, 0), (all, none));
    }

    [Fact]
    public void Changing_a_school_changes_the_steps()
    {
        foreach (var school in Tables.Reference.Schools.Where(s => s.Code is not ("moulds" or "setting" or "melting")))
        {
            var rule = Tables.Reference.PrepRules.First(r => r.School == school.Code);
            var centre = Tables.Reference.Centres.First(c => rule.For.Contains(c.Code)
                || Tables.Reference.Fillings.Any(f => f.Makes == c.Code && rule.For.Contains(f.Code)));
            var order = Order(null, Line(centre.Code, centre.Sizes[0].Code, 12, depth: centre.UsualDepth.Value.Si));
            var lists = school.Choices.Select(c => List(order with { Schools = new Dictionary<string, string> { [school.Code] = c.Code } }))
                .ToList();
            Assert.NotEqual(lists[0].Steps.Select(s => s.Text), lists[1].Steps.Select(s => s.Text));
            Assert.All(lists, l => Assert.True(Assert.Single(l.Schools, s => s.School.Code == school.Code).Own));

            // What the kitchen chose holds where the order says nothing.
            var kitchen = OwnTables.For(
                Tables,
                OwnThings.None with { Ways = new(Schools: new Dictionary<string, string> { [school.Code] = school.Choices[1].Code }) });
            Assert.Equal(lists[1].Steps.Select(s => s.Text), List(order, kitchen).Steps.Select(s => s.Text));
            Assert.Equal(lists[0].Steps.Select(s => s.Text), List(order).Steps.Select(s => s.Text));
        }
    }

    [Fact]
    public void Coats_set_in_the_cold_where_the_maker_likes_that_better()
    {
        PrepStep Dipped(string choice) =>
            List(Mixed with { Schools = new Dictionary<string, string> { ["setting"] = choice } }).Steps.First(s => s.Code == "dip.0");
        Assert.Equal(("counter", "counter", "fridge"), (Dipped("room").Place, Dipped("counter").Place, Dipped("cold").Place));
        Assert.True(Dipped("cold").Wait < Dipped("counter").Wait);
    }

    [Fact]
    public void Moulds_on_the_counter_take_longer_rounds_than_in_the_fridge()
    {
        PrepStep Filled(string place) =>
            List(Mixed with { Schools = new Dictionary<string, string> { ["moulds"] = place } }).Steps.Single(s => s.Code == "mould.2.1");
        Assert.True(Filled("counter").Wait > Filled("fridge").Wait);
        Assert.Equal(("counter", "fridge"), (Filled("counter").Place, Filled("fridge").Place));
    }

    /// <summary>Common practice: a microwave is stood by, a bath melts on while the hands do something else; more takes longer.</summary>
    [Fact]
    public void Melting_takes_its_time_by_mass_and_method()
    {
        PrepStep Melted(string method, int berries) =>
            List(Order(null, Berries(berries)) with
            {
                Pickup = Now.PlusDays(3),
                Schools = new Dictionary<string, string> { ["melting"] = method },
            })
                .Steps.First(s => s.Stage is Stage.Melt);
        Assert.InRange(Melted("microwave-half", 12).Hands.TotalMinutes, 4, 7);
        Assert.InRange(Melted("microwave-half", 60).Hands.TotalMinutes, Melted("microwave-half", 12).Hands.TotalMinutes + 0.5, 12);
        var (bath, half) = (Melted("bath", 60).Wait, Melted("microwave-half", 60).Wait);
        Assert.True(bath > half, $"{bath} {half}");
        Assert.Contains("Microwave at 50%", Melted("microwave-half", 24).Text.Said(), StringComparison.Ordinal);
        Assert.Contains("simmering water", Melted("bath", 24).Text.Said(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("berries", "boiled", "schools.berries")]
    [InlineData("sky", "blue", "schools.sky")]
    public void A_school_or_a_choice_that_is_none_is_told(string school, string choice, string field)
    {
        var schools = new Dictionary<string, string> { [school] = choice };
        Assert.Contains(
            CoatingTally.For(Mixed with { Schools = schools }, Tables, Now).Problems,
            p => p.Field == field && p.Remedy.Said().Contains("Choose", StringComparison.Ordinal));
        Assert.Contains(OwnCheck.Of(new Ways(Schools: schools), Tables.Reference), p => p.Field == field);
    }

    /// <summary>Common practice: the waits that the trade names.</summary>
    [Theory]
    [InlineData("nut-butter-sandwich", "chill", 30)]
    [InlineData("nut-butter-sandwich", "freeze", 15)]
    [InlineData("fruit-ring", "freeze", 60)]
    [InlineData("coconut-slab", "chill", 60)]
    [InlineData("cake-ball", "stick", 15)]
    [InlineData("ganache-dark", "chill", 15)]
    [InlineData("ganache-dark", "pour", 2)]
    public void Waits_are_those_of_the_trade(string of, string code, double minutes)
    {
        var rule = Tables.Reference.PrepRules.First(r => r.For.Contains(of) && r.Code == code);
        Assert.Equal(minutes, rule.Wait!.Value.TotalMinutes);
        Assert.Equal(Tag.CommonPractice, rule.Wait.Source.Tag);
    }

    [Fact]
    public void Every_rule_is_for_something_says_why_and_names_a_choice_that_exists()
    {
        var known = Tables.Reference.Centres.Concat(Tables.Reference.Figures)
            .Select(c => c.Code)
            .Concat(Tables.Reference.Fillings.Select(f => f.Code))
            .Concat(Tables.Reference.Figures.SelectMany(f => f.Figure!.Work).Select(w => w.Rule))
            .Concat(["stick.split", "stick.core", "stick.push", "disc", "dip", "dip.rocked", "dip.spooned", "dip.bathed"])
            .Concat(Tables.Reference.Centres.Select(c => $"dip.{c.Code}"))
            .ToHashSet();
        Assert.All(Tables.Reference.PrepRules, r =>
        {
            Assert.All(r.For, f => Assert.Contains(f, known));
            Assert.True(r.Text.Length > 10 && r.Why.Length > 10);
            Assert.Equal(r.School is null, r.Choice is null);
            Assert.True(
                r.School is null || Tables.Reference.Schools.Single(s => s.Code == r.School).Choices.Any(c => c.Code == r.Choice), r.Text);
            Assert.True(r.AtMost is null || r.Wait is null || r.AtMost.Value >= r.Wait.Value);
        });
        Assert.All(Tables.Reference.Schools, s => Assert.Contains(s.Choices, c => c.Code == s.Usual));
    }

    [Fact]
    public void Berries_are_dipped_within_the_hour_of_coming_out()
    {
        var list = List(Mixed);
        var dried = list.Steps.Single(s => s.Code == "prep.strawberry.dry");
        var dips = list.Steps.Where(s => s.Stage is Stage.Dip && s.Lines.Contains(0)).ToList();
        Assert.All(dips, d => Assert.InRange(Period.Between(dried.Ends, d.Starts, PeriodUnits.Minutes).Minutes, 29, 60));
    }

    [Fact]
    public void What_no_kitchen_makes_in_time_is_told()
    {
        var order = Order(null, Berries(1900), Berries(1900), Berries(1900), Berries(1900)) with { Pickup = Now.PlusDays(14) };
        var list = List(order);
        Assert.NotEmpty(list.Steps);
        Assert.Contains(
            list.Problems, p => p.Field == "pickup" && p.Reason.Said().Contains("more than you can make", StringComparison.Ordinal));
    }

    [Fact]
    public void A_pickup_before_the_work_can_be_done_is_told_with_the_hour_that_it_wants()
    {
        var problem = Assert.Single(List(Order(null, Truffles(60)) with { Pickup = Now.PlusHours(3) }).Problems, p => p.Field == "pickup");
        Assert.Contains("can’t be ready before", problem.Reason.Said(), StringComparison.Ordinal);
    }

    [Fact]
    public void Without_a_pickup_or_lines_there_are_no_steps_yet()
    {
        Assert.Empty(List(Mixed with { Pickup = null }).Steps);
        Assert.NotEmpty(List(Mixed with { Pickup = null }).Fillings);
        Assert.Empty(List(Order(null)).Steps);
    }

    [Fact]
    public void Hands_of_the_list_are_hands_of_the_price() => AnyOrder.Sample(
        order =>
        {
            var tally = CoatingTally.For(order, Tables, Now);
            Assert.Equal(
                Costing.For(order, tally, Tables).Hands.Value.TotalSeconds,
                List(order).Hands.TotalSeconds,
                0.5);
        },
        iter: 60);

    [Fact]
    public void More_pieces_never_take_less_time() => (from line in AnyLine from more in Gen.Int[1, 60] select (line, more)).Sample(
        x =>
        {
            // Dipped the same way in the same vessel: another, which more pieces pay for, may be quicker.
            var (few, many) = (Order(null, x.line), Order(null, x.line with { Amount = x.line.Amount + x.more }));
            Assert.True(List(many).Hands >= List(few).Hands || !CostTests.WaysOf(few).SequenceEqual(CostTests.WaysOf(many)));
        },
        iter: 80);

    [Fact]
    public void Sorted_berries_fill_a_box_with_the_biggest_in_the_middle_row()
    {
        var box = Assert.Single(List(Mixed with { Packing = [new("box-12"), new("cup")] }).Boxes);
        Assert.Equal(("boxes for twelve", "large strawberries"), (box.Box, box.Pieces));
        Assert.Equal([4, 4, 4], box.Rows.Select(r => r.Count));
        Assert.True(box.Rows[1].Min(m => m.Si) >= box.Rows[0].Concat(box.Rows[2]).Max(m => m.Si));
        Assert.Empty(List(Order(null, Truffles(12)) with { Packing = [new("box-12")] }).Boxes);
    }

    [Fact]
    public void Sugar_paste_for_accents_is_made_the_day_before()
    {
        var order = Order(
            null, Line(
                "sandwich-cookie", "thin", 24) with
            {
                Decor = Decoration.Decor.None with
                {
                    Parts = [
                    new("accent", 1),
                ]
                }
            }) with
        {
            Pickup = Now.PlusDays(
                3)
        };
        var list = List(order);
        var knead = list.Steps.First(s => s.Text.Said().StartsWith("Knead the syrup", StringComparison.Ordinal));
        var glue = list.Steps.Single(s => s.Stage is Stage.Decorate);
        Assert.True(glue.Starts >= knead.Starts.PlusHours(12));
        Assert.Contains(Need.Of(order, CoatingTally.For(order, Tables, Now), Tables.Reference), n => n.Ware == "ingredient.icing-sugar");

        // The kitchen's own recipe: for each 100 g of sugar 9 g of syrup and 3 g of water.
        Assert.Equal(
            [100 / 9.0, 100 / 3.0],
            knead.Amounts.Skip(1).Select(a => knead.Amounts[0].Mass.Value.Si / a.Mass.Value.Si),
            (a, b) => Math.Abs(a - b) < 0.1);
    }

    [Fact]
    public void What_the_maker_notes_on_a_centre_comes_after_the_rules()
    {
        var berry = OwnTables.Entered(Tables.Reference.Centre("strawberry")!) with { Prep = ["Turn the leaves back with a ring."] };
        var tables = OwnTables.For(Tables, OwnThings.None with { Centres = [berry] });
        var steps = List(Order(null, Berries()), tables).Steps.Where(s => s.Stage is Stage.Prep).Select(s => s.Text.Said()).ToList();
        Assert.Equal(4, steps.Count);
        Assert.Contains("Turn the leaves back with a ring.", steps);
    }
}
