using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

public sealed class ColourApiTests(Server server) : IClassFixture<Server>
{
    [Fact]
    public async Task A_mix_comes_with_its_recipe_and_what_cannot_be_is_named_by_its_field()
    {
        var mix = await MixAsync(
            new
            {
                coating = "compound-wafer-hot-flow",
                @base = "bright-white",
                target = "#9fc7ea",
                atHand = "blue,red".Split(
                ','),
                pot = 200
            });
        Assert.Equal("blue", (string)mix["recipe"]!["drops"]![0]!["tint"]!);
        Assert.True((bool)mix["recipe"]!["reached"]!);
        Assert.Equal(2, mix["recipe"]!["oneMore"]!.AsArray().Count);
        Assert.Empty(mix["problems"]!.AsArray());

        var bad = await MixAsync(
            new { coating = "compound-wafer-hot-flow", @base = "tar", target = "teal", atHand = "soot".Split(','), pot = 0 });
        Assert.Null(bad["recipe"]);
        Assert.Equal(["base", "target", "atHand", "pot"], bad["problems"]!.AsArray().Select(p => (string)p!["field"]!));
    }

    private async Task<JsonObject> MixAsync(object draft)
    {
        var response = await server.OwnMaker.PostAsJsonAsync("/api/colour/mix", draft);
        response.EnsureSuccessStatusCode();
        return await response.ReadAsync();
    }
}
