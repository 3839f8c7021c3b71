import { assertNever, err, ok, type Result } from '@/core/base';
import { withAside, withFingers, withMarks, withoutFingers } from '../decided';
import { grantedTo } from '../file/rights';
import { wantedByTakingIn } from '../file/take-in';
import { entryKey, heldIn, sameHeld, type Field, type Held } from '../records/field';
import type { PupilRecord } from '../records/pupil-record';
import { FORM, PIECE, pieceRecord, type Decided, type NewPiece, type PieceRecord } from '../records/records';
import { understoodRecord } from '../records/understand';
import type { DemoRecords, EditCommand, NoteCommand, StoreFault } from './commands';
import type { RecordPlace } from './history-records';
import type { StudioView, Wanted } from './view';
import { cards, carried, moved, planned } from './wanted-plan';
import { changed, everythingOf, judged, lessonNote, measured } from './wanted-pupil';

type Wanting = Promise<Result<readonly Wanted[], StoreFault>>;

/** What a command wants the studio to hold. Reads only; the same studio and the same command want the same. */
// eslint-disable-next-line max-lines-per-function -- one case a code: all of them are wanted, in one place
export async function wantedBy(view: StudioView, command: EditCommand | NoteCommand): Wanting {
  switch (command.kind) {
    case 'piece.add':
      return addedPieces(view, command.pieces.map(newPiece));
    case 'piece.remove':
      return removal(view, { table: 'pieces', id: command.id });
    case 'piece.tag':
      return ok([ofPiece(command.id, ['tags', command.tag], command.as === 'put' ? command.tag : undefined)]);
    case 'piece.place':
      return ok([ofPiece(command.id, ['place'], command.place)]);
    case 'piece.part':
      return ok([ofPiece(command.id, ['part'], command.part)]);
    case 'piece.own-key':
      return ok([ofPiece(command.id, ['ownKey'], command.ownKey), ofPiece(command.id, ['lastKey'], null)]);
    case 'piece.respell':
      return ok([
        ofPiece(command.id, ['respelled', command.entry], command.as === 'other' ? command.entry : undefined),
      ]);
    case 'piece.grid':
      return wantedGrid(view, command);
    case 'piece.fingers':
      return decision(view, command.id, (decided) => withFingers(decided, command.whose, command.wanted));
    case 'piece.let-go':
      return decision(view, command.id, (decided) => withoutFingers(decided, command.whose, command.notes));
    case 'piece.put-aside':
      return decision(view, command.id, (decided) => withAside(decided, command.whose, command.flag, command.reason));
    case 'piece.mark':
      return decision(view, command.id, (decided) =>
        withMarks(decided, command.whose, { kind: command.mark, notes: command.notes, text: command.text }),
      );
    case 'piece.stages':
      return ok(Object.entries(command.change).map(([name, value]) => ofPiece(command.id, [name], value)));
    case 'piece.own-stage':
      return ok([
        ofPiece(
          command.id,
          ['ownStages', entryKey(['ownStages'], command.stage)],
          command.as === 'put' ? command.stage : undefined,
        ),
      ]);
    case 'piece.stage-fingers':
      return ok(stageFingers(command));
    case 'piece.stage-let-go':
      return ok(noStageFingers(command));
    case 'pupil.add':
      return addable(view, [newPupil(command.pupil)]);
    case 'pupil.change':
      return ok(changed(command));
    case 'pupil.measure':
      return ok(await measured(view, command));
    case 'pupil.judge':
      return ok(judged(command));
    case 'pupil.remove':
      return everythingOf(view, command.id);
    case 'plan.add':
      return ok(await planned(view, command));
    case 'plan.cards':
      return ok(await cards(view, command));
    case 'plan.change':
      return ok(command.ids.flatMap((id) => ofCard(id, command.change)));
    case 'plan.move':
      return moved(view, command);
    case 'plan.carry':
      return ok(await carried(view, command));
    case 'lesson.note':
      return ok(await lessonNote(view, command));
    case 'plan.remove':
      return ok(command.ids.map((id) => ({ table: 'plan', id, field: [], value: undefined })));
    case 'piece.homework':
      return ok(homework(command));
    case 'run.remove':
      return ok(command.ids.map((id) => ({ table: 'runs', id, field: [], value: undefined })));
    case 'settings.change':
      return ok(ofKept('settings', command.change));
    case 'demo.bring':
      return ok([...(await missing(view, demoOf(command))), ...ofKept('settings', { demoPutAway: false })]);
    case 'demo.put-away':
      return ok([...(await demoThere(view)), ...ofKept('settings', { demoPutAway: true })]);
    case 'studio.take-in':
      return ok((await wantedByTakingIn(view, command.contents, command.how, command.file)).wanted);
    case 'studio.join':
    case 'studio.settle':
      // What is known of other devices belongs to both: the door does them.
      return ok([]);
    case 'aside.delete':
      return withoutUnclear(view, command);
    case 'note.key':
      return ok([ofPiece(command.id, ['lastKey'], command.key)]);
    case 'note.used':
      return ok([ofPiece(command.id, ['usedAt'], command.atMs)]);
    case 'note.desk':
      return ok(ofKept('desk', command.change));
    case 'note.find':
      return ok([{ table: 'answers', id: command.find.id, field: [], value: { ...command.find, form: FORM } }]);
    case 'note.run':
      return ok([{ table: 'runs', id: command.run.id, field: [], value: { ...command.run, form: FORM } }]);
    case 'note.saved':
      return ok([
        { table: 'kept', id: 'saved', field: [], value: { id: 'saved', form: FORM, value: { atMs: command.atMs } } },
      ]);
    case 'note.first-visit':
      return ok(await firstVisit(view, command));
    default:
      return assertNever(command);
  }
}

