using Kondiba.Core.Amounts;
using Kondiba.Core.Reference;
using Kondiba.Data;
using Kondiba.Web.Kitchens;
using NodaTime;

namespace Kondiba.Web.Amounts;

internal static class AmountsApi
{
    public static void MapAmounts(this RouteGroupBuilder api) =>
        api.MapPost("/amounts/preview", async (OrderDraft draft, TradeTables tables, KondibaContext db, IClock clock) =>
            TypedResults.Ok(CoatingTally.For(draft, tables, await db.NowAsync(clock))))
            .WithTags("Amounts").WithName("PreviewAmounts").WithSummary("Computes an order as typed, saved or not, and keeps nothing.");
}
