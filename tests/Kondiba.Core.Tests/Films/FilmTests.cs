using CsCheck;
using Kondiba.Core.Coatings;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>What every dipper knows of a film, asked of the model.</summary>
public class FilmTests
{
    private static readonly ReferenceData Tables = ReferenceData.Shipped;
    private static readonly Coating Wafers = Tables.Coatings[0];
    private static readonly Gen<double> Fat = Gen.Double[0.27, 0.40];
    private static readonly Gen<double> Celsius = Gen.Double[28, 45];

    private static Coating With(double fat, double celsius) => Wafers with
    {
        Fat = new(new(fat), Source.Entered),
        DipFrom = new(Quantities.Of<Temperature>(celsius, "°C"), Source.Entered),
        DipTo = new(Quantities.Of<Temperature>(celsius, "°C"), Source.Entered),
    };

    private static double Film(Coating coating, FilmConstants c, double millimetres = 30) =>
        Films.Film.After(Flow.Of(coating, default, c), Quantities.Of<Length>(millimetres, "mm"), c).Value.In("mm");

    /// <summary>Common practice: fat thins, warmth thins.</summary>
    [Fact]
    public void More_fat_or_more_warmth_leaves_a_thinner_film() =>
        Gen.Select(Fat, Celsius, Gen.Double[0, 0.05], Gen.Double[0, 10]).Sample((fat, celsius, more, warmer) =>
        {
            var film = Film(With(fat, celsius), Tables.Film);
            Assert.True(Film(With(fat + more, celsius), Tables.Film) <= film + 1e-12);
            Assert.True(Film(With(fat, celsius + warmer), Tables.Film) <= film + 1e-12);
            Assert.InRange(film, 0.2, 5);
        });

    /// <summary>Common practice: shake and wait, and less stays on; a longer piece keeps more.</summary>
    [Fact]
    public void Shaking_and_waiting_leave_less_and_a_longer_run_leaves_more() =>
        Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[2, 8], Gen.Double[0, 8], Gen.Double[10, 150], Gen.Double[0, 50])
            .Sample((shake, harder, seconds, longer, run, further) =>
            {
                var film = Film(Wafers, Handled(shake, seconds), run);
                Assert.True(Film(Wafers, Handled(shake + harder, seconds), run) <= film + 1e-12);
                Assert.True(Film(Wafers, Handled(shake, seconds + longer), run) <= film + 1e-12);
                Assert.True(Film(Wafers, Handled(shake, seconds), run + further) >= film - 1e-12);
            });

    /// <summary>Krieger &amp; Dougherty and Heymann et al.: without solids the coating flows like its fat and yields to nothing.</summary>
    [Fact]
    public void Pure_fat_flows_like_fat()
    {
        var flow = Flow.Of(With(1, 40), default, Tables.Film);
        Assert.Equal(900, flow.Density.Si, 6);
        Assert.Equal(0, flow.Yield.Si, 9);
        Assert.Equal(Tables.Film.FatViscosityAt40.Value.Si * Tables.Coatings[0].Viscosity.Value.Si, flow.Viscosity.Si, 9);
    }

    private static FilmConstants Handled(double shake, double seconds) => Tables.Film with
    {
        Shakes = [new("test", "", new(new(shake), Source.Entered))],
        DripTime = new(Duration.FromSeconds(seconds), Source.Entered),
    };
}
