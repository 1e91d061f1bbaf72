using System.Security.Cryptography;
using Microsoft.AspNetCore.Mvc;

namespace Kondiba.Web.Hosting;

/// <summary>What a client calls a request that makes something new, so that the same request sent again makes nothing more.</summary>
internal static class SentKey
{
    public const string Header = "Idempotency-Key";

    /// <summary>Id of the nth thing that a request makes: always the same one for the same request.</summary>
    /// <param name="key">The request's key; null when the client gave none, and then the id is new.</param>
    /// <param name="index">Counted from 0.</param>
    public static Guid IdOf(Guid? key, int index)
    {
        if (key is not { } given)
            return Guid.CreateVersion7();
        Span<byte> all = stackalloc byte[20];
        given.TryWriteBytes(all);
        BitConverter.TryWriteBytes(all[16..], index);
        return new(SHA256.HashData(all).AsSpan(0, 16));
    }
}

/// <summary>The key that a request was sent with.</summary>
[AttributeUsage(AttributeTargets.Parameter)]
internal sealed class SentKeyAttribute : FromHeaderAttribute
{
    public SentKeyAttribute() => Name = SentKey.Header;
}
