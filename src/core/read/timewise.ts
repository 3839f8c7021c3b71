import { childElements, withChildren, type XmlDocument, type XmlElement } from '../xml';

/** Turns a score written bar by bar (`score-timewise`) into one written part by part. */
export function toPartwise(document: XmlDocument): XmlDocument {
  const { root } = document;
  if (root.name !== 'score-timewise') return document;
  const measures = childElements(root, 'measure');
  const header = childElements(root).filter((child) => child.name !== 'measure');
  const ids = [
    ...new Set(
      measures.flatMap((measure) => childElements(measure, 'part').map((part) => part.attributes['id'] ?? '')),
    ),
  ];
  const parts = ids.map((id) => partOf(id, measures));
  return {
    ...document,
    doctype: document.doctype?.replaceAll('timewise', 'partwise').replaceAll('Timewise', 'Partwise') ?? null,
    root: { ...root, name: 'score-partwise', children: [...header, ...parts] },
  };
}

function partOf(id: string, measures: readonly XmlElement[]): XmlElement {
  const children = measures.map((measure) => {
    const own = childElements(measure, 'part').find((part) => part.attributes['id'] === id);
    return withChildren(measure, own?.children ?? []);
  });
  const place = measures[0] ?? { line: 0, column: 0 };
  return { kind: 'element', name: 'part', attributes: { id }, children, line: place.line, column: place.column };
}
