import { keyOfSignature, keyText, nameAtFifths, pitchClass, rankKeys } from '../../pitch';
import { err, ok, unwrap, type Fault, type Remark, type Result } from '../../base';
import { barTicks, type Meter, type Ticks } from '../../time';
import type { PlainReading } from '../abc/read-abc';
import { MAX_PLAIN_BARS, tooManyBars } from '../limits';
import { PLAIN_BAR, PLAIN_TICKS, type PlainBar, type PlainLyric } from '../../plain-piece';
import { toGrid, type Grid, type GridNote } from './grid';
import { readMidiEvents, type MidiContent } from './midi-events';
import { splitHands } from './split-hands';
import { voicesOf, type Spelling } from './voices';

/** Reads a Standard MIDI File as a piece: rhythm set to a grid (found, unless it is given), hands told apart, pitches spelled in the key of the file
 * or the one that is found. Each of these is told in a remark. Errors: `read.midi-damaged`, `read.no-notes`. */
export function readMidi(bytes: Uint8Array, grid: Grid | null): Result<PlainReading, Fault> {
  const content = readMidiEvents(bytes);
  if (!content.ok) return content;
  const { value } = content;
  if (value.notes.length === 0) return err({ code: 'read.no-notes' });
  const gridded = toGrid(value.notes, value.ticksPerQuarter, grid);
  const hands = splitHands(gridded.notes, value.names);
  const spellings = spellingsOf(value, gridded.notes);
  const end = Math.max(...gridded.notes.map((note) => note.end));
  const barsRead = barsOf(value, end, spellings);
  if (!barsRead.ok) return barsRead;
  const bars = barsRead.value;
  const words = lyricsOf(value);
  const staves = [
    { clef: 'G' as const, hand: hands.right },
    { clef: 'F' as const, hand: hands.left },
  ].filter(({ hand }) => hand.length > 0);
  const tempos = lastingTempos(value, end);
  const [first] = spellings;
  const key = keyText(unwrap(keyOfSignature(first?.fifths ?? 0, first?.mode ?? 'major')));
  const remarks: Remark[] = [
    { code: 'midi-grid', grid: gridded.grid, moved: gridded.moved },
    ...(hands.by === 'one' ? [] : [{ code: 'midi-hands', by: hands.by } as const]),
    { code: 'midi-key', key, by: value.keys.length > 0 ? 'file' : 'notes' },
    ...(value.drums > 0 ? [{ code: 'midi-drums', count: value.drums } as const] : []),
  ];
  return ok({
    piece: {
      title: value.title,
      composer: '',
      bars,
      tempos,
      staves: staves.map(({ clef, hand }, i) => ({
        clef,
        voices: voicesOf(hand, spellings, i === 0 ? words : new Map()),
      })),
    },
    remarks,
  });
}

/** A tempo is a mark of the page where it lasts for a whole note or more; shorter ones are how someone played. */
function lastingTempos(
  content: MidiContent,
  end: Ticks,
): readonly { readonly onset: Ticks; readonly quartersPerMinute: number }[] {
  const tempos = content.tempos.map(({ at, quartersPerMinute }) => ({
    onset: plainTicks(at, content),
    quartersPerMinute,
  }));
  return tempos.filter(({ onset }, i) => i === 0 || (tempos[i + 1]?.onset ?? end) - onset >= 4 * PLAIN_TICKS);
}

function plainTicks(at: number, { ticksPerQuarter }: MidiContent): Ticks {
  return Math.round((at / ticksPerQuarter) * PLAIN_TICKS);
}

/** The keys of the file; without any, the one that the notes are most likely in. */
function spellingsOf(content: MidiContent, notes: readonly GridNote[]): readonly Spelling[] {
  const said = content.keys.filter(({ fifths }) => Math.abs(fifths) <= 7);
  if (said.length > 0) {
    return said.map(({ at, fifths, isMinor }, i) => ({
      from: i === 0 ? 0 : plainTicks(at, content),
      fifths,
      mode: isMinor ? 'minor' : 'major',
    }));
  }
  const weights = Array.from({ length: 12 }, () => 0);
  for (const { key, onset, end } of notes) weights[key % 12] = (weights[key % 12] as number) + end - onset;
  const best = rankKeys(weights)[0];
  const mode = best?.mode ?? 'major';
  const fifths = [0, 1, -1, 2, -2, 3, -3, 4, -4, 5, -5, -6].find(
    (value) => pitchClass(unwrap(nameAtFifths(value + (mode === 'minor' ? 3 : 0)))) === best?.tonic,
  );
  return [{ from: 0, fifths: fifths ?? 0, mode }];
}

/** Bars by the time signatures of the file. Errors: `read.too-many-bars`. A first one that lasts a single shorter bar is a pick-up. */
function barsOf(content: MidiContent, end: Ticks, spellings: readonly Spelling[]): Result<readonly PlainBar[], Fault> {
  const meters = content.meters.map(({ at, beats, beatType }) => ({
    at: plainTicks(at, content),
    meter: { beats, beatType },
  }));
  const [first, second] = meters;
  const isPickup =
    first !== undefined &&
    second !== undefined &&
    second.at === barTicks(first.meter, PLAIN_TICKS) &&
    second.at < barTicks(second.meter, PLAIN_TICKS);
  const bars: PlainBar[] = [];
  let start: Ticks = 0;
  let meter: Meter = (isPickup ? second : first)?.meter ?? { beats: 4, beatType: 4 };
  let at = isPickup ? 1 : 0;
  let isNew = true;
  while (start < end) {
    if (bars.length === MAX_PLAIN_BARS) return tooManyBars(MAX_PLAIN_BARS);
    const changed = meters.findLast((change, i) => i >= at && change.at <= start);
    if (changed && (changed.meter.beats !== meter.beats || changed.meter.beatType !== meter.beatType)) {
      meter = changed.meter;
      isNew = true;
    }
    at = Math.max(at, isPickup ? 1 : 0);
    const length = start === 0 && isPickup && second ? second.at : barTicks(meter, PLAIN_TICKS);
    const key = spellings.find(({ from }) => from === start || (from > start && from < start + length && from > 0));
    bars.push({
      ...PLAIN_BAR,
      start,
      length,
      isPickup: start === 0 && isPickup,
      meter: isNew ? meter : null,
      key: key ? { fifths: key.fifths, mode: key.mode } : null,
      style: start + length >= end ? 'final' : 'regular',
    });
    isNew = false;
    start += length;
  }
  return ok(bars);
}

function lyricsOf(content: MidiContent): ReadonlyMap<Ticks, PlainLyric> {
  let inWord = false;
  return new Map(
    content.words
      .filter(({ text }) => text !== '')
      .toSorted((a, b) => a.at - b.at)
      .map(({ at, text }) => {
        const goesOn = text.endsWith('-');
        const syllabic = inWord ? (goesOn ? 'middle' : 'end') : goesOn ? 'begin' : 'single';
        inWord = goesOn;
        return [plainTicks(at, content), { text: text.replace(/-$/, ''), syllabic, extends: false }];
      }),
  );
}
