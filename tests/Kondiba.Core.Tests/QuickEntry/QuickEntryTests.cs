using System.Globalization;
using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Orders;
using Kondiba.Core.QuickEntry;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Tests;

public class QuickEntryTests
{
    private static readonly KitchenTables Tables = KitchenTables.Shipped;

    private static readonly NodaTime.LocalDate Today = new(2030, 12, 2);

    internal static readonly IReadOnlyList<Look> Looks =
    [
        new("meteor-rod", "Meteor rod", "pretzel-rod", "one", "compound-wafer-hot-flow", "midnight", 0.33, 1, false, null,
            Decor.None with { Patterns = [new("zigzag", "compound-wafer-hot-flow", "silver", 12, null, 1.4)] }),
        new("plum-twist", "Plum twist", "pretzel-twist", "mini", "compound-wafer-hot-flow", "plum", 1, 1, false, null, Decor.None),
    ];

    /// <summary>A line in short: count, centre/size, colour, depth, then what differs from plain.</summary>
    internal static string Short(LineDraft line)
    {
        List<string> words =
        [
            line.Amount.ToString(
                "0.##", CultureInfo.InvariantCulture) + line.CountedIn switch { CountedIn.Dozens =>
                    "dz", CountedIn.Weight => "g", CountedIn.Packs => "pk", _ => "" },
            Tables.Reference.Centre(line.Centre)!.Sizes.Count > 1 ? $"{line.Centre}/{line.Size}" : line.Centre!,
            line.Coating == Tables.Profile.Habits.Coating ? line.Colour! : $"{line.Coating}.{line.Colour}",
            (line.Depth * 100).ToString("0", CultureInfo.InvariantCulture),
        ];
        if (line.Coats != Tables.Reference.Centre(line.Centre)!.LeastCoats)
            words.Add($"coats={line.Coats}");
        if (line.Upright is { } upright)
            words.Add(upright ? "up" : "flat");
        if (line.Making?.On is { } stick)
            words.Add($"on={stick}");
        if (line.Look is not null)
            words.Add($"look={line.Look}");
        else if (line.Decor is { } d)
        {
            words.AddRange(d.Dips.Select(o => $"{(o.Angle == 90 ? "half" : "tip")}:{o.Colour}"));
            words.AddRange(d.Patterns.Select(p => $"{p.Colour}:{p.Kind}:{p.Text ?? p.Lines.ToString(CultureInfo.InvariantCulture)}"));
            words.AddRange(d.Sprinkles.Select(s => $"{s.Kind}@{s.Side.ToString().ToLowerInvariant()}"));
            words.AddRange(d.Parts.Select(p => $"{p.Count}×{p.Kind}"));
            if (d.Paint is { } paint)
                words.Add($"lustre={paint.Kind}");
        }

        return string.Join(' ', words);
    }

