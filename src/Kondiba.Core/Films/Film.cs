using Kondiba.Core.Coatings;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using NodaTime;
using static System.Math;

namespace Kondiba.Core.Films;

/// <summary>Constants of the film model.</summary>
/// <param name="FatDensity">Of the fat.</param>
/// <param name="SolidsDensity">Of sugar, cocoa and milk solids.</param>
/// <param name="Packing">Solids volume fraction at which nothing flows, φm.</param>
/// <param name="FatViscosityAt40">Viscosity of the fat at 40 °C.</param>
/// <param name="FlowActivation">How fast the fat thins when warmed (Arrhenius).</param>
/// <param name="Shakes">Ways to drain a piece.</param>
/// <param name="Shake">Code of the way it is done in this kitchen.</param>
/// <param name="DripTime">How long a piece is held over the pot.</param>
/// <param name="AtOnce">What a second coat, dipped at once, adds to the first: the wet coats run down together.</param>
/// <param name="Loops">What the loops of a twist drag along, over the skin of its rod.</param>
/// <param name="Covers">Film that each kind of colour needs to hide what is under it.</param>
/// <param name="Foot">Source of the law by which a foot spreads.</param>
/// <param name="ViscosityRule">Source of the viscosity law.</param>
/// <param name="YieldRule">Source of the yield stress law.</param>
/// <param name="DrainRule">Source of the draining law.</param>
/// <param name="GravityRule">Source of 9.81 m/s².</param>
public sealed record FilmConstants(
    Sourced<Density> FatDensity,
    Sourced<Density> SolidsDensity,
    Sourced<Share> Packing,
    Sourced<Viscosity> FatViscosityAt40,
    Sourced<MolarEnergy> FlowActivation,
    IReadOnlyList<Shake> Shakes,
    string Shake,
    Sourced<Duration> DripTime,
    Sourced<Share> AtOnce,
    Sourced<Share> Loops,
    Covers Covers,
    Source Foot,
    Source ViscosityRule,
    Source YieldRule,
    Source DrainRule,
    Source GravityRule)
{
    /// <summary>a, extra pull while draining as a share of gravity.</summary>
    public Sourced<Share> Pull => (Shakes.FirstOrDefault(s => s.Code == Shake) ?? Shakes[0]).Pull;

    /// <summary>Gravity and shake together, in m/s².</summary>
    internal double Draining => Gravity * (1 + Pull.Value.Si);

    internal const double Gravity = 9.81;
}

/// <summary>A way to drain a piece over the pot.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Pull">a, extra pull as a share of gravity.</param>
public sealed record Shake(string Code, string Name, Sourced<Share> Pull);

/// <summary>Film that a colour needs to hide what is under it.</summary>
public sealed record Covers(Sourced<Length> Deep, Sourced<Length> Middle, Sourced<Length> Pale)
{
    /// <summary>What that kind of colour needs.</summary>
    public Sourced<Length> Of(Cover cover) => cover switch { Cover.Deep => Deep, Cover.Middle => Middle, _ => Pale };
}

/// <summary>How a molten coating flows.</summary>
/// <param name="Density">Of the coating.</param>
/// <param name="Viscosity">Plastic viscosity at its temperature.</param>
/// <param name="Yield">Yield stress.</param>
/// <param name="Working">How they came about.</param>
public sealed record Flow(Density Density, Viscosity Viscosity, Stress Yield, Func<IReadOnlyList<WorkingLine>> Working)
{
    private const double GasConstant = 8.314;

    /// <summary>The flow of a coating at the temperature it is dipped at.</summary>
    /// <param name="coating">The coating.</param>
    /// <param name="thinner">Fat added, as a share of the coating's mass.</param>
    /// <param name="c">Constants of the film model.</param>
    public static Flow Of(Coating coating, Share thinner, FilmConstants c) => Of(coating, thinner, coating.DipAt.Value, c);

