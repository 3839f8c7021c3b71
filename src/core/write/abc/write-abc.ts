import { childElements, childText } from '../../xml';
import { intervalOf, keyOfSignature, nameText, type Interval, type Key, type Mode } from '../../pitch';
import { attributesOf, notesOf, soundingShift, type Measure, type Part, type Score } from '../../score';
import type { Meter } from '../../time';
import { signatureLine } from '../../notation';
import { instructionsOf } from '../../playback';
import { eventsOf, type AbcEvent } from './abc-events';
import { eventText, freshSigns, lengthText, syllableText, type AbcSigns } from './abc-notes';

/** How many bars stand on a line of the file. */
const BARS_A_LINE = 4;

interface AbcVoice {
  readonly name: string;
  readonly part: Part;
  readonly staff: number;
  readonly voice: string;
  readonly isLead: boolean;
  readonly clef: 'treble' | 'bass';
}

/** Writes a score as one ABC tune (standard 2.1): every hand and voice a `V:`, fingers as decorations, words under their
 * notes. Pitches are as they sound. `key` is the piece's own. */
export function writeAbc(score: Score, key: Key): string {
  const voices = score.parts.flatMap((part, i) => voicesOf(part, i));
  const [lead] = score.parts;
  const meter = lead?.measures[0]?.meter ?? { beats: 4, beatType: 4 };
  const tempo = lead?.measures.flatMap(instructionsOf).find(({ kind }) => kind === 'tempo');
  const header = [
    'X:1',
    `T:${oneLine(score.title)}`,
    ...(score.composer === '' ? [] : [`C:${oneLine(score.composer)}`]),
    `M:${meterText(meter)}`,
    'L:1/8',
    ...(tempo?.kind === 'tempo' ? [`Q:1/4=${Math.round(tempo.quartersPerMinute * 100) / 100}`] : []),
    ...(voices.length > 1
      ? [`%%score ${layoutText(voices)}`, ...voices.map(({ name, clef }) => `V:${name} clef=${clef}`)]
      : []),
    `K:${abcKey(key)}${voices.length === 1 && voices[0]?.clef === 'bass' ? ' clef=bass' : ''}`,
  ];
  const bodies = voices.flatMap((voice) => [
    ...(voices.length > 1 ? [`V:${voice.name}`] : []),
    ...voiceLines(voice, score.ticksPerQuarter, key),
  ]);
  return `${[...header, ...bodies].join('\n')}\n`;
}

function oneLine(text: string): string {
  return text.replace(/\s+/g, ' ').trim();
}

function voicesOf(part: Part, partIndex: number): readonly AbcVoice[] {
  const found = new Map<string, { staff: number; voice: string }>();
  for (const { staff, voice, isCue } of notesOf(part)) if (!isCue) found.set(`${staff}/${voice}`, { staff, voice });
  const sorted = [...found.values()].sort((a, b) => a.staff - b.staff || Number(a.voice) - Number(b.voice));
  const clefs = new Map(
    attributesOf(part)
      .flatMap(({ clefs: list }) => list)
      .toReversed()
      .map(({ staff, sign }) => [staff, sign]),
  );
  return sorted.map(({ staff, voice }, i) => ({
    name: `${partIndex + 1}${'abcdefghijklmnop'.charAt(i)}`,
    part,
    staff,
    voice,
    isLead: sorted.findIndex((other) => other.staff === staff) === i,
    clef: clefs.get(staff) === 'F' ? 'bass' : 'treble',
  }));
}

/** `{1a (1b 1c)}`: staves of a part in a brace, voices of a staff in parentheses. */
function layoutText(voices: readonly AbcVoice[]): string {
  const parts = [...new Set(voices.map(({ part }) => part))];
  return parts
    .map((part) => {
      const own = voices.filter((voice) => voice.part === part);
      const staves = [...new Set(own.map(({ staff }) => staff))].map((staff) =>
        own.filter((voice) => voice.staff === staff).map(({ name }) => name),
      );
      const texts = staves.map((names) => (names.length > 1 ? `(${names.join(' ')})` : (names[0] ?? '')));
      return texts.length > 1 ? `{${texts.join(' ')}}` : texts.join('');
    })
    .join(' ');
}

