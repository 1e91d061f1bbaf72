using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Vessels;

/// <summary>How a piece is taken by a vessel.</summary>
/// <param name="Stands">Coating that must stand in it so that the piece still gets its coat.</param>
/// <param name="Depth">Level that this comes to with the piece in it.</param>
/// <param name="Displaced">Taken up by the piece.</param>
/// <param name="Misfit">Why the piece does not go; null when it does.</param>
public sealed record Seat(Volume Stands, Length Depth, Volume Displaced, string? Misfit = null)
{
    internal static Seat Not(string reason) => new(default, default, default, reason);
}

/// <summary>A corner of a vessel's cross-section; x from its middle, y from the table up.</summary>
public sealed record Corner(Length X, Length Y);

/// <summary>What coating stands in while pieces are coated from it.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="UpTo">Pieces up to which it is chosen for the maker, as it wants handwork for each; null for any number.</param>
/// <param name="Measures">What it is computed from, with sources.</param>
public abstract record Vessel(string Code, string Name, int? UpTo, IReadOnlyList<WorkingLine> Measures)
{
    /// <summary>Kind, by which it is drawn and entered.</summary>
    public abstract string Kind { get; }

    /// <summary>What it holds.</summary>
    public abstract Volume Capacity { get; }

    /// <summary>The cross-section, from one end of the rim round the bottom to the other.</summary>
    public abstract IReadOnlyList<Corner> Outline { get; }

    /// <summary>Whether moulds are filled from it; nothing is dipped in it then.</summary>
    public virtual bool Pours => false;

    /// <summary>Volume up to a level above its lowest point.</summary>
    public abstract Volume UpToLevel(Length level);

    /// <summary>Level that a volume comes to, at most the rim.</summary>
    public abstract Length LevelOf(Volume volume);

    /// <summary>How a piece sits in it.</summary>
    /// <param name="one">The piece in words, for the reason when it does not go in.</param>
    /// <param name="shape">Its solid.</param>
    /// <param name="depth">Dip depth.</param>
    /// <param name="clearance">Free room wanted on each side.</param>
    public abstract Seat Seat(string one, Shape shape, Share depth, Length clearance);

    /// <summary>The pool's formula with its numbers, for the working.</summary>
    public abstract string PoolFormula(Seat seat);

    /// <summary>How a piece sits in a vessel that is open so wide and so deep.</summary>
    private protected Seat Within(Length across, Length height, string one, Immersion sits, Share depth, Length clearance)
    {
        var wants = sits.Across + (clearance * 2);
        if (wants > across)
            return Vessels.Seat.Not($"{With.Article(one)} is {sits.Across.In("mm"):0} mm across and wants {wants.In("mm"):0} mm to move in; the {Name} is {across.In("mm"):0} mm wide.");
        return sits.Depth > height
            ? Vessels.Seat.Not($"{With.Article(one)} dipped to {depth.In("%"):0} % wants {sits.Depth.In("mm"):0} mm of coating; the {Name} is {height.In("mm"):0} mm deep.")
            : new(UpToLevel(sits.Depth) - sits.Displaced, sits.Depth, sits.Displaced);
    }

    /// <summary>The reason why moulds are not filled from a vessel that pieces are dipped in.</summary>
    private protected static Seat? Mould(Shape shape) => shape is Cavity ? new(default, default, default) : null;
}