    /// <summary>The flow of a coating at any temperature.</summary>
    /// <param name="coating">The coating.</param>
    /// <param name="thinner">Fat added, as a share of the coating's mass; less than nothing where some of its fat has set.</param>
    /// <param name="at">Its temperature.</param>
    /// <param name="c">Constants of the film model.</param>
    public static Flow Of(Coating coating, Share thinner, Temperature at, FilmConstants c)
    {
        var own = coating.Fat.Value.Si;
        var f = (own + thinner.Si) / (1 + thinner.Si);
        var fat = f / c.FatDensity.Value.Si;
        var solids = (1 - f) / c.SolidsDensity.Value.Si;
        var phi = new Share(solids / (solids + fat));
        var density = new Density(1 / (solids + fat));
        var free = 1 - (phi.Si / c.Packing.Value.Si);
        var fatViscosity = c.FatViscosityAt40.Value * Exp(
            c.FlowActivation.Value.Si / GasConstant * ((1 / at.Si) - (1 / Quantities.Of<Temperature>(40, "°C").Si)));
        var viscosity = fatViscosity * (coating.Viscosity.Value.Si * Pow(free, -2.5 * c.Packing.Value.Si));
        var yield = coating.Yield.Value * (Pow(free, -2) - 1);
        return new(density, viscosity, yield, () =>
        [
            .. FatWorking(coating, thinner, f, phi, density, c),
            .. FlowWorking(coating, f, phi, fatViscosity, viscosity, yield, c),
        ]);
    }

    private static List<WorkingLine> FatWorking(
        Coating coating, Share thinner, double f, Share phi, Density density, FilmConstants c) =>
    [
        WorkingLine.Of(
            "amounts.fat-coating",
            Message.Of("amounts.fat-coating.how", ("coating", coating.Name)),
            coating.Fat.Value,
            coating.Fat.Source),
        .. thinner.Si > 0
            ? new[]
            {
                WorkingLine.Of(
                    "amounts.fat-thinner-f",
                    Message.Of("amounts.fat-thinner-f.how", ("own", coating.Fat.Value.Si), ("thinner", thinner.Si)),
                    new Share(f),
                    Source.Computed),
            }
            : [],
        WorkingLine.Of(
            "amounts.dip-temperature",
            Message.Of("amounts.fat-coating.how", ("coating", coating.Name)),
            coating.DipAt.Value,
            coating.DipAt.Source),
        WorkingLine.Of("amounts.density-fat", c.FatDensity),
        WorkingLine.Of("amounts.density-solids", c.SolidsDensity),
        WorkingLine.Of(
            "amounts.solids-volume",
            Message.Of(
                "amounts.solids-volume.how",
                ("f", f),
                ("solidsDensity", c.SolidsDensity.Value.Si),
                ("fatDensity", c.FatDensity.Value.Si)),
            phi,
            Source.Computed),
        WorkingLine.Of(
            "amounts.coating-density",
            Message.Of(
                "amounts.coating-density.how",
                ("f", f),
                ("fatDensity", c.FatDensity.Value.Si),
                ("solidsDensity", c.SolidsDensity.Value.Si)),
            density,
            Source.Computed),
    ];

    private static List<WorkingLine> FlowWorking(
        Coating coating, double f, Share phi, Viscosity fatViscosity, Viscosity viscosity, Stress yield, FilmConstants c) =>
    [
        WorkingLine.Of("amounts.closest-packing-m", c.Packing),
        WorkingLine.Of("amounts.viscosity-fat-c", c.FatViscosityAt40),
        WorkingLine.Of("amounts.flow-activation", c.FlowActivation),
        WorkingLine.Of(
            "amounts.viscosity-fat",
            Message.Of(
                "amounts.viscosity-fat.how",
                ("fatViscosityAt40", c.FatViscosityAt40.Value.Si),
                ("flowActivation", c.FlowActivation.Value.In("kJ/mol")),
                ("at", coating.DipAt.Value.Si)),
            fatViscosity,
            Source.Computed),
        WorkingLine.Of("amounts.fitting-factor-k", coating.Viscosity),
        WorkingLine.Of(
            "amounts.plastic-viscosity",
            Message.Of(
                "amounts.plastic-viscosity.how",
                ("viscosity", coating.Viscosity.Value.Si),
                ("fatViscosity", fatViscosity.Si),
                ("phi", phi.Si),
                ("packing", c.Packing.Value.Si)),
            viscosity,
            c.ViscosityRule),
        WorkingLine.Of("amounts.yield-scale", coating.Yield),
        WorkingLine.Of(
            "amounts.yield-stress",
            Message.Of("amounts.yield-stress.how", ("yield", coating.Yield.Value.Si), ("phi", phi.Si), ("packing", c.Packing.Value.Si)),
            yield,
            c.YieldRule),
    ];
}

