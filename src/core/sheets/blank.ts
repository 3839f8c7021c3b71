import { shortened, type Language } from '../explain';
import { ID_PREFIXES, type LeftOut } from '../paper';
import type { Version } from '../piece';
import { mapMeasures, struckNotes, type MeasureItem, type NoteItem, type Score } from '../score';
import { isElement, withAttribute, withChildren, type XmlElement } from '../xml';
import { engravingPage, NO_TEXTS, systemBreaks, type Layer } from '../write';
import { cautionBlocks, inLanguage, titleBlock, type SheetFor, type SheetPiece } from './handout';
import type { Sheet, SheetBlock, SheetMusic } from './sheet';

/** A piece with something left out for the pupil to write in; `answers` adds the whole of it on a page of its own. */
export function blankSheet(
  says: Language,
  of: SheetPiece,
  to: SheetFor,
  { leave, answers }: { readonly leave: LeftOut; readonly answers: 'with' | 'without' },
): Sheet {
  const { after } = of;
  const task = leave === 'notes' ? says.sheet.leftOut.notes(says.key(after.key)) : says.sheet.leftOut[leave];
  const title = titleBlock(says, of, to);
  const head: readonly SheetBlock[] = [
    { kind: 'fields', labels: [says.sheet.name, says.sheet.date] },
    { kind: 'text', text: task, look: 'usual' },
  ];
  const whole: readonly SheetBlock[] = [
    { kind: 'page' },
    { ...title, under: says.sheet.answers } as SheetBlock,
    musicOf(says, of, to, { leave, isFilled: true }),
  ];
  return {
    title: shortened(of.piece.score.title),
    ...inLanguage(says),
    foot: to.foot,
    blocks: [
      title,
      ...head,
      musicOf(says, of, to, { leave, isFilled: false }),
      ...cautionBlocks(says, after),
      ...(answers === 'with' ? whole : []),
    ],
  };
}

interface Filling {
  readonly leave: LeftOut;
  readonly isFilled: boolean;
}

/** The page of the task or of its answer. Both are set out alike: what is left out keeps its room. */
function musicOf(says: Language, { piece, before, after }: SheetPiece, to: SheetFor, filling: Filling): SheetMusic {
  const { leave, isFilled } = filling;
  const score = isFilled ? after.score : withoutPart(after.score, leave);
  const lines = leave === 'names' ? [namesUnder(says, after, isFilled)] : [];
  const own: Layer = { score, prefix: ID_PREFIXES.after, label: '', texts: { ...NO_TEXTS, lines } };
  const model: Layer = { score: before.score, prefix: ID_PREFIXES.before, label: '', texts: NO_TEXTS };
  const breaks = systemBreaks(piece.score, to.columns);
  return {
    kind: 'music',
    label: says.sheet.music(shortened(piece.score.title), says.key(after.key)),
    page: engravingPage(leave === 'notes' ? [model, own] : [own], breaks),
    positions: null,
    before: [],
    ringed: [],
  };
}

function withoutPart(score: Score, leave: LeftOut): Score {
  const change = (note: NoteItem): NoteItem => {
    switch (leave) {
      case 'fingers':
        return { ...note, fingers: [] };
      case 'accidentals':
        return { ...note, accidental: null };
      case 'names':
        return note;
      case 'notes':
        return { ...note, fingers: [], xml: withAttribute(withoutMarks(note.xml), 'print-object', 'no') };
    }
  };
  return mapMeasures(score, (measure) => ({
    ...measure,
    items: measure.items
      .filter((item) => leave !== 'notes' || !isDirection(item))
      .map((item) => (item.kind === 'note' ? change(item) : item)),
  }));
}

/** Slurs and the like stand at notes: without those they would hang in the air. */
function withoutMarks(note: XmlElement): XmlElement {
  return withChildren(
    note,
    note.children.filter((child) => !isElement(child) || child.name !== 'notations'),
  );
}

/** What is said of the music stands over the model already. */
function isDirection(item: MeasureItem): boolean {
  return item.kind === 'carried' && isElement(item.node) && item.node.name === 'direction';
}

/** Room to write under a note, as wide as a name. */
const ROOM = '___';

function namesUnder(says: Language, { notes, key }: Version, isFilled: boolean): ReadonlyMap<string, string> {
  const own = says.inKey(key);
  return new Map(struckNotes(notes).map(({ id, pitch }) => [id, isFilled ? own.name(pitch) : ROOM]));
}
