import { element, type XmlDocument, type XmlElement, type XmlNode } from '../xml';
import { barTicks, type Meter, type Ticks } from '../time';
import { noteElements, type NoteState } from './compose-note';
import {
  PLAIN_EVENT,
  PLAIN_TICKS,
  type PlainBar,
  type PlainEvent,
  type PlainPiece,
  type PlainStaff,
} from './plain-piece';
import { beamsOf } from './beams';

/** Writes a plain piece as a MusicXML document with one part, a staff for each of its staves. Time that no event fills
 * gets rests; an event that crosses a bar line is cut there and tied. */
export function composeMusicXml(piece: PlainPiece): XmlDocument {
  const states = piece.staves.map(({ voices }, staff) =>
    voices.map((events, i): VoiceState => ({
      staff: staff + 1,
      voice: 1 + 4 * staff + i,
      events,
      at: 0,
      note: { openSlurs: [], openTies: new Set() },
    })),
  );
  let meter: Meter = { beats: 4, beatType: 4 };
  const measures = piece.bars.map((bar, index) => {
    meter = bar.meter ?? meter;
    return measureElement(piece, { bar, index, meter, voices: states.flat() });
  });
  const root = element('score-partwise', { version: '4.0' }, [
    element('work', {}, [element('work-title', {}, [piece.title])]),
    ...(piece.composer === ''
      ? []
      : [element('identification', {}, [element('creator', { type: 'composer' }, [piece.composer])])]),
    element('part-list', {}, [element('score-part', { id: 'P1' }, [element('part-name', {}, ['Piano'])])]),
    element('part', { id: 'P1' }, measures),
  ]);
  return { declaration: null, doctype: null, prolog: [], epilog: [], root };
}

interface VoiceState {
  readonly staff: number;
  readonly voice: number;
  readonly events: readonly PlainEvent[];
  at: number;
  readonly note: NoteState;
}

function measureElement(
  piece: PlainPiece,
  {
    bar,
    index,
    meter,
    voices,
  }: { readonly bar: PlainBar; readonly index: number; readonly meter: Meter; readonly voices: readonly VoiceState[] },
): XmlElement {
  const hasPickup = piece.bars[0]?.isPickup === true;
  const attributes: Record<string, string> = {
    number: String(hasPickup ? index : index + 1),
    ...(bar.isPickup ? { implicit: 'yes' } : {}),
  };
  const content: XmlNode[] = [];
  if (bar.repeatStart || bar.endingStart !== null) content.push(leftBarline(bar));
  const given = attributesElement(piece.staves, bar, index);
  if (given) content.push(given);
  for (const { onset, quartersPerMinute } of piece.tempos) {
    if (onset >= bar.start && onset < bar.start + bar.length)
      content.push(tempoElement(quartersPerMinute, onset - bar.start));
  }
  voices.forEach((voice, i) => {
    const inBar = takeBar(voice, bar);
    // A further voice that is silent in the bar is not written at all.
    if (i > 0 && isSecondVoice(voice) && inBar.every(({ notes }) => notes.length === 0)) return;
    if (i > 0) content.push(element('backup', {}, [element('duration', {}, [String(bar.length)])]));
    const beams = beamsOf(inBar, bar, meter);
    const isWholeRest =
      inBar.length === 1 && inBar[0]?.notes.length === 0 && bar.length === barTicks(meter, PLAIN_TICKS);
    inBar.forEach((event, at) =>
      content.push(...noteElements(event, { ...voice, bar, meter, beam: beams[at] ?? null, isWholeRest }, voice.note)),
    );
  });
  if (bar.repeatEnd || bar.endingStop !== null || bar.style !== 'regular') content.push(rightBarline(bar));
  return element('measure', attributes, content);
}

function isSecondVoice({ voice }: VoiceState): boolean {
  return voice % 4 !== 1;
}

