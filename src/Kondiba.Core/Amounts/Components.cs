using Kondiba.Core.Centres;
using Kondiba.Core.Decoration;
using Kondiba.Core.Fillings;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Amounts;

/// <summary>Something that a piece is made of.</summary>
/// <param name="Field">The part of the line it comes with: "centre", "coating", "decor.sprinkles[0].kind" ….</param>
/// <param name="Name">What it is called.</param>
/// <param name="Contains">Allergens in it; null when nobody has said.</param>
/// <param name="MayContain">Allergens that it may have traces of.</param>
/// <param name="OnOne">Of it in one good piece; nothing as long as the line is not computed.</param>
/// <param name="Pot">Key of the pot that it comes out of; null for what is no coating.</param>
/// <param name="Dipped">Whether it is dipped, and so carries the pot's thinner; what is drawn is kept plain.</param>
/// <param name="Label">What it is called on a label, where that is not its name.</param>
public sealed record Component(
    string Field,
    string Name,
    IReadOnlyList<string>? Contains,
    IReadOnlyList<string>? MayContain,
    Mass OnOne,
    string? Pot = null,
    bool Dipped = false,
    string? Label = null);

/// <summary>What is in a line's pieces, found part by part. Components that the tables do not have are left out.</summary>
internal sealed class Components
{
    private readonly ReferenceData tables;
    private readonly List<Component> all = [];

    private Components(ReferenceData tables) => this.tables = tables;

    /// <summary>Finds them.</summary>
    /// <param name="line">The line as typed.</param>
    /// <param name="tally">What it comes to; null when only what is in it is asked, not how much.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static IReadOnlyList<Component> Of(LineDraft line, LineTally? tally, ReferenceData tables)
    {
        var found = new Components(tables);
        found.Centre(line);
        found.Coats(line, tally);
        found.Decoration(line.Decor ?? Decor.None, tally);
        return found.all;
    }

    private void Centre(LineDraft line)
    {
        var centre = tables.Centre(line.Centre);
        if (centre?.Size(line.Size) is not { } size)
        {
            Whole("centre", centre, default);
            return;
        }

        var making = LineMaking.Of(line, centre, size, tables);
        if (making.Filling is { } filling)
            Filled("centre", filling, making.Portion?.Value ?? filling.PortionOn(size).Value, 1);
        else if (centre.Figure is { } figure)
            Figure(figure);
        else
            Whole("centre", centre, making.Insert is null ? making.Size.Mass.Value : default);
        if (making is { Filling: null, Insert: { } insert })
            Made("making.mould.insert", insert.Centre, insert.Size, making.InsertEach);
    }

    private void Figure(Figure figure)
    {
        Made("centre", figure.Body, figure.BodySize, 1);
        foreach (var part in figure.Parts)
            Made("centre", part.Centre, part.Size, part.Places.Count);
        foreach (var stuck in figure.Stuck)
            Glued("centre", tables.Decor.Part(stuck.Part), stuck.Places.Count);
    }

    private void Coats(LineDraft line, LineTally? tally)
    {
        foreach (var (part, field, layer) in line.Making?.Mould?.First ?? [])
            Coated($"making.mould.{field}.coating", layer?.Coating, layer?.Colour, OfPart(part));
        Coated("coating", line.Coating, line.Colour, tally?.PerPiece.Value ?? default);
        foreach (var part in tables.Centre(line.Centre)?.Figure?.Parts ?? [])
            Coated("coating", line.Coating, tally?.Parts?.FirstOrDefault(p => p.Code == part.Code)?.Colour, OfPart(part.Code));
        if (line.Making?.Disc is { } disc)
            Coated("making.disc.coating", disc.Coating, disc.Colour, tally?.Disc?.Mass.Value ?? default, dipped: false);

        Mass OfPart(string code) =>
            tally?.Parts?.FirstOrDefault(p => p.Code == code) is { } made ? made.OnPiece(tally.Count.Value) : default;
    }

