using System.Text.Json.Nodes;
using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Fillings;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Reference;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>schema.org Recipe (schema.org/Recipe, HowToStep, HowToDirection, HowToTip), in JSON-LD.</summary>
public sealed class RecipeJsonTests
{
    private static string Written(Filling filling, ReferenceData tables, int pieces = 60) =>
        RecipeJson.Write(filling, FillingTally.For(filling, pieces, filling.Portion, tables), tables.StepsOf(filling));

    private static OwnFilling Read(string json) => RecipeJson.Read(json, Tables.Reference).Recipe!.Filling;

    [Fact]
    public void What_is_written_is_a_recipe_of_the_vocabulary()
    {
        var recipe = JsonNode.Parse(Written(Tables.Reference.Fillings[0], Tables.Reference))!.AsObject();
        Assert.Equal(
            ("https://schema.org", "Recipe", "dark ganache"),
            ((string?)recipe["@context"], (string?)recipe["@type"], (string?)recipe["name"]));
        Assert.Equal("60 pieces of 18 g", (string?)recipe["recipeYield"]);
        Assert.Equal(["703.13 g dark chocolate", "421.88 g whipping cream"], recipe["recipeIngredient"]!.AsArray().Select(i => (string)i!));
        var chop = recipe["recipeInstructions"]![0]!;
        Assert.Equal("HowToStep", (string?)chop["@type"]);
        Assert.Equal("PT5M", (string?)chop["itemListElement"]![0]!["performTime"]);
        Assert.Equal("HowToTip", (string?)chop["itemListElement"]![1]!["@type"]);
        Assert.StartsWith("PT", (string?)recipe["totalTime"], StringComparison.Ordinal);
    }

    /// <summary>Out, in, kept as the maker's own, and out again: the same document.</summary>
    [Fact]
    public void Every_recipe_comes_back_as_it_went_out()
    {
        foreach (var filling in Tables.Reference.Fillings.Where(f => !f.Rope))
        {
            var went = Written(filling, Tables.Reference);
            var read = RecipeJson.Read(went, Tables.Reference).Recipe!;
            Assert.DoesNotContain(read.Problems, p => p.Severity is Severity.Error);
            var own = read.Filling with { Code = "mine", Makes = filling.Makes };
            Assert.Empty(OwnCheck.Of(own, Tables.Reference));
            var tables = OwnTables.For(Tables, OwnThings.None with { Fillings = [own] });
            var mine = tables.Reference.Fillings.Single(f => f.Code == "mine");
            Assert.Equal(
                went, RecipeJson.Write(mine, FillingTally.For(mine, 60, mine.Portion, tables.Reference), tables.Reference.StepsOf(mine)));
        }
    }

    [Fact]
    public void A_recipe_from_elsewhere_is_read_with_its_measures_and_steps()
    {
        var own = Read("""
            {"@context": "https://schema.org", "@graph": [{"@type": "WebPage"}, {"@type": ["Recipe", "CreativeWork"], "name": "Sailor's balls",
             "recipeYield": ["24", "24 balls"],
             "recipeIngredient": ["1 cup heavy cream", "12 oz semisweet chocolate, chopped", "2 tbsp. unsalted butter", "30 g rose sugar"],
             "recipeInstructions": [{"@type": "HowToSection", "name": "Ganache", "itemListElement": [
                {"@type": "HowToStep", "text": "Simmer the cream."}, {"@type": "HowToStep", "name": "Pour it over."}]}, "Roll."]}]}
            """);
        Assert.Equal("Sailor's balls", own.Name);
        Assert.Equal(["cream", "dark-chocolate", "butter", null], own.Mix.Select(m => m.Ingredient));

        // USDA (from memory): a cup of cream 238 g, of butter 227 g; an ounce 28.3495 g.
        Assert.Equal([238, 340.194, 28.375, 30], own.Mix.Select(m => m.Grams));
        Assert.Equal((238 + 340.194 + 28.375 + 30) / 24, own.Portion, 0.001);
        Assert.Equal(["Simmer the cream.", "Pour it over.", "Roll."], own.Steps.Select(s => s.Text));
    }

    [Fact]
    public void What_gives_no_mass_is_named_line_by_line()
    {
        var (read, _) = RecipeJson.Read(
            """{"@type": "https://schema.org/Recipe", "name": "Odd", "recipeIngredient": ["2 cups stardust", "a little salt", "200 g cream"], "recipeInstructions": "Mix.\nRest."}""",
            Tables.Reference);
        Assert.Equal(
            ["mix[0].grams", "mix[1].grams", "pieces"],
            read!.Problems.Where(p => p.Severity is Severity.Error).Select(p => p.Field).Order());
        Assert.Contains(
            read.Problems,
            p => p.Reason.Said().Contains("a cups of it weighs", StringComparison.Ordinal)
                || p.Reason.Said().Contains("2 cups stardust", StringComparison.Ordinal));
        Assert.Contains(read.Problems, p => p.Field == "mix[0].name" && p.Severity is Severity.Mind);
        Assert.Equal(["Mix.", "Rest."], read.Filling.Steps.Select(s => s.Text));
    }

    [Fact]
    public void Times_and_tips_of_steps_are_kept()
    {
        var step = Assert.Single(Read("""
            {"@type": "Recipe", "name": "x", "recipeYield": 10, "recipeInstructions": [{"@type": "HowToStep", "itemListElement": [
              {"@type": "HowToDirection", "text": "Pour.", "performTime": "PT1M", "totalTime": "PT1H1M"}, {"@type": "HowToTip", "text": "Let it be."}]}]}
            """).Steps);
        Assert.Equal(("Pour.", "Let it be.", 1.0, 60.0), (step.Text, step.Why, step.Hands, step.Wait));
    }

    [Theory]
    [InlineData("{ not json", "not valid JSON")]
    [InlineData("[1, 2, 3]", "no recipe")]
    [InlineData("""{"@type": "Person", "name": "Recipe"}""", "no recipe")]
    [InlineData("null", "no recipe")]
    public void A_file_that_holds_no_recipe_says_so(string text, string says)
    {
        var (recipe, problem) = RecipeJson.Read(text, Tables.Reference);
        Assert.Null(recipe);
        Assert.Contains(says, problem!.Reason.Said(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("""{"@type": "Recipe"}""")]
    [InlineData("""{"@type": "Recipe", "recipeIngredient": {"a": 1}, "recipeInstructions": 7, "recipeYield": true}""")]
    [InlineData("""{"@type": "Recipe", "recipeIngredient": [null, 5, ""], "recipeInstructions": [null, {}, []]}""")]
    public void Odd_recipes_are_read_without_fault(string text) => Assert.NotNull(RecipeJson.Read(text, Tables.Reference).Recipe);
}
