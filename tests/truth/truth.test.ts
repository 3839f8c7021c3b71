import { describe, expect, it } from '@jest/globals';
import { demandsFor, type HandPlan } from '@/core/fingering';
import { baselineOf, studyHand } from '@/core/forced';
import { pitchClass, parseKey } from '@/core/pitch';
import { player } from '../support/planning';
import { passage } from '../support/passages';
import { CHORDS, FIGURES } from './accompaniment';
import { DOUBLE_DUTY, PLAIN_TUNES, PRINTED_TUNES } from './five-fingers';
import { MELODIC_SCALES, ONE_OCTAVE_ARPEGGIOS, ONE_OCTAVE_SCALES } from './scales';
import type { Truth } from './truth';

const KINDS: Readonly<Record<string, readonly Truth[]>> = {
  'printed tunes': PRINTED_TUNES,
  'plain tunes': PLAIN_TUNES,
  'double duty': DOUBLE_DUTY,
  'scales of one octave': ONE_OCTAVE_SCALES,
  'melodic scales': MELODIC_SCALES,
  'arpeggios of one octave': ONE_OCTAVE_ARPEGGIOS,
  figures: FIGURES,
  chords: CHORDS,
};

/** Kinds of which every answer must be what a teacher writes. */
const FIVE_FINGERS = ['printed tunes', 'plain tunes', 'double duty'];

interface Answer {
  readonly about: string;
  readonly isFine: boolean;
}

/** How many half steps lie between the key of the line and the one that is asked for, at most six. */
function distance({ line }: Truth, tonic: string): number {
  const home = /^\[?A\d/.test(line) ? 'A' : 'C';
  const steps = pitchClass(parseKey(tonic, 'major')!.tonic) - pitchClass(parseKey(home, 'major')!.tonic);
  return ((steps + 17) % 12) - 5;
}

/** The fingers of the keys that each moment strikes, low notes first. */
function struckFingers({ fingering, lattice: { passage } }: HandPlan): readonly string[] {
  return passage.events.map(({ struck }) => {
    const fingers = struck.map((note) => fingering[note]);
    return (passage.hand === 'left' ? fingers.toReversed() : fingers).join('');
  });
}

function answers(truth: Truth): readonly Answer[] {
  const { hand, line, tonics, fingers, but, what } = truth;
  const own = passage(hand, line, /^\[?A\d/.test(line) ? 'A-minor' : 'C');
  const baseline = baselineOf(own, demandsFor(player(truth.player)));
  return tonics.map((tonic) => {
    const up = distance(truth, tonic);
    const { plan } = studyHand(
      baseline,
      own.notes.map(({ note }) => note.midi + up),
    );
    const planned = struckFingers(plan);
    const wanted = (but?.[tonic] ?? fingers).split(' ');
    return {
      about: `${what}, ${hand} hand, ${tonic}: ${planned.join(' ')} for ${wanted.join(' ')}`,
      isFine: planned.length === wanted.length && wanted.every((word, t) => word.split('/').includes(planned[t] ?? '')),
    };
  });
}

describe('fingers that a teacher would write', () => {
  const kinds = Object.entries(KINDS).map(([kind, list]) => ({ kind, own: list.flatMap(answers) }));

  it('are at least 400, and 98 of 100 are as written', () => {
    const all = kinds.flatMap(({ own }) => own);
    const missed = all.filter(({ isFine }) => !isFine).map(({ about }) => about);
    expect(all.length).toBeGreaterThanOrEqual(400);
    expect(missed.length <= all.length * 0.02 ? [] : missed).toEqual([]);
  });

  it.each(kinds.filter(({ kind }) => FIVE_FINGERS.includes(kind)))('$kind: all of them', ({ own }) => {
    expect(own.filter(({ isFine }) => !isFine).map(({ about }) => about)).toEqual([]);
  });
});
