using Kondiba.Core.Moulds;

namespace Kondiba.Core.Orders;

/// <summary>How the pieces of a line come to be, where there is a choice.</summary>
/// <param name="Filling">Code of the recipe its centres are made by, or "bought"; null for the first that makes them.</param>
/// <param name="Portion">Of the recipe's mix on one piece, in g; null for the usual one.</param>
/// <param name="Shares">Shares of the mix that are not the recipe's, by ingredient.</param>
/// <param name="Mould">What it is moulded in; null for the size's own cavity.</param>
/// <param name="Colours">Of a figure's parts, colours of the line's coating that are not the line's own, by the part's code.</param>
/// <param name="On">Code of the stick, pick or skewer that a piece is put on; "none" for none; null for what it usually has.</param>
/// <param name="Disc">A piped disc of coating that a piece is set on; null for none.</param>
public sealed record Making(
    string? Filling = null,
    double? Portion = null,
    IReadOnlyDictionary<string, double>? Shares = null,
    MouldDraft? Mould = null,
    IReadOnlyDictionary<string, string>? Colours = null,
    string? On = null,
    DiscDraft? Disc = null);

/// <summary>A piped disc that a piece is set on, as typed.</summary>
/// <param name="Across">How wide it is, in mm.</param>
/// <param name="Coating">Code of its coating.</param>
/// <param name="Colour">Code of its colour.</param>
public sealed record DiscDraft(double Across, string? Coating, string? Colour);
