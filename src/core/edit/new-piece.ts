import { element, type XmlDocument } from '../xml';
import { type Key, signatureOf } from '../pitch';
import type { AttributesItem, CarriedItem, Measure, Part, Score } from '../score';
import { barTicks, type Meter } from '../time';
import { say } from './note-xml';
import { readyToEdit } from './fine-grid';

/** What a new piece begins with. `pickupBeats` counts in the meter's lower number; 0 for none. */
export interface NewPiece {
  readonly title: string;
  readonly key: Key;
  readonly meter: Meter;
  readonly pickupBeats: number;
}

/** A piece for two hands with one empty bar. */
export function newScore({ title, key, meter, pickupBeats }: NewPiece): Score {
  const fifths = signatureOf(key);
  const isPickup = pickupBeats > 0 && pickupBeats < meter.beats;
  const measureXml = element('measure', { number: isPickup ? '0' : '1', ...(isPickup ? { implicit: 'yes' } : {}) });
  const clef = (staff: number, sign: string, line: number) =>
    element('clef', { number: String(staff) }, [say('sign', sign), say('line', line)]);
  const attributes: AttributesItem = {
    kind: 'attributes',
    onset: 0,
    keys: [{ staff: null, fifths, mode: key.mode }],
    clefs: [
      { staff: 1, sign: 'G', line: 2, octaveChange: 0 },
      { staff: 2, sign: 'F', line: 4, octaveChange: 0 },
    ],
    transposition: null,
    xml: element('attributes', {}, [
      say('divisions', 1),
      element('key', {}, [say('fifths', fifths), say('mode', key.mode)]),
      element('time', {}, [say('beats', meter.beats), say('beat-type', meter.beatType)]),
      say('staves', 2),
      clef(1, 'G', 2),
      clef(2, 'F', 4),
    ]),
  };
  const lead = isPickup ? barTicks(meter, 1) - (pickupBeats * 4) / meter.beatType : 0;
  const measure: Measure = {
    index: 0,
    number: isPickup ? '0' : '1',
    meter,
    lead,
    length: isPickup ? (pickupBeats * 4) / meter.beatType : 0,
    xml: measureXml,
    items: isPickup ? [attributes, silence((pickupBeats * 4) / meter.beatType)] : [attributes],
  };
  const part: Part = {
    id: 'P1',
    name: 'Piano',
    staves: 2,
    xml: element('part', { id: 'P1' }, [element('measure')]),
    measures: [measure],
  };
  return readyToEdit({ document: documentOf(title), title, composer: '', ticksPerQuarter: 1, parts: [part] });
}

/** How long a pick-up is to be stands in its bar from the beginning, as silence without a rest: the first note takes its place. Unit: quarters. */
function silence(quarters: number): CarriedItem {
  return { kind: 'carried', onset: 0, node: element('forward', {}, [say('duration', quarters)]) };
}

function documentOf(title: string): XmlDocument {
  const list = element('part-list', {}, [element('score-part', { id: 'P1' }, [say('part-name', 'Piano')])]);
  const root = element('score-partwise', { version: '4.0' }, [
    element('work', {}, [say('work-title', title)]),
    list,
    element('part', { id: 'P1' }),
  ]);
  return { declaration: 'version="1.0" encoding="UTF-8"', doctype: null, prolog: [], epilog: [], root };
}

/** Reads the short way of saying what a new piece begins with: key, meter, beats of a pick-up: `g 3/4 1`, `Bb`, `am 6/8`, `g31`.
 * What is not said is C major, 4/4, no pick-up. Null where it is none of these.
 * @example readOpening('g31') //=> G major, 3/4, a pick-up of one beat */
export function readOpening(text: string): {
  readonly tonic: string;
  readonly mode: 'major' | 'minor';
  readonly meter: Meter;
  readonly pickupBeats: number;
} | null {
  const match =
    /^\s*(?:([a-gA-G])(#|b|♯|♭)?(?:\s*(m|min|minor|maj|major))?)?\s*(?:(12|\d)\s*(?:\/\s*(\d+))?)?(?:\s*(\d+))?\s*$/.exec(
      text,
    );
  if (!match) return null;
  const [, letter = 'C', sign = '', mode = '', beatsText, typeText, pickupText] = match;
  const beats = Number(beatsText ?? 4);
  const beatType = Number(typeText ?? ([6, 9, 12].includes(beats) ? 8 : 4));
  if (beats < 1 || ![1, 2, 4, 8, 16].includes(beatType)) return null;
  const said = Number(pickupText ?? 0);
  // Three-four is also written 34, and six-eight 68.
  const isMeterWithout =
    typeText === undefined && pickupText !== undefined && said >= beats && [2, 4, 8].includes(said);
  return {
    tonic: letter.toUpperCase() + sign.replace('♯', '#').replace('♭', 'b'),
    mode: mode.startsWith('mi') || mode === 'm' ? 'minor' : 'major',
    meter: { beats, beatType: isMeterWithout ? said : beatType },
    pickupBeats: isMeterWithout || said >= beats ? 0 : said,
  };
}
