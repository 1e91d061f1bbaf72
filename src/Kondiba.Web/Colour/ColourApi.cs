using Kondiba.Core.Palettes;
using Kondiba.Data;

namespace Kondiba.Web.Colour;

internal static class ColourApi
{
    public static void MapColour(this RouteGroupBuilder api)
    {
        api.MapPost(
            "/colour/mix", async (MixDraft draft, KitchenThings things) => TypedResults.Ok(
                Mix.For(draft, (await things.TablesAsync()).Reference)))
            .WithTags("Colour").WithName("MixColour").WithSummary(
                "How to come to a colour from a base with the colours at hand; keeps nothing.");
        api.MapPost(
            "/colour/palette",
            async (PaletteDraft draft, KitchenThings things) => TypedResults.Ok(Palette.For(draft, await things.TablesAsync())))
            .WithTags("Colour").WithName("ApplyPalette").WithSummary(
                "The colours that a scheme gives to lines, and where its drizzles are seen; keeps nothing.");
    }
}
