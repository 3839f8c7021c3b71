import { LETTERS, type Key, type PitchName, type Step } from '../../../pitch';
import { noteSaid, placeSaid } from '../../note-names';
import type { RoteStyle } from './rote-told';

/** What each name of a key means, as rote sheets call keys; a name that could mean two means the plainer. */
export type NamesRead = ReadonlyMap<string, PitchName>;

/** Signs from the plainest on. */
const ALTERS = [0, 1, -1, 2, -2];

/** The names of the keys of the keyboard; none where keys are told by the black keys around them. */
export function namesRead(names: RoteStyle['names'], key: Key): NamesRead {
  return names === 'none' ? new Map() : tableOf((name) => noteSaid(name, names, key));
}

/** The names of tonics: movable do has no syllables for them. */
export function tonicsRead(names: RoteStyle['names']): NamesRead {
  return names === 'none' ? new Map() : tableOf((name) => placeSaid(name, names));
}

function tableOf(said: (name: PitchName) => string): NamesRead {
  const table = new Map<string, PitchName>();
  for (const alter of ALTERS)
    for (const step of LETTERS.keys()) {
      const name: PitchName = { step: step as Step, alter };
      if (!table.has(said(name))) table.set(said(name), name);
    }
  return table;
}