    private void Decoration(Decor decor, LineTally? tally)
    {
        var look = tally?.Look;
        foreach (var (i, dip) in decor.Dips.Index())
            Coated($"decor.dips[{i}].coating", dip?.Coating, dip?.Colour, look?.Over.ElementAtOrDefault(i)?.PerPiece.Value ?? default);
        foreach (var (i, pattern) in decor.Patterns.Index())
            Coated(
                $"decor.patterns[{i}].coating",
                pattern?.Coating,
                pattern?.Colour,
                look?.Patterns.FirstOrDefault(p => p.Pattern == i)?.Mass.Value ?? default,
                dipped: false);
        foreach (var (i, sprinkles) in decor.Sprinkles.Index())
        {
            if (tables.Decor.Sprinkle(sprinkles?.Kind) is { } kind)
                all.Add(new(
                    $"decor.sprinkles[{i}].kind",
                    kind.Name,
                    kind.Allergens,
                    kind.MayContain,
                    look?.Sprinkles.FirstOrDefault(s => s.Sprinkle == i)?.Mass.Value ?? default));
        }

        foreach (var (i, part) in decor.Parts.Index())
            Stuck(i, part, look?.Parts.FirstOrDefault(p => p.Part == i)?.MouldedMass ?? default);
        if (tables.Decor.Lustre(decor.Paint?.Kind) is { } lustre)
            all.Add(new("decor.paint.kind", lustre.Name, [], [], look?.Lustre?.Value ?? default));
    }

    // Moulded at home it is its coating, made by a recipe its ingredients, and bought what the packet says.
    private void Stuck(int i, PartDraft? part, Mass moulded)
    {
        if (part?.Colour is null)
            Glued($"decor.parts[{i}].kind", tables.Decor.Part(part?.Kind), part?.Count ?? 0);
        else
            Coated($"decor.parts[{i}].coating", part.Coating, part.Colour, moulded, dipped: false);
    }

    private void Glued(string field, Part? part, int count)
    {
        if (part is null)
            return;
        if (tables.Fillings.FirstOrDefault(f => f.Makes == $"part.{part.Code}") is { } recipe)
            Filled(field, recipe, recipe.Portion.Value, count);
        else
            all.Add(new(field, part.Plural, part.Allergens, part.MayContain, part.MassBy(tables.Packing.PartDensity.Value) * count));
    }

    private void Whole(string field, Centre? whole, Mass mass)
    {
        if (whole is not null)
            all.Add(new(field, whole.Plural, whole.Allergens, whole.MayContain, mass));
    }

    // What goes into a figure or a mould is made by its usual recipe, where it has one.
    private void Made(string field, Centre whole, CentreSize size, double count)
    {
        if (LineMaking.Usual(whole, tables) is { } recipe)
            Filled(field, recipe, recipe.PortionOn(size).Value, count);
        else
            Whole(field, whole, size.Mass.Value * count);
    }

    private void Coated(string field, string? code, string? colour, Mass mass, bool dipped = true)
    {
        if (tables.Coating(code) is { } coating)
            all.Add(new(
                field, coating.Name, coating.Allergens, coating.MayContain, mass, $"{code}.{colour}", dipped, coating.Label));
    }

    private void Filled(string field, Filling recipe, Mass portion, double pieces)
    {
        var mix = recipe.Mix.Sum(m => m.Share.Value.Si);
        foreach (var part in recipe.Mix)
            Mixed(field, part.Ingredient, portion * (part.Share.Value.Si / mix * pieces));
        foreach (var part in recipe.Each)
            Mixed(field, part.Ingredient, (tables.Ingredient(part.Ingredient)?.One?.Value ?? default) * (part.Count * pieces));
    }

    private void Mixed(string field, string code, Mass mass)
    {
        if (tables.Ingredient(code) is not { } ingredient)
            return;

        // Coating in a recipe is the coating as the kitchen has it.
        var coating = ingredient.Ware?.Split('.') is ["coating", var of, ..] ? tables.Coating(of) : null;
        all.Add(new(
            field,
            ingredient.Name,
            coating is null ? ingredient.Allergens : coating.Allergens,
            coating is null ? ingredient.MayContain : coating.MayContain,
            mass));
    }
}
