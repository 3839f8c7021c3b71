import fc from 'fast-check';
import { unwrap } from '@/core/base';
import { openPlainPiece, type OpenedPiece } from '@/core/piece';
import { keyOfSignature, signatureAlter, type Pitch, type Step } from '@/core/pitch';
import { PLAIN_BAR, PLAIN_EVENT, PLAIN_TICKS, type PlainEvent, type PlainNote } from '@/core/plain-piece';
import type { Finger, Hand } from '@/core/score';
import { barTicks, type Meter } from '@/core/time';

/** Lengths of what is struck, in quarter notes; a triplet is three in the time of one. */
const LENGTHS = [1, 1, 1, 2, 0.5, 0.5, 1.5, 4, 0.25, 'triplet'] as const;

interface Draw {
  readonly length: (typeof LENGTHS)[number];
  readonly letters: readonly number[];
  readonly isRest: boolean;
  readonly alter: number;
  readonly hasGrace: boolean;
  readonly isTied: boolean;
}

const drawn: fc.Arbitrary<Draw> = fc.record({
  length: fc.constantFrom(...LENGTHS),
  letters: fc.oneof(
    { weight: 6, arbitrary: fc.tuple(fc.integer({ min: 0, max: 5 })) },
    { weight: 1, arbitrary: fc.uniqueArray(fc.integer({ min: 0, max: 5 }), { minLength: 2, maxLength: 3 }) },
  ),
  isRest: fc.constantFrom(false, false, false, false, false, true),
  alter: fc.constantFrom(0, 0, 0, 0, 0, 0, 0, 1, -1),
  hasGrace: fc.constantFrom(false, false, false, false, false, false, false, true),
  isTied: fc.constantFrom(false, false, false, false, true),
});

/** A fingered piece for two hands of two or three bars: chords, rests, triplets, ties over bar lines, grace notes, chromatic notes, a held second voice, a pick-up. */
export const randomPiece: fc.Arbitrary<OpenedPiece> = fc
  .record({
    fifths: fc.integer({ min: -6, max: 6 }),
    mode: fc.constantFrom('major' as const, 'minor' as const),
    meter: fc.constantFrom<Meter>(
      { beats: 4, beatType: 4 },
      { beats: 3, beatType: 4 },
      { beats: 6, beatType: 8 },
      { beats: 2, beatType: 2 },
    ),
    bars: fc.integer({ min: 2, max: 3 }),
    pickup: fc.constantFrom(0, 0, 1),
    right: fc.array(drawn, { minLength: 24, maxLength: 24 }),
    left: fc.array(drawn, { minLength: 24, maxLength: 24 }),
    isHeld: fc.boolean(),
  })
  .map(({ fifths, mode, meter, bars, pickup, right, left, isHeld }) => {
    const whole = barTicks(meter, PLAIN_TICKS);
    const first = pickup * PLAIN_TICKS;
    const lengths = [...(first > 0 ? [first] : []), ...Array.from({ length: bars }, () => whole)];
    const total = lengths.reduce((sum, length) => sum + length, 0);
    let start = 0;
    const plain = {
      title: 'A piece of chance',
      composer: '',
      tempos: [],
      bars: lengths.map((length, i) => {
        const bar = { ...PLAIN_BAR, start, length, isPickup: i === 0 && first > 0 };
        start += length;
        return i === 0 ? { ...bar, meter, key: { fifths, mode } } : bar;
      }),
      staves: [
        { clef: 'G' as const, voices: [eventsOf('right', right, fifths, total)] },
        {
          clef: 'F' as const,
          voices: isHeld
            ? [eventsOf('left', left, fifths, total), heldVoice(first, whole, fifths, total)]
            : [eventsOf('left', left, fifths, total)],
        },
      ],
    };
    const key = unwrap(keyOfSignature(fifths, mode));
    return unwrap(openPlainPiece(plain, { format: null, key: `${nameOf(key.tonic)}-${mode}`, part: null }));
  });

function nameOf({ step, alter }: { readonly step: Step; readonly alter: number }): string {
  return `${'CDEFGAB'[step]}${alter > 0 ? '#'.repeat(alter) : 'b'.repeat(-alter)}`;
}

function pitchAt(letter: number, alter: number, fifths: number): Pitch {
  const step = (letter % 7) as Step;
  return { step, alter: signatureAlter(fifths, step) + alter, octave: Math.floor(letter / 7) };
}

/** The lowest letter of each hand. */
const LOWEST: Readonly<Record<Hand, number>> = { right: 28, left: 22 };

/** The finger on a letter of a closed position, counted from the thumb; the letter beyond it is reached with the nearest. */
function fingerOn(place: number): Finger {
  return Math.min(5, Math.max(1, place + 1)) as Finger;
}

function eventsOf(hand: Hand, draws: readonly Draw[], fifths: number, total: number): readonly PlainEvent[] {
  const lowest = LOWEST[hand];
  const events: PlainEvent[] = [];
  let onset = 0;
  for (let i = 0; onset < total; i += 1) {
    const draw = draws[i % draws.length] as Draw;
    const notes = draw.letters.map((letter): PlainNote => ({
      pitch: pitchAt(lowest + letter, draw.letters.length === 1 ? draw.alter : 0, fifths),
      finger: hand === 'right' ? fingerOn(letter) : fingerOn(4 - letter),
      tiesOn: false,
    }));
    if (draw.length === 'triplet') {
      if (onset % PLAIN_TICKS !== 0) continue;
      const third = PLAIN_TICKS / 3;
      for (const at of [0, 1, 2])
        events.push({
          ...PLAIN_EVENT,
          onset: onset + at * third,
          duration: third,
          notes,
          tuplet: { actual: 3, normal: 2, begins: at === 0, ends: at === 2 },
        });
      onset += PLAIN_TICKS;
      continue;
    }
    // Without a tie the writer of plain pieces cuts a note at the bar line and ties it itself.
    const duration = Math.min(total - onset, draw.length * PLAIN_TICKS);
    const graces =
      draw.hasGrace && !draw.isRest
        ? notes.slice(0, 1).map((note) => ({ ...note, pitch: pitchAt(lowest + 2, 0, fifths), finger: 3 as const }))
        : [];
    events.push({ ...PLAIN_EVENT, onset, duration, notes: draw.isRest ? [] : notes, graces });
    onset += duration;
  }
  return events;
}

/** A note of the lowest key in each bar that sounds through it. */
function heldVoice(first: number, whole: number, fifths: number, total: number): readonly PlainEvent[] {
  return Array.from({ length: Math.floor((total - first) / whole) }, (_, i) => ({
    ...PLAIN_EVENT,
    onset: first + i * whole,
    duration: whole,
    notes: [{ pitch: pitchAt(LOWEST.left - 3, 0, fifths), finger: 5, tiesOn: false }],
  }));
}
