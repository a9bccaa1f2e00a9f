using Coppia.Core.Fingering;

namespace Coppia.Core.Instruments;

/// <summary>
/// What it costs a hand to move along the neck of an instrument, in the unit of <see cref="FingerWeights"/> (craft 6;
/// the figures are ours).
/// </summary>
/// <param name="Shift">Moving to another position, whatever the distance.</param>
/// <param name="PerSemitone">Added for each semitone that the hand travels.</param>
/// <param name="HomeSlide">Moving between two of the lowest positions, where that is a small slide of the whole hand;
/// null where it is a shift like any other.</param>
public sealed record HandMoves(int Shift, int PerSemitone, int? HomeSlide = null)
{
    public static readonly HandMoves Usual = new(Shift: 34, PerSemitone: 6);

    /// <summary>The hand slides between two of its lowest positions.</summary>
    public bool IsSlide(HandFrame from, HandFrame to) =>
        HomeSlide is not null && from.IsHome && to.IsHome && from.Height != to.Height;

    /// <summary>Cost of moving between two frames of different height.</summary>
    public int Cost(HandFrame from, HandFrame to) =>
        HomeSlide is { } slide && from.IsHome && to.IsHome
            ? slide
            : Shift + PerSemitone * Math.Abs(to.Height - from.Height);
}
