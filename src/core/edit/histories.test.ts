import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demoFile } from '../../../tests/support/demo-pieces';
import { musicXml } from '../../../tests/support/build-piece';
import { beginSession, press, type Caret, type Command, type Session } from '../entry';
import { readDraft } from '../read';
import { unwrap } from '../base';
import type { Measure, Part, Score } from '../score';
import { writeMusicXml } from '../write';
import { voiceTicks, openBar } from './open-bar';
import { newScore } from './new-piece';
import { readyToEdit } from './fine-grid';
import { undoOrRedo, type Edited } from './history';
import { rounds } from '../../../tests/support/rounds';

const read = (text: string): Score => readyToEdit(unwrap(readDraft(text)).score);

const MARCH = newScore({
  title: 'March',
  key: { tonic: { step: 0, alter: 0 }, mode: 'major' },
  meter: { beats: 4, beatType: 4 },
  pickupBeats: 0,
});
const WALTZ = newScore({
  title: 'Waltz',
  key: { tonic: { step: 4, alter: 0 }, mode: 'major' },
  meter: { beats: 3, beatType: 4 },
  pickupBeats: 1,
});
const STARTS: readonly Score[] = [
  MARCH,
  WALTZ,
  read(demoFile('slow-ferris')),
  read(demoFile('cat-on-the-landing')),
  // What an imported piece may have: words in its comments, an ornament, sound, a second voice, a change of clef.
  read(
    musicXml({
      right: "C4q/1~ C4q F#4q/4' G4q | A4h) B4e C5e D5q",
      left: 'C3+E3h G3h | Rw',
      extra: {
        2: '<direction><direction-type><other-direction>kept</other-direction></direction-type><offset>1</offset></direction><sound tempo="90"/><!-- kept too -->',
      },
    }),
  ),
];

const finger = fc.constantFrom(1, 2, 3, 4, 5) as fc.Arbitrary<1>;
const row = fc.constantFrom('beat', 'longer', 'bar', 'shorter') as fc.Arbitrary<'beat'>;
const one = (command: Command): fc.Arbitrary<Command> => fc.constant(command);
const by = fc.constantFrom(-1, 1) as fc.Arbitrary<1>;

/** Anything a teacher may do, mostly entering. `paste` takes what was copied last. */
const command: fc.Arbitrary<Command> = fc.oneof(
  { weight: 14, arbitrary: fc.record({ kind: fc.constant('finger' as const), finger, row }) },
  { weight: 2, arbitrary: fc.record({ kind: fc.constant('rest' as const), row }) },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constant('join' as const),
      as: fc.constantFrom('chord', 'tie') as fc.Arbitrary<'tie'>,
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({ kind: fc.constant('alter' as const), alter: fc.constantFrom(-1, 0, 1) as fc.Arbitrary<0> }),
  },
  {
    weight: 4,
    arbitrary: fc.record({
      kind: fc.constant('walk' as const),
      by,
      to: fc.constantFrom('entry', 'bar', 'end') as fc.Arbitrary<'bar'>,
    }),
  },
  { weight: 2, arbitrary: fc.record({ kind: fc.constant('extend' as const), by }) },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constant('other-hand' as const),
      at: fc.constantFrom('same-beat', 'where-it-stops') as fc.Arbitrary<'same-beat'>,
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('set-length' as const),
      quarters: fc.constantFrom(0.25, 0.5, 1, 2, 3, 4),
    }),
  },
  { weight: 1, arbitrary: fc.record({ kind: fc.constant('step' as const), letters: fc.constantFrom(-7, -1, 1, 2) }) },
  {
    weight: 1,
    arbitrary: fc.record({ kind: fc.constant('move-passage' as const), letters: fc.constantFrom(-7, -1, 1, 3) }),
  },
  { weight: 1, arbitrary: fc.record({ kind: fc.constant('half-step' as const), by }) },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('set-finger' as const),
      finger: fc.constantFrom(null, 2, 4) as fc.Arbitrary<2>,
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('sign' as const),
      sign: fc.constantFrom('staccato', 'fermata') as fc.Arbitrary<'fermata'>,
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('words' as const),
      place: fc.constantFrom('over', 'under') as fc.Arbitrary<'over'>,
      text: fc.constantFrom('', 'la', 'softly & slow'),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('dynamic' as const),
      dynamic: fc.constantFrom(null, 'mf') as fc.Arbitrary<'mf'>,
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('meter' as const),
      meter: fc.constantFrom({ beats: 3, beatType: 4 }, { beats: 6, beatType: 8 }, { beats: 4, beatType: 4 }),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('signature' as const),
      fifths: fc.integer({ min: -4, max: 4 }),
      mode: fc.constant(null),
    }),
  },
  { weight: 1, arbitrary: fc.record({ kind: fc.constant('pick-up' as const), quarters: fc.constantFrom(0, 1, 2) }) },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('heading' as const),
      what: fc.constantFrom('title', 'composer') as fc.Arbitrary<'title'>,
      text: fc.constantFrom('', 'A <b> title', 'Other'),
    }),
  },
  { weight: 1, arbitrary: fc.record({ kind: fc.constant('tempo' as const), perMinute: fc.constantFrom(60, 96) }) },
  {
    weight: 12,
    arbitrary: fc.oneof(
      ...(
        [
          'bar-rest',
          'again',
          'triplet',
          'dot',
          'slur',
          'tie-off',
          'remove-before',
          'remove-here',
          'copy',
          'copy-bars',
          'cut',
          'repeat-bar',
          'insert-bar',
          'remove-bars',
          'give-to-other-hand',
          'voice',
          'undo',
          'redo',
          'open-hand',
        ] as const
      ).map((kind) => one({ kind })),
    ),
  },
  { weight: 2, arbitrary: one({ kind: 'paste', clip: null }) },
);

