import type { LabelKind, Mark } from '../annotate';
import { shortened, type Language } from '../explain';
import type { OpenedPiece, Version } from '../piece';
import { HANDOUT_PARTS, ID_PREFIXES, type HandoutPart } from '../paper';
import type { Key } from '../pitch';
import { keyCard } from '../reference';
import { isBlackKey } from '../keyboard';
import { benchView, stepsView, type BenchView, type StepsKept } from '../views';
import type { Finger } from '../score';
import type { Sheet, SheetBlock, SheetKey, SheetPlace } from './sheet';

/** A piece in a key as a sheet needs it: in one of its stages, where one is wanted. */
export interface SheetPiece {
  readonly piece: OpenedPiece;
  readonly before: Version;
  readonly after: Version;
  /** What the stage is called, and its id; null for the whole piece. */
  readonly stage: { readonly id: string; readonly title: string } | null;
}

/** For whom a sheet is, and what the teacher put at the notes. */
export interface SheetFor {
  readonly pupil: string | null;
  /** The studio and a line of its own; empty for none. */
  readonly foot: string;
  readonly labels: readonly LabelKind[];
  readonly marks: readonly Mark[];
  /** Whether notes that the signature alters, and no sign reminds of, have a ring. */
  readonly reminders: 'none' | 'signature';
  readonly steps: StepsKept;
  readonly columns: number;
}

/** How a handout is put together. */
export interface HandoutChoice {
  /** In the order in which they stand. */
  readonly parts: readonly HandoutPart[];
  readonly tracks: 'shown' | 'hidden';
}

export const USUAL_HANDOUT: HandoutChoice = { parts: HANDOUT_PARTS, tracks: 'shown' };

/** More than so many things to watch for are not read. */
const MOST_WATCHED = 6;

/** The handout of a piece: what is on it follows from the piece and its key, so that it is new with them. */
export function handoutSheet(says: Language, of: SheetPiece, to: SheetFor, choice: HandoutChoice): Sheet {
  const view = pageOf(says, of, to, choice.tracks);
  const blocks = choice.parts.flatMap((part) =>
    partBlocks(says, part, { of, to, view, choice }).map((block): SheetBlock => ({ ...block, part })),
  );
  return {
    title: shortened(of.piece.score.title),
    ...inLanguage(says),
    foot: to.foot,
    blocks: [titleBlock(says, of, to), ...blocks, ...cautionBlocks(says, of.after)],
  };
}

/** What a sheet says of its language, whatever is on it. */
export function inLanguage(says: Language): Pick<Sheet, 'language' | 'pageOf'> {
  return { language: says.sheet.language, pageOf: says.sheet.pageOf };
}

export function titleBlock(says: Language, { piece, after, stage }: SheetPiece, { pupil }: SheetFor): SheetBlock {
  const under = says.sheet.underTitle(says.key(after.key), stage?.title ?? null, pupil);
  return { kind: 'title', text: shortened(piece.score.title), under };
}

/** The music as the Bench has it, without the key in front. */
export function pageOf(
  says: Language,
  { piece, before, after, stage }: SheetPiece,
  { labels, marks, columns }: SheetFor,
  tracks: HandoutChoice['tracks'],
): BenchView {
  const options = { columns, labels, marks, tracks, stage: stage?.id, front: 'bare' as const };
  return benchView(says, piece, { before, after }, { ...options, view: 'after', prefixes: ID_PREFIXES });
}

interface Ground {
  readonly of: SheetPiece;
  readonly to: SheetFor;
  readonly view: BenchView;
  readonly choice: HandoutChoice;
}

function partBlocks(says: Language, part: HandoutPart, { of, to, view, choice }: Ground): readonly SheetBlock[] {
  switch (part) {
    case 'fields':
      return [{ kind: 'fields', labels: [says.sheet.name, says.sheet.date] }];
    case 'music':
      return [musicBlock(says, of, view, { tracks: choice.tracks, reminders: to.reminders })];
    case 'places':
      return headed(says.sheet.whereHandsSit, placesBlocks(says, of.after));
    case 'key':
      return headed(says.sheet.keyCard(says.key(of.after.key)), keyBlocks(says, of.after.key));
    case 'watch':
      return headed(says.sheet.watchFor, watchBlocks(view));
    case 'steps':
      return headed(says.sheet.steps, stepBlocks(says, of, to));
    case 'notes':
      return [{ kind: 'ruled', label: says.sheet.notes, lines: 4 }];
  }
}

