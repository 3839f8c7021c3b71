import { notationsOf, withNotations } from '../edit';
import type { NoteItem, Part } from '../score';
import type { XmlElement } from '../xml';

/** Takes away slurs of which one end is gone. The notes of a voice follow one another in the order in which they are written. */
export function withoutBrokenSlurs(part: Part): Part {
  const broken = brokenSlurs(part);
  if (broken.size === 0) return part;
  const measures = part.measures.map((measure) => {
    const items = measure.items.map((item) => (item.kind === 'note' ? without(item, broken) : item));
    return items.every((item, i) => item === measure.items[i]) ? measure : { ...measure, items };
  });
  return { ...part, measures };
}

function without(note: NoteItem, broken: ReadonlySet<XmlElement>): NoteItem {
  const xml = withNotations(note.xml, (all) => all.filter((mark) => !broken.has(mark)));
  return xml === note.xml ? note : { ...note, xml };
}

function brokenSlurs(part: Part): ReadonlySet<XmlElement> {
  const broken = new Set<XmlElement>();
  const open = new Map<string, XmlElement>();
  const notes = part.measures.flatMap(({ items }) => items.filter((item): item is NoteItem => item.kind === 'note'));
  for (const note of notes) {
    const slurs = notationsOf(note.xml).filter(({ name }) => name === 'slur');
    const inOrder = [...slurs].sort((a, b) => Number(isStart(a)) - Number(isStart(b)));
    for (const slur of inOrder) {
      // Staves number their slurs each for itself.
      const place = `${note.staff}/${slur.attributes['number'] ?? '1'}`;
      const before = open.get(place);
      if (isStart(slur)) {
        if (before) broken.add(before);
        open.set(place, slur);
      } else if (slur.attributes['type'] === 'stop') {
        if (!before) broken.add(slur);
        open.delete(place);
      }
    }
  }
  return new Set([...broken, ...open.values()]);
}

function isStart(slur: XmlElement): boolean {
  return slur.attributes['type'] === 'start';
}