    [Theory]
    [InlineData("24 strawberries", "24 strawberry/L dark 75")]
    [InlineData("2 doz large strawberries milk 3/4, white zigzag", "2dz strawberry/L milk 75 white:zigzag:11")]
    [InlineData("12 rods navy top third + silver drizzle", "12 pretzel-rod midnight 33 silver:zigzag:11")]
    [InlineData("1 lb berries teal", "453.6g strawberry/L teal 75")]
    [InlineData("24 rods navy top third, silver zigzag", "24 pretzel-rod midnight 33 silver:zigzag:11")]
    [InlineData("6 apples teal", "6 apple/M teal 100")]
    [InlineData("two dozen rods", "2dz pretzel-rod dark 33")]
    [InlineData("a dozen truffles in white chocolate", "1dz truffle-ball white 100")]
    [InlineData("half a dozen apples", "0.5dz apple/M dark 100")]
    [InlineData("1/2 doz apples", "0.5dz apple/M dark 100")]
    [InlineData("½ dozen apples", "0.5dz apple/M dark 100")]
    [InlineData("1½ dozen cake pops plum", "1.5dz cake-ball plum 100")]
    [InlineData("dozen marshmallows", "1dz marshmallow dark 100")]
    [InlineData("twenty four mini twists lime", "24 pretzel-twist/mini lime 100")]
    [InlineData("twenty-four mini twists lime", "24 pretzel-twist/mini lime 100")]
    [InlineData("one hundred mini twists", "100 pretzel-twist/mini dark 100")]
    [InlineData("24x rods", "24 pretzel-rod dark 33")]
    [InlineData("24 × rods", "24 pretzel-rod dark 33")]
    [InlineData("rods 24", "24 pretzel-rod dark 33")]
    [InlineData("rods, navy, 24", "24 pretzel-rod midnight 33")]
    [InlineData("an apple in coral", "1 apple/M coral 100")]
    [InlineData("2 tubs of rods", "2pk pretzel-rod dark 33")]
    [InlineData("3 sleeves double-filled cookies white", "3pk sandwich-cookie/double white 100")]
    [InlineData("500 g small berries", "500g strawberry/S dark 75")]
    [InlineData("450g berries", "450g strawberry/L dark 75")]
    [InlineData("1.5 kg berries milk", "1500g strawberry/L milk 75")]
    [InlineData("1,5 kg berries milk", "1500g strawberry/L milk 75")]
    [InlineData("16 oz berries", "453.6g strawberry/L dark 75")]
    [InlineData("1,200 mini twists", "1200 pretzel-twist/mini dark 100")]
    [InlineData("24 strawbery", "24 strawberry/L dark 75")]
    [InlineData("24 strawberrys dark choclate", "24 strawberry/L dark 75")]
    [InlineData("12 prezel rods midnigth", "12 pretzel-rod midnight 33")]
    [InlineData("12 extra large berries half", "12 strawberry/XL dark 50")]
    [InlineData("12 xl berries 2/3", "12 strawberry/XL dark 67")]
    [InlineData("12 berries two thirds", "12 strawberry/L dark 66")]
    [InlineData("12 berries three quarters in milk", "12 strawberry/L milk 75")]
    [InlineData("12 berries 66 % milk", "12 strawberry/L milk 66")]
    [InlineData("12 rods half dipped in plum", "12 pretzel-rod plum 50")]
    [InlineData("20 whole rods", "20 pretzel-rod dark 100")]
    [InlineData("12 berries ⅔ teal", "12 strawberry/L teal 67")]
    [InlineData("30 twists, double dipped, white", "30 pretzel-twist/full white 100 coats=2")]
    [InlineData("30 twists white 2 coats", "30 pretzel-twist/full white 100 coats=2")]
    [InlineData("30 twists white, dipped twice", "30 pretzel-twist/full white 100 coats=2")]
    [InlineData("12 cookies white with 3 midnight rings", "12 sandwich-cookie/thin white 100 midnight:rings:3")]
    [InlineData("12 cookies white with rings in midnight", "12 sandwich-cookie/thin white 100 midnight:rings:3")]
    [InlineData("12 white cookies, zigzag", "12 sandwich-cookie/thin white 100 dark:zigzag:11")]
    [InlineData("12 dark cookies, zig-zag", "12 sandwich-cookie/thin dark 100 white:zigzag:11")]
    [InlineData(
        "12 cookies dark, white criss-cross and chopped nuts", "12 sandwich-cookie/thin dark 100 white:criss-cross:5 chopped-nuts@front")]
    [InlineData("12 cookies half and half dark and white", "12 sandwich-cookie/thin dark 100 half:white")]
    [InlineData("12 cookies dark, half and half white", "12 sandwich-cookie/thin dark 100 half:white")]
    [InlineData("18 rods coral half with a white tip", "18 pretzel-rod coral 50 tip:white")]
    [InlineData("24 berries dark, silver nonpareils tip only", "24 strawberry/L dark 75 silver-dots@tip")]
    [InlineData("24 truffles milk rolled in coconut", "24 truffle-ball milk 100 coconut@both")]
    [InlineData("24 truffles milk, cookie crumbs", "24 truffle-ball milk 100 crumbs@front")]
    [InlineData("12 coconut bars dark", "12 coconut-bar dark 100")]
    [InlineData("12 marshmallows white, two eyes", "12 marshmallow white 100 2×eye")]
    [InlineData("12 cookies teal with one flower", "12 sandwich-cookie/thin teal 100 1×flower")]
    [InlineData("12 truffles midnight, gold dust", "12 truffle-ball midnight 100 lustre=gold")]
    [InlineData("6 apples teal, number 7", "6 apple/M teal 100 white:letters:7")]
    [InlineData("6 apples teal, \"RC\"", "6 apple/M teal 100 white:letters:RC")]
    [InlineData("24 Meteor rods", "24 pretzel-rod midnight 33 look=Meteor rod")]
    [InlineData("3 dozen meteor rod", "3dz pretzel-rod midnight 33 look=Meteor rod")]
    [InlineData("36 plum twists", "36 pretzel-twist/full plum 100")]
    [InlineData("36 look plum twist", "36 pretzel-twist/mini plum 100 look=Plum twist")]
    [InlineData("24 meteor rods half", "24 pretzel-rod midnight 50 silver:zigzag:12")]
    [InlineData("12 berries standing", "12 strawberry/L dark 75 up")]
    [InlineData("12 rods laid flat", "12 pretzel-rod dark 33 flat")]
    [InlineData("10 cookies in tempered dark", "10 sandwich-cookie/thin dark-couverture.dark 100")]
    [InlineData("10 cookies white couverture", "10 sandwich-cookie/thin white-couverture.white 100")]
    [InlineData("8 pineapple rings dark", "8 fruit-ring dark 50")]
    [InlineData("20 caramel rods milk", "20 caramel-rod milk 66")]
    [InlineData("15 cake pops turquoise with sprinkles", "15 cake-ball teal 100 jimmies@front")]
    [InlineData("15 cake pops purple with white polka dots", "15 cake-ball purple 100 white:dots:5")]
    [InlineData("12 oval cookies dark, white straight lines", "12 oval-cookie dark 100 white:lines:7")]
    public void A_phrase_is_read_as_a_person_means_it(string text, string means)
    {
        var entry = Entry.Read(text, Tables, Looks, Today);
        Assert.Equal([means], entry.Lines.Select(l => Short(l.Line)));
        Assert.Empty(entry.NotUnderstood);
    }

