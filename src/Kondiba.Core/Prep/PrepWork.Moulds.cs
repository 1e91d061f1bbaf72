using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Looks;
using Kondiba.Core.Moulds;
using Kondiba.Core.Orders;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Prep;

/// <content>What is made in moulds.</content>
internal sealed partial class PrepWork
{
    /// <summary>Moulds are filled round by round: a mould is free again when its pieces have come out.</summary>
    private void Mould(LineTally line, LineDraft draft, Centre centre, LineMaking making, Mould mould, List<string> after)
    {
        var (c, begun) = (tables.Reference.Moulding, line.Begun(centre.Spoil.Value));
        var rounds = Rounds.For(begun, mould.AtOnce);
        var place = Schools.Choice(tables.Reference.Schools.First(s => s.Code == "moulds"), order.Schools, tables).Code;
        var releases = new Sourced<Duration>(
            line.Setting.FirstOrDefault(s => s.Place == place)?.Releases ?? SetsIn(line.Setting).After, Source.Computed);
        var parts = line.Parts ?? [];
        var features = parts.Where(p => p.Code.StartsWith("feature-", StringComparison.Ordinal)).ToList();
        var accents = parts.Where(p => p.Code == "accent").ToList();
        var last = after;
        for (var (round, left) = (1, begun); round <= rounds; round++)
        {
            var now = Math.Min(left, mould.AtOnce);
            left -= now;
            var filling = new Round(
                line,
                mould,
                $"mould.{Named(line)}.{round}",
                $"{now} in the {mould.Name}{(rounds > 1 ? $", round {round} of {rounds}" : "")}",
                place,
                now);
            if (features.Count > 0)
                last = [Poured(
                    filling,
                    ".features",
                    "paint features:",
                    Message.Of("prep.mould.features", ("colours", Argument.Of(features.Select(NameOf)))),
                    "prep.mould.features.why",
                    new(c.Feature.Value * (now * features.Count), c.Feature.Source),
                    c.AccentChill,
                    features,
                    last)];
            if (accents.Count > 0)
                last = [Poured(
                    filling,
                    ".accent",
                    "paint accents:",
                    "prep.mould.accent",
                    "prep.mould.accent.why",
                    new(c.Accent.Value * now, c.AccentChill.Source),
                    c.AccentChill,
                    accents,
                    last)];
            last = [Poured(
                filling,
                "",
                "fill",
                Message.Of(round > 1 ? "prep.mould.fill-again" : "prep.mould.fill", ("filled", Filled(draft, making))),
                "prep.mould.fill.why",
                new((c.Fill.Value * now) + (c.Tap.Value * Rounds.For(now, mould.Cavities)), c.Fill.Source),
                releases,
                [],
                last)];
            last = [PressedOut(filling, last)];
        }
    }

    private string NameOf(MadePart part) => tables.Reference.PotOf($"{part.Coating}.{part.Colour}").Colour!.Name;

    /// <summary>One round of a line's moulds.</summary>
    /// <param name="Line">The line.</param>
    /// <param name="Mould">The mould.</param>
    /// <param name="Code">Code of its step.</param>
    /// <param name="Of">What is filled, as a title says it.</param>
    /// <param name="Place">Where it sets.</param>
    /// <param name="Pieces">Pieces in it.</param>
    private sealed record Round(LineTally Line, Mould Mould, string Code, string Of, string Place, int Pieces);

    private string Poured(
        Round round,
        string suffix,
        string does,
        Message text,
        Message why,
        Sourced<Duration> hands,
        Sourced<Duration> wait,
        List<MadePart> from,
        List<string> after) =>
        Add(
            round.Code + suffix,
            Stage.Dip,
            round.Of,
            [round.Line.Line],
            new(does, [], "", "", hands.Source, round.Place, Wait: wait),
            tables.Reference.Prep.Sheet.Value + hands.Value,
            after,
            text,
            why,
            pots: from.Count == 0 ? [Pot(round.Line)] : [.. from.Select(p => $"{p.Coating}.{p.Colour}")],
            mould: round.Mould.Code);

    private string PressedOut(Round round, List<string> after)
    {
        var c = tables.Reference.Moulding;
        return Add(
            $"{round.Code}.out",
            Stage.Dip,
            round.Of,
            [round.Line.Line],
            new("out", [], "", "", c.Unmould.Source, "counter", Once: tables.Reference.Prep.Sheet, Name: "press out"),
            tables.Reference.Prep.Sheet.Value + (c.Unmould.Value * round.Pieces),
            after,
            "prep.mould.out",
            "prep.mould.out.why",
            mould: round.Mould.Code);
    }

    /// <summary>How a cavity is filled, with what is pressed in.</summary>
    private static Message Filled(LineDraft draft, LineMaking making)
    {
        if (making.Insert is not { } insert)
            return "prep.mould.filled";
        return draft.Making!.Mould!.Broken is null
            ? "prep.mould.filled-over-insert"
            : Message.Of("prep.mould.filled-over-broken", ("broken", insert.Centre.Plural));
    }

    /// <summary>Accents are moulded on any day before: hard when they are glued on, they do not bend.</summary>
    private string Accents(LineTally line, PartTally part, int begun)
    {
        var kind = tables.Reference.Decor.Part(part.Kind)!;
        var (mould, c, count) = (tables.Reference.Mould(kind.Mould)!, tables.Reference.Moulding, begun * part.Count);
        var rounds = Rounds.For(count, mould.AtOnce);
        return Add(
            $"mould.{Named(line)}.{part.Kind}",
            Stage.Dip,
            $"{count} {kind.Plural}",
            [line.Line],
            new(
                "accents",
                [],
                "",
                "",
                c.Fill.Source,
                "fridge",
                Wait: new(c.AccentChill.Value * rounds, c.AccentChill.Source),
                Name: "mould",
                Best: tables.Reference.Prep.AccentsBest,
                AtMost: tables.Reference.Prep.AccentsAtMost),
            tables.Reference.Prep.Sheet.Value + (c.Unmould.Value * count) + (c.Tap.Value * rounds * mould.Trays),
            [$"melt.{part.Moulded}"],
            Message.Of("prep.mould.accents", ("rounds", rounds), ("each", mould.AtOnce)),
            "prep.mould.accents.why",
            pots: [part.Moulded!],
            mould: mould.Code);
    }
}