function ofPiece(id: string, field: Field, value: Held): Wanted {
  return { table: 'pieces', id, field, value };
}

function newPiece(piece: NewPiece): Wanted {
  return { table: 'pieces', id: piece.id, field: [], value: pieceRecord(piece) };
}

function newPupil(pupil: PupilRecord): Wanted {
  return { table: 'pupils', id: pupil.id, field: [], value: { ...pupil, form: FORM } };
}

/** Pieces come onto the shelf as out of a piece file: beside those that are there. */
async function addedPieces(view: StudioView, records: readonly Wanted[]): Wanting {
  const { wanted, refused } = await grantedTo({ kind: 'piece', pupil: null }, view, records);
  const [first] = refused;
  return first ? err({ code: 'store.there', place: { table: first.table, id: first.id } }) : ok(wanted);
}

async function addable(view: StudioView, records: readonly Wanted[]): Wanting {
  for (const { table, id } of records)
    if ((await view.get({ table, id })) !== undefined) return err({ code: 'store.there', place: { table, id } });
  return ok(records);
}

async function removal(view: StudioView, place: RecordPlace): Wanting {
  if ((await view.get(place)) === undefined) return err({ code: 'store.gone', place });
  return ok([{ ...place, field: [], value: undefined }]);
}

async function wantedGrid(
  view: StudioView,
  { id, edition, next, grid, musicXml, remarks }: EditCommand & { readonly kind: 'piece.grid' },
): Wanting {
  const record = await view.get({ table: 'pieces', id });
  if (record === undefined) return err({ code: 'store.gone', place: { table: 'pieces', id } });
  if ((heldIn(record, ['edition']) ?? null) !== edition) return err({ code: 'store.music-changed', id });
  return ok([
    ofPiece(id, ['musicXml'], musicXml),
    ofPiece(id, ['edition'], next),
    ofPiece(id, ['remarks'], remarks),
    ofPiece(id, ['midi', 'grid'], grid),
  ]);
}

/** The entries of the lists of decisions that a change puts in, replaces or takes out. */
async function decision(view: StudioView, id: string, change: (decided: Decided) => Decided): Wanting {
  const place = { table: 'pieces', id } as const;
  const record = await view.get(place);
  if (record === undefined) return err({ code: 'store.gone', place });
  const piece = understoodRecord<PieceRecord>(PIECE, record);
  if (!piece) return err({ code: 'store.unclear', place, field: [] });
  const [before, after] = [piece.decided, change(piece.decided)];
  return ok(
    (['fingers', 'aside', 'marks'] as const).flatMap((name) =>
      entriesBetween(id, ['decided', name], before[name], after[name]),
    ),
  );
}

/** Fingers of one stage, each an entry of its own. */
function stageFingers({
  id,
  stage,
  whose,
  wanted,
}: EditCommand & { readonly kind: 'piece.stage-fingers' }): readonly Wanted[] {
  return wanted.map(({ note, finger }) => {
    const entry = { stage, ...whose, note, finger };
    return ofPiece(id, ['stageFingers', entryKey(['stageFingers'], entry)], entry);
  });
}

