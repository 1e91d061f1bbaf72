using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using NodaTime;

namespace Kondiba.Web.Tests;

public class DayTests
{
    [Fact]
    public void Nothing() { }
}
