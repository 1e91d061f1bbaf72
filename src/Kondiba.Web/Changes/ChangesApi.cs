using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using Kondiba.Data;

namespace Kondiba.Web.Changes;

internal static class ChangesApi
{
    // A stream ends now and then, so that whoever was removed or signed out meanwhile is not let in again.
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(5);

    public static void MapChanges(this RouteGroupBuilder api) =>
        api.MapGet("/changes", (ChangeNotices notices, KitchenScope scope, IHostApplicationLifetime life, CancellationToken gone) =>
            TypedResults.ServerSentEvents(StreamAsync(notices, scope.KitchenId, life.ApplicationStopping, gone)))
            .ExcludeFromDescription();

    private static async IAsyncEnumerable<SseItem<string>> StreamAsync(
        ChangeNotices notices, Guid kitchen, CancellationToken stopping, [EnumeratorCancellation] CancellationToken gone)
    {
        using var ends = CancellationTokenSource.CreateLinkedTokenSource(stopping, gone);
        ends.CancelAfter(Longest);
        await using var changes = notices.ListenAsync(kitchen, ends.Token).GetAsyncEnumerator(ends.Token);

        // Said at once, so that the reader knows that it is heard from now on.
        yield return new("", "open");
        while (true)
        {
            try
            {
                if (!await changes.MoveNextAsync())
                    yield break;
            }
            catch (OperationCanceledException)
            {
                yield break;
            }

            yield return new(changes.Current, "change");
        }
    }
}
