/** Promises about many tunes at once: printed fingers of closed tunes stay, few flags, no more technique than is needed. */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demandsFor, LEVELS } from '@/core/fingering';
import { changeFlags, type Flag } from '@/core/flags';
import { baselineOf, studyHand } from '@/core/forced';
import { keyText } from '@/core/pitch';
import { DEMO_FILES } from '../support/demo-pieces';
import { moved, open } from '../support/open';
import { musicXml } from '../support/build-piece';
import { passage } from '../support/passages';
import { planOf, player } from '../support/planning';
import { rounds } from '../support/rounds';

/** All twelve keys, by the half steps from C. */
const FROM_C = [0, -5, 2, -3, 4, -1, 6, 1, -4, 3, -2, 5];

/** A closed tune with every finger printed: two to five neighbouring letters, with steps, skips and an altered note now and then. */
const closedTune = fc
  .record({
    hand: fc.constantFrom('right' as const, 'left' as const),
    low: fc.integer({ min: 0, max: 2 }),
    width: fc.integer({ min: 2, max: 5 }),
    places: fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 6, maxLength: 16 }),
    sharp: fc.integer({ min: -1, max: 15 }),
  })
  .map(({ hand, low, width, places, sharp }) => {
    const octave = hand === 'right' ? 4 : 3;
    const letter = (place: number): string => 'CDEFGAB'.charAt(low + place);
    const finger = (place: number): number => (hand === 'right' ? 1 + place : 5 - place);
    const notes = places.map((any, i) => {
      const place = any % width;
      const isSharp = i === sharp && 'CDFGA'.includes(letter(place));
      return `${letter(place)}${isSharp ? '#' : ''}${octave}=${finger(place)}`;
    });
    return { hand, line: notes.join(' ') };
  });

function changes(hand: 'right' | 'left', line: string, up: number): readonly Flag[] {
  const own = passage(hand, line);
  const notes = own.notes.map(({ note }) => ({ ...note, midi: note.midi + up }));
  const study = studyHand(
    baselineOf(own, demandsFor(player())),
    notes.map(({ midi }) => midi),
  );
  return changeFlags({ study, played: study.plan, notes }, 'counted');
}

describe('closed tunes with printed fingers', () => {
  it('have no finger that must or should change, in any key', () => {
    fc.assert(
      fc.property(closedTune, ({ hand, line }) => {
        for (const up of FROM_C)
          expect(changes(hand, line, up).filter(({ severity }) => severity !== 'watch')).toEqual([]);
      }),
      { numRuns: rounds(150, 500), seed: 14 },
    );
  });
});

describe('printed fingers in the piece’s own key', () => {
  const line = fc
    .array(fc.tuple(fc.constantFrom('C4', 'D4', 'E4', 'F4', 'G4', 'A4'), fc.integer({ min: 1, max: 5 })), {
      minLength: 4,
      maxLength: 12,
    })
    .map((notes) => notes.map(([note, finger]) => `${note}=${finger}`).join(' '));

  it('stay wherever they can be played; other fingers are an offer', () => {
    fc.assert(
      fc.property(line, (text) => {
        const own = passage('right', text);
        const baseline = baselineOf(own, demandsFor(player()));
        const { plan, keptPlan } = studyHand(
          baseline,
          own.notes.map(({ note }) => note.midi),
        );
        const printed = own.notes.map((note) => note.printed);
        if (keptPlan.limits === 0) {
          expect(plan.fingering).toEqual(printed);
          expect(changes('right', text, 0).filter(({ severity }) => severity !== 'watch')).toEqual([]);
        }
      }),
      { numRuns: 200, seed: 15 },
    );
  });
});