/** A heading over what there is; none over nothing. */
function headed(text: string, blocks: readonly SheetBlock[]): readonly SheetBlock[] {
  return blocks.length === 0 ? [] : [{ kind: 'heading', text }, ...blocks];
}

export function musicBlock(
  says: Language,
  { piece, after }: SheetPiece,
  view: BenchView,
  { tracks, reminders }: Pick<HandoutChoice, 'tracks'> & Pick<SheetFor, 'reminders'>,
): SheetBlock {
  return {
    kind: 'music',
    label: says.sheet.music(shortened(piece.score.title), says.key(after.key)),
    page: view.page,
    positions: tracks === 'shown' ? view.positions : null,
    before: view.positionsBefore,
    ringed: reminders === 'signature' ? view.bySignature : [],
  };
}

export function blackFingers(keys: readonly SheetKey[]): readonly Finger[] {
  return keys.flatMap(({ midi, finger }) => (isBlackKey(midi) ? [finger] : []));
}

/** Each place of a hand once, with the bars of its first time. */
export function placesBlocks(says: Language, { positions }: Version): readonly SheetBlock[] {
  const seen = new Set<string>();
  const places = positions.flatMap((placed): readonly SheetPlace[] => {
    const keys = placed.keyUnderFinger.flatMap((midi, i) =>
      midi === null ? [] : [{ midi, finger: (i + 1) as Finger }],
    );
    const { hand } = placed.position;
    const name = `${hand} ${placed.keyUnderFinger.join()}`;
    if (keys.length === 0 || seen.has(name)) return [];
    seen.add(name);
    const bars = [placed.notes[0]?.bar ?? '', placed.notes.at(-1)?.bar ?? ''] as const;
    const words = says.sheet.place(hand, bars, says.positionParts(placed, undefined).place);
    return [{ hand, keys, words, onBlack: blackFingers(keys) }];
  });
  return places.length === 0 ? [] : [{ kind: 'places', places }];
}

/** What a pupil should know of a key. */
export function keyBlocks(says: Language, key: Key): readonly SheetBlock[] {
  const card = keyCard(key);
  const names = (pitches: typeof card.pattern): string => pitches.map(says.place).join(' ');
  const items = [
    says.sheet.signature(says.signatureWords(card.signs, key)),
    says.sheet.fiveKeys(names(card.pattern)),
    says.sheet.triad(names(card.triad)),
    ...(card.relative ? [says.sheet.relative(says.key(card.relative))] : []),
  ];
  return [{ kind: 'list', items }];
}

function watchBlocks({ handNotes }: BenchView): readonly SheetBlock[] {
  const told = handNotes.filter(({ aside }) => aside === null).map(({ forPupil }) => forPupil);
  const items = [...new Set(told)].slice(0, MOST_WATCHED);
  return items.length === 0 ? [] : [{ kind: 'list', items }];
}

function stepBlocks(says: Language, { piece, before, after }: SheetPiece, { steps }: SheetFor): readonly SheetBlock[] {
  const told = stepsView(says, { piece, before, after }, steps).steps;
  if (told.length === 0) return [];
  return [
    { kind: 'steps', steps: told.map(({ step, title, told: how }) => ({ title, told: how, times: step.times })) },
  ];
}

/** Where a hand has to stretch, what to do when it hurts. */
export function cautionBlocks(says: Language, { flags }: Version): readonly SheetBlock[] {
  const isStretched = flags.some(({ evidence }) => evidence.kind === 'stretch' || evidence.kind === 'out-of-reach');
  return isStretched ? [{ kind: 'caution', text: says.sheet.caution }] : [];
}
