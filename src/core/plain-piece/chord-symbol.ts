import { element, type XmlElement } from '../xml';
import { LETTERS, parseName, type PitchName } from '../pitch';

/** Endings of chord symbols and the kinds of MusicXML 4.0 (`kind-value`). What is not here is kept as text. */
const KINDS: Readonly<Record<string, string>> = {
  '': 'major',
  maj: 'major',
  m: 'minor',
  min: 'minor',
  '-': 'minor',
  '7': 'dominant',
  m7: 'minor-seventh',
  min7: 'minor-seventh',
  maj7: 'major-seventh',
  M7: 'major-seventh',
  dim: 'diminished',
  o: 'diminished',
  dim7: 'diminished-seventh',
  aug: 'augmented',
  '+': 'augmented',
  '6': 'major-sixth',
  m6: 'minor-sixth',
  sus4: 'suspended-fourth',
  sus2: 'suspended-second',
  '9': 'dominant-ninth',
};

export interface ChordSymbol {
  readonly root: PitchName;
  readonly text: string;
  readonly bass: PitchName | null;
}

/** Reads `Am7`, `F#/C#`, `B♭`. Null where it is no chord symbol. */
export function parseChordSymbol(symbol: string): ChordSymbol | null {
  const match = /^([A-G](?:#|b|♯|♭)?)([^/]*)(?:\/([A-Ga-g](?:#|b|♯|♭)?))?$/.exec(symbol.trim());
  const root = match && parseName(match[1] as string);
  if (!match || !root) return null;
  const bass = match[3] === undefined ? null : (parseName(match[3]) ?? null);
  return { root, text: (match[2] ?? '').trim(), bass };
}

/** A chord symbol as an element. */
export function chordElement({ root, text, bass }: ChordSymbol, staff: number): XmlElement {
  const kind = KINDS[text];
  const kindElement =
    kind === undefined ? element('kind', { text }, ['other']) : element('kind', text === '' ? {} : { text }, [kind]);
  return element('harmony', {}, [
    nameElement(root, 'root'),
    kindElement,
    ...(bass ? [nameElement(bass, 'bass')] : []),
    element('staff', {}, [String(staff)]),
  ]);
}

function nameElement(name: PitchName, kind: 'root' | 'bass'): XmlElement {
  const alter = name.alter === 0 ? [] : [element(`${kind}-alter`, {}, [String(name.alter)])];
  return element(kind, {}, [element(`${kind}-step`, {}, [LETTERS[name.step]]), ...alter]);
}
