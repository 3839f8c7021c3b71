import type { Flag } from '../flags';
import { keyText, type Key } from '../pitch';
import type { Finger, NoteId } from '../score';

/** A finger that the teacher decided on, in one key (as `Bb-major`) or, with null, in every key. */
export interface DecidedFinger {
  readonly key: string | null;
  readonly note: NoteId;
  readonly finger: Finger;
}

/** A flag that the teacher put away, by its name, with the reason. */
export interface FlagAside {
  readonly key: string | null;
  readonly flag: string;
  readonly reason: string;
}

/** All that the teacher decided of a piece for one pupil, over all keys. */
export interface Decisions {
  readonly fingers: readonly DecidedFinger[];
  readonly aside: readonly FlagAside[];
}

export const NO_DECISIONS: Decisions = { fingers: [], aside: [] };

/** A flag that was put away, with the reason, and the name under which it was. */
export interface SetAside {
  readonly flag: Flag;
  readonly name: string;
  readonly reason: string;
}

/** The fingers decided on for a key. What was said of this key goes before what was said of all. */
export function decidedIn({ fingers }: Decisions, key: Key): ReadonlyMap<NoteId, Finger> {
  const own = keyText(key);
  const everywhere = fingers.filter((decided) => decided.key === null);
  const here = fingers.filter((decided) => decided.key === own);
  return new Map([...everywhere, ...here].map(({ note, finger }) => [note, finger]));
}

/** The name of a flag within its piece: the same trouble at the same note has the same name in all keys. */
export function flagName({ evidence, hand, notes }: Pick<Flag, 'evidence' | 'hand' | 'notes'>): string {
  return [evidence.kind, hand, notes[0] ?? '', notes.at(-1) ?? ''].join('/');
}

/** Parts the flags that the teacher put away from the others. */
export function setAsideIn(
  flags: readonly Flag[],
  { aside }: Decisions,
  key: Key,
): { readonly flags: readonly Flag[]; readonly setAside: readonly SetAside[] } {
  const here = aside.filter((put) => put.key === null || put.key === keyText(key));
  if (here.length === 0) return { flags, setAside: [] };
  const found = here.flatMap(({ flag: name, reason }) => {
    const flag = flagNamed(flags, name);
    return flag ? [{ flag, name, reason }] : [];
  });
  const away = new Map(found.map((one) => [one.flag, one]));
  return { flags: flags.filter((flag) => !away.has(flag)), setAside: [...away.values()] };
}

/** The flag of that name; or, where none has it any more since other fingers have made it longer, shorter or one with others, the flag of that kind that has its
 * first note. */
function flagNamed(flags: readonly Flag[], name: string): Flag | undefined {
  const [kind, , first = ''] = name.split('/');
  return (
    flags.find((flag) => flagName(flag) === name) ??
    flags.find(({ evidence, notes }) => evidence.kind === kind && notes.includes(first))
  );
}
