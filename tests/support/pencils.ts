import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { USUAL_PLAYER, type Level } from '@/core/fingering';
import { studyHand, type HandStudy } from '@/core/forced';
import { baselinesOf } from '@/core/piece';
import { parseKey, pitchClass, type Key } from '@/core/pitch';
import type { Hand } from '@/core/score';
import { open } from './open';

const FOLDER = join(process.cwd(), 'tests/fixtures/pencils');

type Side = { readonly [Key in Hand]?: string } & { readonly [Key in `${Hand}Also`]?: readonly string[] };

interface Pencilled {
  readonly piece: string;
  readonly level: Level;
  readonly answers: readonly (Side & { readonly keys: readonly string[] })[];
}

const PENCILS: readonly Pencilled[] = JSON.parse(readFileSync(join(FOLDER, 'pencils.json'), 'utf8'));

function keyNamed(name: string): Key {
  const key = name.endsWith('m') ? parseKey(name.slice(0, -1), 'minor') : parseKey(name, 'major');
  if (!key) throw new Error(`no key ${name}`);
  return key;
}

/** Half steps from one key to another, at most six. */
function distance(from: string, to: string): number {
  return ((pitchClass(keyNamed(to).tonic) - pitchClass(keyNamed(from).tonic) + 17) % 12) - 5;
}

/** One word a struck moment, low notes first. */
function fingersOf({ plan: { fingering, lattice } }: HandStudy): string {
  const { passage } = lattice;
  return passage.events
    .map(({ struck }) => {
      const fingers = struck.map((note) => fingering[note]);
      return (passage.hand === 'left' ? fingers.toReversed() : fingers).join('');
    })
    .join(' ');
}

export interface Answer {
  readonly about: string;
  readonly isOwnKey: boolean;
  readonly isFine: boolean;
}

function answersOf({ piece, level, answers }: Pencilled): readonly Answer[] {
  const opened = open(readFileSync(join(FOLDER, 'pieces', piece), 'utf8'));
  const home = answers[0]?.keys[0] as string;
  return baselinesOf(opened, { ...USUAL_PLAYER, level }).flatMap((baseline) => {
    const { hand, notes } = baseline.passage;
    return answers.flatMap((answer) =>
      answer.keys.flatMap((key): readonly Answer[] => {
        const wanted = answer[hand];
        if (!wanted) return [];
        const up = distance(home, key);
        const found = fingersOf(
          studyHand(
            baseline,
            notes.map(({ note }) => note.midi + up),
          ),
        );
        const also = answer[`${hand}Also`] ?? [];
        const isFine = found === wanted || also.some((pattern) => new RegExp(`^(?:${pattern})$`).test(found));
        return [{ about: `${piece}, ${hand} hand, ${key}: ${found} for ${wanted}`, isOwnKey: key === home, isFine }];
      }),
    );
  });
}

/** What is planned for each hand and key of the pencils, and whether a teacher would write it. */
export function pencilAnswers(): readonly Answer[] {
  return PENCILS.flatMap(answersOf);
}
