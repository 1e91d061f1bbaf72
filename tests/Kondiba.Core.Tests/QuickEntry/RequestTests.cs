using System.Globalization;
using CsCheck;
using Kondiba.Core.Orders;
using Kondiba.Core.QuickEntry;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>Requests as people write them: what they mean is in Requests.txt, written by hand, and what cannot be known is asked.</summary>
public class RequestTests
{
    private static readonly KitchenTables Tables = KitchenTables.Shipped;
    private static readonly LocalDate Today = new(2030, 12, 2);

    private static readonly string[] Governors = [
        "flurble",
        "zot",
        "hardly",
        "qqq",
        "minimal",
        "optional",
        "maybe",
        "lots",
        "barely",
        "🚫",
    ];
    private static readonly string[] Decorations = [
        "sprinkles",
        "nonpareils",
        "chopped nuts",
        "white drizzle",
        "silver zigzag",
        "coconut",
        "peanuts",
        "eyes",
        "gold dust",
        "3 midnight rings",
        "a bow",
        "sugar pearls",
    ];

    /// <summary>A request and what it means: a line of text, "=" and its lines with what is said of the order, "?" and a stretch for each question.</summary>
    public static TheoryData<string, string, string> Requests()
    {
        var data = new TheoryData<string, string, string>();
        foreach (var entry in File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Requests.txt"))
            .Split("\n\n", StringSplitOptions.RemoveEmptyEntries))
        {
            var rows = entry.Split('\n', StringSplitOptions.RemoveEmptyEntries);
            data.Add(
                rows[0].Replace("\\n", "\n", StringComparison.Ordinal), rows[1][2..], string.Join('\n', rows.Skip(2).Select(r => r[2..])));
        }

        return data;
    }

    [Theory]
    [MemberData(nameof(Requests))]
    public void A_request_is_read_as_it_is_meant(string text, string means, string asks)
    {
        var entry = Read(text);
        Assert.Equal(means, Short(entry));
        Assert.Equal(asks, string.Join('\n', entry.NotUnderstood.Select(u => u.Text)));
    }

    [Fact]
    public void At_least_two_hundred_are_written()
    {
        Assert.True(Requests().Count >= 200);
    }

    /// <summary>Wherever a word stands that is not known, what it may govern takes no effect, and all of it is asked about.</summary>
    [Fact]
    public void A_known_word_takes_no_effect_when_its_governor_is_not_understood()
    {
        foreach (var governor in Governors)
        {
            foreach (var decoration in Decorations)
            {
                foreach (var text in (string[])[
                    $"12 rods navy, {governor} {decoration}",
                    $"12 rods navy, {decoration} {governor}",
                    $"12 rods navy {governor} {decoration}",
                    $"12 rods navy with {governor} {decoration}",
                    $"12 rods navy with {decoration} {governor}",
                    $"12 rods navy and {governor} the {decoration}",
                    $"24 rods navy, 6 {governor} {decoration}",
                    $"24 rods navy, half {governor} {decoration}",
                ])
                {
                    var entry = Read(text);
                    Assert.True(entry.Lines.All(l => l.Line.Decor is null), $"“{text}” became {Short(entry)}");
                    Assert.True(
                        entry.NotUnderstood.Any(u => u.Text.Contains(governor, StringComparison.Ordinal)), $"“{text}” is not asked about");
                }
            }
        }
    }

    [Fact]
    public void There_is_no_clause_with_a_word_that_is_not_understood()
    {
        Item Word(string stem, params WordKind[] kinds) =>
            new(
                new(TokenKind.Word, stem, 0, false, 0, 1),
                new(TokenKind.Word, stem, 0, false, 0, 1),
                [.. kinds.Select(k => new Meaning(k, stem, stem))],
                false);
        Assert.NotNull(Clause.Of([Word("nuts", WordKind.Sprinkle)], false));
        Assert.Null(Clause.Of([Word("flurble"), Word("nuts", WordKind.Sprinkle)], false));
        Assert.Null(Clause.Of([Word("nuts", WordKind.Sprinkle), Word("flurble")], true));
        Assert.Empty(typeof(Clause).GetConstructors());
    }

    /// <summary>Whatever else is said, what is refused is on no line.</summary>
    [Fact]
    public void A_refusal_never_adds()
    {
        var refusal = Gen.OneOfConst(
            "no {0}",
            "without {0}",
            "w/o {0}",
            "hold the {0}",
            "{0} left off",
            "skip the {0}",
            "please no {0}",
            "minus the {0}",
            "don't add {0}",
            "not any {0}",
            "neither {0} nor eyes");
        var topping = Gen.OneOfConst(
            "nonpareils",
            "jimmies",
            "chopped nuts",
            "coconut flakes",
            "cookie crumbs",
            "sugar pearls",
            "caramel bits",
            "mini chocolate chips");
        var other = Gen.OneOfConst(
            "",
            ", white drizzle",
            ", half dark half white",
            " with eyes",
            ", 6 of them with gold dust",
            ", boxes of 6",
            ", for Saturday",
            ", silver dots on 4",
            ", the rest of it",
            " and rings");
        Gen.Select(refusal, topping, other, other, Gen.Bool).Sample((form, what, before, after, comma) =>
        {
            var text = $"12 cookies milk{before}{(comma ? ", " : " ")}{string.Format(CultureInfo.InvariantCulture, form, what)}{after}";
            var entry = Read(text);
            var code = Tables.Reference.Decor.Sprinkles.Single(s => s.Name == what).Code;
            Assert.True(
                entry.Lines.SelectMany(l => l.Line.Decor?.Sprinkles ?? []).All(s => s.Kind != code), $"“{text}” became {Short(entry)}");
        });
    }