describe('no more technique than the music needs', () => {
  it.each([
    ['a repeated note that moves the hand', 'C4 D4 E4 F4 F4 G4 A4 G4'],
    ['skips within five letters', 'G4 E4 F4 D4 E4 C4'],
    ['a sixth letter that is left out', 'C4 D4 E4 G4 A4 G4 E4 C4:2'],
    ['two positions with a rest between', 'C4 D4 E4 F4 G4:2 r:2 A4 B4 C5 D5 E5:2'],
  ])('%s: nothing is crossed, in any key', (_what, line) => {
    const own = passage('right', line);
    const baseline = baselineOf(own, demandsFor(player()));
    for (const up of FROM_C) {
      const { plan } = studyHand(
        baseline,
        own.notes.map(({ note }) => note.midi + up),
      );
      expect(plan.steps.map(({ transition }) => transition)).not.toContain('pass');
    }
  });

  it('chords in close position open the hand by a step from level 2 on, or where the school says so from level 3', () => {
    const chords = passage('left', '[C3 E3 G3]:2 [C3 F3 A3]:2 [B2 F3 G3]:2 [C3 E3 G3]:2');
    expect(planOf(chords, { level: 1 }).limits).toBeGreaterThan(0);
    expect(planOf(chords, { level: 2 }).limits).toBe(0);
    expect(planOf(chords, { level: 2, closeChords: 'level-3' }).limits).toBe(2);
    expect(planOf(chords, { level: 3, closeChords: 'level-3' }).limits).toBe(0);
    // A line of six letters is no chord.
    expect(planOf(passage('left', '[C3 A3]:2'), { level: 2 }).limits).toBe(1);
  });

  it('where a line has to break, the thumb is not played twice in a row (handbook, positions and moves)', () => {
    for (const [hand, line] of [
      ['left', 'G3 A3 G3 F3 E3 D3 C3:2'],
      ['right', 'F4 E4 F4 G4 A4 B4 C5:2'],
    ] as const) {
      const { fingering } = planOf(passage(hand, line), { level: 3 });
      expect(fingering.filter((finger, i) => finger === 1 && fingering[i - 1] === 1)).toEqual([]);
    }
  });

  it('a crossing below level 4 is told as what the level does not have', () => {
    for (const level of LEVELS) {
      const crossed = passage('right', 'C4=1 D4=2 E4=3 F4=1 G4=2 A4=3 B4=4 C5=5');
      const { keptPlan } = studyHand(
        baselineOf(crossed, demandsFor(player({ level }))),
        crossed.notes.map(({ note }) => note.midi),
      );
      expect(keptPlan.limits > 0).toBe(level < 4);
    }
    expect(planOf(passage('right', 'C4 D4 E4 F4 G4 A4 B4 C5'), { level: 3 }).limits).toBe(0);
  });
});

describe('a small hand', () => {
  it.each([
    ['broken', 'C3q C4q C3q C4q | C3q C4q C3h'],
    ['struck', 'C3+C4h C3+C4h | C3+C4w'],
  ])('is told of a %s octave beyond its reach, in every key', (_how, left) => {
    const piece = open(musicXml({ right: 'C5w | C5w', left, mode: 'major' }));
    for (const tonic of ['C', 'D', 'Eb', 'F#'])
      expect(
        moved(piece, tonic, { fingering: 'plan', player: player({ spanMm: 150 }) }).flags.map(
          ({ evidence: { kind }, hand }) => `${hand} ${kind}`,
        ),
      ).toContain('left out-of-reach');
  });

  it('that reaches an octave is told nothing of it', () => {
    const piece = open(musicXml({ right: 'C5w', left: 'C3q C4q C3q C4q', mode: 'major' }));
    expect(moved(piece, 'D', { fingering: 'plan' }).flags.map(({ evidence: { kind } }) => kind)).not.toContain(
      'out-of-reach',
    );
  });
});

describe('the demo pieces in their own keys', () => {
  it('have no move and no opening that black keys are to blame for', () => {
    for (const { text } of DEMO_FILES) {
      const piece = open(text);
      const { flags } = moved(piece, keyText(piece.key.key), { fingering: 'plan' });
      expect(
        flags.filter(
          ({ evidence: { kind }, byBlackKey }) => byBlackKey && /position-change|extension|finger-change/.test(kind),
        ),
      ).toEqual([]);
    }
  });
});

describe('one fact, one flag', () => {
  const TUNES = [
    { right: 'C4q D4q E4q F4q | G4q E4q C4h | G4q F4q E4q D4q | C4w', left: 'C3w | G3w | E3h G3h | C3w' },
    { right: 'E4q D4q C4q D4q | E4q G4q E4h | F4q D4q E4q C4q | D4h C4h', left: 'C3h G3h | C3w | F3h G3h | C3w' },
    { right: 'G4q G4q E4h | F4q F4q D4h | C4q E4q G4q E4q | D4h C4h', left: 'C3h E3h | D3h F3h | C3w | G3h C3h' },
  ];
  const countIn = (tonic: string): readonly number[] =>
    TUNES.map(
      (tune) =>
        moved(open(musicXml({ ...tune, mode: 'major' })), tonic, { fingering: 'plan' }).flags.filter(
          ({ wasThere }) => !wasThere,
        ).length,
    ).toSorted((a, b) => a - b);

  it.each([
    ['C', 1],
    ['G', 1],
    ['D', 2],
    ['F', 2],
    ['Eb', 4],
    ['Ab', 4],
  ] as const)('a beginner’s piece for two hands in %s has %i flags or fewer, in the middle of three', (tonic, most) => {
    expect(countIn(tonic)[1]).toBeLessThanOrEqual(most);
  });

  it('no two flags of a demo piece say the same of the same hand', () => {
    for (const { text } of DEMO_FILES) {
      const piece = open(text);
      for (const tonic of ['D', 'Eb']) {
        const told = moved(piece, tonic, { fingering: 'plan' }).flags.map(({ evidence, hand, severity }) =>
          JSON.stringify([evidence, hand, severity]),
        );
        expect(told.filter((fact, i) => told.indexOf(fact) !== i)).toEqual([]);
      }
    }
  });
});