/// <summary>The film that stays on a piece.</summary>
public static class Film
{
    /// <summary>Thickness of one coat after dripping: a plug that the yield stress holds, and what has not yet drained.</summary>
    /// <param name="flow">How the coating flows.</param>
    /// <param name="run">Vertical length that it runs down.</param>
    /// <param name="c">Constants of the film model.</param>
    public static (Length Film, Length Plug, Length Drain) Thickness(Flow flow, Length run, FilmConstants c)
    {
        var weight = flow.Density.Si * c.Draining;
        var plug = new Length(flow.Yield.Si / weight);
        var drain = new Length(Sqrt(flow.Viscosity.Si * run.Si / (weight * c.DripTime.Value.TotalSeconds)));
        return (plug + drain, plug, drain);
    }

    /// <summary>The same with its working.</summary>
    public static Figure<Length> After(Flow flow, Length run, FilmConstants c)
    {
        var (film, plug, drain) = Thickness(flow, run, c);
        return new(film, () =>
        [
            .. flow.Working(),
            WorkingLine.Of("amounts.shake-while-dripping", c.Pull),
            WorkingLine.Count(
                "amounts.pull-while-dripping-m",
                Message.Of("amounts.pull-while-dripping-m.how", ("gravity", FilmConstants.Gravity), ("pull", c.Pull.Value.Si)),
                c.Draining,
                c.GravityRule),
            WorkingLine.Of("amounts.drip-time", "", c.DripTime.Value, c.DripTime.Source),
            WorkingLine.Of(
                "amounts.held-yield-stress",
                Message.Of(
                    "amounts.held-yield-stress.how", ("yield", flow.Yield.Si), ("density", flow.Density.Si), ("draining", c.Draining)),
                plug,
                c.YieldRule),
            WorkingLine.Of(
                "amounts.not-yet-drained",
                Message.Of(
                    "amounts.not-yet-drained.how",
                    ("viscosity", flow.Viscosity.Si),
                    ("run", run.Si),
                    ("density", flow.Density.Si),
                    ("draining", c.Draining),
                    ("dripTime", c.DripTime.Value.TotalSeconds)),
                drain,
                c.DrainRule),
            WorkingLine.Of(
                "amounts.film-one-coat", Message.Of("amounts.film-one-coat.how", ("plug", plug), ("drain", drain)), film, Source.Computed),
        ]);
    }

    /// <summary>
    /// The foot under a piece laid flat: along the line where its coat meets the sheet a wedge spreads until the yield stress
    /// holds it, ρ²g·h³/(3τ) a metre. It cannot be more than what had not yet drained.
    /// </summary>
    public static Mass Foot(Flow flow, Length run, Length line, Area dipped, FilmConstants c)
    {
        var (film, _, drain) = Thickness(flow, run, c);
        var still = dipped * drain * flow.Density;
        if (flow.Yield.Si <= 0)
            return line.Si > 0 ? still : default;
        var spread = new Mass(line.Si * flow.Density.Si * flow.Density.Si * FilmConstants.Gravity * Pow(film.Si, 3) / (3 * flow.Yield.Si));
        return spread < still ? spread : still;
    }

    /// <summary>
    /// How far a foot reaches from under its piece: a wedge as high as the film where it leaves the piece, its surface a parabola, so that
    /// it holds two thirds of its height times its reach (Liu &amp; Mei 1989).
    /// </summary>
    /// <param name="foot">What is in it.</param>
    /// <param name="line">Length of the line that it spreads from.</param>
    /// <param name="film">Thickness of the film.</param>
    /// <param name="density">Of the coating.</param>
    public static Length FootReach(Mass foot, Length line, Length film, Density density) =>
        foot.Si > 0 && line.Si > 0 ? new(1.5 * foot.Si / (density.Si * line.Si * film.Si)) : default;
}
