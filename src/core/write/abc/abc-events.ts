import { childAt, childElements, childText, textOf, type XmlElement } from '../../xml';
import { transposeBy, type Interval, type Pitch } from '../../pitch';
import type { HarmonyItem, Measure, NoteItem } from '../../score';
import type { Ticks } from '../../time';

/** A note, chord or rest of one voice as ABC writes it. */
export interface AbcEvent {
  readonly onset: Ticks;
  readonly duration: Ticks;
  readonly notes: readonly { readonly pitch: Pitch; readonly item: NoteItem }[];
  readonly graces: readonly Pitch[];
  readonly ratio: { readonly actual: number; readonly normal: number } | null;
  readonly endsTuplet: boolean;
  readonly lead: NoteItem;
  readonly before: readonly string[];
}

/** The events of a voice in a bar, chords together, grace notes with the note they lead to. `before` are dynamics,
 * words and chord symbols that stand at the event. */
export function eventsOf(
  measure: Measure,
  voice: string,
  {
    staff,
    toSounding,
    isLeadVoice,
  }: { readonly staff: number; readonly toSounding: Interval; readonly isLeadVoice: boolean },
): readonly AbcEvent[] {
  const events: AbcEvent[] = [];
  let graces: Pitch[] = [];
  let waiting: string[] = [];
  for (const item of measure.items) {
    if (isLeadVoice && item.kind === 'harmony') waiting.push(`"${chordText(item)}"`);
    if (isLeadVoice && item.kind === 'carried' && item.node.kind === 'element')
      waiting.push(...marksOf(item.node, staff));
    if (item.kind !== 'note' || item.voice !== voice || item.staff !== staff || item.isCue) continue;
    const sounding = item.pitch && transposeBy(item.pitch, toSounding);
    const pitch = sounding?.ok ? sounding.value : null;
    if (item.isGrace) {
      if (pitch) graces.push(pitch);
      continue;
    }
    const last = events.at(-1);
    if (item.isChordMember && last && pitch) {
      events[events.length - 1] = { ...last, notes: [...last.notes, { pitch, item }] };
      continue;
    }
    const ratio = ratioOf(item.xml);
    const endsTuplet = notations(item.xml).some(
      ({ name, attributes }) => name === 'tuplet' && attributes['type'] === 'stop',
    );
    events.push({
      onset: item.onset,
      duration: item.duration,
      notes: pitch ? [{ pitch, item }] : [],
      graces,
      ratio,
      endsTuplet,
      lead: item,
      before: waiting,
    });
    graces = [];
    waiting = [];
  }
  return events;
}

function ratioOf(note: XmlElement): AbcEvent['ratio'] {
  const change = childElements(note, 'time-modification')[0];
  const actual = Number(change && childText(change, 'actual-notes'));
  const normal = Number(change && childText(change, 'normal-notes'));
  return actual > 0 && normal > 0 ? { actual, normal } : null;
}

export function notations(note: XmlElement): readonly XmlElement[] {
  return childElements(note, 'notations').flatMap((group) => childElements(group));
}

function marksOf(direction: XmlElement, staff: number): readonly string[] {
  if (direction.name !== 'direction') return [];
  const own = childText(direction, 'staff');
  if (own !== undefined && Number(own) !== staff) return [];
  return childElements(direction, 'direction-type').flatMap((type): readonly string[] => {
    const dynamics = childElements(type, 'dynamics')
      .flatMap((group) => childElements(group))
      .map(({ name }) => `!${name}!`);
    const words = childElements(type, 'words').map((word) => `"^${textOf(word).replaceAll('"', "'")}"`);
    return [...dynamics, ...words];
  });
}

function chordText({ xml, roots, basses }: HarmonyItem): string {
  const kind = childAt(xml, 'kind');
  const shown = kind?.attributes['text'];
  const ending = shown ?? ENDINGS[textOf(kind)] ?? '';
  const name = (of: HarmonyItem['roots'][number] | undefined): string =>
    of ? 'CDEFGAB'.charAt(of.step) + (of.alter > 0 ? '#'.repeat(of.alter) : 'b'.repeat(-of.alter)) : '';
  return name(roots[0]) + ending + (basses[0] ? `/${name(basses[0])}` : '');
}

/** Endings of chord symbols. Source: MusicXML 4.0, `kind-value`, and common practice. */
const ENDINGS: Readonly<Record<string, string>> = {
  minor: 'm',
  dominant: '7',
  'minor-seventh': 'm7',
  'major-seventh': 'maj7',
  diminished: 'dim',
  'diminished-seventh': 'dim7',
  augmented: 'aug',
  'major-sixth': '6',
  'minor-sixth': 'm6',
  'suspended-fourth': 'sus4',
  'suspended-second': 'sus2',
  'dominant-ninth': '9',
};
