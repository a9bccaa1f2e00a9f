using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Abc;

/// <summary>Ties, broken rhythm and tuplets.</summary>
internal sealed partial class AbcVoice
{
    private void Tie()
    {
        if (!Draft.ChangeLast(e => e.IsRest ? null : e with { TiedOn = true }))
            _tune.LeftOut.Add(Say("abc.rhythm.a-tie-with-no-note-before-it"), Here);
        _at += Now == '.' ? 2 : 1;
    }

    private void Broken(char c)
    {
        var at = Here;
        var depth = 0;
        while (Now == c)
        {
            depth++;
            _at++;
        }
        if (Draft.BarIsEmpty || depth > 3)
        {
            _tune.LeftOut.Add(Say("abc.rhythm.a-or-that-stands-between-no-two"), at);
            return;
        }

        var shortened = new Fraction(1, 1L << depth);
        var lengthened = new Fraction((1L << (depth + 1)) - 1, 1L << depth);
        var before = Draft.Events[^1];
        var changed = NoteValue.Exactly(before.Value.WrittenLength * (c == '>' ? lengthened : shortened));
        if (changed is not { } value)
        {
            _tune.Errors.Add(
                new SourceError(
                    at,
                    Say(
                        "abc.rhythm.a-note-cannot-be-lengthened-or",
                        ("before", before.Value.Words(ValueNames.American))
                    ),
                    Say("abc.rhythm.a-plain-note-before-or")
                )
            );
            return;
        }

        Draft.Events[^1] = before with
        {
            Value = value with { TupletActual = before.Value.TupletActual, TupletNormal = before.Value.TupletNormal },
        };
        _brokenNext = c == '>' ? shortened : lengthened;
    }

    private void Tuplet()
    {
        var at = Here;
        _at++;
        var actual = (int)(ReadNumber() ?? 0);
        var (fewest, most) = (2, 9);
        var normal = InTheTimeOf(actual);
        var count = actual;
        if (Now == ':')
        {
            _at++;
            if (ReadNumber() is { } given)
                (normal, fewest, most) = ((int)given, 1, 64);
            if (Now == ':')
            {
                _at++;
                count = (int)(ReadNumber() ?? count);
            }
        }

        if (actual < fewest || actual > most || actual == normal || normal is < 1 or > 64 || count is < 1 or > 64)
        {
            var wrong = Say("abc.rhythm.not-a-tuplet-that-coppia-reads");
            _tune.Errors.Add(new SourceError(at, wrong, Say("abc.rhythm.2-to-9-as-in-3abc-or")));
            return;
        }

        (_pending.TupletActual, _pending.TupletNormal, _pending.TupletLeft) = (actual, normal, count);
        (_pending.TupletStart, _pending.TupletAt) = (true, at);
    }

    /// <summary>In the time of how many such a tuplet is played (ABC standard 2.1, section 4.13).</summary>
    private int InTheTimeOf(int actual) =>
        actual switch
        {
            2 => 3,
            3 => 2,
            4 => 3,
            6 => 2,
            8 => 3,
            _ => Draft.Time is { IsCompound: true } ? 3 : 2,
        };
}