/** The events of a voice in a bar, cut at its end, with rests where nothing is. */
function takeBar(state: VoiceState, bar: PlainBar): readonly PlainEvent[] {
  const end = bar.start + bar.length;
  const taken: PlainEvent[] = [];
  let now = bar.start;
  const rest = (until: Ticks): void => {
    if (until > now) taken.push({ ...PLAIN_EVENT, onset: now, duration: until - now, notes: [] });
    now = Math.max(now, until);
  };
  while (state.at < state.events.length) {
    const event = state.events[state.at] as PlainEvent;
    const from = Math.max(event.onset, bar.start);
    if (from >= end) break;
    rest(from);
    const until = Math.min(event.onset + event.duration, end);
    const goesOn = event.onset + event.duration > end;
    const isFirst = event.onset >= bar.start;
    if (until > from) {
      const notes = goesOn ? event.notes.map((note) => ({ ...note, tiesOn: true })) : event.notes;
      taken.push(
        isFirst
          ? { ...event, duration: until - from, notes, slurStops: goesOn ? 0 : event.slurStops }
          : { ...PLAIN_EVENT, onset: from, duration: until - from, notes, slurStops: goesOn ? 0 : event.slurStops },
      );
    }
    now = Math.max(now, until);
    if (goesOn) break;
    state.at += 1;
  }
  rest(end);
  return taken;
}

function attributesElement(staves: readonly PlainStaff[], bar: PlainBar, index: number): XmlElement | null {
  if (index > 0 && !bar.key && !bar.meter && !bar.lowerClef) return null;
  const text = (name: string, value: string | number): XmlElement => element(name, {}, [String(value)]);
  const key = bar.key
    ? [element('key', {}, [text('fifths', bar.key.fifths), ...(bar.key.mode ? [text('mode', bar.key.mode)] : [])])]
    : [];
  const time = bar.meter
    ? [
        element('time', bar.meterSign === 'hidden' ? { 'print-object': 'no' } : {}, [
          text('beats', bar.meter.beats),
          text('beat-type', bar.meter.beatType),
        ]),
      ]
    : [];
  const clefElement = (clef: 'G' | 'F', number: number): XmlElement =>
    element('clef', staves.length > 1 ? { number: String(number) } : {}, [
      text('sign', clef),
      text('line', clef === 'G' ? 2 : 4),
    ]);
  if (index > 0)
    return element('attributes', {}, [
      ...key,
      ...time,
      ...(bar.lowerClef ? [clefElement(bar.lowerClef, staves.length)] : []),
    ]);
  const clefs = staves.map(({ clef }, i) => clefElement(clef, i + 1));
  return element('attributes', {}, [
    text('divisions', PLAIN_TICKS),
    ...key,
    ...time,
    ...(staves.length > 1 ? [text('staves', staves.length)] : []),
    ...clefs,
  ]);
}

function tempoElement(quartersPerMinute: number, offset: Ticks): XmlElement {
  const perMinute = String(Math.round(quartersPerMinute * 100) / 100);
  const metronome = element('metronome', {}, [
    element('beat-unit', {}, ['quarter']),
    element('per-minute', {}, [perMinute]),
  ]);
  const later = offset > 0 ? [element('offset', {}, [String(offset)])] : [];
  return element('direction', { placement: 'above' }, [
    element('direction-type', {}, [metronome]),
    ...later,
    element('staff', {}, ['1']),
    element('sound', { tempo: perMinute }),
  ]);
}

function leftBarline(bar: PlainBar): XmlElement {
  return element('barline', { location: 'left' }, [
    ...(bar.repeatStart ? [element('bar-style', {}, ['heavy-light'])] : []),
    ...(bar.endingStart === null ? [] : [element('ending', { number: bar.endingStart, type: 'start' })]),
    ...(bar.repeatStart ? [element('repeat', { direction: 'forward' })] : []),
  ]);
}

const STYLES = { regular: 'regular', double: 'light-light', final: 'light-heavy' } as const;

function rightBarline(bar: PlainBar): XmlElement {
  return element('barline', { location: 'right' }, [
    element('bar-style', {}, [bar.repeatEnd ? 'light-heavy' : STYLES[bar.style]]),
    ...(bar.endingStop === null ? [] : [element('ending', { number: bar.endingStop, type: 'stop' })]),
    ...(bar.repeatEnd ? [element('repeat', { direction: 'backward' })] : []),
  ]);
}