    [Theory]
    [InlineData("24 rods navy top third, silver zigzag; 24 berries dark; 12 truffles midnight", 3)]
    [InlineData("24 rods navy\n24 berries dark\r\n\r\n12 truffles midnight\n", 3)]
    [InlineData("24 rods navy, 12 berries dark", 2)]
    [InlineData("24 rods navy and 12 large berries milk", 2)]
    [InlineData("24 rods navy 12 berries milk", 2)]
    [InlineData("24 rods, navy, silver zigzag, 12 berries, milk, white zigzag", 2)]
    [InlineData("berries, rods, truffles", 3)]
    public void Several_lines_are_told_apart(string text, int lines)
    {
        var entry = Entry.Read(text, Tables, Looks, Today);
        Assert.Equal(lines, entry.Lines.Count);
        Assert.Empty(entry.NotUnderstood);
    }

    [Theory]
    [InlineData("24 rods navy, flurble", "flurble")]
    [InlineData("24 xqzzt", "24 xqzzt")]
    [InlineData("howdy", "howdy")]
    [InlineData("12 dark berries white", "white")]
    [InlineData("12 berries 24", "24")]
    [InlineData("12 small large berries", "large")]
    [InlineData("12 extra large apples", "extra large")]
    [InlineData("12 thin berries", "thin")]
    [InlineData("12 berries 150 %", "150 %")]
    [InlineData("12 berries with 9 coats", "9 coats")]
    [InlineData("2 packs of berries", "2 packs")]
    [InlineData("12 gold berries", "gold")]
    [InlineData("0 berries", "0")]
    [InlineData("12 berries with white sugar", "white")]
    [InlineData("silver zigzag", "silver zigzag")]
    public void What_is_not_understood_is_pointed_at(string text, string stretch)
    {
        var entry = Entry.Read(text, Tables, Looks, Today);
        Assert.Contains(entry.NotUnderstood, u => text.Substring(u.Start, u.Length) == stretch && u.Reason.Said().Length > 0);
    }

    [Theory]
    [InlineData("12 burgundy berries", "plum")]
    [InlineData("12 lilac berries", "light pink")]
    [InlineData("12 flowr cokies zigzg", "")]
    [InlineData("12 rods midnit", "midnight")]
    public void The_nearest_meanings_are_offered(string text, params string[] offers)
    {
        var choices = Entry.Read(text, Tables, Looks, Today).NotUnderstood.SelectMany(u => u.Choices).Select(c => c.Text).ToList();
        Assert.All(offers.Where(o => o.Length > 0), o => Assert.Contains(o, choices));
    }

    [Fact]
    public void A_guess_is_never_silent()
    {
        var chips = Entry.Read("strawberys drizzle", Tables, Looks, Today).Lines.Single().Chips;
        Assert.Equal(
            [("centre", Reading.Corrected), ("pattern", Reading.Assumed), ("amount", Reading.Assumed), ("size", Reading.Assumed),
                ("colour", Reading.Assumed), ("depth", Reading.Assumed), ("pattern", Reading.Assumed)],
            chips.Select(c => (c.Field, c.Reading)));
    }

    [Fact]
    public void Choosing_another_meaning_makes_it_so()
    {
        const string text = "strawberys drizzle; 12 cookies white";
        var before = Entry.Read(text, Tables, Looks, Today);
        foreach (var line in before.Lines)
        {
            foreach (var chip in line.Chips)
            {
                foreach (var choice in chip.Choices)
                {
                    var after = Entry.Read(text[..chip.Start] + choice.Text + text[(chip.Start + chip.Length)..], Tables, Looks, Today);
                    Assert.Empty(after.NotUnderstood);
                    int Open(Entry entry) => entry.Lines.SelectMany(l => l.Chips).Count(c => c.Reading != Reading.Read);
                    Assert.True(Open(after) < Open(before) || chip.Reading == Reading.Read, $"{chip.Says} → {choice.Text}");
                    Assert.Contains(
                        after.Lines.SelectMany(l => l.Chips),
                        c => c.Field == chip.Field && c.Says.Contains(choice.Says, StringComparison.Ordinal));
                }
            }
        }
    }

