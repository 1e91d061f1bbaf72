using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Handbook;

/// <summary>Something that the handbook says.</summary>
/// <param name="Code">Unique in its section.</param>
/// <param name="Title">What it is about.</param>
/// <param name="Text">What there is to know, a paragraph each.</param>
/// <param name="Facts">Its values, each with where it comes from; the kitchen's own beside the tables'.</param>
/// <param name="Source">Where the text comes from; null where each value says it.</param>
public sealed record HandbookEntry(
    string Code, Message Title, IReadOnlyList<Message> Text, IReadOnlyList<WorkingLine> Facts, Source? Source = null);

/// <summary>A part of the handbook.</summary>
/// <param name="Code">Name in data: "words", "centres", "coatings" ….</param>
/// <param name="Entries">What it says.</param>
public sealed record HandbookSection(string Code, IReadOnlyList<HandbookEntry> Entries);

/// <summary>The trade's words, tables, methods and rules as the product has them, with what a kitchen has learned beside them.</summary>
public static class TradeHandbook
{
    private const double SecondsInDay = 86_400;

    /// <summary>All of it, for a kitchen.</summary>
    /// <param name="tables">The kitchen's tables.</param>
    public static IReadOnlyList<HandbookSection> For(KitchenTables tables)
    {
        var r = tables.Reference;
        return
        [
            new("words", Texts(r, "words")),
            new("centres", [.. r.Centres.Select(c => Of(c, tables))]),
            new("coatings", [.. r.Coatings.Select(c => Of(c, tables))]),
            new("thinners", [.. r.Thinners.Select(t => new HandbookEntry(
                t.Code, Message.ByName(t.Name), [Message.ByText(t.How)], [WorkingLine.Of("handbook.tablespoon", t.Tablespoon)]))]),
            new("ways", [.. r.Dipping.All.Select(w => new HandbookEntry(
                w.Code,
                Message.ByName(w.Name),
                [],
                [
                    WorkingLine.Of("handbook.least", w.Least),
                    WorkingLine.Of("handbook.over", w.Over),
                    WorkingLine.Of("handbook.time", "", w.Time.Value, w.Time.Source),
                ]))]),
            new("decoration", Decoration(r)),
            new("places", [.. r.Setting.Places.Select(p => new HandbookEntry(
                p.Code,
                Message.ByName(p.Name),
                [],
                [
                    WorkingLine.Of("handbook.air", p.Air),
                    WorkingLine.Of("handbook.humidity", p.Humidity),
                    .. p.Learned is { } own ? new[] { WorkingLine.Of("handbook.own-setting", own) } : [],
                ]))]),
            new("steps", [.. r.PrepRules.Select((rule, i) => new HandbookEntry(
                $"{rule.Code}-{i}", Titled(rule, r), Paragraphs(rule.Says, rule.Because), [], rule.Source))]),
            new("methods", [.. r.Schools.Select(s => new HandbookEntry(
                s.Code,
                Message.ByName(s.Name),
                [.. s.Choices.Select(c => Message.Of("handbook.choice", ("name", c.Name), ("why", Message.ByText(c.Why))))],
                [],
                new(Tag.CommonPractice, "common practice of the trade")))]),
            new("troubles", [.. r.Troubles.Signs.Select(s => new HandbookEntry(
                s.Code,
                Message.ByName(s.Name),
                [.. s.Causes.Select(c => Message.Of(
                    "handbook.cause", ("name", c.Name), ("now", Message.ByText(c.Now)), ("next", Message.ByText(c.Next))))],
                [],
                new(Tag.CommonPractice, "common practice of the trade")))]),
            new("keeping", [.. r.Keeping.Select(k => new HandbookEntry(
                string.Join('-', k.Centres),
                Message.ByName(string.Join(", ", k.Centres.Select(c => r.Centre(c)?.Plural).OfType<string>())),
                [Message.ByText(k.Storage)],
                [Days("handbook.best", k.Best), Days("handbook.keeps", k.Keeps)]))]),
            new("safety", [.. r.Safety.Select(s => new HandbookEntry(
                s.Code,
                Message.Of("handbook.at-stage", ("stage", s.Stage.ToString().ToLowerInvariant())),
                [Message.ByText(s.Text)],
                [],
                s.Source))]),
            new("rules", Texts(r, "rules")),
            new("sources", [.. ReferenceFiles.Sources.OrderBy(s => s.Value.Tag).Select(s => new HandbookEntry(
                s.Key, Message.ByText(s.Value.Text), [], [], s.Value))]),
        ];
    }

