using Coppia.Formats.Books;

namespace Coppia.Tests;

/// <summary>
/// Twelve traditional melodies an instrument, fingered with a pencil before the program was asked. Tunes and fingers
/// are from memory; the rules are craft 6. One row was changed after the program was asked. Frère Jacques for the bass
/// had half position and a shift from 4 to 1 (G2 G4 | G1); with the first finger guiding the hand from A to B flat, C
/// lies under 4 without a leap of the hand, and F and A need no half position. Every row begins with how many octaves
/// the tune is moved for that instrument.
/// </summary>
public class TraditionalMelodyTests
{
    private const string Melodies = """
        Hot Cross Buns · D · 4/4 · 1/4
        tune F E D2 | F E D2 | D/D/D/D/ E/E/E/E/ | F E D2
          violin 0: D2 D1 D0 | D2 D1 D0 | D0 D0 D0 D0 D1 D1 D1 D1 | D2 D1 D0
          viola 0: D2 D1 D0 | D2 D1 D0 | D0 D0 D0 D0 D1 D1 D1 D1 | D2 D1 D0
          cello -1: D3 D1 D0 | D3 D1 D0 | D0 D0 D0 D0 D1 D1 D1 D1 | D3 D1 D0
          bass -1: D4 D1 D0 | D4 D1 D0 | D0 D0 D0 D0 D1 D1 D1 D1 | D4 D1 D0

        Mary Had a Little Lamb · C · 4/4 · 1/4
        tune E D C D | E E E2 | D D D2 | E G G2 | E D C D | E E E E | D D E D | C4
          violin 0: D1 D0 G3 D0 | D1 D1 D1 | D0 D0 D0 | D1 D3 D3 | D1 D0 G3 D0 | D1 D1 D1 D1 | D0 D0 D1 D0 | G3
          viola 0: D1 D0 G3 D0 | D1 D1 D1 | D0 D0 D0 | D1 D3 D3 | D1 D0 G3 D0 | D1 D1 D1 D1 | D0 D0 D1 D0 | G3
          cello -1: D1 D0 G4 D0 | D1 D1 D1 | D0 D0 D0 | D1 D4 D4 | D1 D0 G4 D0 | D1 D1 D1 D1 | D0 D0 D1 D0 | G4
          bass -1: D1 D0 A2 D0 | D1 D1 D1 | D0 D0 D0 | D1 G0 G0 | D1 D0 A2 D0 | D1 D1 D1 D1 | D0 D0 D1 D0 | A2

        Twinkle, Twinkle · A · 4/4 · 1/4
        tune A A e e | f f e2 | d d c c | B B A2 | e e d d | c c B2 | e e d d | c c B2 | A A e e | f f e2 | d d c c |
          B B A2
          violin 0: A0 A0 E0 E0 | E1 E1 E0 | A3 A3 A2 A2 | A1 A1 A0 | E0 E0 A3 A3 | A2 A2 A1 | E0 E0 A3 A3 |
            A2 A2 A1 | A0 A0 E0 E0 | E1 E1 E0 | A3 A3
          A2 A2 | A1 A1 A0
          viola -1: G1 G1 D1 D1 | D2 D2 D1 | D0 D0 G-H3 G-H3 | G2 G2 G1 | D1 D1 D0 D0 | G-H3 G-H3 G2 | D1 D1 D0 D0 |
            G-H3 G-H3 G2 | G1 G1 D1 D1 | D2
          D2 D1 | D0 D0 G-H3 G-H3 | G2 G2 G1
          cello -2: G1 G1 D1 D1 | D3 D3 D1 | D0 D0 G-x4 G-x4 | G-x2 G-x2 G1 | D1 D1 D0 D0 | G-x4 G-x4 G-x2 |
            D1 D1 D0 D0 | G-x4 G-x4 G-x2 | G1 G1 D1
          D1 | D3 D3 D1 | D0 D0 G-x4 G-x4 | G-x2 G-x2 G1
          bass -2: A0 A0 D1 D1 | D4 D4 D1 | D0 D0 A4 A4 | A1 A1 A0 | D1 D1 D0 D0 | A4 A4 A1 | D1 D1 D0 D0 |
            A4 A4 A1 | A0 A0 D1 D1 | D4 D4 D1 | D0 D0
          A4 A4 | A1 A1 A0

        Au clair de la lune · G · 4/4 · 1/4
        tune G G G A | B2 A2 | G B A A | G4 | G G G A | B2 A2 | G B A A | G4 | A A A A | E2 E2 | A G F E | D4 |
          G G G A | B2 A2 | G B A A | G4
          violin 0: D3 D3 D3 A0 | A1 A0 | D3 A1 A0 A0 | D3 | D3 D3 D3 A0 | A1 A0 | D3 A1 A0 A0 | D3 | A0 A0 A0 A0 |
            D1 D1 | A0 D3 D2 D1 | D0 | D3 D3
          D3 A0 | A1 A0 | D3 A1 A0 A0 | D3
          viola 0: D3 D3 D3 A0 | A1 A0 | D3 A1 A0 A0 | D3 | D3 D3 D3 A0 | A1 A0 | D3 A1 A0 A0 | D3 | A0 A0 A0 A0 |
            D1 D1 | A0 D3 D2 D1 | D0 | D3 D3 D3
          A0 | A1 A0 | D3 A1 A0 A0 | D3
          cello -1: D4 D4 D4 A0 | A1 A0 | D4 A1 A0 A0 | D4 | D4 D4 D4 A0 | A1 A0 | D4 A1 A0 A0 | D4 | A0 A0 A0 A0 |
            D1 D1 | A0 D4 D3 D1 | D0 | D4 D4
          D4 A0 | A1 A0 | D4 A1 A0 A0 | D4
          bass -1: G0 G0 G0 G1 | G4 G1 | G0 G4 G1 G1 | G0 | G0 G0 G0 G1 | G4 G1 | G0 G4 G1 G1 | G0 | G1 G1 G1 G1 |
            D1 D1 | G1 G0 D4 D1 | D0 | G0 G0 G0
          G1 | G4 G1 | G0 G4 G1 G1 | G0

        Frère Jacques · F · 4/4 · 1/4
        tune F G A F | F G A F | A B c2 | A B c2 | c/d/c/B/ A F | c/d/c/B/ A F | F C F2 | F C F2
          violin 0: D-L2 D3 A0 D-L2 | D-L2 D3 A0 D-L2 | A0 A-L1 A-L2 | A0 A-L1 A-L2 | A-L2 A3 A-L2 A-L1 A0 D-L2 |
            A-L2 A3 A-L2 A-L1 A0 D-L2 | D-L2 G3
          D-L2 | D-L2 G3 D-L2
          viola 0: D-L2 D3 A0 D-L2 | D-L2 D3 A0 D-L2 | A0 A-L1 A-L2 | A0 A-L1 A-L2 | A-L2 A3 A-L2 A-L1 A0 D-L2 |
            A-L2 A3 A-L2 A-L1 A0 D-L2 | D-L2 G3
          D-L2 | D-L2 G3 D-L2
          cello -1: D2 D4 A0 D2 | D2 D4 A0 D2 | A0 A-x1 A2 | A0 A-x1 A2 | A2 A4 A2 A-x1 A0 D2 | A2 A4 A2 A-x1 A0 D2 |
            D2 G4 D2 | D2 G4 D2
          bass -1: D2 G0 G1 D2 | D2 G0 G1 D2 | G1 G1 G4 | G1 G1 G4 | G1 G4 G1 G2 G1 D2 | G1 G4 G1 G2 G1 D2 | D2 A2 D2 |
          D2 A2 D2

        Yankee Doodle · D · 2/4 · 1/8
        tune d d e f | d f e A | d d e f | d2 c2 | d d e f | g f e d | c A B c | d2 d2 | B>c B A | B c d2 | A>B A G |
          F2 A2 | B>c B A | B c d B | A d
        c e | d2 d2
          violin 0: A3 A3 E0 E1 | A3 E1 E0 A0 | A3 A3 E0 E1 | A3 A2 | A3 A3 E0 E1 | E-L2 E1 E0 A3 | A2 A0 A1 A2 |
            A3 A3 | A1 A2 A1 A0 | A1 A2 A3 | A0
          A1 A0 D3 | D2 A0 | A1 A2 A1 A0 | A1 A2 A3 A1 | A0 A3 A2 A4 | A3 A3
          viola -1: D0 D0 D1 D2 | D0 D2 D1 G1 | D0 D0 D1 D2 | D0 G-H3 | D0 D0 D1 D2 | D3 D2 D1 D0 | G-H3 G1 G2 G-H3 |
            D0 D0 | G2 G-H3 G2 G1 | G2 G-H3
          D0 | G1 G2 G1 G0 | C-H3 G1 | G2 G-H3 G2 G1 | G2 G-H3 G4 G2 | G1 G4 G-H3 D1 | D0 D0
          cello -2: D0 D0 D1 D3 | D0 D3 D1 G1 | D0 D0 D1 D3 | D0 G-x4 | D0 D0 D1 D3 | D4 D3 D1 D0 |
            G-x4 G1 G-x2 G-x4 | D0 D0 | G-x2 G-x4 G-x2 G1 |
          G-x2 G-x4 D0 | G1 G-x2 G1 G0 | C-x4 G1 | G-x2 G-x4 G-x2 G1 | G-x2 G-x4 D0 G-x2 | G1 D0 G-x4 D1 | D0 D0
          bass -2: D0 D0 D1 D4 | D0 D4 D1 A0 | D0 D0 D1 D4 | D0 A4 | D0 D0 D1 D4 | G0 D4 D1 D0 | A4 A0 A1 A4 |
            D0 D0 | A1 A4 A1 A0 | A1 A4 D0 | A0 A1
          A0 E2 | E1 A0 | A1 A4 A1 A0 | A1 A4 D0 A1 | A0 D0 A4 D1 | D0 D0

        London Bridge · D · 4/4 · 1/4
        tune A3/2 B/ A G | F G A2 | E F G2 | F G A2 | A3/2 B/ A G | F G A2 | E2 A2 | F D3
          violin 0: A0 A1 A0 D3 | D2 D3 A0 | D1 D2 D3 | D2 D3 A0 | A0 A1 A0 D3 | D2 D3 A0 | D1 A0 | D2 D0
          viola 0: A0 A1 A0 D3 | D2 D3 A0 | D1 D2 D3 | D2 D3 A0 | A0 A1 A0 D3 | D2 D3 A0 | D1 A0 | D2 D0
          cello -1: A0 A1 A0 D4 | D3 D4 A0 | D1 D3 D4 | D3 D4 A0 | A0 A1 A0 D4 | D3 D4 A0 | D1 A0 | D3 D0
          bass -1: G1 G4 G1 G0 | D4 G0 G1 | D1 D4 G0 | D4 G0 G1 | G1 G4 G1 G0 | D4 G0 G1 | D1 G1 | D4 D0

        Pop Goes the Weasel · G · 6/8 · 1/8
        tune D | G2 G A2 A | B d B G2 D | G2 G A2 c | B3 G2 D | G2 G A2 A | B d B G2 D | e3 A2 c | B3 G2
          violin 0: D0 | D3 D3 A0 A0 | A1 A3 A1 D3 D0 | D3 D3 A0 A-L2 | A1 D3 D0 | D3 D3 A0 A0 | A1 A3 A1 D3 D0 |
            E0 A0 A-L2 | A1 D3
          viola 0: D0 | D3 D3 A0 A0 | A1 A3 A1 D3 D0 | D3 D3 A0 A-L2 | A1 D3 D0 | D3 D3 A0 A0 | A1 A3 A1 D3 D0 |
            A4 A0 A-L2 | A1 D3
          cello -2: C1 | G0 G0 G1 G1 | G3 D0 G3 G0 C1 | G0 G0 G1 G4 | G3 G0 C1 | G0 G0 G1 G1 | G3 D0 G3 G0 C1 |
            D1 G1 G4 | G3 G0

        Pop Goes the Weasel · D · 6/8 · 1/8
        tune A, | D2 D E2 E | F A F D2 A, | D2 D E2 G | F3 D2 A, | D2 D E2 E | F A F D2 A, | B3 E2 G | F3 D2
          bass -1: A0 | D0 D0 D1 D1 | D4 G1 D4 D0 A0 | D0 D0 D1 G0 | D4 D0 A0 | D0 D0 D1 D1 | D4 G1 D4 D0 A0 |
            G4 D1 G0 | D4 D0

        Auld Lang Syne · F · 4/4 · 1/4
        tune C | F3/2 F/ F A | G3/2 F/ G (A/G/) | F3/2 F/ A c | d3 d | c3/2 A/ A F | G3/2 F/ G (A/G/) | F3/2 D/ D C |
          F3 d | c3/2 A/ A F | G3/2 F/ G d
        | c3/2 A/ A c | d3 d | c3/2 A/ A F | G3/2 F/ G (A/G/) | F3/2 D/ D C | F3
          violin 0: G3 | D-L2 D-L2 D-L2 A0 | D3 D-L2 D3 D4 D3 | D-L2 D-L2 A0 A-L2 | A3 A3 | A-L2 A0 A0 D-L2 |
            D3 D-L2 D3 D4 D3 | D-L2 D0 D0 G3 | D-L2
          A3 | A-L2 A0 A0 D-L2 | D3 D-L2 D3 A3 | A-L2 A0 A0 A-L2 | A3 A3 | A-L2 A0 A0 D-L2 | D3 D-L2 D3 D4 D3 |
            D-L2 D0 D0 G3 | D-L2
          viola 0: G3 | D-L2 D-L2 D-L2 A0 | D3 D-L2 D3 D4 D3 | D-L2 D-L2 A0 A-L2 | A3 A3 | A-L2 A0 A0 D-L2 |
            D3 D-L2 D3 D4 D3 | D-L2 D0 D0 G3 | D-L2
          A3 | A-L2 A0 A0 D-L2 | D3 D-L2 D3 A3 | A-L2 A0 A0 A-L2 | A3 A3 | A-L2 A0 A0 D-L2 | D3 D-L2 D3 D4 D3 |
            D-L2 D0 D0 G3 | D-L2
          cello -1: G4 | D2 D2 D2 A0 | D4 D2 D4 A0 D4 | D2 D2 A0 A2 | A4 A4 | A2 A0 A0 D2 | D4 D2 D4 A0 D4 |
            D2 D0 D0 G4 | D2 A4 | A2 A0 A0 D2 | D4 D2
          D4 A4 | A2 A0 A0 A2 | A4 A4 | A2 A0 A0 D2 | D4 D2 D4 A0 D4 | D2 D0 D0 G4 | D2

        Auld Lang Syne · D · 4/4 · 1/4
        tune A, | D3/2 D/ D F | E3/2 D/ E (F/E/) | D3/2 D/ F A | B3 B | A3/2 F/ F D | E3/2 D/ E (F/E/) |
          D3/2 B,/ B, A, | D3 B | A3/2 F/ F D | E3/2 D/
        E B | A3/2 F/ F A | B3 B | A3/2 F/ F D | E3/2 D/ E (F/E/) | D3/2 B,/ B, A, | D3
          bass -1: A0 | D0 D0 D0 D4 | D1 D0 D1 D4 D1 | D0 D0 D4 G1 | G4 G4 | G1 D4 D4 D0 | D1 D0 D1 D4 D1 |
            D0 A1 A1 A0 | D0 G4 | G1 D4 D4 D0 | D1 D0
          D1 G4 | G1 D4 D4 G1 | G4 G4 | G1 D4 D4 D0 | D1 D0 D1 D4 D1 | D0 A1 A1 A0 | D0

        Amazing Grace · G · 3/4 · 1/4
        tune D | G2 (B/G/) | B2 A | G2 E | D2 D | G2 (B/G/) | B2 A | d3- | d2 B | d2 (B/G/) | B2 A | G2 E | D2 D |
          G2 (B/G/) | B2 A | G3- | G2
          violin 0: D0 | D3 A1 D3 | A1 A0 | D3 D1 | D0 D0 | D3 A1 D3 | A1 A0 | A3 | A1 | A3 A1 D3 | A1 A0 | D3 D1 |
            D0 D0 | D3 A1 D3 | A1 A0 | D3 |
          viola 0: D0 | D3 A1 D3 | A1 A0 | D3 D1 | D0 D0 | D3 A1 D3 | A1 A0 | A3 | A1 | A3 A1 D3 | A1 A0 | D3 D1 |
            D0 D0 | D3 A1 D3 | A1 A0 | D3 |
          cello -1: D0 | D4 A1 D4 | A1 A0 | D4 D1 | D0 D0 | D4 A1 D4 | A1 A0 | A4 | A1 | A4 A1 D4 | A1 A0 | D4 D1 |
            D0 D0 | D4 A1 D4 | A1 A0 | D4 |
          bass -1: D0 | G0 G4 G0 | G4 G1 | G0 D1 | D0 D0 | G0 G4 G0 | G4 G1 | G4 | G4 | G4 G4 G0 | G4 G1 | G0 D1 |
            D0 D0 | G0 G4 G0 | G4 G1 | G0 |

        Lightly Row · Bb · 4/4 · 1/4
        tune f d d2 | e c c2 | B c d e | f f f2 | f d d d | e c c c | B d f f | d4 | c c c c | c d e2 | d d d d |
          d e f2 | f d d2 | e c c2 | B d f f |
        B4
          violin 0: E-L1 A3 A3 | A-L4 A-L2 A-L2 | A-L1 A-L2 A3 A-L4 | E-L1 E-L1 E-L1 | E-L1 A3 A3 A3 |
            A-L4 A-L2 A-L2 A-L2 | A-L1 A3 E-L1 E-L1 | A3 |
          A-L2 A-L2 A-L2 A-L2 | A-L2 A3 A-L4 | A3 A3 A3 A3 | A3 A-L4 E-L1 | E-L1 A3 A3 | A-L4 A-L2 A-L2 |
            A-L1 A3 E-L1 E-L1 | A-L1
          viola -1: D-L2 D0 D0 | D-L1 G3 G3 | G-L2 G3 D0 D-L1 | D-L2 D-L2 D-L2 | D-L2 D0 D0 D0 | D-L1 G3 G3 G3 |
            G-L2 D0 D-L2 D-L2 | D0 | G3 G3 G3 G3
          | G3 D0 D-L1 | D0 D0 D0 D0 | D0 D-L1 D-L2 | D-L2 D0 D0 | D-L1 G3 G3 | G-L2 D0 D-L2 D-L2 | G-L2
          cello -2: D2 D0 D0 | D-x1 G4 G4 | G2 G4 D0 D-x1 | D2 D2 D2 | D2 D0 D0 D0 | D-x1 G4 G4 G4 | G2 D0 D2 D2 |
            D0 | G4 G4 G4 G4 | G4 D0 D-x1 | D0
          D0 D0 D0 | D0 D-x1 D2 | D2 D0 D0 | D-x1 G4 G4 | G2 D0 D2 D2 | G2
          bass -2: D4 D0 D0 | D1 A4 A4 | A1 A4 D0 D1 | D4 D4 D4 | D4 D0 D0 D0 | D1 A4 A4 A4 | A1 D0 D4 D4 | D0 |
            A4 A4 A4 A4 | A4 D0 D1 | D0 D0 D0 D0
          | D0 D1 D4 | D4 D0 D0 | D1 A4 A4 | A1 D0 D4 D4 | A1

        Drunken Sailor · Ddor · 4/4 · 1/4
        tune A A/A/ A A/A/ | A D F A | G G/G/ G G/G/ | G C E G | A A/A/ A A/A/ | A B c d | c A G E | D2 D2 | A2 A2 |
          A D F A | G2 G2 | G C E G | A2 A2
        | A B c d | c A G E | D2 D2
          violin 0: A0 A0 A0 A0 A0 A0 | A0 D0 D-L2 A0 | D3 D3 D3 D3 D3 D3 | D3 G3 D1 D3 | A0 A0 A0 A0 A0 A0 |
            A0 A1 A-L2 A3 | A-L2 A0 D3 D1 | D0 D0 |
          A0 A0 | A0 D0 D-L2 A0 | D3 D3 | D3 G3 D1 D3 | A0 A0 | A0 A1 A-L2 A3 | A-L2 A0 D3 D1 | D0 D0
          viola -1: G1 G1 G1 G1 G1 G1 | G1 C1 C3 G1 | G0 G0 G0 G0 G0 G0 | G0 C0 C2 G0 | G1 G1 G1 G1 G1 G1 |
            G1 G2 G3 D0 | G3 G1 G0 C2 | C1 C1 | G1 G1
          | G1 C1 C3 G1 | G0 G0 | G0 C0 C2 G0 | G1 G1 | G1 G2 G3 D0 | G3 G1 G0 C2 | C1 C1
          cello -1: A0 A0 A0 A0 A0 A0 | A0 D0 D2 A0 | D4 D4 D4 D4 D4 D4 | D4 G4 D1 D4 | A0 A0 A0 A0 A0 A0 |
            A0 A1 A2 A4 | A2 A0 D4 D1 | D0 D0 | A0 A0
          | A0 D0 D2 A0 | D4 D4 | D4 G4 D1 D4 | A0 A0 | A0 A1 A2 A4 | A2 A0 D4 D1 | D0 D0
          bass -1: G1 G1 G1 G1 G1 G1 | G1 D0 D2 G1 | G0 G0 G0 G0 G0 G0 | G0 A2 D1 G0 | G1 G1 G1 G1 G1 G1 |
            G1 G4 G1 G4 | G1 G1 G0 D1 | D0 D0 | G1 G1 |
          G1 D0 D2 G1 | G0 G0 | G0 A2 D1 G0 | G1 G1 | G1 G4 G1 G4 | G1 G1 G0 D1 | D0 D0
        """;