function voiceLines(voice: AbcVoice, ticksPerQuarter: number, key: Key): readonly string[] {
  const { part, staff } = voice;
  const shift = soundingShift(part);
  const toSounding: Interval = intervalOf(shift.steps, shift.semitones);
  const signatures = signatureLine(part);
  const verses = Math.max(
    0,
    ...notesOf(part)
      .filter((note) => note.staff === staff && note.voice === voice.voice)
      .map(({ xml }) => childElements(xml, 'lyric').length),
  );
  const lines: string[] = [];
  let line: string[] = [];
  let sung: AbcEvent[] = [];
  let meter: Meter | null = null;
  const flush = (): void => {
    if (line.length === 0) return;
    lines.push(line.join(' '));
    for (let verse = 1; verse <= verses; verse += 1)
      lines.push(
        `w: ${sung
          .map(({ lead }) => syllableText(lead.xml, verse))
          .join('')
          .trimEnd()}`,
      );
    line = [];
    sung = [];
  };
  part.measures.forEach((measure, index) => {
    const fifths = signatures.at(index, 0, staff).fifths + toSounding.fifths;
    const before = index === 0 ? fifths : signatures.at(index - 1, Infinity, staff).fifths + toSounding.fifths;
    const change = fifths !== before ? `[K:${signatureText(fifths, key.mode)}] ` : '';
    const isNewMeter =
      meter !== null && (meter.beats !== measure.meter.beats || meter.beatType !== measure.meter.beatType);
    meter = measure.meter;
    const events = eventsOf(measure, voice.voice, { staff, toSounding, isLeadVoice: voice.isLead });
    sung.push(...events.filter(({ notes }) => notes.length > 0));
    const { open, close } = barlines(measure);
    const music = barText(events, measure, freshSigns(fifths), ticksPerQuarter);
    line.push(
      `${open}${isNewMeter ? `[M:${meterText(measure.meter)}] ` : ''}${change}${music} ${close ?? (index === part.measures.length - 1 ? '|]' : '|')}`,
    );
    if (line.length === BARS_A_LINE) flush();
  });
  flush();
  return lines;
}

function barText(events: readonly AbcEvent[], measure: Measure, signs: AbcSigns, ticksPerQuarter: number): string {
  const pieces: string[] = [];
  let now = 0;
  let tuplet: AbcEvent[] = [];
  const closeTuplet = (): void => {
    const ratio = tuplet[0]?.ratio;
    if (ratio)
      pieces.push(
        `(${ratio.actual}:${ratio.normal}:${tuplet.length}${tuplet.map((event) => eventText(event, signs, ticksPerQuarter)).join('')}`,
      );
    tuplet = [];
  };
  for (const event of events) {
    if (event.onset > now) pieces.push(`x${lengthText(event.onset - now, ticksPerQuarter)}`);
    now = event.onset + event.duration;
    const isSame = tuplet[0]?.ratio?.actual === event.ratio?.actual && tuplet[0]?.ratio?.normal === event.ratio?.normal;
    if (tuplet.length > 0 && !isSame) closeTuplet();
    if (!event.ratio) {
      const text = eventText(event, signs, ticksPerQuarter);
      // Notes under one beam stand together.
      if (isBeamedOn(event)) pieces[pieces.length - 1] += text;
      else pieces.push(text);
      continue;
    }
    tuplet.push(event);
    if (event.endsTuplet) closeTuplet();
  }
  closeTuplet();
  if (now < measure.length) pieces.push(`x${lengthText(measure.length - now, ticksPerQuarter)}`);
  return pieces.join(' ');
}

function isBeamedOn({ lead }: AbcEvent): boolean {
  const beam = childElements(lead.xml, 'beam').find(({ attributes }) => (attributes['number'] ?? '1') === '1');
  const text = beam?.children
    .map((child) => (child.kind === 'text' ? child.text : ''))
    .join('')
    .trim();
  return text === 'continue' || text === 'end';
}

/** The bar lines of a bar: `|:` and `[1` in front, `:|` or `||` behind; null where the plain one is meant. */
function barlines(measure: Measure): { readonly open: string; readonly close: string | null } {
  const lines = measure.items.flatMap((item) =>
    item.kind === 'carried' && item.node.kind === 'element' && item.node.name === 'barline' ? [item.node] : [],
  );
  const repeats = lines
    .flatMap((line) => childElements(line, 'repeat'))
    .map(({ attributes }) => attributes['direction']);
  const ending = lines
    .flatMap((line) => childElements(line, 'ending'))
    .find(({ attributes }) => attributes['type'] === 'start');
  const style = lines
    .filter(({ attributes }) => attributes['location'] !== 'left')
    .map((line) => childText(line, 'bar-style'))[0];
  const open =
    (repeats.includes('forward') ? '|: ' : '') +
    (ending ? `[${(ending.attributes['number'] ?? '1').replace(/\s/g, '')} ` : '');
  if (repeats.includes('backward')) return { open, close: ':|' };
  return { open, close: style === 'light-light' ? '||' : style === 'light-heavy' ? '|]' : null };
}

function meterText({ beats, beatType }: Meter): string {
  return `${beats}/${beatType}`;
}

const MODE_TEXT: Readonly<Record<Mode, string>> = {
  major: '',
  ionian: 'ion',
  minor: 'm',
  aeolian: 'aeo',
  dorian: 'dor',
  phrygian: 'phr',
  lydian: 'lyd',
  mixolydian: 'mix',
  locrian: 'loc',
};

/** A key as the `K:` field has it: `Bb`, `Cm`, `Ddor`. */
export function abcKey(key: Key): string {
  return nameText(key.tonic) + MODE_TEXT[key.mode];
}

function signatureText(fifths: number, mode: Mode): string {
  const key = keyOfSignature(fifths, mode);
  return key.ok ? abcKey(key.value) : 'C';
}
