/** What must hold of the planner whatever the tune: invariances, and no false alarms. */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { keyCard } from '@/core/reference';
import { asWritten, moveTo, type Version } from '@/core/piece';
import { intervalToKey, midiNumber, nameText, pitchText, transposeBy, type Pitch } from '@/core/pitch';
import { demandsOf, LEVELS, planHand, playHand, realView, type Fingering } from '@/core/fingering';
import { baselineOf, keepHand, studyHand } from '@/core/forced';
import { hopFlags, stretchFlags, type Flag, type PlayedHand } from '@/core/flags';
import { unwrap } from '@/core/base';
import { musicXml } from '../support/build-piece';
import { open, USUAL } from '../support/open';
import { handLine, passage, passageOfLine } from '../support/passages';
import { keyOf, planOf, planned, player } from '../support/planning';
import { closedTune, widerTune } from '../support/random-tunes';

const midisOf = (own: ReturnType<typeof passage>, up: number = 0): readonly number[] =>
  own.notes.map(({ note }) => note.midi + up);

describe('invariances', () => {
  it('the neutral plan is the same in all keys', () => {
    fc.assert(
      fc.property(widerTune, fc.constantFrom('D', 'Eb', 'F#', 'G', 'Ab', 'Bb'), (text, tonic) => {
        const key = keyOf(tonic);
        const interval = intervalToKey(keyOf('C'), key, 'nearest');
        const moved = handLine('right', text).map((note) => {
          const pitch = unwrap(transposeBy(note.pitch, interval));
          return { ...note, pitch, midi: midiNumber(pitch) };
        });
        const neutral = (own: ReturnType<typeof passage>) => baselineOf(own, demandsOf(player())).neutral.fingering;
        expect(neutral(passageOfLine('right', moved, key))).toEqual(neutral(passage('right', text)));
      }),
      { numRuns: 40, seed: 1 },
    );
  });

  it('a piece an octave higher keeps its fingers and its cost', () => {
    fc.assert(
      fc.property(widerTune, fc.constantFrom(...LEVELS), fc.integer({ min: -3, max: 3 }), (text, level, up) => {
        const own = passage('right', text);
        const demands = demandsOf(player({ level }));
        const plan = (more: number) => planHand(own, realView(own, midisOf(own, up + more)), demands);
        expect([plan(12).fingering, plan(12).cost]).toEqual([plan(0).fingering, plan(0).cost]);
      }),
      { numRuns: 40, seed: 2 },
    );
  });

  it('mirrored music costs the other hand the same, and by cost alone gets mirrored fingers', () => {
    // The keyboard is its own mirror image around D: C and E, F and B, G and A change places.
    const mirror: Readonly<Record<string, string>> = { C: 'E', D: 'D', E: 'C', F: 'B', G: 'A', A: 'G', B: 'F' };
    const turned = (text: string): string =>
      text.replace(
        /([A-G])(\d)/g,
        (_, letter: string, octave: string) =>
          `${mirror[letter]}${'CDE'.includes(letter) ? 8 - Number(octave) : 7 - Number(octave)}`,
      );
    fc.assert(
      fc.property(widerTune, fc.constantFrom(...LEVELS), (text, level) => {
        // Where a hand is put down differs: the right one has its thumb on the tonic, the left one its fifth finger.
        const byCost = (own: ReturnType<typeof passage>) =>
          planHand(own, realView(own, midisOf(own)), demandsOf(player({ level })));
        const right = byCost(passage('right', text));
        const left = byCost(passage('left', turned(text)));
        expect(left.fingering).toEqual(right.fingering);
        expect(left.cost).toBeCloseTo(right.cost, 6);
      }),
      { numRuns: 60, seed: 3 },
    );
  });

  it('a wider span never breaks more limits, nor costs more for the same fingers; a higher level likewise', () => {
    fc.assert(
      fc.property(widerTune, fc.integer({ min: -3, max: 8 }), fc.constantFrom(...LEVELS), (text, up, level) => {
        const own = passage('right', `[C4 G4] ${text} [D4 B4]`);
        const view = realView(own, midisOf(own, up));
        const free: Fingering = own.notes.map(() => null);
        const best = (options: Parameters<typeof player>[0]) => playHand(own, view, demandsOf(player(options)), free);
        const spans = [130, 160, 190, 220].map((spanMm) => best({ level, spanMm }));
        const levels = LEVELS.map((other) => best({ level: other }));
        for (const row of [spans, levels]) {
          for (const [i, plan] of row.slice(1).entries()) {
            expect(plan.cost).toBeLessThanOrEqual((row[i]?.cost as number) + 1e-6);
            expect(plan.limits).toBeLessThanOrEqual(row[i]?.limits as number);
          }
        }
      }),
      { numRuns: 60, seed: 4 },
    );
  });
});

