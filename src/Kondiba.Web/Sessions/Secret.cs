using System.Security.Cryptography;
using System.Text;

namespace Kondiba.Web.Sessions;

/// <summary>Secrets that links carry; only their hash is kept.</summary>
internal static class Secret
{
    /// <summary>160 bits, as hexadecimal digits.</summary>
    public static string New() => Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(20));

    /// <summary>What is kept of it.</summary>
    public static string Hash(string secret) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(secret)));
}