    private static HandbookEntry Of(Centre centre, KitchenTables tables)
    {
        var r = tables.Reference;
        var own = tables.Learned.Stick.Of($"{centre.Holding}/{centre.Code}");
        return new(
            centre.Code,
            Message.ByName(centre.Plural),
            r.KeepingOf(centre) is { } keeping ? [Message.ByText(keeping.Storage)] : [],
            [
                .. centre.Sizes.SelectMany(s => s.Measures
                    .Select(m => m with { What = Message.Of("handbook.of-size", ("size", s.Name), ("what", m.What)) })
                    .Append(WorkingLine.Of(Message.Of("handbook.of-size", ("size", s.Name), ("what", (Message)"handbook.mass")), s.Mass))),
                WorkingLine.Of("handbook.usual-depth", centre.UsualDepth),
                WorkingLine.Of("handbook.stick", centre.Stick),
                .. own.IsLearned ? new[] { WorkingLine.Count("handbook.own-hand", "", own.Mean, own.Source) } : [],
                WorkingLine.Of("handbook.spoil", centre.Spoil),
            ]);
    }

    private static HandbookEntry Of(Coating coating, KitchenTables tables) => new(
        coating.Code,
        Message.ByName(coating.Name),
        [Message.ByText(coating.Note)],
        [
            WorkingLine.Of("handbook.fat", coating.Fat),
            WorkingLine.Of("handbook.melt-to", coating.MeltTo),
            WorkingLine.Of("handbook.melt-at-most", coating.MeltAtMost),
            WorkingLine.Of("handbook.dip-from", coating.DipFrom),
            WorkingLine.Of("handbook.dip-to", coating.DipTo),
            WorkingLine.Of("handbook.drizzle-from", coating.DrizzleFrom),
            WorkingLine.Of("handbook.drizzle-to", coating.DrizzleTo),
            .. coating.Temper is { } temper ? new[] { WorkingLine.Of("handbook.never-above", temper.NeverAbove) } : [],
            WorkingLine.Of("handbook.yield", "", Flow.Of(coating, default, tables.Reference.Film).Yield, coating.Yield.Source),
        ]);

    private static List<HandbookEntry> Decoration(ReferenceData r) =>
    [
        .. r.Decor.Patterns.Select(p => new HandbookEntry(
            p.Code, Message.ByName(p.Name), [Message.ByText(p.How)], [WorkingLine.Of("handbook.bead", p.Bead)])),
        .. r.Decor.Sprinkles.Select(s => new HandbookEntry(
            s.Code, Message.ByName(s.Name), [Message.ByText(s.How)], [WorkingLine.Of("handbook.per-area", s.PerArea)])),
        .. r.Decor.Parts.Select(p => new HandbookEntry(
            p.Code, Message.ByName(p.Plural), [Message.ByText(p.How)], [WorkingLine.Of("handbook.across", p.Across)])),
        .. r.Decor.Lustres.Select(l => new HandbookEntry(
            l.Code, Message.ByName(l.Name), [Message.ByText(l.How)], [WorkingLine.Of("handbook.per-area", l.PerArea)])),
    ];

    private static List<HandbookEntry> Texts(ReferenceData r, string section) =>
        [.. r.Handbook.Where(t => t.Section == section).Select(t => new HandbookEntry(
            t.Code, Message.ByText(t.Title), [Message.ByText(t.Text)], [], t.Source))];

    /// <summary>What a step is called, and what it is done to.</summary>
    private static Message Titled(PrepRule rule, ReferenceData r)
    {
        var of = rule.For.Select(f => f.Replace("dip.", "", StringComparison.Ordinal))
            .Select(f => r.Centre(f)?.Plural ?? r.Fillings.FirstOrDefault(m => m.Code == f)?.Name)
            .OfType<string>()
            .ToList();
        return of.Count == 0
            ? Message.ByName(rule.Called)
            : Message.Of("handbook.step", ("step", rule.Called), ("of", Argument.Of(of)));
    }

    private static WorkingLine Days(Message what, Sourced<NodaTime.Duration> time) =>
        new(what, "", time.Value.TotalSeconds / SecondsInDay, "d", time.Source);

    private static List<Message> Paragraphs(params Message[] some) => [.. some.Where(m => m != Message.None)];
}
