using Coppia.Core.Composition;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Desk;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Books;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Desk;

/// <summary>Looks pieces over.</summary>
internal static class PieceCheck
{
    /// <summary>A piece from the desk or from a file, and what is found in it.</summary>
    /// <exception cref="FormatException">It is no piece; the message names the place.</exception>
    public static CheckedPiece Of(
        PieceDoc? doc,
        string? text,
        WritingTask task,
        HouseStyle style,
        CancellationToken gone
    )
    {
        if (text is not null)
        {
            var read = TuneReader.Read(text, gone);
            if ((read.Score ?? read.Silent) is not { } score)
                throw new FormatException(read.Errors[0].ToString());
            var (piece, fault, bar) = Core.Composition.Piece.Of(score);
            if (piece is null)
                throw new FormatException(English.Sentence(CompositionWords.None(fault, bar)));
            var taken = PieceDoc.Of(piece);
            // What could not be read again is not taken.
            taken.Piece(task);
            return new CheckedPiece(taken, CheckView.Of(piece, task, style));
        }

        if (doc is null)
            throw new FormatException(Say("desk.piece-check.expected-a-piece-or-the-text-of"));
        return new CheckedPiece(doc, CheckView.Of(doc.Piece(task), task, style));
    }
}
