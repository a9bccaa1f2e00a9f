using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using Coppia.Core.Writing;
using Coppia.Formats.Abc;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Source;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Writing;

/// <summary>
/// The writing staff: each step starts from a state and gives the next one; nothing is kept here between them.
/// </summary>
internal static class WritingEndpoints
{
    /// <summary>
    /// Lines and spaces below and above the staff that can be written on, in half-spaces from the bottom line.
    /// </summary>
    private const int LowestHeight = -9;
    private const int HighestHeight = 19;

    public static void MapWriting(this IEndpointRouteBuilder api)
    {
        api.MapPost("/api/writing/new", New).WithName("newWriting").ProducesProblem(404).ProducesProblem(422);
        api.MapPost("/api/writing/step", Step)
            .WithName("stepWriting")
            .ProducesProblem(404)
            .ProducesProblem(410)
            .ProducesProblem(422);
        api.MapPost("/api/writing/text", Text).WithName("textOfWriting").ProducesProblem(422);
        api.MapGet("/api/tunes/{id:long}/writing", Open).WithName("openWriting").ProducesProblem(404);
        api.MapGet("/api/instruments/{instrument}/staff", Spots).WithName("staffSpots").ProducesProblem(404);
    }

    private static WritingView New(HouseStyles styles, WrittenMemory memory, NewWriting asked)
    {
        var player = styles.Player(asked.Instrument);
        var clef = Clef.Named(asked.Clef ?? "") ?? player.Instrument.FirstClef;
        var (time, expected) = AbcMeter.Of(asked.Meter ?? "none");
        if (expected is not null || !KeySignature.IsOne(asked.Fifths))
            throw new RefusedException(
                422,
                Say("writing.this-is-no-key-or-meter-expected", ("expected", expected ?? "a meter"))
            );
        var staff = WritingStaff.Empty(clef, new KeySignature(asked.Fifths), time, Length(asked.PickUp)) with
        {
            For = player.Instrument,
        };
        var line = new ScoreLine("P1", player.Instrument.Name, staff.Score);
        return WritingView.Of(staff, [line], 0, player, asked.PerLine, memory);
    }

    private static WritingView Open(
        Readings readings,
        WrittenMemory memory,
        long id,
        string instrument,
        int perLine = WritingView.UsualPerLine
    )
    {
        var (kept, player) = readings.Kept(id, instrument);
        var line = kept.Lines.ToList().IndexOf(kept.Line);
        return WritingView.Of(
            WritingStaff.Of(kept.Score) with
            {
                For = player.Instrument,
            },
            kept.Lines,
            line,
            player,
            perLine,
            memory
        );
    }

    /// <summary>The lines that a step starts from: remembered, or read where they are sent.</summary>
    private static IReadOnlyList<ScoreLine> LinesOf(WritingFrom state, WrittenMemory memory, CancellationToken gone)
    {
        if ((state.Doc is { } sent ? WrittenMemory.KeyOf(sent) : state.Key) is not { } key)
            throw RefusedException.Field("doc", Say("writing.expected-the-score-or-its-key"));
        if (memory.Find(key) is { } remembered)
            return remembered;
        if (state.Doc is not { } doc)
            throw new RefusedException(410, Say("writing.this-score-is-not-remembered-any-more"));
        // A staff with nothing but rests is no tune yet, but it can be written on.
        var read = MusicXmlReader.ReadUnfinished(doc, gone);
        if (read.Lines.Count == 0 && read.Errors.Count > 0)
            throw RefusedException.Unreadable(read.Errors);
        memory.Keep(doc, read.Lines);
        return read.Lines;
    }

    private static WritingView Step(HouseStyles styles, Asker asker, WrittenMemory memory, WritingRequest request)
    {
        var player = styles.Player(request.Instrument);
        var lines = LinesOf(request.State, memory, asker.Gone);
        if (request.State.Line < 0 || request.State.Line >= lines.Count)
            throw new RefusedException(
                422,
                Say("writing.there-is-no-line-expected-0-to", ("line", request.State.Line), ("lines", lines.Count - 1))
            );
        var staff = WritingStaff.Of(lines[request.State.Line].Score) with
        {
            Value = request.State.Value.ToValue(),
            PickUp = Length(request.State.PickUp),
            For = player.Instrument,
        };
        staff = staff.MoveTo(request.State.Caret.ToCaret());
        if (request.State.Anchor is { } anchor)
            staff = staff with { Anchor = staff.MoveTo(anchor.ToCaret()).Caret };
        if (request.Command is { } command)
            staff = Done(staff, command);
        CheckSize(staff.Score);
        return WritingView.Of(staff, lines, request.State.Line, player, request.PerLine, memory);
    }

    private static WritingStaff Done(WritingStaff staff, WritingCommand command)
    {
        if (command.Do == "paste" && TuneReader.Read(command.Text ?? "") is { Score: null } torn)
            throw RefusedException.Unreadable(torn.Errors);
        return WritingSteps.Do(staff, command)
            ?? throw new RefusedException(
                422,
                Say("writing.cannot-be-done-expected-one-of", ("do", command.Do), ("expected", WritingSteps.Expected))
            );
    }

    private static void CheckSize(Score score)
    {
        if (score.Events.Count() > Score.MostEvents || score.Bars.Any(b => b.Events.Count > Score.MostInBar))
            throw new RefusedException(
                422,
                Say(
                    "writing.a-tune-has-at-most-notes-and",
                    ("mostEvents", Score.MostEvents),
                    ("mostInBar", Score.MostInBar)
                )
            );
    }

    /// <summary>The written score as the source of a tune, in the format of the source that it came from.</summary>
    private static Ok<string> Text(Asker asker, WrittenText asked)
    {
        var read = TuneReader.Read(asked.Doc, asker.Gone);
        if (read.Score is null)
            throw RefusedException.Unreadable(read.Errors);
        var lines = read.Lines;
        if (asked.Before is not { } before || TuneReader.FormatOf(before) == SourceFormat.MusicXml)
            return TypedResults.Ok(MusicXmlWriter.Write(lines));
        return TypedResults.Ok(AbcWriter.Write(lines, AbcReader.FieldsToKeep(before)));
    }

    private static StaffSpot[] Spots(HouseStyles styles, string instrument, int fifths, string clef)
    {
        var player = styles.Player(instrument);
        if (Clef.Named(clef) is not { } known || !KeySignature.IsOne(fifths))
            throw new RefusedException(
                404,
                Say(
                    "writing.is-not-a-clef-expected",
                    ("clef", clef),
                    ("all", English.Either([.. Clef.All.Select(c => c.Name)]))
                )
            );
        return Enumerable
            .Range(LowestHeight, HighestHeight - LowestHeight + 1)
            .Select(h => StaffSpot.Of(h, known, new KeySignature(fifths), player))
            .ToArray();
    }

    private static Fraction? Length(string? text) =>
        text?.Split('/') is [var above, var below]
        && int.TryParse(above, out var a)
        && int.TryParse(below, out var b)
        && a > 0
        && b is > 0 and <= 128
            ? new Fraction(a, b)
            : null;
}

/// <summary>A written score to be kept.</summary>
/// <param name="Doc">The score as MusicXML.</param>
/// <param name="Before">The source that it came from, or null for a new one.</param>
public sealed record WrittenText(string Doc, string? Before = null);
