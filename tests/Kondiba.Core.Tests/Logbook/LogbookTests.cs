using Kondiba.Core.Kitchens;
using Kondiba.Core.Logbook;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using static Kondiba.Core.Tests.Logbook.Logged;

namespace Kondiba.Core.Tests.Logbook;

/// <summary>What the logbook says: of the hand, of next time, of what may go wrong; and what it refuses.</summary>
public sealed class LogbookTests
{
    private static string Say(Message message) => Catalogue.Say(message, new(Language.British, false));

    [Fact]
    public void The_hand_is_told_centre_by_centre_and_how_sure_it_is()
    {
        var taught = Taught(Taking(1.24), Taking(1.22, day: 7), Taking(1.27, day: 14));
        var hand = HandValue.All(taught.Learned, new(), taught.Reference);
        var rods = hand.Single(h => h.Kind is HandKind.Stick);
        Assert.Equal("Pretzel rods", Say(rods.Name));
        Assert.Matches("^2[0-4]% thicker, from 3 batches$", Say(rods.Says));
        var once = HandValue.All(Taught(Taking(1.1)).Learned, new(), taught.Reference).First(h => h.Kind is HandKind.Stick);
        Assert.Matches("^[0-9]+% thicker, perhaps: from 1 batch$", Say(once.Says));
    }

    [Fact]
    public void A_centre_dipped_in_two_coatings_is_told_as_a_whole_and_for_each()
    {
        var white = ReferenceData.Shipped.Coatings.First(c => c.Code != Orders.Wafers && c.Colours.Any(k => k.Code == "dark"));
        var taught = Taught(Taking(1.2), Taking(0.9, Rods(coating: white.Code) with { Colour = "dark" }));
        var names = HandValue.All(taught.Learned, new(), taught.Reference).Where(h => h.Kind is HandKind.Stick)
            .Select(h => Say(h.Name)).ToList();
        Assert.Equal(3, names.Count);
        Assert.Contains($"Pretzel rods in {white.Name}", names);
    }

    [Fact]
    public void A_narrower_glass_is_suggested_and_can_be_adopted()
    {
        var wide = Rods() with { Vessel = "wide-jar" };
        LoggedBatch[] batches = [Taking(1, wide), Taking(1.02, wide, day: 5), Taking(0.98, wide, day: 9)];
        var told = NextTime.For(batches, new(), Taught(batches)).First(s => s.Code.StartsWith("vessel.", StringComparison.Ordinal));
        Assert.Contains("less over, in 3 batches out of 3", Say(told.Evidence), StringComparison.Ordinal);
        var vessel = told.Ways!.Vessels!["pretzel-rod"];

        var adopted = OwnTables.For(KitchenTables.Shipped, OwnThings.None with { Ways = told.Ways });
        Assert.Equal(vessel, Amounts.CoatingTally.For(Orders.Order(null, Orders.Rods(24)), adopted, Orders.Now).Pots[0].Vessel);
        Assert.DoesNotContain(NextTime.For(batches, told.Ways, Taught(batches)), s => s.Code == told.Code);
    }

    [Fact]
    public void A_film_that_came_out_thin_twice_asks_for_less_thinner()
    {
        var thin = Rods() with { Film = FilmLook.Thin, Thinner = "flakes" };
        LoggedBatch[] batches = [Taking(1, thin), Taking(1, thin, day: 3)];
        Assert.All(batches, b => Assert.True(b.Expected.ThinnerShare > 0));
        var told = NextTime.For(batches, new(), Taught(batches)).Single(s => s.Code == "logbook.thin-less");
        Assert.Equal(ReferenceData.Shipped.Thinning.Target.Value.In("mm") + 0.1, told.Ways!.Film!.Value, 6);
    }

    [Fact]
    public void What_the_maker_noted_comes_back()
    {
        LoggedBatch[] batches = [Taking(1, Rods() with { Change = "Start the truffles the day before." })];
        var noted = NextTime.For(batches, new(), Taught(batches)).Single();
        Assert.Equal("Start the truffles the day before.", Say(noted.Title));
        Assert.Equal("You noted this on 12 Apr.", Say(noted.Evidence));
        Assert.Null(noted.Ways);
    }

    [Fact]
    public void A_hot_humid_day_and_what_happened_before_are_told()
    {
        var streaky = Rods() with { Wrong = [new("foot", 4, "laid-too-soon")] };
        LoggedBatch[] batches = [Taking(1, streaky), Taking(1, streaky, day: 7)];
        var order = Orders.Order(null, Orders.Rods(24), Orders.Line("apple", "M", 4, "dark", 0.8, coating: "couverture-dark"));
        var calm = Risks.Of(order, Taught(batches), batches, null).Select(r => r.Code).ToList();
        Assert.Contains("seen.foot", calm);
        Assert.DoesNotContain("warm", calm);

        var hot = Risks.Of(order, Taught(batches), batches, new(Quantities.Of<Temperature>(32, "°C"), new(0.75)));
        var warm = hot.First(r => r.Code == "warm");
        Assert.Equal("At 32 °C the coat won’t harden on the counter.", Say(warm.Says));
        Assert.NotEmpty(Say(warm.Do));
        Assert.Contains("sweats", hot.Select(r => r.Code));
        Assert.Contains("2 of 2 batches", Say(hot.First(r => r.Code == "seen.foot").Says), StringComparison.Ordinal);
        Assert.All(hot, r => Assert.NotEmpty(Say(r.Do)));
    }

    [Fact]
    public void A_batch_answers_what_it_knows()
    {
        var batch = Rods() with
        {
            DippedAt = 60,
            Room = 27,
            Humidity = 0.7,
            Drying = [new("freezer", Hard: 90)],
        };
        var answers = Evidence.Of(Taking(1, batch), ReferenceData.Shipped);
        Assert.True(answers["hotter"] && answers["warm-room"] && answers["humid"] && answers["freezer"] && answers["long-chill"]);
        Assert.False(answers["cooler"] || answers["tempers"]);
        Assert.True(answers["one-coat"]);
    }

    [Fact]
    public void A_batch_that_cannot_be_says_what_to_do()
    {
        Assert.Empty(BatchCheck.Of(Rods() with { Before = 500, After = 320 }, KitchenTables.Shipped, Day));
        var wrong = Rods() with
        {
            MadeOn = Day.PlusDays(1),
            Colour = "no-colour",
            Vessel = "bathtub",
            Pieces = [new("pretzel-rod", "one", 0, 0), new("unicorn", "one", 0.5, 3)],
            Before = 100,
            After = 200,
            Humidity = 70,
            Room = double.NaN,
            Drying = [new("moon", Hard: 0)],
            Wrong = [new("foot", Cause: "condensation")],
            Note = new('x', 1001),
        };
        var fields = BatchCheck.Of(wrong, KitchenTables.Shipped, Day).Select(p => p.Field).ToList();
        Assert.Equal(
            ["madeOn", "colour", "vessel", "pieces[0].made", "pieces[0].depth", "pieces[1].centre", "after", "room", "humidity",
                "drying[0].place", "drying[0].hard", "wrong[0].sign", "note"],
            fields);
    }
}
