using System.Text.Json.Serialization;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Vessels;

/// <summary>A piece as it goes into the coating.</summary>
/// <param name="One">It in words: "medium apple".</param>
/// <param name="Holding">What it is held by.</param>
/// <param name="Shape">Its solid.</param>
/// <param name="Depth">Share of its length that is covered.</param>
public sealed record HeldPiece(string One, Holding Holding, Shape Shape, Share Depth)
{
    /// <summary>How it sits in the coating end first, or on its edge.</summary>
    public Immersion Upright { get; } = Shape.Upright(Depth);

    /// <summary>How it sits in the coating lying.</summary>
    public Immersion Lying { get; } = Shape.Lying();

    /// <summary>Whether it is laid on a fork: a flat piece or a ball dipped whole. Dipped part way, it is held at its edge.</summary>
    public bool OnFork => Holding is Holding.Fork && Depth.Si >= 1;
}

/// <summary>How a piece is dipped in a vessel.</summary>
/// <param name="Way">The way.</param>
/// <param name="Stands">Coating that must stand in the vessel so that the last piece still gets its coat.</param>
/// <param name="Depth">Level that this comes to with the piece in it.</param>
/// <param name="Displaced">Taken up by the piece.</param>
/// <param name="Why">Says why the piece cannot be dipped like this; null when it can.</param>
public sealed record Seat(DippingWay Way, Volume Stands, Length Depth, Volume Displaced, Func<Message>? Why = null)
{
    /// <summary>Whether the piece can be dipped like this.</summary>
    public bool Fits => Why is null;

    /// <summary>Why not; null when it can.</summary>
    public Message? Misfit => Why?.Invoke();

    /// <summary>Mass of what must stand there: never less than the way wants in any vessel.</summary>
    /// <param name="density">Of the coating.</param>
    public Mass StandsOf(Density density) => Stands * density is var mass && mass > Way.Least.Value ? mass : Way.Least.Value;
}

/// <summary>
/// A way of getting coating onto a piece: which vessels it can be done in, what must stand there when the last piece goes in, and
/// how long a piece takes the hands. Common practice; its figures are estimates.
/// </summary>
/// <param name="Name">The way in words: "on a fork".</param>
/// <param name="Does">What the hands do, before "the 15 cm bowl": "Dip on a fork in".</param>
/// <param name="Room">By how much the vessel's opening is wider than the piece.</param>
/// <param name="Over">By how much the coating stands over what it must cover.</param>
/// <param name="Least">Coating that is wanted however small the vessel is.</param>
/// <param name="Time">Of the hands, for one coat of one piece.</param>
public abstract record DippingWay(
    string Name, string Does, Sourced<Length> Room, Sourced<Length> Over, Sourced<Mass> Least, Sourced<Duration> Time)
{
    /// <summary>Name in data.</summary>
    public abstract string Code { get; }

    /// <summary>How a piece is dipped like this in a vessel; null when the way is not for such a piece or vessel.</summary>
    public abstract Seat? Seat(HeldPiece piece, Vessel vessel);

    /// <summary>The pool's formula with its numbers, for the working.</summary>
    public abstract Message PoolFormula(Seat seat, Vessel vessel);

    private protected Seat Not(Func<Message> why) => new(this, default, default, default, why);

    private protected Seat TooNarrow(HeldPiece piece, Length across, Length opening, Vessel vessel) =>
        Not(() => Message.Of(
            "vessels.across-wants-go-out",
            ("one", piece.One),
            ("across", across),
            ("across2", (across + Room.Value)),
            ("name", Name),
            ("vessel", vessel.Name),
            ("opening", opening)));

    /// <summary>The seat up to a level, or why the vessel is not deep enough.</summary>
    private protected Seat UpTo(Length level, Volume displaced, HeldPiece piece, Vessel vessel, Length height) => level > height
        ? Not(() => Message.Of(
            "vessels.wants-coating-deep",
            ("one", piece.One),
            ("name", Name),
            ("level", level),
            ("vessel", vessel.Name),
            ("height", height)))
        : new(this, vessel.UpToLevel(level) - displaced, level, displaced);
}

