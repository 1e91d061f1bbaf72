using System.Text;
using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Fillings;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Formats;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kondiba.Web.Prep;

/// <summary>A recipe to choose and to scale.</summary>
/// <param name="Makes">What it makes, in words.</param>
/// <param name="MakesCode">Code of the centre or part it makes.</param>
/// <param name="Own">Whether it is the maker's own.</param>
/// <param name="Entered">As it would be entered, to be changed.</param>
public sealed record FillingView(
    string Code,
    string Name,
    string Makes,
    string MakesCode,
    string Note,
    IReadOnlyList<MixView> Mix,
    Sourced<Mass> Portion,
    Share Loss,
    Source LossSource,
    bool Own,
    OwnFilling Entered);

/// <summary>An ingredient of a mix.</summary>
public sealed record MixView(string Ingredient, string Name, Sourced<Share> Share, Sourced<Share>? From, Sourced<Share>? To);

/// <summary>An ingredient to choose.</summary>
public sealed record IngredientView(string Code, string Name, bool Counted);

/// <summary>All recipes, and what recipes are made of.</summary>
public sealed record FillingsView(IReadOnlyList<FillingView> Fillings, IReadOnlyList<IngredientView> Ingredients);

/// <summary>How far to scale a recipe: to a number of pieces, or to what there is of an ingredient.</summary>
/// <param name="Filling">Code of the recipe.</param>
/// <param name="Pieces">How many; null to go by an ingredient.</param>
/// <param name="Ingredient">Code of an ingredient of its mix.</param>
/// <param name="Grams">How much of it there is.</param>
/// <param name="Portion">Of the mix on one piece, in g; null for the usual one.</param>
/// <param name="Shares">Shares that are not the recipe's, by ingredient.</param>
public sealed record FillingScale(
    string Filling,
    int? Pieces = null,
    string? Ingredient = null,
    double? Grams = null,
    double? Portion = null,
    IReadOnlyDictionary<string, double>? Shares = null);

/// <summary>A recipe, scaled.</summary>
/// <param name="Tally">What it comes to.</param>
/// <param name="Across">Diameter of a ball of one portion; null where it is no ball.</param>
/// <param name="Spoon">The portion in spoons.</param>
/// <param name="Steps">How it is made.</param>
/// <param name="Working">How each amount came about, by ingredient; "mix" for all of it.</param>
/// <param name="Problems">What should be minded.</param>
public sealed record FillingScaled(
    FillingTally Tally,
    Length? Across,
    string Spoon,
    IReadOnlyList<ScaledStep> Steps,
    IReadOnlyDictionary<string, IReadOnlyList<WorkingLine>> Working,
    IReadOnlyList<Problem> Problems);

/// <summary>A step of a scaled recipe.</summary>
/// <param name="Chosen">Whether it is the way that this kitchen takes, where makers differ.</param>
public sealed record ScaledStep(
    string Text,
    string Why,
    Source Source,
    string Place,
    NodaTime.Duration Hands,
    NodaTime.Duration Wait,
    Temperature? At,
    string? School,
    bool Chosen);

internal static class FillingsApi
{
    private const int MostPieces = 2000;
    private const double MostGrams = 100_000;
    private const int LargestFile = 1_000_000;

    public static void MapFillings(this RouteGroupBuilder api)
    {
        var fillings = api.MapGroup("/fillings").WithTags("Fillings");
        fillings.MapGet("", async (KitchenThings things) => TypedResults.Ok(View(await things.ReadAsync()))).WithName("GetFillings");
        fillings.MapPost("/scale", ScaleAsync)
            .WithName("ScaleFilling")
            .WithSummary("A recipe for so many pieces, or for what there is of an ingredient; keeps nothing.");
        fillings.MapGet("/{code}/recipe.json", ExportAsync)
            .WithName("ExportFilling")
            .WithSummary("The recipe as schema.org Recipe in JSON-LD.");
        fillings.MapPost("/read", ReadAsync).WithName("ReadRecipe").WithSummary("Reads a schema.org Recipe in JSON-LD; keeps nothing.");
    }

    private static FillingsView View((OwnThings Own, KitchenTables Tables) kitchen)
    {
        var (own, tables) = kitchen;
        return new(
        [
            .. tables.Reference.Fillings.Select(f => new FillingView(
                f.Code, f.Name, MakesOf(f, tables.Reference), f.Makes, f.Note,
                [.. f.Mix.Select(m => new MixView(m.Ingredient, tables.Reference.Ingredient(m.Ingredient)!.Name, m.Share, m.From, m.To))],
                f.Portion, f.Loss.Value, f.Loss.Source, own.Fillings.Any(o => o.Code == f.Code),
                own.Fillings.FirstOrDefault(o => o.Code == f.Code) ?? OwnTables.Entered(f, Chosen(f, tables)))),
        ],
        [.. tables.Reference.Ingredients.Select(i => new IngredientView(i.Code, i.Name, i.One is not null))]);
    }