    [Theory]
    [InlineData("24 stra", "strawberries")]
    [InlineData("24 rods nav", "midnight")]
    [InlineData("24 pretzel r", "pretzel rods")]
    [InlineData("24 rods, silver zig", "zigzag")]
    [InlineData("24 met", "Meteor rod")]
    public void The_word_being_typed_is_completed(string text, string with) =>
        Assert.Contains(Entry.Read(text, Tables, Looks, Today).Completions, c => c.Text == with);

    [Theory]
    [InlineData("6 apples dark")]
    [InlineData("12 rods pink")]
    [InlineData("12 cracker sandwiches")]
    public void A_finished_word_is_left_alone(string text) => Assert.Empty(Entry.Read(text, Tables, Looks, Today).Completions);

    /// <summary>
    /// Random text: words of the vocabulary, typing slips, numbers and noise in any order. Nothing throws; every letter and digit lies in a
    /// chip, in a stretch that is told, or in a word that carries no meaning; and every line can be computed.
    /// </summary>
    [Fact]
    public void Random_text_never_throws_and_is_never_silently_guessed()
    {
        var words = Gen.OneOfConst(
            "24", "a", "half", "dozen", "doz", "lb", "g", "3/4", "½", "66%", "0", "999999999", "strawberries", "berries", "rods", "apples",
            "large", "xl", "mini", "thin", "navy", "white", "silver", "dark",
            "chocolate", "zigzag", "rings", "letters", "\"AB\"", "number", "sprinkles", "nuts", "tip", "only", "half and half", "two",
            "coats", "with", "and", "in", "of", ",", ";", "\n", "+", "red", "eyes", "gold dust",
            "standing", "couverture", "meteor", "look", "plum twist", "zzz", "strawbery", "%", "-", "/", "\"", "é", "漢字", "\0", "1e9", "..",
            "3 /", "both sides", "top third", "packs", "x", "hundred", "twenty");
        var text = Gen.OneOf(
            words.Array[0, 14].Select(w => string.Join(' ', w)), words.Array[0, 14].Select(string.Concat), Gen.String[0, 60]);
        var words2 = Tables.Reference.Words;
        var silentWords = words2.Fillers.Concat(words2.Joiners).Concat(words2.Openers).Concat(words2.Alls).Concat(words2.Eaches).Concat(
            words2.Splits).Concat(
            words2.Pers).Concat(
            words2.Whens)
            .SelectMany(w => w.Split(' ')).SelectMany(w => (string[])[w, w.TrimEnd('s')]).Concat(["a", "an"]).ToHashSet();
        text.Sample(
            typed =>
            {
                var entry = Entry.Read(typed, Tables, Looks, Today);
                var told = new bool[typed.Length];
                foreach (var (start, length) in entry.Lines.SelectMany(l => l.Chips)
                    .Concat(entry.Order.Chips)
                    .Select(c => (c.Start, c.Length))
                    .Concat(entry.NotUnderstood.Select(u => (u.Start, u.Length))))
                    told.AsSpan(start, length).Fill(true);
                var rest = string.Concat(typed.Select((c, i) => told[i] || !(char.IsLetterOrDigit(c) || c is '\'' or '’')
                    ? ' '
                    : char.ToLowerInvariant(c)))
                    .Replace("'", "", StringComparison.Ordinal)
                    .Replace("’", "", StringComparison.Ordinal)
                    .Split(' ', StringSplitOptions.RemoveEmptyEntries);

                // "… on 10 of the rods" names the rods again.
                HashSet<string> again = ["rod", "berrie", "strawberrie", "strawbery", "apple"];
                var silent = rest.Where(w => !again.Contains(w.TrimEnd('s'))
                    && !silentWords.Contains(w)
                    && !silentWords.Contains(w.TrimEnd('s'))
                    && w is not ("chocolate" or "choc"));
                Assert.True(!silent.Any(), $"{string.Join(", ", silent)} in “{typed}”");
                var tally = CoatingTally.For(
                    new([.. entry.Lines.Select(l => l.Line)]) { Name = "x", Pickup = new(2031, 1, 1, 12, 0), Notes = "" },
                    Tables,
                    new(2030, 12, 31, 12, 0));
                // How many pieces there may be, and how many parts fit on one, the order says at its line.
                Assert.DoesNotContain(
                    tally.Problems, p => p.Severity is Severity.Error && !p.Field.EndsWith("ount", StringComparison.Ordinal));
            },
            iter: 1500);
    }

    [Fact]
    public void A_text_beyond_the_longest_is_told()
    {
        var entry = Entry.Read(string.Concat(Enumerable.Repeat("12 rods navy; ", 400)), Tables, Looks, Today);
        Assert.Contains(entry.NotUnderstood, u => u.Start == Entry.LongestText);
    }
}
