using System.Text.RegularExpressions;
using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Pricing;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>The catalogue has a sentence for everything that is said, and nothing besides.</summary>
public partial class CatalogueTests
{
    private static readonly Voice Customary = new(
        Language.American, Customary: true, Locale.Find("en-US"), Currency.Find("USD"));

    private static readonly Voice German = new(Language.British, Locale: Locale.Find("de-DE"));

    private static readonly HashSet<string> Sections = [.. Catalogue.British.Codes.Select(c => c.Split('.')[0])];

    /// <summary>Codes in the source: what stands in quotes and begins with a section of the catalogue.</summary>
    private static HashSet<string> CodesInSource() =>
        [.. Directory.EnumerateFiles(Path.Combine(DocsTests.Root, "src"), "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/Migrations/", StringComparison.Ordinal))
            .SelectMany(f => File.ReadLines(f).Where(l => !l.TrimStart().StartsWith("///", StringComparison.Ordinal))).SelectMany(
                l => Quoted().Matches(l)).Select(
                m => m.Groups[1].Value).Where(
                c => Sections.Contains(c.Split('.')[0]))];

    [Fact]
    public void Every_sentence_that_is_said_is_there_and_every_one_that_is_there_is_said()
    {
        var (source, there) = (CodesInSource(), Catalogue.British.Codes.ToHashSet());
        Assert.Empty(source.Where(c => c.Contains('.', StringComparison.Ordinal)).Except(there).Order());
        Assert.Empty(there.Except(source).Order());
    }

    [Fact]
    public void No_sentence_is_written_outside_the_catalogue_and_the_reference_data()
    {
        // What makers do not read: descriptions of endpoints, errors of programming, what goes to the log; and the sample's own notes.
        var notRead = new Regex(@"WithSummary\(|Exception\(|Log\w+\(|LoggerMessage|Console\.|MapOne<|Insert\(1, ""title""");
        var sentence = new Regex("""
            "(?<says>[A-Z][a-z’]* [^"]*[a-z’)}][.?!])"
            """.Trim());
        var root = Path.Combine(DocsTests.Root, "src");
        var written =
            from file in Directory.EnumerateFiles(root, "*.cs", SearchOption.AllDirectories)
            where !file.Contains("/obj/", StringComparison.Ordinal) && !file.Contains("/Migrations/", StringComparison.Ordinal)
                && Path.GetFileName(file) is not "SampleKitchen.cs"
            let lines = File.ReadAllLines(file)
            from at in Enumerable.Range(0, lines.Length)
            where !lines[at].TrimStart().StartsWith("//", StringComparison.Ordinal) && sentence.IsMatch(lines[at])
                && !notRead.IsMatch(string.Join(' ', lines[Math.Max(0, at - 3)..(at + 1)]))
            select $"{Path.GetRelativePath(root, file)}:{at + 1} {sentence.Match(lines[at]).Groups["says"].Value}";
        Assert.Empty(written);
    }

    [Fact]
    public void American_has_the_same_sentences_with_the_same_things_put_in_and_no_British_spelling()
    {
        Assert.Equal(Catalogue.British.Codes.Order(), Catalogue.American.Codes.Order());
        Assert.All(
            Catalogue.British.Codes, code => Assert.Equal(Catalogue.British.Wants(code).Order(), Catalogue.American.Wants(code).Order()));
        var words = new Regex(@"\b\w*(colour|mould|lustre|centre|metre|grey)\w*\b", RegexOptions.IgnoreCase);
        var says = File.ReadAllText(Path.Combine(DocsTests.Root, "src/Kondiba.Core/Wording/en-GB.json"));
        var british = words.Matches(Regex.Replace(says, "\"[^\"]*\": |\\{[^}]*\\}", "")).Select(m => m.Value.ToLowerInvariant()).Distinct();
        var american = File.ReadAllText(Path.Combine(DocsTests.Root, "src/Kondiba.Core/Wording/en-US.json"));
        Assert.All(british, word => Assert.Contains($"\"{word}\":", american, StringComparison.Ordinal));
    }

    [Fact]
    public void An_American_reads_steps_in_American_spelling_and_the_makers_own_words_as_they_are()
    {
        var british = new Regex(@"\b\w*(colour|mould|lustre|centre|metre|grey|neighbour|flavour|stalk)\w*\b", RegexOptions.IgnoreCase);
        Assert.Contains(KitchenTables.Shipped.Reference.PrepRules, r => british.IsMatch(r.Says.Said()));
        Assert.All(
            KitchenTables.Shipped.Reference.PrepRules.SelectMany(r => new[] { r.Says, r.Because }),
            says => Assert.DoesNotMatch(british, Catalogue.Say(says, Customary)));
        var own = KitchenTables.Shipped.Reference.PrepRules[0] with { Text = "Wipe the grey mould.", Source = Core.Facts.Source.Kitchen };
        Assert.Equal("Wipe the grey mould.", Catalogue.Say(own.Says, Customary));
    }

    [Fact]
    public void A_film_is_in_millimetres_for_everybody()
    {
        const string Sheer = "The coat will show through at 0.8 mm; bright white needs at least 1.0 mm.";
        var message = Message.Of(
            "amounts.coat-comes-out-sheer",
            ("coat", Quantities.Of<Length>(0.8, "mm")),
            ("colour", "bright white"),
            ("covers", Quantities.Of<Length>(1, "mm")));
        Assert.Equal((Sheer, Sheer), (Catalogue.Say(message, Voice.Plain), Catalogue.Say(message, Customary)));
    }

    [Fact]
    public void Whoever_weighs_in_ounces_gets_ounces_and_degrees_Fahrenheit()
    {
        var melt = Message.Of(
            "amounts.melt.how",
            ("onPieces", Quantities.Of<Mass>(340, "g")),
            ("pool", Quantities.Of<Mass>(100, "g")),
            ("toolLoss", Quantities.Of<Mass>(15, "g")),
            ("margin", 0.1));
        Assert.Equal("(340.0 g + 100.0 g + 15 g) × (1 + 0.1)", Catalogue.Say(melt, Voice.Plain));
        Assert.Equal("(12 oz + 3.5 oz + 15 g) × (1 + 0.1)", Catalogue.Say(melt, Customary));
        var room = Message.Of(
            "amounts.kitchen-counter", ("air", Quantities.Of<Temperature>(30, "°C")), ("coat", (Message)"amounts.coat-never-sets"));
        Assert.Equal("In your kitchen, at 86 °F, the coat never sets on the counter.", Catalogue.Say(room, Customary));
    }

    [Fact]
    public void Times_shares_and_counts_are_written_in_the_reader_s_way()
    {
        var helper = Message.Of(
            "planning.helper", ("day", new LocalDate(2031, 5, 3)), ("from", new LocalTime(14, 0)), ("to", new LocalTime(17, 30)));
        Assert.Equal("a helper on Saturday from 14:00 to 17:30", Catalogue.Say(helper, Voice.Plain));
        Assert.Equal("a helper on Saturday from 2:00 PM to 5:30 PM", Catalogue.Say(helper, Customary));
        var hands = Message.Of("planning.hands-missing", ("day", new LocalDate(2031, 5, 3)), ("much", Duration.FromMinutes(77)));
        Assert.Equal("Saturday: You’re 1 h 17 min short.", Catalogue.Say(hands, Voice.Plain));
        var deep = Message.Of("amounts.dipped.do", ("only", new Share(0.66)));
        Assert.Equal(
            ("Set the depth to 66%.", "Set the depth to 66\u00a0%."), (Catalogue.Say(deep, Voice.Plain), Catalogue.Say(deep, German)));
        Message Room(int trays) =>
            Message.Of("planning.more-room", ("more", trays), ("place", "cool box"), ("day", new LocalDate(2031, 5, 3)));
        Assert.Equal("room for 1 more tray in the cool box on Saturday", Catalogue.Say(Room(1), Voice.Plain));
        Assert.Equal("room for 2 more trays in the cool box on Saturday", Catalogue.Say(Room(2), Voice.Plain));
    }

    [Fact]
    public void Money_and_numbers_are_written_as_in_the_kitchen_s_place()
    {
        var low = Message.Of("pricing.more-spent-comes-goes", ("price", new Money(1234.5m)), ("floor", new Money(9)));
        Assert.Equal("At €1,234.50 you lose money: €9.00 goes out, before your time.", Catalogue.Say(low, Voice.Plain));
        Assert.Equal("At $1,234.50 you lose money: $9.00 goes out, before your time.", Catalogue.Say(low, Customary));
        Assert.Equal(
            "At 1.234,50\u00a0€ you lose money: 9,00\u00a0€ goes out, before your time.", Catalogue.Say(low, German));
        var film = Message.Of("amounts.heavy-coat", ("film", Quantities.Of<Length>(1.4, "mm")), ("remedy", ""));
        Assert.Equal("The coat will be thick, 1,4 mm.", Catalogue.Say(film, German));
    }

    /// <summary>
    /// Whatever an order comes to, every problem and every line of every working has what its sentence wants, for each kind of reader.
    /// </summary>
    [Fact]
    public void Everything_that_is_said_of_an_order_can_be_said_to_everybody() =>
        Gen.Select(DesignTests.AnyLine.List[1, 4], Gen.Bool).Sample(
            (lines, customary) =>
            {
                var tables = KitchenTables.Shipped;
                var order = new OrderDraft(lines) { Name = "Buoy", Pickup = new(2031, 5, 3, 10, 0) };
                var tally = CoatingTally.For(order, tables, new(2031, 5, 1, 8, 0));
                var costing = Costing.For(order, tally, tables);
                var voices = Enum.GetValues<Language>().Select(l => new Voice(l, customary)).ToList();
                IEnumerable<Message> all =
                [
                    .. tally.Problems.Concat(costing.Problems).Select(p => p.Says), .. costing.Drivers,
                    .. tally.Figures()
                        .SelectMany(f => f.Working())
                        .Concat(costing.Hands.Working)
                        .Concat(costing.Parts.SelectMany(p => p.Cost.Working))
                        .SelectMany(w => new[] { w.What, w.Formula }),
                ];
                foreach (var voice in voices)
                    foreach (var message in all)
                        Assert.DoesNotMatch(@"[{}]|\bNaN\b|  ", Catalogue.Say(message, voice));
            },
            iter: 60);

    [Fact]
    public void What_is_missing_is_an_error_and_not_a_gap()
    {
        Assert.Throws<ArgumentException>(() => Catalogue.Say("amounts.no-such-sentence", Voice.Plain));
        Assert.Throws<ArgumentException>(() => Catalogue.Say("planning.helper", Voice.Plain));
    }

    [GeneratedRegex("\"([a-z]+(?:\\.[a-z0-9-]+)*)\"")]
    private static partial Regex Quoted();
}