function played(start: Score, commands: readonly Command[]): Session {
  let session = beginSession(start, (start.parts[0] as Part).id);
  let clip: Extract<Command, { kind: 'paste' }>['clip'] = null;
  commands.forEach((each, i) => {
    const outcome = press(session, each.kind === 'paste' ? { kind: 'paste', clip } : each, i);
    session = outcome.session;
    clip = outcome.clip ?? clip;
  });
  return session;
}

function all(edited: Edited<Caret>, direction: 'undo' | 'redo', caret: Caret): Edited<Caret> {
  let at = edited;
  for (let turned = undoOrRedo(at, direction, caret); turned; turned = undoOrRedo(at, direction, caret)) at = turned;
  return at;
}

const histories = fc.record({
  start: fc.constantFrom(...STARTS),
  commands: fc.array(command, { minLength: 1, maxLength: 24 }),
});

/** What a bar holds, without how it is set out in lines. */
function heldIn(measure: Measure): unknown {
  const { voices } = openBar(measure);
  return voices.map((voice) => [
    voice.staff,
    voice.voice,
    voiceTicks(voice),
    voice.entries.map(({ duration, notes }) => [
      duration,
      notes.map(({ id, pitch, fingers, tieStart, tieStop, duration: own, accidental }) => [
        id,
        pitch,
        fingers,
        tieStart,
        tieStop,
        own,
        accidental?.sign,
      ]),
    ]),
  ]);
}

describe('any history of edits', () => {
  it('undone gives back the first score, and redone the last', () => {
    fc.assert(
      fc.property(histories, ({ start, commands }) => {
        const { edited, typing } = played(start, commands);
        const first = all(edited, 'undo', typing.caret);
        // Notes that were undone before are redone with the rest: the last score is that of everything redone.
        const last = all(edited, 'redo', typing.caret);
        expect(first.score).toEqual(start);
        expect(all(first, 'redo', typing.caret).score).toEqual(last.score);
      }),
      { numRuns: rounds(600, 3000) },
    );
  });

  it('is the same once it was saved and read again', () => {
    fc.assert(
      fc.property(histories, ({ start, commands }) => {
        const { edited, typing } = played(start, commands);
        const text = JSON.stringify(edited.history);
        const again: Edited<Caret> = {
          score: read(writeMusicXml(edited.score)),
          history: JSON.parse(text) as Edited<Caret>['history'],
        };
        expect(again.history).toEqual(edited.history);
        expect(writeMusicXml(all(again, 'undo', typing.caret).score)).toBe(writeMusicXml(start));
      }),
      { numRuns: rounds(100, 300) },
    );
  });

  it('never makes a score that does not read back as it is', () => {
    fc.assert(
      fc.property(histories, ({ start, commands }) => {
        const { score } = played(start, commands).edited;
        const { score: again, remarks } = unwrap(readDraft(writeMusicXml(score)));
        expect(remarks.filter(({ code }) => code === 'duplicate-id')).toEqual([]);
        expect(again.ticksPerQuarter).toBe(score.ticksPerQuarter);
        expect([again.title, again.composer]).toEqual([score.title, score.composer]);
        again.parts.forEach((part, p) =>
          part.measures.forEach((measure, i) => {
            const own = score.parts[p]?.measures[i] as Measure;
            expect(heldIn(measure)).toEqual(heldIn(own));
            expect([measure.number, measure.index, measure.meter, measure.length]).toEqual([
              own.number,
              own.index,
              own.meter,
              own.length,
            ]);
          }),
        );
        expect(again.parts.map(({ measures }) => measures.length)).toEqual(
          score.parts.map(({ measures }) => measures.length),
        );
      }),
      { numRuns: rounds(150, 600) },
    );
  });

  it('ties always lead from a note to one of the same key, and every id is there once', () => {
    fc.assert(
      fc.property(
        histories.filter(({ start }) => start === MARCH || start === WALTZ),
        ({ start, commands }) => {
          const { score } = played(start, commands).edited;
          const voices = score.parts.flatMap(({ measures }) => measures.flatMap((measure) => openBar(measure).voices));
          const ids = voices.flatMap(({ entries }) => entries.flatMap(({ notes }) => notes.map(({ id }) => id)));
          expect(new Set(ids).size).toBe(ids.length);
          const starts = voices.flatMap(({ entries }) =>
            entries.flatMap(({ notes }) => notes.filter(({ tieStart }) => tieStart)),
          ).length;
          const stops = voices.flatMap(({ entries }) =>
            entries.flatMap(({ notes }) => notes.filter(({ tieStop }) => tieStop)),
          ).length;
          expect(starts).toBe(stops);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('keeps everything that is only carried, as long as its bar stays', () => {
    const start = STARTS[4] as Score;
    const harmless = fc.array(
      command.filter(({ kind }) => kind !== 'remove-bars'),
      { minLength: 1, maxLength: 24 },
    );
    fc.assert(
      fc.property(harmless, (commands) => {
        const text = writeMusicXml(played(start, commands).edited.score);
        expect(text).toContain('<other-direction>kept</other-direction>');
        expect(text).toContain('<!-- kept too -->');
        expect(text).toContain('<sound tempo="90"/>');
      }),
      { numRuns: 300 },
    );
  });
});
