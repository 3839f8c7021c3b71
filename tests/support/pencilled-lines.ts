import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { demandsOf, USUAL_PLAYER, type Level } from '@/core/fingering';
import { baselineOf, studyHand } from '@/core/forced';
import { parseKey, pitchClass, type Key } from '@/core/pitch';
import type { Hand } from '@/core/score';
import { handLine, passageOfLine } from './passages';

/** A line of one hand with the fingers that a teacher would pencil. */
export interface PencilledLine {
  readonly kind: string;
  readonly level: Level;
  readonly hand: Hand;
  /** The own key first. */
  readonly keys: readonly Key[];
  readonly notes: string;
  readonly isFine: (fingers: string) => boolean;
  readonly wanted: string;
}

const MAJOR = ['C', 'G', 'D', 'A', 'E', 'F', 'Bb', 'Eb', 'Ab', 'Db', 'Gb', 'B'];
const MINOR = ['Am', 'Em', 'Bm', 'F#m', 'C#m', 'Dm', 'Gm', 'Cm', 'Fm', 'Bbm', 'Ebm', 'G#m'];

function keyNamed(name: string): Key {
  const key = name.endsWith('m') ? parseKey(name.slice(0, -1), 'minor') : parseKey(name, 'major');
  if (!key) throw new Error(`no key ${name}`);
  return key;
}

function keysNamed(text: string): readonly Key[] {
  const [own = '', ...others] = text.split(' ');
  const all = own.endsWith('m') ? MINOR : MAJOR;
  const names = others[0] === 'all' ? all.filter((name) => name !== own) : others;
  return [own, ...names].map(keyNamed);
}

/** All lines of `tests/fixtures/pencils/lines.txt`. */
export function pencilledLines(): readonly PencilledLine[] {
  const text = readFileSync(join(process.cwd(), 'tests/fixtures/pencils/lines.txt'), 'utf8');
  return text
    .split('\n')
    .filter((line) => line.trim() !== '' && !line.startsWith('#'))
    .map((line) => {
      const [kind = '', level, hand, keys = '', notes = '', wanted = '', also = ''] = line
        .split(';')
        .map((part) => part.trim());
      const others = also === '' ? null : new RegExp(`^(?:${also})$`);
      return {
        kind,
        level: Number(level) as Level,
        hand: hand as Hand,
        keys: keysNamed(keys),
        notes,
        wanted,
        isFine: (fingers) => fingers === wanted || (others?.test(fingers) ?? false),
      };
    });
}

/** What is planned for a line in each of its keys: the fingers of struck notes. */
export function plannedIn({ level, hand, keys, notes }: PencilledLine): readonly string[] {
  const own = passageOfLine(hand, handLine(hand, notes), keys[0] as Key);
  const baseline = baselineOf(own, demandsOf({ ...USUAL_PLAYER, level }));
  return keys.map(({ tonic }) => {
    const up = ((pitchClass(tonic) - pitchClass((keys[0] as Key).tonic) + 17) % 12) - 5;
    const { plan } = studyHand(
      baseline,
      own.notes.map(({ note }) => note.midi + up),
    );
    const { fingering } = plan;
    return own.events
      .map(({ struck }) => {
        const fingers = struck.map((note) => fingering[note]);
        return (hand === 'left' ? fingers.toReversed() : fingers).join('');
      })
      .join(' ');
  });
}
