import { memoOf } from '../base';
import { childText, element, isElement, type XmlElement } from '../xml';
import type { CarriedItem, Measure, MeasureItem, NoteItem } from '../score';
import type { Ticks } from '../time';

/** A chord, a note or a rest in a voice, or a stretch in which the voice is silent without a rest (`notes` is then empty).
 * `ahead` is what the file has in front of it and stays with it: words, dynamics, chord symbols, grace notes, what we only carry. */
export interface Entry {
  readonly ahead: readonly MeasureItem[];
  readonly notes: readonly NoteItem[];
  readonly duration: Ticks;
}

/** One voice of a bar. `after` is what stands behind its last entry. */
export interface Voice {
  readonly staff: number;
  readonly voice: string;
  readonly entries: readonly Entry[];
  readonly after: readonly MeasureItem[];
}

/** A bar taken apart into its voices. `head` is what begins it (signatures, clefs, a bar line on the left), `foot` what ends it. */
export interface OpenBar {
  readonly head: readonly MeasureItem[];
  readonly voices: readonly Voice[];
  readonly foot: readonly MeasureItem[];
}

/** Takes a bar apart. Nothing of it is lost; only blank text and the moves between voices are made anew when it is put together. Most bars of a piece
 * stay as they are from one key press to the next. */
export const openBar = memoOf((measure: Measure): OpenBar => {
  const segments = segmentsOf(measure.items);
  const head: MeasureItem[] = [];
  const foot: MeasureItem[] = [];
  const voices: Voice[] = [];
  for (const [i, segment] of segments.entries()) {
    const own = segment.filter((item) => !(isHead(item) && head.push(item)) && !(isFoot(item) && foot.push(item)));
    const voice = voiceOfSegment(own, i + 1);
    const last = voices.at(-1);
    if (voice.entries.length > 0) voices.push(voice);
    else if (last) voices.splice(-1, 1, { ...last, after: [...last.after, ...voice.after] });
    else head.push(...voice.after);
  }
  return { head, voices, foot };
});

function segmentsOf(items: readonly MeasureItem[]): readonly (readonly MeasureItem[])[] {
  const segments: MeasureItem[][] = [[]];
  for (const item of items) {
    if (isBlank(item)) continue;
    if (isNamed(item, 'backup')) segments.push([]);
    else segments.at(-1)?.push(item);
  }
  return segments;
}

function voiceOfSegment(items: readonly MeasureItem[], number: number): Voice {
  const entries: Entry[] = [];
  let ahead: MeasureItem[] = [];
  const begin = items[0]?.onset ?? 0;
  if (begin > 0) entries.push({ ahead: [], notes: [], duration: begin });
  for (const item of items) {
    const last = entries.at(-1);
    if (isNamed(item, 'forward')) {
      entries.push({ ahead, notes: [], duration: forwardTicks(item) });
      ahead = [];
    } else if (item.kind !== 'note' || item.isGrace) {
      ahead.push(item);
    } else if (item.isChordMember && last && last.notes.length > 0) {
      entries.splice(-1, 1, { ...last, ahead: [...last.ahead, ...ahead], notes: [...last.notes, item] });
      ahead = [];
    } else {
      entries.push({ ahead, notes: [item], duration: item.duration });
      ahead = [];
    }
  }
  const first = entries.flatMap(({ notes }) => notes)[0];
  return { staff: first?.staff ?? 1, voice: first?.voice ?? String(number), entries, after: ahead };
}

/** What belongs to the bar and not to a voice in it. */
function isHead(item: MeasureItem): boolean {
  if (item.onset > 0) return false;
  return item.kind === 'attributes' || isNamed(item, 'print') || (isNamed(item, 'barline') && side(item) !== 'right');
}

function isFoot(item: MeasureItem): boolean {
  return isNamed(item, 'barline') && side(item) === 'right';
}

function side(item: CarriedItem): string {
  return isElement(item.node) ? (item.node.attributes['location'] ?? 'right') : '';
}

function forwardTicks({ node }: CarriedItem): Ticks {
  return isElement(node) ? Number(childText(node, 'duration') ?? 0) : 0;
}

function isNamed(item: MeasureItem, name: string): item is CarriedItem {
  return item.kind === 'carried' && isElement(item.node) && item.node.name === name;
}

function isBlank(item: MeasureItem): boolean {
  return item.kind === 'carried' && item.node.kind === 'text' && item.node.text.trim() === '';
}

/** Puts a bar together again: onsets, moves between voices and the length follow from the entries. */
export function closeBar(measure: Measure, { head, voices, foot }: OpenBar): Measure {
  const items: MeasureItem[] = head.map((item) => ({ ...item, onset: 0 }));
  let now: Ticks = 0;
  let length: Ticks = 0;
  for (const voice of voices) {
    if (now > 0) items.push(move('backup', now, now));
    now = 0;
    for (const entry of voice.entries) {
      items.push(...entry.ahead.map((item) => ({ ...item, onset: now })));
      items.push(
        ...(entry.notes.length === 0
          ? [move('forward', entry.duration, now)]
          : entry.notes.map((note) => ({ ...note, onset: now }))),
      );
      now += entry.duration;
    }
    items.push(...voice.after.map((item) => ({ ...item, onset: now })));
    length = Math.max(length, now);
  }
  items.push(...foot.map((item) => ({ ...item, onset: now })));
  return { ...measure, length, items: withBlanks(items, measure.items) };
}

function move(name: 'backup' | 'forward', ticks: Ticks, onset: Ticks): CarriedItem {
  const node: XmlElement = element(name, {}, [element('duration', {}, [String(ticks)])]);
  return { kind: 'carried', onset, node };
}

/** The lines and indents that the bar had. */
function withBlanks(items: readonly MeasureItem[], before: readonly MeasureItem[]): readonly MeasureItem[] {
  const blanks = before.filter((item): item is CarriedItem => isBlank(item));
  const [first, last] = [blanks[0], blanks.at(-1)];
  if (!first || !last) return items;
  const spaced = items.flatMap((item) => [{ ...first, onset: item.onset }, item]);
  return [...spaced, { ...last, onset: items.at(-1)?.onset ?? 0 }];
}

/** How long a voice is. */
export function voiceTicks(voice: Voice | undefined): Ticks {
  return (voice?.entries ?? []).reduce((sum, { duration }) => sum + duration, 0);
}

/** A voice with other entries in place of those it has. What the file had in front of the old ones stays in the bar; their grace notes go with them. */
export function withEntries(voice: Voice, entries: readonly Entry[]): Voice {
  const kept = voice.entries.flatMap(({ ahead }) => carriedIn(ahead));
  const [first, ...rest] = entries;
  if (!first) return { ...voice, entries: [], after: [...kept, ...voice.after] };
  return { ...voice, entries: [{ ...first, ahead: [...kept, ...first.ahead] }, ...rest] };
}

/** What stays when the entry behind it goes: everything but its grace notes. */
export function carriedIn(ahead: readonly MeasureItem[]): readonly MeasureItem[] {
  return ahead.filter(({ kind }) => kind !== 'note');
}
