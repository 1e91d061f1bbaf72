using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Vessels;

/// <summary>A corner of a vessel's cross-section; x from its middle, y from the table up.</summary>
public sealed record Corner(Length X, Length Y);

/// <summary>What coating stands in while pieces are coated from it. Which pieces it takes is the <see cref="DippingWay"/>'s rule.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Measures">What it is computed from, with sources.</param>
public abstract record Vessel(string Code, string Name, IReadOnlyList<WorkingLine> Measures)
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

    /// <summary>Every way in which a piece can be dipped in it; when there is none, one seat that says why.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="ways">The ways there are.</param>
    public IReadOnlyList<Seat> Seats(HeldPiece piece, DippingWays ways)
    {
        List<Seat> fitting = [];
        Seat? misfit = null;
        foreach (var way in ways.All)
        {
            if (way.Seat(piece, this) is not { } seat)
                continue;
            if (seat.Fits)
                fitting.Add(seat);
            else
                misfit ??= seat;
        }

        if (fitting.Count > 0)
            return fitting;
        return
        [
            misfit ?? new(
                ways.Upright,
                default,
                default,
                default,
                () => Pours
                    ? Message.Of("vessels.dipped-filling-moulds", ("one", piece.One), ("name", Name))
                    : Message.Of("vessels.cannot-dipped", ("one", piece.One), ("name", Name))),
        ];
    }
}
