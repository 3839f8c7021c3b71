// The tunes of the demo studio, the Tin Lantern: composed for it, in the short notation that notation.mjs reads.
//   C4q1      pitch, length (w h q e, dotted with a dot), finger      C3+E3+G3w5-3-1   chord, fingers from the bottom
//   Rq        rest           (  )  slur        ~ tie        '  staccato        ^ fermata        |  bar line
//   [p] dynamics   [rit.] words   [<] [>] [!] wedge begins, ends   [key G] new key signature
export const STUDIO = 'The Tin Lantern';

export const TUNES = [
  {
    id: 'lantern-walk',
    title: 'Lantern Walk',
    key: 'C',
    meter: '4/4',
    tempo: 96,
    shows: 'both hands parallel in C position',
    right: `[mp] (C4q1 D4q2 E4h3 | E4q3 F4q4 G4h5) | (G4q5 F4q4 E4q3 D4q2 | E4h3 D4h2) |
            [mf] (C4q1 D4q2 E4h3 | E4q3 F4q4 G4h5) | (G4q5 E4q3 F4q4 D4q2 | C4w1)`,
    left: `(C3q5 D3q4 E3h3 | E3q3 F3q2 G3h1) | (G3q1 F3q2 E3q3 D3q4 | E3h3 D3h4) |
           (C3q5 D3q4 E3h3 | E3q3 F3q2 G3h1) | (G3q1 E3q3 F3q2 D3q4 | C3w5)`,
  },
  {
    id: 'two-boats',
    title: 'Two Boats, One Mooring',
    key: 'C',
    meter: '4/4',
    tempo: 100,
    shows: 'both thumbs on middle C',
    right: `[mf] (C4q1 E4q3 D4h2) | Rw | (E4q3 G4q5 F4h4) | Rw |
            (D4q2 E4q3 C4q1) Rq | [mp] (D4q2 F4q4 E4h3) | (F4q4 D4q2 E4q3 D4q2 | E4w3)`,
    left: `Rw | (A3q3 C4q1 B3h2) | Rw | (C4q1 A3q3 G3h4) |
           Rh. C4q1 | (B3h2 A3h3) | (A3h3 G3h4 | C4w1)`,
  },
  {
    id: 'harbour-stairs',
    title: 'Harbour Stairs',
    key: 'C',
    meter: '4/4',
    tempo: 104,
    shows: 'different positions in the two hands: right in G, left in C',
    right: `[mf] (G4q1 A4q2 B4q3 C5q4 | D5h5 C5h4) | (B4q3 C5q4 D5q5 B4q3 | C5h.4) Rq |
            [f] (D5q5 C5q4 B4q3 A4q2 | G4h1 C5h4) | [>] (A4q2 B4q3 C5q4 B4q3 | [!] [p] C5w4)`,
    left: `(C3h5 G3h1 | F3h2 E3h3) | (D3h4 G3h1 | C3h.5) Rq |
           (G3h1 D3h4 | E3h3 C3h5) | (F3h2 G3h1 | C3w5)`,
  },
  {
    id: 'the-sixth-step',
    title: 'The Sixth Step',
    key: 'C',
    meter: '4/4',
    tempo: 92,
    shows: 'six notes for five fingers: the hand opens, later it changes finger on a repeated note',
    right: `[mp] (C4q1 D4q2 E4q3 G4q4 | A4q5 A4q5 E4h3) | (G4q4 G4q4 A4q5 E4q3 | G4h4 D4h2) |
            [mf] (C4q1 D4q2 E4q3 F4q4) | (F4q3 G4q4 A4h5 | A4q5 G4q4 F4q3) F4q4 | (E4q3 D4q2 C4h1)`,
    left: `C3w5 | (F3h2 E3h3) | (C3h5 E3h3) | G3w1 | (C3h5 E3h3 | F3w2) | (F3h2 D3h4 | G3h1 C3h5)`,
  },
  {
    id: 'cat-on-the-landing',
    title: 'Cat on the Landing',
    key: 'C',
    meter: '4/4',
    tempo: 120,
    shows: 'F sharp and F natural under one finger',
    right: `[mp] C4q1' E4q3' (F#4q4 G4q5) | (G4q5 F4q4 E4h3) | D4q2' F#4q4' (G4q5 F#4q4 | G4h5) Rh |
            [mf] (G4q5 F#4q4 F4q4 E4q3) | D4q2' E4q3' F4h4 | [p] E4q3' F#4q4' (G4q5 E4q3 | C4w1)`,
    left: `C3w5 | (G3h1 C3h5) | (D3h4 G3h1 | G3h1) Rh | C3w5 | G3w1 | (C3h5 D3h4 | C3w5)`,
  },
  {
    id: 'fog-over-the-sluice',
    title: 'Fog over the Sluice',
    key: 'Am',
    meter: '4/4',
    tempo: 76,
    shows: 'a minor piece with its raised seventh, a fermata and a ritardando',
    right: `[p] (A4h4 E4h1 | F4q2 E4q1 F4h2) | (G#4h3 B4h5 | A4h.4) Rq |
            [mp] (A4q4 B4q5 A4q4 G#4q3 | A4h4 F4h2) | [rit.] (E4q1 F4q2 G#4h3 | [pp] A4w4^)`,
    left: `(A2h5 C3h3 | D3w2) | (E3w1 | A2h.5) Rq | (A2h5 E3h1 | D3w2) | (D3h2 E3h1 | A2w5^)`,
  },
  {
    id: 'slow-ferris',
    title: 'Slow Ferris',
    key: 'G',
    meter: '3/4',
    pickup: 1,
    tempo: 108,
    shows: 'three-four time with a pick-up, a tie in the left hand',
    right: `[mp] (G4q1 | B4h3 A4q2 | G4h1) (B4q3 | D5h5 C5q4 | B4h3) (D5q5 | C5h4 A4q2 | B4h3 G4q1) |
            [rit.] (A4q2 B4q3 A4q2 | G4h1^)`,
    left: `Rq | G2h.5 | B2h.3 | C3h.2 | D3h.1 | C3h.2 | D3h.1~ | D3h.1 | G2h5^`,
  },
  {
    id: 'market-chords',
    title: 'Market Chords',
    key: 'C',
    meter: '4/4',
    tempo: 112,
    shows: 'primary chords in the left hand',
    right: `[f] (G4h5 E4q3 C4q1 | F4q4 E4q3 F4h4) | (D4q2 F4q4 E4q3 D4q2 | E4h.3) Rq |
            [mf] G4q5' G4q5' E4h3 | (F4h4 D4h2) | (E4q3 C4q1 D4h2 | C4w1)`,
    left: `C3+E3+G3w5-3-1 | C3+F3+A3w5-2-1 | B2+F3+G3w5-2-1 | C3+E3+G3h.5-3-1 Rq |
           C3+E3+G3w5-3-1 | C3+F3+A3h5-2-1 B2+F3+G3h5-2-1 | C3+E3+G3h5-3-1 B2+F3+G3h5-2-1 | C3+E3+G3w5-3-1`,
  },
  {
    id: 'mill-wheel',
    title: 'Mill Wheel',
    key: 'F',
    meter: '4/4',
    tempo: 100,
    shows: 'a broken octave in the left hand',
    right: `[mf] (A4q3 G4q2 F4q1 A4q3 | G4h2 C5h5) | (A4q3 Bb4q4 C5q5 A4q3 | G4w2) |
            (C5q5 Bb4q4 A4q3 G4q2 | A4h3 F4h1) | [<] (G4q2 A4q3 Bb4q4 G4q2 | [!] [f] F4w1)`,
    left: `F2q5 F3q1 F2q5 F3q1 | C2q5 C3q1 C2q5 C3q1 | F2q5 F3q1 F2q5 F3q1 | C2q5 C3q1 C2q5 C3q1 |
           F2q5 F3q1 F2q5 F3q1 | F2q5 F3q1 F2q5 F3q1 | C2q5 C3q1 C2q5 C3q1 | F2h5 F3h1`,
  },
  {
    id: 'echo-well',
    title: 'Echo Well',
    key: 'C',
    meter: '4/4',
    tempo: 88,
    shows: 'the right hand moves by an octave in the rests',
    right: `[mf] (C4q1 E4q3 G4q5 E4q3 | D4h2) Rh | [pp] (C5q1 E5q3 G5q5 E5q3 | D5h2) Rh |
            [mf] (E4q3 F4q4 G4q5 D4q2 | E4q3 C4q1) Rh | [pp] (E5q3 F5q4 G5q5 D5q2 | C5w1)`,
    left: `C3w5 | G3w1 | C3w5 | G3w1 | (C3h5 G3h1 | C3w5) | (E3h3 G3h1 | C3w5)`,
  },
  {
    id: 'night-baker',
    title: 'Song of the Night Baker',
    key: 'F',
    meter: '4/4',
    tempo: 92,
    shows: 'a song with words',
    words: `While the street is still a- sleep, I have se- crets warm to keep;
            stir the dough and hear it sigh, gold- en moons for by and by.`,
    right: `[mp] (F4q1 G4q2 A4q3 A4q3 | C5q5 A4q3 G4h2) | (G4q2 A4q3 Bb4q4 G4q2 | A4q3 G4q2 F4h1) |
            [mf] (C5q5 C5q5 Bb4q4 A4q3 | G4q2 A4q3 Bb4h4) | (A4q3 C5q5 Bb4q4 G4q2 | A4q3 G4q2 F4h1)`,
    left: `(F2h5 C3h1 | A2h3 C3h1) | C3w1 | (F2h5 A2h3) | (A2h3 F2h5 | Bb2w2) | C3w1 | (C3h1 F2h5)`,
  },
  {
    id: 'bridge-to-the-other-bank',
    title: 'Bridge to the Other Bank',
    key: 'C',
    meter: '4/4',
    tempo: 100,
    shows: 'a piece that changes key, and the hands with it',
    right: `[mp] (E4q3 G4q5 F4q4 E4q3 | D4h2 F4h4) | (E4q3 D4q2 C4q1 E4q3 | D4w2) |
            (E4q3 G4q5 F4q4 E4q3 | D4q2 E4q3 F4q4 D4q2) | [<] (E4h3 D4h2 | C4h.1) [!] Rq |
            [key G] [f] (B4q3 D5q5 C5q4 B4q3 | A4h2 C5h4) | (B4q3 A4q2 G4q1 B4q3 | A4w2) |
            (D5q5 B4q3 C5q4 A4q2 | B4q3 G4q1 A4h2) | [rit.] (B4h3 A4h2 | [p] G4w1^)`,
    left: `C3w5 | G3w1 | (C3h5 E3h3) | G3w1 | C3w5 | (F3h2 G3h1) | G3w1 | C3h.5 Rq |
           [key G] G2w5 | D3w1 | (G2h5 B2h3) | D3w1 | (B2h3 C3h2 | G2h5 D3h1) | D3w1 | G2w5^`,
  },
];