/// <summary>By hand or on a stick, end first or on its edge, into a glass, a cup or a jar.</summary>
/// <param name="Name">The way in words.</param>
/// <param name="Does">What the hands do.</param>
/// <param name="Room">By how much the opening is wider than the piece.</param>
/// <param name="Over">By how much the coating stands over the dip line.</param>
/// <param name="Least">Coating that is wanted at least.</param>
/// <param name="Time">Of the hands.</param>
/// <param name="Fingers">How far over the piece it is held: leaves, finger tips.</param>
/// <param name="Stick">How far over the piece its stick is held.</param>
/// <param name="HandRoom">By how much the opening is wider than the piece, so that fingers go in too.</param>
/// <param name="ReachIn">How deep fingers then reach.</param>
public sealed record UprightWay(
    string Name,
    string Does,
    Sourced<Length> Room,
    Sourced<Length> Over,
    Sourced<Mass> Least,
    Sourced<Duration> Time,
    Sourced<Length> Fingers,
    Sourced<Length> Stick,
    Sourced<Length> HandRoom,
    Sourced<Length> ReachIn) : DippingWay(Name, Does, Room, Over, Least, Time)
{
    /// <inheritdoc/>
    public override string Code => "upright";

    /// <inheritdoc/>
    public override Seat? Seat(HeldPiece piece, Vessel vessel)
    {
        if (vessel is not RoundVessel round || piece.OnFork)
            return null;
        var sits = piece.Upright;
        if (sits.Across + Room.Value > round.Opening)
            return TooNarrow(piece, sits.Across, round.Opening, vessel);
        if (sits.Across > round.Floor)
            return Not(() => Message.Of(
                "vessels.across-wide-bottom",
                ("one", piece.One),
                ("across", sits.Across),
                ("vessel", vessel.Name),
                ("floor", round.Floor)));
        var seat = UpTo(sits.Depth + Over.Value, sits.Displaced, piece, vessel, round.Height);
        if (!seat.Fits)
            return seat;

        // The coating stands lowest when the last piece goes in: the hand, outside or inside, must still get it down there.
        var held = piece.Shape.Length - sits.Depth + (piece.Holding is Holding.Stick ? Stick.Value : Fingers.Value);
        var reach = sits.Across + HandRoom.Value > round.Opening ? held : held + ReachIn.Value;
        return round.Height - seat.Depth > reach
            ? Not(() => Message.Of("vessels.hand-does-not-reach", ("vessel", vessel.Name), ("one", piece.One)))
            : seat;
    }

    /// <inheritdoc/>
    public override Message PoolFormula(Seat seat, Vessel vessel) => RoundVessel.Formula(seat, vessel);
}

/// <summary>Lying on a fork in a bowl that is low and wide.</summary>
/// <param name="Name">The way in words.</param>
/// <param name="Does">What the hands do.</param>
/// <param name="Room">By how much the opening is wider than the piece, for the fork.</param>
/// <param name="Over">By how much the coating stands over the lying piece.</param>
/// <param name="Least">Coating that is wanted at least.</param>
/// <param name="Time">Of the hands.</param>
/// <param name="Turning">By how much the bottom is wider than the piece, to turn it.</param>
public sealed record ForkWay(
    string Name,
    string Does,
    Sourced<Length> Room,
    Sourced<Length> Over,
    Sourced<Mass> Least,
    Sourced<Duration> Time,
    Sourced<Length> Turning) : DippingWay(
        Name, Does, Room, Over, Least, Time)
{
    /// <inheritdoc/>
    public override string Code => "fork";

    /// <inheritdoc/>
    public override Seat? Seat(HeldPiece piece, Vessel vessel)
    {
        if (vessel is not RoundVessel round || !piece.OnFork)
            return null;
        var lies = piece.Lying;
        if (lies.Across + Room.Value > round.Opening)
            return TooNarrow(piece, lies.Across, round.Opening, vessel);
        if (!round.Low)
            return Not(() => Message.Of("vessels.deeper-wide-fork-does", ("vessel", vessel.Name)));
        return lies.Across + Turning.Value > round.Floor
            ? Not(() => Message.Of(
                "vessels.wants-turned-wide-bottom",
                ("one", piece.One),
                ("across", (lies.Across + Turning.Value)),
                ("vessel", vessel.Name),
                ("floor", round.Floor)))
            : UpTo(lies.Depth + Over.Value, lies.Displaced, piece, vessel, round.Height);
    }

    /// <inheritdoc/>
    public override Message PoolFormula(Seat seat, Vessel vessel) => RoundVessel.Formula(seat, vessel);
}

