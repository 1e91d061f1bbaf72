using Npgsql;

namespace Kondiba.Web.Hosting;

/// <summary>What the environment tells the server, under the prefix KONDIBA__.</summary>
public sealed record KondibaSettings
{
    private const int MostConnections = 60;

    /// <summary>PostgreSQL connection string.</summary>
    public string Database { get; init; } = "";

    /// <summary>
    /// The same, with fewer connections than a server lets in, unless it says how many: an administrator can always look in.
    /// </summary>
    public string PooledDatabase
    {
        get
        {
            var connection = new NpgsqlConnectionStringBuilder(Database);
            if (!connection.ShouldSerialize("Maximum Pool Size"))
                connection.MaxPoolSize = MostConnections;
            return connection.ConnectionString;
        }
    }

    /// <summary>The key that the printed address carries; empty lets nobody in by key.</summary>
    public string Key { get; init; } = "";

    /// <summary>Whether to open a kitchen of the maker's own in place of the sample kitchen.</summary>
    public bool Own { get; init; }

    /// <summary>Folder for what must outlive a restart outside the database: the keys that seal the sign-in cookie.</summary>
    public string StateFolder { get; init; } = "";
}
