using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Kondiba.Web.Hosting;
using Npgsql;

namespace Kondiba.Web.Changes;

/// <summary>
/// Hears from the database of every change to a kitchen, whichever server or program made it, and tells whoever listens to that kitchen.
/// What changed is one word: "kitchen", "things", "stock", "orders" or "day"; "all" after notices may have been missed.
/// </summary>
internal sealed class ChangeNotices(KondibaSettings settings, ILogger<ChangeNotices> log) : BackgroundService
{
    /// <summary>PostgreSQL's channel that the triggers tell on: the kitchen's id, a space and what changed.</summary>
    public const string Channel = "kondiba_changes";

    public const string All = "all";

    private const int MostAhead = 16;
    private static readonly TimeSpan Again = TimeSpan.FromSeconds(1);

    private ImmutableDictionary<Guid, ImmutableList<Channel<string>>> listeners =
        ImmutableDictionary<Guid, ImmutableList<Channel<string>>>.Empty;

    /// <summary>What changes in a kitchen from now on.</summary>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="gone">When nobody listens any more.</param>
    public async IAsyncEnumerable<string> ListenAsync(Guid kitchen, [EnumeratorCancellation] CancellationToken gone)
    {
        var heard = Listener(kitchen);
        try
        {
            await foreach (var what in heard.Reader.ReadAllAsync(gone))
                yield return what;
        }
        finally
        {
            Leave(kitchen, heard);
        }
    }

    /// <summary>Waits until something is so, looking again after every change to a kitchen, and after a second without one.</summary>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="so">Whether it is so.</param>
    /// <param name="patience">How long to wait.</param>
    public async Task UntilAsync(Guid kitchen, Func<Task<bool>> so, TimeSpan patience)
    {
        var heard = Listener(kitchen);
        using var over = new CancellationTokenSource(patience);
        try
        {
            while (!over.IsCancellationRequested && !await so())
            {
                using var look = CancellationTokenSource.CreateLinkedTokenSource(over.Token);
                look.CancelAfter(Again);
                try
                {
                    await heard.Reader.ReadAsync(look.Token);
                }
                catch (OperationCanceledException)
                {
                    // Nothing was heard: a notice may have been missed.
                }
            }
        }
        finally
        {
            Leave(kitchen, heard);
        }
    }

    private Channel<string> Listener(Guid kitchen)
    {
        // Whoever reads too slowly for so many misses the oldest, and looks at everything anew with the next.
        var options = new BoundedChannelOptions(MostAhead) { FullMode = BoundedChannelFullMode.DropOldest };
        var heard = System.Threading.Channels.Channel.CreateBounded<string>(options);
        ImmutableInterlocked.AddOrUpdate(ref listeners, kitchen, [heard], (_, there) => there.Add(heard));
        return heard;
    }

    private void Leave(Guid kitchen, Channel<string> heard)
    {
        ImmutableInterlocked.AddOrUpdate(ref listeners, kitchen, [], (_, there) => there.Remove(heard));
        ImmutableInterlocked.Update(
            ref listeners, there => there.TryGetValue(kitchen, out var left) && left.IsEmpty ? there.Remove(kitchen) : there);
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await HearAsync(stoppingToken);
            }
            catch (Exception e) when (e is NpgsqlException or TimeoutException or ArgumentException)
            {
                log.LogWarning("Changes are not heard of, as the database does not answer: {Reason}", e.Message);
                await Task.Delay(Again, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }
        }
    }

    private async Task HearAsync(CancellationToken stopping)
    {
        await using var connection = new NpgsqlConnection(
            new NpgsqlConnectionStringBuilder(settings.Database) { KeepAlive = 30, Pooling = false }.ConnectionString);
        connection.Notification += (_, notice) => Tell(notice.Payload);
        await connection.OpenAsync(stopping);
        await using (var listen = new NpgsqlCommand($"LISTEN {Channel}", connection))
            await listen.ExecuteNonQueryAsync(stopping);

        // What changed before this connection was there has been told to nobody.
        foreach (var kitchen in listeners.Keys)
            Tell(kitchen, All);
        while (!stopping.IsCancellationRequested)
            await connection.WaitAsync(stopping);
    }

    private void Tell(string payload)
    {
        if (payload.Split(' ') is [var id, var what] && Guid.TryParse(id, out var kitchen))
            Tell(kitchen, what);
    }

    private void Tell(Guid kitchen, string what)
    {
        foreach (var listener in listeners.GetValueOrDefault(kitchen) ?? [])
            listener.Writer.TryWrite(what);
    }
}