function noStageFingers({
  id,
  stage,
  whose,
  notes,
}: EditCommand & { readonly kind: 'piece.stage-let-go' }): readonly Wanted[] {
  return notes.flatMap((note) =>
    [...new Set([whose.key, null])].map((key) =>
      ofPiece(id, ['stageFingers', entryKey(['stageFingers'], { stage, pupil: whose.pupil, key, note })], undefined),
    ),
  );
}

/** Lists of steps, each an entry of its own. */
function homework({ id, lists }: EditCommand & { readonly kind: 'piece.homework' }): readonly Wanted[] {
  return lists.map(({ whose, steps }) =>
    ofPiece(id, ['homework', entryKey(['homework'], whose)], steps === null ? undefined : { ...whose, steps }),
  );
}

function entriesBetween(
  id: string,
  list: Field,
  before: readonly unknown[],
  after: readonly unknown[],
): readonly Wanted[] {
  const [old, fresh] = [before, after].map(
    (entries) => new Map(entries.map((entry) => [entryKey(list, entry), entry])),
  ) as [Map<string, unknown>, Map<string, unknown>];
  return [...new Set([...old.keys(), ...fresh.keys()])].flatMap((key) =>
    sameHeld(old.get(key), fresh.get(key)) ? [] : [ofPiece(id, [...list, key], fresh.get(key))],
  );
}

function ofCard(id: string, change: Readonly<Record<string, Held>>): readonly Wanted[] {
  return Object.entries(change).map(([name, value]) => ({ table: 'plan', id, field: [name], value }));
}

/** Fields of a value in `kept`. */
function ofKept(id: 'settings' | 'desk', change: Readonly<Record<string, unknown>>): readonly Wanted[] {
  return Object.entries(change).map(([name, value]) => ({ table: 'kept', id, field: ['value', name], value }));
}

/** Something that could not be understood is taken out: a record, a field, or one entry of a list, found by what it is. */
async function withoutUnclear(
  view: StudioView,
  { place, field, value }: EditCommand & { readonly kind: 'aside.delete' },
): Wanting {
  const record = await view.get(place);
  if (record === undefined) return err({ code: 'store.gone', place });
  const list = heldIn(record, field.slice(0, -1));
  if (!Array.isArray(list)) return ok([{ ...place, field, value: undefined }]);
  const index = list.findIndex((entry) => sameHeld(entry, value));
  return ok(index < 0 ? [] : [{ ...place, field: field.slice(0, -1), value: list.toSpliced(index, 1) }]);
}

function demoOf({ pieces, pupils, plan, lessons, runs }: DemoRecords): readonly Wanted[] {
  const whole = (table: Wanted['table'], records: readonly { readonly id: string }[]): readonly Wanted[] =>
    records.map((record) => ({ table, id: record.id, field: [], value: { ...record, form: FORM } }));
  return [
    ...pieces.map(newPiece),
    ...pupils.map(newPupil),
    ...whole('plan', plan),
    ...whole('lessons', lessons),
    ...whole('runs', runs),
  ];
}

/** What of the demo is not there: what is there may have been changed by the teacher. */
async function missing(view: StudioView, records: readonly Wanted[]): Promise<readonly Wanted[]> {
  const there = await Promise.all(records.map(({ table, id }) => view.get({ table, id })));
  return records.filter((_, i) => there[i] === undefined);
}

/** Everything of the demo that is there; with its pupils goes what was practised and noted with them. */
async function demoThere(view: StudioView): Promise<readonly Wanted[]> {
  const isDemo = (record: Held): boolean => heldIn(record, ['origin']) === 'demo';
  const pupils = new Set((await view.all('pupils')).filter(isDemo).map((record) => heldIn(record, ['id'])));
  const found: Wanted[] = [];
  for (const table of ['pieces', 'pupils', 'plan', 'lessons', 'runs', 'answers'] as const)
    for (const record of await view.all(table))
      if (isDemo(record) || pupils.has(heldIn(record, ['pupil'])))
        found.push({ table, id: String(heldIn(record, ['id'])), field: [], value: undefined });
  return found;
}

async function firstVisit(view: StudioView, demo: DemoRecords): Promise<readonly Wanted[]> {
  const isFirst =
    (await view.get({ table: 'kept', id: 'settings' })) === undefined && (await view.all('pieces')).length === 0;
  return isFirst ? [...demoOf(demo), ...ofKept('settings', { demoPutAway: false })] : [];
}
