using System.Text.Json;
using System.Text.Json.Nodes;
using Coppia.Formats.Books;
using Coppia.Formats.Exercises;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Records;

namespace Coppia.Tests;

/// <summary>
/// Requests by chance, most of them odd: each is made, or refused in words; and what is made can be written and read
/// again.
/// </summary>
public class AnySheetTests
{
    private static readonly NoteValue[] Values =
    [
        new(0),
        new(1, 1),
        new(1),
        new(2, 1),
        new(2),
        new(3),
        new(4),
        new(3, 0, 3, 2),
        new(3, 1),
    ];
    private static readonly string[] Meters = ["4/4", "3/4", "2/4", "6/8", "9/8", "2/2", "5/4", "12/8", "3/8"];

    private static readonly Score[] Tunes =
    [
        .. new[]
        {
            "X:1\nM:3/4\nL:1/4\nK:G\nD|G B d|c A F|G3|z2|]",
            "X:1\nM:6/8\nL:1/8\nK:Am\nABc d2e|^fga ^G3|A3-A2z|]",
            "X:1\nM:2/2\nL:1/4\nK:C\nC2 F ^F|[M:3/4]G A _B|[M:C]c4|]",
            "X:1\nL:1/4\nK:D\nD E F G A|]",
        }.Select(t => TuneReader.Read(t).Score!),
    ];

    private static SheetRequest ByChance(Random chance)
    {
        bool Often(int outOf) => chance.Next(outOf) == 0;
        var known = Often(3)
            ? new ClassKnowledge { Skills = (Skills)chance.Next(256), Values = Values.Where(_ => Often(2)).ToHashSet() }
            : ClassKnowledge.Beginner;
        Instrument[] some = [.. StringSection.All.Where(_ => Often(2))];
        Player[] players =
        [
            .. (some.Length > 0 ? some : [StringSection.Cello]).Select(i => new Player(i, known: known)),
        ];
        var tune = Tunes[chance.Next(Tunes.Length)];
        return new SheetRequest
        {
            Kind = ExerciseKind.All[chance.Next(ExerciseKind.All.Count)],
            Players = players,
            Key = Often(3) ? null : new ScaleKey(chance.Next(-7, 8), (ScaleForm)chance.Next(4)),
            Strings = Often(2) ? [] : [.. Enum.GetValues<Letter>().Where(_ => Often(3))],
            Lowest = Often(4) ? Pitch.FromStep(chance.Next(15, 45)) : null,
            Highest = Often(4) ? Pitch.FromStep(chance.Next(15, 45)) : null,
            Values = Often(2) ? [] : [.. Values.Where(_ => Often(3))],
            Meter = Often(2) ? null : ValueText.Meter(Meters[chance.Next(Meters.Length)]),
            Octaves = chance.Next(1, 3),
            Count = Often(2) ? null : chance.Next(1, 61),
            Seed = chance.Next(),
            From = Often(3) ? [.. players.Select(p => PlayerReading.Of(tune, PrintedFor.Of(tune), p))] : [],
        };
    }

    [Fact]
    public void A_sheet_is_made_and_read_again_or_refused_in_words()
    {
        var chance = new Random(11);
        var (made, refused) = (0, 0);
        for (var round = 0; round < Rounds.Of(3000, 200); round++)
        {
            var request = ByChance(chance);
            try
            {
                foreach (var sheet in Sheet.Of(request))
                {
                    Assert.All(
                        sheet.Items,
                        i => Assert.Equal(Answer(i, sheet.Player), Answer(Again(i, sheet.Player), sheet.Player))
                    );
                    Assert.NotEmpty(MusicXmlWriter.Write(SheetMusic.Of(sheet)));
                }

                made++;
            }
            catch (SheetImpossibleException e)
            {
                Assert.EndsWith(".", ImpossibleWords.Of(e, HouseStyle.Default), StringComparison.Ordinal);
                refused++;
            }
        }

        Assert.True(made > 50 && refused > 50);
    }

    private static string Answer(SheetItem item, Player player) => SheetAnswers.Write(item, player).ToJsonString();

    private static SheetItem Again(SheetItem item, Player player) =>
        SheetReader.Item(
            ExerciseKind.Of(item.Question.Kind),
            JsonSerializer.SerializeToElement<JsonNode>(SheetQuestions.Write(item.Question, player)),
            player
        );
}
