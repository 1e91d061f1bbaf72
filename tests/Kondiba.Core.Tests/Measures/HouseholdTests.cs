using CsCheck;
using Kondiba.Core.Fillings;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

public sealed class HouseholdTests
{
    private static Volume Ml(double ml) => Quantities.Of<Volume>(ml, "mL");

    /// <summary>USDA FoodData Central, portion weights (quoted from memory): spoons and ounces of what the table has by the cup.</summary>
    [Theory]
    [InlineData("cream", 1, "tbsp", 15)]
    [InlineData("butter", 1, "tbsp", 14.2)]
    [InlineData("honey", 1, "tbsp", 21)]
    [InlineData("nut-butter", 2, "tbsp", 32)]
    [InlineData("condensed-milk", 1, "fl oz", 38.2)]
    [InlineData("syrup", 1, "tbsp", 22)]
    [InlineData("water", 1, "tsp", 4.9)]
    [InlineData("cream-cheese", 1, "tbsp", 14.5)]
    [InlineData("icing-sugar", 1, "tbsp", 7.8)]
    public void Densities_agree_with_published_portion_weights(string ingredient, double amount, string measure, double grams) =>
        Assert.Equal(
            grams, (Household.Measure(amount, measure)!.Value * Tables.Reference.Ingredient(ingredient)!.Density!.Value).In(
                "g"), grams * 0.05);

    /// <summary>NIST Handbook 44: cup, tablespoon, teaspoon and fluid ounce.</summary>
    [Theory]
    [InlineData("cup", 236.588)]
    [InlineData("tbsp", 14.787)]
    [InlineData("tsp", 4.929)]
    [InlineData("fl oz", 29.574)]
    [InlineData("ml", 1)]
    [InlineData("l", 1000)]
    public void Measures_are_the_published_ones(string measure, double ml) =>
        Assert.Equal(ml, Household.Measure(1, measure)!.Value.In("mL"), 0.001);

    [Theory]
    [InlineData(236.588, "1 cup")]
    [InlineData(118.294, "½ cup")]
    [InlineData(78.863, "⅓ cup")]
    [InlineData(354.882, "1½ cups")]
    [InlineData(14.787, "1 tbsp")]
    [InlineData(29.574, "2 tbsp")]
    [InlineData(4.929, "1 tsp")]
    [InlineData(2.465, "½ tsp")]
    [InlineData(251.375, "1 cup + 1 tbsp")]
    [InlineData(0.2, "a pinch")]
    public void Volumes_are_said_as_cooks_say_them(double ml, string said) => Assert.Equal(said, Household.Of(Ml(ml)));

    [Fact]
    public void What_is_said_is_within_an_eighth_of_a_teaspoon() => Gen.Double[1, 3000].Sample(ml =>
    {
        var said = Household.Of(Ml(ml)).Split(" + ").Sum(part =>
        {
            var (amount, unit, _) = RecipeJson.Split(part);
            return Household.Measure(amount, unit)!.Value.In("mL");
        });
        Assert.Equal(ml, said, 0.617);
    });

    [Theory]
    [InlineData("1 ½ cups whipping cream, cold", 1.5, "cups", "whipping cream")]
    [InlineData("1½ cups whipping cream, cold", 1.5, "cups", "whipping cream")]
    [InlineData("1 1/2 cups (350 ml) cream", 1.5, "cups", "cream")]
    [InlineData("326 g dark chocolate", 326, "g", "dark chocolate")]
    [InlineData("326g dark chocolate", 326, "g", "dark chocolate")]
    [InlineData("2 tbsp. of butter", 2, "tbsp", "butter")]
    [InlineData("3/4 cup icing sugar", 0.75, "cup", "icing sugar")]
    [InlineData("12 fl oz cream", 12, "fl oz", "cream")]
    [InlineData("60 round crackers", 60, "", "round crackers")]
    [InlineData("0,5 kg caramel", 0.5, "kg", "caramel")]
    [InlineData("honey to taste", 0, "", "honey to taste")]
    [InlineData("2 lemons", 2, "", "lemons")]
    [InlineData("1 large egg", 1, "", "large egg")]
    public void Lines_of_recipes_are_read(string line, double amount, string unit, string name) =>
        Assert.Equal((amount, unit, name), RecipeJson.Split(line));
}