/// <summary>Laid into the corner of a shallow dish propped up at one end, and rocked or turned there.</summary>
/// <param name="Name">The way in words.</param>
/// <param name="Does">What the hands do.</param>
/// <param name="Room">By how much the dish is longer than the dipped part.</param>
/// <param name="Over">By how much the coating stands over half the piece's thickness.</param>
/// <param name="Least">Coating that is wanted at least: the dish keeps some on its floor.</param>
/// <param name="Time">Of the hands.</param>
public sealed record RockedWay(
    string Name, string Does, Sourced<Length> Room, Sourced<Length> Over, Sourced<Mass> Least, Sourced<Duration> Time)
    : DippingWay(Name, Does, Room, Over, Least, Time)
{
    /// <inheritdoc/>
    public override string Code => "rocked";

    /// <inheritdoc/>
    public override Seat? Seat(HeldPiece piece, Vessel vessel)
    {
        if (vessel is not TiltedDish dish || piece.Holding is Holding.Mould or Holding.Stick)
            return null;
        var along = piece.Shape.DipLine(piece.Depth);
        return along + Room.Value > dish.Wide
            ? TooNarrow(piece, along, dish.Wide, vessel)
            : UpTo((piece.Shape.Thickness / 2) + Over.Value, default, piece, vessel, dish.Rim);
    }

    /// <inheritdoc/>
    public override Message PoolFormula(Seat seat, Vessel vessel) =>
        Message.Of("vessels.w-d-sin-d", ("stands", seat.Stands), ("depth", seat.Depth), ("over", Over.Value));
}

/// <summary>Held over a bowl and spooned over; what runs off is spooned again.</summary>
/// <param name="Name">The way in words.</param>
/// <param name="Does">What the hands do.</param>
/// <param name="Room">By how much the bowl is wider than the piece, so that what runs off falls back into it.</param>
/// <param name="Over">How deep the coating stands in a bowl, so that the spoon still takes it up.</param>
/// <param name="Least">What the spoon still needs.</param>
/// <param name="Time">Of the hands.</param>
/// <param name="Longest">Dipped length that can still be spooned over.</param>
public sealed record SpoonedWay(
    string Name,
    string Does,
    Sourced<Length> Room,
    Sourced<Length> Over,
    Sourced<Mass> Least,
    Sourced<Duration> Time,
    Sourced<Length> Longest) : DippingWay(
        Name, Does, Room, Over, Least, Time)
{
    /// <inheritdoc/>
    public override string Code => "spooned";

    /// <inheritdoc/>
    public override Seat? Seat(HeldPiece piece, Vessel vessel)
    {
        if (vessel is not (SpoonedCup or RoundVessel { Low: true, Warm: false }) || piece.Holding is Holding.Mould)
            return null;
        if (piece.Shape.DipLine(piece.Depth) > Longest.Value)
            return Not(() => Message.Of("vessels.too-long-coated-from", ("one", piece.One)));
        if (vessel is RoundVessel bowl && piece.Upright.Across + Room.Value > bowl.Opening)
            return TooNarrow(piece, piece.Upright.Across, bowl.Opening, vessel);
        var stays = vessel is SpoonedCup cup ? cup.Stays : vessel.UpToLevel(Over.Value);
        return new(this, stays, vessel.LevelOf(stays), default);
    }

    /// <inheritdoc/>
    public override Message PoolFormula(Seat seat, Vessel vessel) => Message.Of("vessels.spoon-still-needs", ("stands", seat.Stands));
}

