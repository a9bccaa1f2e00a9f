using Coppia.Core.Music;

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
                new SourceError(at, $"the score has more than {MostLines:N0} lines", $"at most {MostLines:N0}")
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
                    $"a bar has more than {Score.MostInBar:N0} notes and rests",
                    $"at most {Score.MostInBar:N0}; perhaps a barline is missing"
                )
            );
        if (inLine > Score.MostEvents)
            throw new TuneTooLargeException(
                new SourceError(
                    at,
                    $"the tune has more than {Score.MostEvents:N0} notes and rests",
                    $"at most {Score.MostEvents:N0}"
                )
            );
        if (_inAll > MostInAll)
            throw new TuneTooLargeException(
                new SourceError(
                    at,
                    $"the lines of the score have more than {MostInAll:N0} notes and rests together",
                    $"at most {MostInAll:N0}"
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
