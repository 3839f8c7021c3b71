import { XMLParser, child, textAt, type WalkedElement } from './xml-walk';

/** Which signs a MusicXML file should draw, one entry a pitched note in document order, `?` behind courtesy signs.
 * Written apart from the code under test and the other way round: for each note it looks back for the last one on
 * its line, instead of keeping a state. Source of the rule: handbook; Gould, Behind Bars (2011), from memory. */
export function drawnByTheBarRule(musicXml: string): readonly string[] {
  const notes = XMLParser.elements(musicXml, 'part').flatMap(timedNotes);
  return notes.map((note) => signOf(note, notes));
}

interface TimedNote {
  readonly part: WalkedElement;
  readonly bar: number;
  readonly onset: number;
  readonly order: number;
  readonly line: string;
  readonly alter: number;
  readonly signature: number;
  readonly tiedIn: boolean;
}

function timedNotes(part: WalkedElement): readonly TimedNote[] {
  let fifths = 0;
  let order = 0;
  return part.children.flatMap((measure, bar) => {
    let now = 0;
    let before = 0;
    return measure.children.flatMap((item): readonly TimedNote[] => {
      const key = textAt(item, 'key', 'fifths');
      if (item.name === 'attributes' && key !== '') fifths = Number(key);
      const duration = Number(textAt(item, 'duration') || '0');
      if (item.name === 'backup') now -= duration;
      if (item.name === 'forward') now += duration;
      if (item.name !== 'note') return [];
      const onset = child(item, 'chord') ? before : now;
      if (!child(item, 'chord')) {
        before = now;
        now += duration;
      }
      if (!child(item, 'pitch')) return [];
      order += 1;
      const step = textAt(item, 'pitch', 'step');
      const line = `${textAt(item, 'staff') || '1'}${step}${textAt(item, 'pitch', 'octave')}`;
      const alter = Number(textAt(item, 'pitch', 'alter') || '0');
      const tiedIn = item.children.some(({ name, attributes }) => name === 'tie' && attributes['type'] === 'stop');
      return [{ part, bar, onset, order, line, alter, signature: alterInSignature(fifths, step), tiedIn }];
    });
  });
}

function signOf(note: TimedNote, all: readonly TimedNote[]): string {
  if (note.tiedIn) return '';
  const sign =
    { '-2': 'flat-flat', '-1': 'flat', '0': 'natural', '1': 'sharp', '2': 'double-sharp' }[String(note.alter)] ?? '';
  const onLine = all
    .filter((other) => other.part === note.part && other.line === note.line)
    .sort((a, b) => a.bar - b.bar || a.onset - b.onset || a.order - b.order);
  const earlier = onLine.slice(0, onLine.indexOf(note));
  const inBar = earlier.filter((other) => other.bar === note.bar && !(other.tiedIn && other.onset === 0));
  const last = inBar.at(-1);
  if (note.alter !== (last ? last.alter : note.signature)) return sign;
  const barBefore = earlier.filter((other) => other.bar === note.bar - 1).at(-1);
  const wasAltered = barBefore !== undefined && barBefore.alter !== barBefore.signature;
  return !last && wasAltered && barBefore.alter !== note.alter ? `${sign}?` : '';
}

function alterInSignature(fifths: number, step: string): number {
  const sharps = 'FCGDAEB';
  if (fifths >= 0) return sharps.slice(0, fifths).includes(step) ? 1 : 0;
  return sharps.slice(7 + fifths).includes(step) ? -1 : 0;
}