/** What a hand is told of one finger on two keys, and of stretches. */
const hopsAndStretches = (hand: PlayedHand): readonly string[] =>
  [...hopFlags(hand), ...stretchFlags(hand)].map(({ evidence }) => evidence.kind);

/** All flags of a tune for the right hand in its own key. */
function flagsOf(text: string, key: string, options: Parameters<typeof player>[0] = {}): Version {
  const bar = text
    .split(/\s+/)
    .filter((token) => !token.startsWith('r') && token !== '|')
    .map((token) => `${token.replace(/:.*$/, '')}q`)
    .join(' ');
  const fifths = { C: 0, G: 1, D: 2, A: 3, E: 4, F: -1 }[key] ?? 0;
  const piece = open(musicXml({ right: bar, fifths, mode: 'major' }));
  const before = asWritten(piece, player(options));
  return unwrap(moveTo(piece, before, { ...USUAL, player: player(options), fingering: 'plan', to: keyOf(key) }));
}

describe('false alarms', () => {
  it.each(['C', 'G', 'D', 'A', 'F', 'E'])(
    '200 closed five-finger tunes in %s: no must, no should, at every level',
    (key) => {
      let at = 0;
      fc.assert(
        fc.property(closedTune(key), (text) => {
          const level = LEVELS[at++ % LEVELS.length] ?? 4;
          const { flags } = flagsOf(text, key, { level });
          expect(
            flags.filter(({ severity }: Flag) => severity !== 'watch').map(({ evidence }) => evidence.kind),
          ).toEqual([]);
        }),
        { numRuns: 200, seed: 5 },
      );
    },
  );

  it.each([
    ['broken octave', 'C3 C4 C3 C4 G2 G3 G2 G3'],
    ['waltz bass', 'C3 [E3 G3] [E3 G3] G2 [F3 G3] [F3 G3] C3 [E3 G3] [E3 G3]'],
    ['broken triads', 'C3 E3 G3 E3 F3 A3 C4 A3 G3 B3 D4 B3 C3 E3 G3 E3'],
    ['root with fifth, then with sixth', '[C3 G3] [C3 A3] [C3 G3] [C3 A3]'],
    ['primary chords', '[C3 E3 G3]:2 [C3 F3 A3]:2 [B2 F3 G3]:2 [C3 E3 G3]:2'],
  ])('%s in the left hand: no hop, no stretch', (_name, text) => {
    const own = passage('left', text);
    for (const up of [0, 2, 5, 7]) {
      const notes = own.notes.map(({ note }) => ({ ...note, midi: note.midi + up }));
      const study = studyHand(
        baselineOf(own, demandsOf(player())),
        notes.map(({ midi }) => midi),
      );
      expect(hopsAndStretches({ study, played: study.plan, notes })).toEqual([]);
    }
  });
});