    public static TheoryData<string, string, int, string, string> Rows()
    {
        var rows = new TheoryData<string, string, int, string, string>();
        foreach (
            var block in Melodies
                .ReplaceLineEndings("\n")
                .Split("\n\n", StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
        )
        {
            // A line that begins with a word and a number opens a new row; others go on with the one before.
            var lines = new List<string>();
            foreach (var line in block.Split('\n', StringSplitOptions.TrimEntries))
            {
                if (lines.Count == 0 || System.Text.RegularExpressions.Regex.IsMatch(line, "^(tune |[a-z]+ -?[0-9]: )"))
                    lines.Add(line);
                else
                    lines[^1] += " " + line;
            }

            foreach (var row in lines.Skip(2))
            {
                var (who, pairs) = (row[..row.IndexOf(':')].Split(' '), row[(row.IndexOf(':') + 1)..].Trim());
                rows.Add(
                    lines[0],
                    who[0],
                    int.Parse(who[1], System.Globalization.CultureInfo.InvariantCulture),
                    lines[1]["tune ".Length..],
                    pairs
                );
            }
        }

        return rows;
    }

    [Theory]
    [MemberData(nameof(Rows))]
    public void A_traditional_melody_is_fingered_as_a_teacher_pencils_it(
        string title,
        string instrument,
        int octaves,
        string music,
        string pairs
    )
    {
        var head = title.Split(" · ");
        var read = TuneReader.Read($"X:1\nT:{head[0]}\nM:{head[2]}\nL:{head[3]}\nK:{head[1]}\n{music} |]\n");
        Assert.Empty(read.Errors);
        var fingering = Fingers.Choose(read.Score!.MovedByOctaves(octaves), new Player(Lines.Instrument(instrument)));
        Assert.Equal(pairs, Lines.ByBar(fingering));
    }

    [Fact]
    public void Every_instrument_has_twelve() =>
        Assert.All(Rows().GroupBy(r => r.Data.Item2), rows => Assert.Equal(12, rows.Count()));
}
