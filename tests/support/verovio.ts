import createVerovioModule from 'verovio/wasm';
import { enableLog, LOG_ERROR, VerovioToolkit } from 'verovio/esm';
import { XMLParser } from './xml-walk';

export type Engraver = VerovioToolkit;

export async function createVerovio(): Promise<Engraver> {
  const program = await createVerovioModule();
  // As in the application: what is only worth a warning is not told.
  enableLog(LOG_ERROR, program);
  return new VerovioToolkit(program);
}

export interface VerovioNote {
  readonly midi: number;
  readonly name: string;
}

/** Sounding pitches in the order in which Verovio has them in its own document (MEI), ties and chords included. */
export function pitchesOf(
  engraver: Engraver,
  musicXml: string,
  options: Readonly<Record<string, string>>,
): readonly VerovioNote[] {
  engraver.setOptions({ breaks: 'none', transpose: '', ...options });
  if (!engraver.loadData(musicXml)) throw new Error('Verovio refused the file');
  return XMLParser.elements(engraver.getMEI({}), 'note').map(({ attributes, children }) => {
    const accid = children.find(({ name }) => name === 'accid')?.attributes ?? {};
    const sign = accid['accid.ges'] ?? accid['accid'] ?? attributes['accid.ges'] ?? attributes['accid'] ?? '';
    const alter = { s: 1, f: -1, n: 0, ss: 2, x: 2, ff: -2, '': 0 }[sign];
    if (alter === undefined) throw new Error(`unknown sign ${sign}`);
    const letter = (attributes['pname'] ?? '').toUpperCase();
    const semitone = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 }[letter] ?? Number.NaN;
    return {
      midi: semitone + alter + 12 * (Number(attributes['oct']) + 1),
      name: `${letter}${alter}/${attributes['oct']}`,
    };
  });
}
