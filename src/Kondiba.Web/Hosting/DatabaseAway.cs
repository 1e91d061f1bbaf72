using System.Net.Sockets;
using Npgsql;

namespace Kondiba.Web.Hosting;

/// <summary>Whether an error means that the database is stopped, starting, full or out of reach: it may answer in a moment.</summary>
internal static class DatabaseAway
{
    /// <summary>Seconds after which to ask again.</summary>
    public const string RetryAfter = "5";

    public static bool Is(Exception? error) => error switch
    {
        null => false,
        PostgresException refused => refused.SqlState is PostgresErrorCodes.AdminShutdown
            or PostgresErrorCodes.CrashShutdown
            or PostgresErrorCodes.CannotConnectNow
            or PostgresErrorCodes.ObjectNotInPrerequisiteState
            or PostgresErrorCodes.TooManyConnections
            or PostgresErrorCodes.DiskFull
            or PostgresErrorCodes.OutOfMemory
            or PostgresErrorCodes.IoError,
        NpgsqlException or SocketException => true,
        _ => Is(error.InnerException),
    };
}
