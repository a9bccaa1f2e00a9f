using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Source;

/// <summary>
/// How much of a tune one reading may make: what a few letters stand for is counted before it is made, so that time and
/// memory stay bounded by the text.
/// </summary>
internal sealed class TuneSize(CancellationToken stop)
{
    /// <summary>Largest source text, in characters.</summary>
    public const int MostCharacters = 5 * 1024 * 1024;

    /// <summary>Most notes and rests of all lines together.</summary>
    private const int MostInAll = 10 * Score.MostEvents;

    /// <summary>Most lines of one score.</summary>
    private const int MostLines = 200;

    private int _inAll;
    private int _lines;

    /// <summary>Counts a line.</summary>
    /// <exception cref="TuneTooLargeException">There are too many.</exception>
    public void AddLine(SourcePosition at)
    {
        if (++_lines > MostLines)
            throw new TuneTooLargeException(
                new SourceError(
                    at,
                    Say("source.tune-size.the-score-has-more-than-lines", ("mostLines", MostLines)),
                    Say("source.tune-size.at-most", ("mostLines", MostLines))
                )
            );
    }

    /// <summary>Counts a note or rest, with its grace notes.</summary>
    /// <param name="inBar">How many its bar has with it.</param>
    /// <param name="inLine">How many its line has with it.</param>
    /// <exception cref="TuneTooLargeException">There are too many.</exception>
    /// <exception cref="OperationCanceledException">Nobody waits for the reading any more.</exception>
    public void Add(int graces, int inBar, int inLine, SourcePosition at)
    {
        _inAll += 1 + graces;
        if (_inAll % 256 == 0)
            stop.ThrowIfCancellationRequested();
        if (inBar > Score.MostInBar)
            throw new TuneTooLargeException(
                new SourceError(
                    at,
                    Say("source.tune-size.a-bar-has-more-than-notes-and", ("mostInBar", Score.MostInBar)),
                    Say("source.tune-size.at-most-perhaps-a-barline-is-missing", ("mostInBar", Score.MostInBar))
                )
            );
        if (inLine > Score.MostEvents)
            throw new TuneTooLargeException(
                new SourceError(
                    at,
                    Say("source.tune-size.the-tune-has-more-than-notes-and", ("mostEvents", Score.MostEvents)),
                    Say("source.tune-size.at-most-2", ("mostEvents", Score.MostEvents))
                )
            );
        if (_inAll > MostInAll)
            throw new TuneTooLargeException(
                new SourceError(
                    at,
                    Say("source.tune-size.the-lines-of-the-score-have-more", ("mostInAll", MostInAll)),
                    Say("source.tune-size.at-most-3", ("mostInAll", MostInAll))
                )
            );
    }

    /// <summary>Reads, or says at which place the source passes what a tune may have.</summary>
    public static ReadResult Bounded(Func<ReadResult> read)
    {
        try
        {
            return read();
        }
        catch (TuneTooLargeException e)
        {
            return ReadResult.Failed(e.Error);
        }
    }
}

/// <summary>A source that passes what a tune may have.</summary>
internal sealed class TuneTooLargeException(SourceError error) : Exception(error.ToString())
{
    public SourceError Error => error;
}