    /// <summary>However a number of pieces is divided, the lines together are as many.</summary>
    [Fact]
    public void The_parts_are_as_many_as_the_whole()
    {
        var part = Gen.OneOfConst(
            "half with nonpareils",
            "a third white",
            "{0} of them with eyes",
            "{0} teal",
            "{0} with gold dust",
            "a quarter of them plain",
            "silver zigzag on {0}",
            "the rest coral",
            "coconut on half",
            "sprinkles on all except {0}");
        Gen.Select(Gen.Int[4, 400], part, part, part, Gen.Int[1, 60]).Sample((many, one, two, three, few) =>
        {
            string Said(string form) => string.Format(CultureInfo.InvariantCulture, form, few);
            var text = $"{many} cake balls: {Said(one)}, {Said(two)}, {Said(three)}";
            var lines = Read(text).Lines;
            Assert.True(
                lines.Sum(l => l.Line.Amount) == many && lines.All(l => l.Line.Amount > 0 && l.Line.CountedIn == CountedIn.Pieces),
                $"“{text}” became {Short(Read(text))}");
        });
    }

    /// <summary>No number, colour or allergen is lost: it is on a chip, or it is asked about.</summary>
    [Fact]
    public void Nothing_that_was_said_is_lost()
    {
        var bit = Gen.OneOfConst(
            "7",
            "19",
            "half",
            "two thirds",
            "teal",
            "plum",
            "navy",
            "nuts",
            "egg",
            "gluten",
            "zigzag",
            "eyes",
            "no",
            "without",
            "free",
            "with",
            "and",
            ",",
            "of them",
            "the rest",
            "all",
            "each",
            "on",
            "for",
            "boxes of 6",
            "rods",
            "on 4",
            "except 3",
            "Saturday",
            "3pm",
            "flurble",
            "sprinkles",
            "plain",
            "or",
            "dozen",
            "allergic to",
            "split",
            "only");
        bit.Array[1, 12].Sample(words =>
        {
            var text = "24 cookies " + string.Join(' ', words);
            var entry = Read(text);
            var shown = new bool[text.Length];
            foreach (var (start, length) in entry.Lines.SelectMany(l => l.Chips)
                .Concat(entry.Order.Chips)
                .Select(c => (c.Start, c.Length))
                .Concat(entry.NotUnderstood.Select(u => (u.Start, u.Length))))
                shown.AsSpan(start, length).Fill(true);
            foreach (var word in (string[])["7", "19", "teal", "plum", "navy", "nuts", "egg", "gluten", "flurble", "dozen"])
            {
                for (var at = text.IndexOf(word, StringComparison.Ordinal); at >= 0; at = text.IndexOf(
                    word, at + 1, StringComparison.Ordinal))
                    Assert.True(shown[at], $"“{word}” is lost in “{text}”: {Short(entry)}");
            }
        }, iter: 3000);
    }

    [Theory]
    [InlineData("hey")]
    [InlineData("galaxy rods 12")]
    public void A_makers_own_word_means_what_it_says(string text)
    {
        var words = new Dictionary<string, string> { ["galaxy"] = "navy, silver zigzag, gold dust", ["hey"] = "12 rods navy, silver zigzag, gold dust" };
        var reference = Tables.Reference with { Words = Tables.Reference.Words with { Own = words } };
        var tables = Tables with { Reference = reference };
        var entry = Entry.Read(text, tables, [], Today);
        Assert.Equal("12 pretzel-rod midnight 33 silver:zigzag:11 lustre=gold", Short(entry));
        Assert.Empty(entry.NotUnderstood);
        Assert.All(entry.Lines.Single().Chips, c => Assert.InRange(c.Start + c.Length, 0, text.Length));
    }

    private static Entry Read(string text) => Entry.Read(text, Tables, QuickEntryTests.Looks, Today);

    private static string Short(Entry entry)
    {
        var o = entry.Order;
        List<string> order =
        [
            .. ((string?[])[
                o.Name is null ? null : $"for={o.Name}",
                o.Day is { } day ? $"day={day.ToString("uuuu-MM-dd", CultureInfo.InvariantCulture)}" : null,
                o.Time is { } time ? $"at={time.ToString("HH:mm", CultureInfo.InvariantCulture)}" : null,
                o.Handover is { } handover ? handover.ToString().ToLowerInvariant() : null,
                o.Place is null ? null : $"to={o.Place}",
            ]).OfType<string>(),
            .. o.Packing.Select(p => $"{p.Supply}/{p.Per}"),
            .. o.Allergies.Select(a => $"no={a}"),
        ];
        return $"{string.Join(" / ", entry.Lines.Select(l => QuickEntryTests.Short(l.Line)))}{(order.Count > 0 ? " | " + string.Join(", ", order) : "")}".Trim();
    }
}
