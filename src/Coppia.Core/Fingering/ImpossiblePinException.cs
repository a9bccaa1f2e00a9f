using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Fingering;

/// <summary>A pin that cannot be honoured.</summary>
/// <param name="note">The note it is on.</param>
/// <param name="pin">What was asked for.</param>
/// <param name="possible">How the note can be played.</param>
public sealed class ImpossiblePinException(SoundingNote note, Pin pin, IReadOnlyList<Placement> possible)
    : Exception($"{note.Pitch} ({note.Id}) cannot be played with {pin}.")
{
    public SoundingNote Note { get; } = note;

    public Pin Pin { get; } = pin;

    public IReadOnlyList<Placement> Possible { get; } = possible;
}