    private static async Task<Results<Ok<FillingScaled>, Refused, NotFound>> ScaleAsync(FillingScale scale, KitchenThings things)
    {
        var tables = await things.TablesAsync();
        if (tables.Reference.Fillings.FirstOrDefault(f => f.Code == scale.Filling) is not { } found)
            return TypedResults.NotFound();
        List<Problem> problems = [];
        void Wrong(string field, Message reason, Message remedy) => problems.Add(new(field, reason, remedy));
        if (scale.Ingredient is null && scale.Pieces is not (>= 1 and <= MostPieces))
            Wrong("pieces", Message.Of("prep.kitchen-makes-one-piece", ("mostPieces", MostPieces)), "prep.kitchen-makes-one-piece.do");
        if (scale.Ingredient is not null && found.Mix.All(m => m.Ingredient != scale.Ingredient))
            Wrong(
                "ingredient",
                Message.Of("prep.not-mix", ("ingredient", scale.Ingredient)),
                Message.Of("prep.not-mix.do", ("mix", Argument.Of(found.Mix.Select(m => m.Ingredient)))));
        if (scale.Ingredient is not null && !(scale.Grams is > 0 and <= MostGrams))
            Wrong("grams", "prep.nothing-more-kitchen-holds", "prep.nothing-more-kitchen-holds.do");
        problems.AddRange(found.Check(scale.Shares, scale.Portion, tables.Reference.Ingredients));
        if (Refused.Of(problems.Where(p => p.Severity is Severity.Error), "prep.cannot-scaled-like") is { } refused)
            return refused;

        var filling = found.With(scale.Shares);
        var size = tables.Reference.Centre(filling.Makes)?.Sizes[0];
        var portion = scale.Portion is { } own ? new Sourced<Mass>(Quantities.Of<Mass>(own, "g"), Source.Entered) : filling.PortionOn(size);
        var tally = scale.Ingredient is { } ingredient
            ? FillingTally.From(filling, ingredient, Quantities.Of<Mass>(scale.Grams!.Value, "g"), portion, tables.Reference)
            : FillingTally.For(filling, scale.Pieces!.Value, portion, tables.Reference);
        var volume = portion.Value / filling.Density.Value;
        return TypedResults.Ok(new FillingScaled(
            tally,
            tables.Reference.Centre(filling.Makes)?.Shape == "ball" ? new Length(Math.Cbrt(6 * volume.Si / Math.PI)) : null,
            Household.Of(volume),
            [
                .. tables.Reference.StepsOf(filling).Select(s => new ScaledStep(
                    s.Text, s.Why, s.Source, s.Place, s.HandsFor(
                        tally.Pieces), s.Wait?.Value ?? NodaTime.Duration.Zero, s.At?.Value, s.School,
                    Schools.Holds(s, null, tables))),
            ],
            tally.Figures("").ToDictionary(f => f.Path.TrimStart('.'), f => f.Working()),
            problems));
    }

    private static async Task<Results<FileContentHttpResult, NotFound, Refused>> ExportAsync(string code, int? pieces, KitchenThings things)
    {
        var tables = await things.TablesAsync();
        if (tables.Reference.Fillings.FirstOrDefault(f => f.Code == code) is not { } filling)
            return TypedResults.NotFound();
        if (pieces is < 1 or > MostPieces)
            return Refused.Because(
                "pieces",
                Message.Of("prep.kitchen-makes-one-piece-type", ("mostPieces", MostPieces)),
                "prep.kitchen-makes-one-piece-type.do");
        var tally = FillingTally.For(
            filling, pieces ?? 24, filling.PortionOn(tables.Reference.Centre(filling.Makes)?.Sizes[0]), tables.Reference);
        return TypedResults.File(
            Encoding.UTF8.GetBytes(RecipeJson.Write(filling, tally, Chosen(filling, tables))), "application/ld+json", $"{code}.json");
    }

    private static async Task<Results<Ok<RecipeRead>, Refused>> ReadAsync(FileText file, KitchenThings things)
    {
        if (file.Text.Length > LargestFile)
            return Refused.Because("file", "prep.file-larger-any-recipe", "prep.kitchen-makes-one-piece-type.do");
        var (recipe, problem) = RecipeJson.Read(file.Text, (await things.TablesAsync()).Reference);
        return recipe is null
            ? Refused.Of([problem!], "prep.cannot-read")!
            : TypedResults.Ok(recipe);
    }

    private static string MakesOf(Filling filling, ReferenceData tables) => filling.Makes.StartsWith("part.", StringComparison.Ordinal)
        ? tables.Decor.Part(filling.Makes["part.".Length..])?.Plural ?? filling.Makes
        : tables.Centre(filling.Makes)?.Plural ?? filling.Makes;

    /// <summary>Its steps as this kitchen does them.</summary>
    private static List<PrepRule> Chosen(Filling filling, KitchenTables tables) =>
        [.. tables.Reference.StepsOf(filling).Where(s => Schools.Holds(s, null, tables))];
}