/// <summary>Held over a warm pot and bathed with a spoon that lies in it.</summary>
/// <param name="Name">The way in words.</param>
/// <param name="Does">What the hands do.</param>
/// <param name="Room">By how much the pot is wider than the piece.</param>
/// <param name="Over">How deep the coating stands, so that it covers a spoon lying in it.</param>
/// <param name="Least">Coating that is wanted at least.</param>
/// <param name="Time">Of the hands.</param>
public sealed record BathedWay(
    string Name, string Does, Sourced<Length> Room, Sourced<Length> Over, Sourced<Mass> Least, Sourced<Duration> Time)
    : DippingWay(Name, Does, Room, Over, Least, Time)
{
    /// <inheritdoc/>
    public override string Code => "bathed";

    /// <inheritdoc/>
    public override Seat? Seat(HeldPiece piece, Vessel vessel)
    {
        if (vessel is not RoundVessel { Warm: true } pot || piece.Holding is Holding.Mould)
            return null;

        // A rod is held at its dry end and slanted over the pot.
        var across = piece.OnFork ? piece.Lying.Across : piece.Upright.Across;
        return across + Room.Value > pot.Opening
            ? TooNarrow(piece, across, pot.Opening, vessel)
            : UpTo(Over.Value, default, piece, vessel, pot.Height);
    }

    /// <inheritdoc/>
    public override Message PoolFormula(Seat seat, Vessel vessel) => RoundVessel.Formula(seat, vessel);
}

/// <summary>Poured from a jug or squeezed from a bag into moulds.</summary>
/// <param name="Name">The way in words.</param>
/// <param name="Does">What the hands do.</param>
/// <param name="Room">Of no account.</param>
/// <param name="Over">Of no account.</param>
/// <param name="Least">Coating that is wanted at least.</param>
/// <param name="Time">Of no account: moulds are filled by their own time.</param>
public sealed record PouredWay(
    string Name, string Does, Sourced<Length> Room, Sourced<Length> Over, Sourced<Mass> Least, Sourced<Duration> Time)
    : DippingWay(Name, Does, Room, Over, Least, Time)
{
    /// <inheritdoc/>
    public override string Code => "poured";

    /// <summary>Moulds are filled from what pours; a few beside dipped pieces of the same colour, with a spoon from their vessel.</summary>
    public override Seat? Seat(HeldPiece piece, Vessel vessel)
    {
        if (piece.Shape is not Cavity)
            return null;
        return vessel is PouredFrom poured
            ? new(this, poured.Stays, poured.LevelOf(poured.Stays), default)
            : new(this, default, default, default);
    }

    /// <inheritdoc/>
    public override Message PoolFormula(Seat seat, Vessel vessel) => Message.Of("vessels.cannot-got-out", ("stands", seat.Stands));
}

/// <summary>Every way that the product knows.</summary>
/// <param name="Upright">By hand or on a stick.</param>
/// <param name="Fork">On a fork.</param>
/// <param name="Rocked">In a tilted dish.</param>
/// <param name="Spooned">From a spoon.</param>
/// <param name="Bathed">Over a warm pot.</param>
/// <param name="Poured">Into moulds.</param>
public sealed record DippingWays(UprightWay Upright, ForkWay Fork, RockedWay Rocked, SpoonedWay Spooned, BathedWay Bathed, PouredWay Poured)
{
    /// <summary>All of them.</summary>
    [JsonIgnore]
    public IReadOnlyList<DippingWay> All => [Upright, Fork, Rocked, Spooned, Bathed, Poured];
}
