using Coppia.Core.Bowing;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Cli;

/// <summary>Everything that a reading says, in the order in which a teacher would say it.</summary>
public static class SaidAloud
{
    public static void Write(PlayerReading reading, ReadingWords words, News? news, TextWriter output)
    {
        Section(Say("cli.said-aloud.how-it-is-built"), Form(reading, words));
        if (news is not null)
            Section(Say("cli.said-aloud.what-is-new"), New(reading, news));
        foreach (var (line, remarks) in reading.Tune.Form.Lines.Zip(reading.BeforeLines(news)))
        {
            var bars = reading.Score.Bars.Skip(line.FirstBar).Take(line.EndBar - line.FirstBar).Select(b => b.Number);
            Section(
                Say("cli.said-aloud.before-line", ("line", FormWords.Letter(line)), ("bars", English.Bars(bars))),
                remarks.Select(words.Remarks.Of)
            );
        }

        Section(
            Say("cli.said-aloud.what-is-hard"),
            reading.Trouble.Select(t => $"{words.Trouble.Where(t)}: {words.Trouble.Of(t)}")
        );
        Section(Say("cli.said-aloud.the-bow"), Bow(reading));
        Section("Why", reading.Notes.Select(n => Why(n, words)));

        void Section(string title, IEnumerable<string> sentences)
        {
            output.WriteLine($"# {title}");
            foreach (var sentence in sentences.Where(s => s.Length > 0))
                output.WriteLine(sentence);
            output.WriteLine();
        }
    }

    private static IEnumerable<string> Form(PlayerReading reading, ReadingWords words)
    {
        var form = reading.Tune.Form;
        return
        [
            words.Form.Summary(),
            words.Form.Rhythms() ?? "",
            Say("cli.said-aloud.played-bars", ("plays", FormWords.Plays(reading.Score, reading.Tune.Order))),
            .. form.Traps.Select(words.Form.Trap),
            .. form.Passages.Select(words.Form.Passage),
            .. form.Likenesses.Select(words.Form.Likeness),
        ];
    }

    private static IEnumerable<string> New(PlayerReading reading, News news)
    {
        var words = new NewsWords(reading.Player.Style);
        return news
            .Of.Select(words.Sentence)
            .Append(English.Sentence(NewsWords.Parts(HowHard.Of(news, HowHard.HardestStepOf(reading)))));
    }

    private static IEnumerable<string> Bow(PlayerReading reading)
    {
        var (tune, style) = (reading.Tune, reading.Player.Style);
        var advice = tune.Advice();
        return
        [
            .. BowWords.Check(reading.BowCheck),
            .. advice.WrongWay.Select(w => BowWords.WrongWay(tune.Notes, w.Place, style)),
            .. advice.Uneven.Select(BowWords.Uneven),
            .. advice.Hints.Select(h => $"{BowWords.Where(h)}: {BowWords.Action(h.Action, style)}"),
            .. advice.Proposals.SelectMany(p => Proposal(p).Select(change => $"{BowWords.Aim(p.Aim)}: {change}")),
        ];

        IEnumerable<string> Proposal(BowProposal proposal) =>
            BowChange.In(tune.Score, proposal.Edits).Select(c => English.LowerFirst(BowWords.Change(c, style)) + ".");
    }

    private static string Why(ReadingNote note, ReadingWords words)
    {
        var why = words.Why(note);
        string[] said = [why.Reading, why.Finger, why.Place, why.Choice];
        return $"{note.Note.Bar.Spoken()}, {words.Name(note)} {words.Label(note)}: "
            + string.Join(' ', said.Where(s => s.Length > 0));
    }
}
