import {
  childElements,
  element,
  firstChild,
  isElement,
  withAttribute,
  withChild,
  withChildren,
  withoutChildren,
  type XmlElement,
} from '../xml';
import type { Mode } from '../pitch';
import type { AttributesItem, KeySignature, Measure, MeasureItem, Score } from '../score';
import { barTicks, type Meter, type Ticks } from '../time';
import { changeBar } from './change-voice';
import { closeBar, openBar } from './open-bar';
import { say } from './note-xml';

/** What stands before `<key>` and `<time>` in attributes. Source: MusicXML 4.0, `attributes`. */
const BEFORE_KEY = ['footnote', 'level', 'divisions'];
const BEFORE_TIME = [...BEFORE_KEY, 'key'];

/** Sets the meter from a bar on, until the next change of it. The notes stay in their bars; those that no longer add up are told of. */
export function withMeter(score: Score, bar: number, meter: Meter): Score {
  const changedAt = nextChange(score, bar, (item) => firstChild(item.xml, 'time') !== undefined);
  const parts = score.parts.map((part) => ({
    ...part,
    measures: part.measures.map((measure, index) => {
      if (index < bar || index >= changedAt) return measure;
      const lead =
        measure.xml.attributes['implicit'] === 'yes' && index === 0
          ? Math.max(0, barTicks(meter, score.ticksPerQuarter) - measure.length)
          : 0;
      const set = { ...measure, meter, lead };
      return index === bar ? withAttributes(set, (item) => ({ ...item, xml: withTime(item.xml, meter) })) : set;
    }),
  }));
  return { ...score, parts };
}

function withTime(attributes: XmlElement, meter: Meter): XmlElement {
  const time = element('time', {}, [say('beats', meter.beats), say('beat-type', meter.beatType)]);
  return withChild(
    withoutChildren(attributes, ({ name }) => name === 'time'),
    time,
    BEFORE_TIME,
  );
}

/** Sets the key signature from a bar on, until the next change of it. Notes keep their pitches; their signs are drawn anew. */
export function withSignature(score: Score, bar: number, fifths: number, mode: Mode | null): Score {
  const parts = score.parts.map((part) => ({
    ...part,
    measures: part.measures.map((measure, index) =>
      index === bar ? withAttributes(measure, (item) => withKeyElement(item, { staff: null, fifths, mode })) : measure,
    ),
  }));
  const changedAt = nextChange(score, bar, (item) => item.keys.length > 0);
  // The bars up to the next signature are drawn anew even where they hold what they held.
  return {
    ...score,
    parts: parts.map((part) => ({
      ...part,
      measures: part.measures.map((measure, i) =>
        i >= bar && i < changedAt ? { ...measure, items: [...measure.items] } : measure,
      ),
    })),
  };
}

function withKeyElement(item: AttributesItem, key: KeySignature): AttributesItem {
  const keyXml = element('key', {}, [say('fifths', key.fifths), ...(key.mode ? [say('mode', key.mode)] : [])]);
  const bare = withoutChildren(item.xml, ({ name }) => name === 'key');
  return { ...item, keys: [key], xml: withChild(bare, keyXml, BEFORE_KEY) };
}

/** The first bar behind this one in which something changes. */
function nextChange(score: Score, bar: number, isChange: (item: AttributesItem) => boolean): number {
  const bars = score.parts.flatMap((part) =>
    part.measures
      .filter(({ index, items }) => index > bar && items.some((item) => item.kind === 'attributes' && isChange(item)))
      .map(({ index }) => index),
  );
  return Math.min(...bars, Infinity);
}

/** Changes the attributes that a bar begins with; a bar without any gets some. */
function withAttributes(measure: Measure, change: (item: AttributesItem) => AttributesItem): Measure {
  // Where there are several, the last is the one that holds.
  const at = measure.items.findLastIndex((item) => item.kind === 'attributes' && item.onset === 0);
  const found = measure.items[at];
  if (found?.kind === 'attributes') return { ...measure, items: measure.items.with(at, change(found)) };
  const bare: AttributesItem = {
    kind: 'attributes',
    onset: 0,
    xml: element('attributes'),
    keys: [],
    clefs: [],
    transposition: null,
  };
  const open = openBar(measure);
  const closed = closeBar(measure, { ...open, head: [...open.head, change(bare)] });
  return closed;
}

/** Makes the first bar a pick-up of this length, or, with 0, a full bar again. */
export function withPickup(score: Score, ticks: Ticks): Score {
  return score.parts.reduce(
    (at, part) =>
      changeBar(at, part.id, 0, (measure) => {
        const full = barTicks(measure.meter, score.ticksPerQuarter);
        const isPickup = ticks > 0 && ticks < full;
        return {
          ...measure,
          lead: isPickup ? full - ticks : 0,
          xml: withAttribute(measure.xml, 'implicit', isPickup ? 'yes' : undefined),
        };
      }),
    score,
  );
}

/** Another title. */
export function withTitle(score: Score, title: string): Score {
  const { root } = score.document;
  const work = firstChild(root, 'work');
  const named = element('work', {}, [say('work-title', title)]);
  const changed = work ? withChild(work, say('work-title', title), ['work-number']) : named;
  // A movement's own title would be read first by other programs, so it says the same.
  const movement = firstChild(root, 'movement-title')
    ? withChild(root, say('movement-title', title), ['work', 'movement-number'])
    : root;
  return { ...score, title, document: { ...score.document, root: withChild(movement, changed, []) } };
}

/** Another composer. */
export function withComposer(score: Score, composer: string): Score {
  const { root } = score.document;
  const identification = firstChild(root, 'identification') ?? element('identification');
  const isComposer = (child: XmlElement): boolean =>
    child.name === 'creator' && child.attributes['type'] === 'composer';
  const others = identification.children.filter((child) => !(isElement(child) && isComposer(child)));
  const creator = composer === '' ? [] : [element('creator', { type: 'composer' }, [composer])];
  const changed = withChildren(identification, [...creator, ...others]);
  return {
    ...score,
    composer,
    document: { ...score.document, root: withChild(root, changed, ['work', 'movement-number', 'movement-title']) },
  };
}

/** Sets the tempo that the piece begins with, in quarters a minute. */
export function withTempo(score: Score, perMinute: number): Score {
  const first = score.parts[0];
  if (!first) return score;
  return changeBar(score, first.id, 0, (measure) => {
    const isTempo = (item: MeasureItem): boolean =>
      item.kind === 'carried' &&
      item.onset === 0 &&
      isElement(item.node) &&
      item.node.name === 'direction' &&
      saysTempo(item.node);
    const node = element('direction', { placement: 'above' }, [
      element('direction-type', {}, [
        element('metronome', {}, [say('beat-unit', 'quarter'), say('per-minute', perMinute)]),
      ]),
      say('staff', 1),
      element('sound', { tempo: String(perMinute) }),
    ]);
    const kept = measure.items.filter((item) => !isTempo(item));
    const place = kept.findLastIndex((item) => item.kind === 'attributes' && item.onset === 0) + 1;
    return { ...measure, items: kept.toSpliced(place, 0, { kind: 'carried', onset: 0, node }) };
  });
}

function saysTempo(direction: XmlElement): boolean {
  return childElements(direction, 'direction-type').some((type) => firstChild(type, 'metronome') !== undefined);
}