describe('trade facts (handbook, common practice)', () => {
  it('six letters with five fingers: the repeated key changes its finger at level 3, the hand opens where one is not played', () => {
    const changing = planOf(passage('right', 'C4 D4 E4 F4 F4 G4 A4:2'), { level: 3 });
    expect([changing.limits, changing.steps.some(({ transition: join }) => join === 'change')]).toEqual([0, true]);
    const opening = planOf(passage('right', 'C4 D4 E4 G4 A4:2'), { level: 3 });
    expect([opening.limits, (opening.steps.at(-1)?.high ?? 0) - (opening.steps.at(-1)?.low ?? 0)]).toEqual([0, 1]);
    expect(planOf(passage('right', 'C4 D4 E4 F4 G4 A4:2'), { level: 1 }).limits).toBeGreaterThan(0);
  });

  it('root with fifth, then root with sixth: 5-2 and 5-1 legato, 5-1 twice detached', () => {
    expect(planned('left', '[C3 G3] [C3 A3] [C3 G3] [C3 A3]')).toBe('52 51 52 51');
    expect(planned('left', "[C3 G3]' [C3 A3]' [C3 G3]' [C3 A3]'")).toBe('51 51 51 51');
  });

  it('a held note holds its finger: the others serve round it', () => {
    expect(planned('right', '[C4~4 E4] F4 G4 F4')).toBe('13 14 15 14');
  });

  it('an octave is prepared by 2 or 3', () => {
    for (const text of ['E4 F4 G4 F4 [E4 E5]:2', 'G4 F4 E4 [D4 D5]:2'])
      expect(planned('right', text).split(' ').at(-2)).toMatch(/[23]/);
  });

  it('primary chords in close position are 5-3-1, 5-2-1, 5-2-1 in every key of up to four signs', () => {
    const own = passageOfLine(
      'left',
      handLine('left', '[C3 E3 G3]:2 [C3 F3 A3]:2 [B2 F3 G3]:2 [C3 E3 G3]:2'),
      keyOf('C'),
    );
    for (const up of [0, 2, 4, 5, 7, 9, -2]) {
      const study = studyHand(baselineOf(own, demandsOf(player({ level: 3 }))), midisOf(own, up));
      expect(study.plan.steps.map(({ grip }) => grip.fingers.toReversed().join(''))).toEqual([
        '531',
        '521',
        '521',
        '531',
      ]);
    }
  });

  it.each(['major', 'minor'] as const)(
    'tonic triads of all twelve %s keys are 1-3-5 and 5-3-1, primary chords for the left hand 5-3-1, 5-2-1, 5-2-1, though nothing is printed',
    (mode) => {
      for (const name of [
        'C',
        'G',
        'D',
        'A',
        'E',
        'B',
        'F',
        'Bb',
        'Eb',
        'Ab',
        ...(mode === 'major' ? ['Db', 'Gb'] : ['C#', 'F#']),
      ]) {
        const card = keyCard(keyOf(name, mode));
        const signature = mode === 'major' || !card.relative ? name : nameText(card.relative.tonic);
        const chord = (pitches: readonly Pitch[], octave: number): string =>
          `[${pitches.map((pitch) => pitchText({ ...pitch, octave: pitch.octave + octave })).join(' ')}]:2`;
        for (const level of LEVELS) {
          expect([name, level, planned('right', chord(card.triad, 0), { level }, signature)]).toEqual([
            name,
            level,
            '135',
          ]);
          expect([name, level, planned('left', chord(card.triad, -1), { level }, signature)]).toEqual([
            name,
            level,
            '531',
          ]);
        }
        expect([
          name,
          planned('left', card.primary.map(({ pitches }) => chord(pitches, 0)).join(' '), { level: 3 }, signature),
        ]).toEqual([name, '531 521 521']);
      }
    },
  );

  it('fingers that are only kept are played as they are, whatever they cost', () => {
    const own = passage('right', 'C4=5 D4=1 E4=5 F4=1');
    expect(keepHand(baselineOf(own, demandsOf(player())), midisOf(own)).plan.fingering).toEqual([5, 1, 5, 1]);
  });
});
