import type { Transaction } from 'dexie';
import { USUAL_LANGUAGE } from '@/core/explain';
import type { EditLabel } from '@/core/edit';
import { groupBy } from '@/core/base';
import { MUSIC_FIELDS, recordName, type ChangedField, type HistoryHead } from './door/history-records';
import { editionFromForm4 } from './records/edition';
import { inKeyOrder, isPlain, overlap, sameHeld, type Held } from './records/field';
import type { AsideRecord, TableName } from './records/tables';

/** A stored record as anything that may stand in an old database. */
type Old = Readonly<Record<string, unknown>>;

/** A record of an older form in the form 5. What is not understood in it stays as it is. Form 5: lists that are edited entry by entry have an
 * order of their own, and a piece always has them; every record says its form. */
export function recordInForm5(table: TableName, record: unknown): unknown {
  if (!isPlain(record)) return record;
  if (table === 'answers') return { id: answerId(record), ...record, form: 5 };
  if (table !== 'pieces') return { ...record, form: 5 };
  const decided = record['decided'] ?? { fingers: [], aside: [], marks: [] };
  return {
    ...record,
    form: 5,
    part: record['part'] ?? null,
    edition: editionFromForm4(record['edition']),
    remarks: record['remarks'] ?? [],
    respelled: ordered(['respelled'], record['respelled'] ?? []),
    decided: isPlain(decided)
      ? Object.fromEntries(Object.entries(decided).map(([name, list]) => [name, ordered(['decided', name], list)]))
      : decided,
  };
}

function ordered(list: readonly string[], entries: unknown): unknown {
  return Array.isArray(entries) ? inKeyOrder(list, entries) : entries;
}

/** The name of an answer of a finding game, which had none before form 5: what tells it from others. */
function answerId({ pupil, kind, atMs, asked }: Old): string {
  return [pupil ?? 'any', kind, atMs, asked].map(String).join('/');
}

/** Takes everything of the versions 1 to 4 over into version 5: records in their form, what was entered but not settled into its pieces, the undo
 * journal and the steps of entering into one history, answers under names of their own. */
export async function broughtToForm5(transaction: Transaction): Promise<void> {
  const all = (table: string): Promise<readonly Old[]> => transaction.table<Old>(table).toArray();
  const [journal, steps, pending, finds] = [
    await all('journal'),
    await all('steps'),
    await all('pending'),
    await all('finds'),
  ];
  for (const table of ['pieces', 'pupils', 'plan', 'kept'] as const) {
    await transaction.table(table).bulkPut((await all(table)).map((record) => recordInForm5(table, record)));
  }
  const aside: AsideRecord[] = [];
  const counts = await settle(transaction, pending, aside);
  await transaction.table('answers').bulkPut(finds.map((find) => recordInForm5('answers', find)));
  const pieces = new Map((await all('pieces')).map((piece) => [String(piece['id']), piece]));
  const entered = enteredSteps(steps, counts, pieces, aside);
  const now = new Map<string, Held>();
  for (const table of ['pieces', 'pupils', 'plan', 'kept'] as const)
    for (const record of await all(table)) now.set(`${table}/${String(record['id'])}`, record);
  await transaction.table('aside').bulkPut(aside);
  for (const { head, change } of inOneOrder(fieldEdits(journal, now), entered)) {
    await transaction.table('history').put(head);
    await transaction.table('changes').put(change);
  }
}

/** Puts what was noted while a piece was entered into the piece. Gives how many steps each of these pieces has. */
async function settle(
  transaction: Transaction,
  pending: readonly Old[],
  aside: AsideRecord[],
): Promise<ReadonlyMap<string, number>> {
  const counts = new Map<string, number>();
  for (const noted of pending) {
    const { piece, musicXml, edition, count } = noted;
    const record: unknown = typeof piece === 'string' ? await transaction.table('pieces').get(piece) : undefined;
    if (isPlain(record) && typeof musicXml === 'string' && typeof edition === 'string' && typeof count === 'number') {
      await transaction.table('pieces').put({ ...record, musicXml, edition: editionFromForm4(edition) });
      counts.set(String(piece), count);
    } else {
      aside.push({
        id: `pending/${String(piece)}`,
        form: 5,
        from: 'an older version of New Thumb',
        table: 'pieces',
        why: 'it was entered into a piece that is not there, or is damaged',
        value: noted,
      });
    }
  }
  return counts;
}

interface Edit {
  readonly head: Omit<HistoryHead, 'number'>;
  readonly change:
    | { readonly kind: 'fields'; readonly fields: readonly ChangedField[] }
    | { readonly kind: 'entered'; readonly change: string };
}

/** The steps of each piece that lead to its music as it is. Others are of a history that was left: they are set aside. */
function enteredSteps(
  steps: readonly Old[],
  counts: ReadonlyMap<string, number>,
  pieces: ReadonlyMap<string, Old>,
  aside: AsideRecord[],
): readonly Edit[] {
  const byPiece = groupBy(steps, ({ piece }) => String(piece));
  return [...byPiece].flatMap(([piece, own]) => {
    const kept = own
      .filter(({ number }) => Number(number) < (counts.get(piece) ?? Infinity))
      .toSorted((a, b) => Number(a['number']) - Number(b['number']));
    const changes = kept.map(({ state, change }) => ({
      state: state as HistoryHead['state'],
      change: String(change),
      ...changeFacts(change),
    }));
    const done = changes.filter(({ state }) => state === 'done');
    const edition = editionFromForm4(`${done.length}/${done.at(-1)?.atMs ?? 0}`);
    if (pieces.has(piece) && pieces.get(piece)?.['edition'] === edition && changes.every(({ isWhole }) => isWhole)) {
      return changes.map(({ state, change, atMs, label }, step) => ({
        head: { ...enteredHead(piece), state, label, atMs, step },
        change: { kind: 'entered' as const, change },
      }));
    }
    aside.push({
      id: `steps/${piece}`,
      form: 5,
      from: 'an older version of New Thumb',
      table: 'history',
      why: 'these steps of entering lead to another state of the piece',
      value: kept,
    });
    return [];
  });
}

function enteredHead(piece: string): Omit<HistoryHead, 'number' | 'state' | 'label' | 'atMs'> {
  const place = { table: 'pieces', id: piece } as const;
  return {
    tab: '',
    kind: 'entered',
    records: [recordName(place)],
    fields: MUSIC_FIELDS.map((field) => ({ ...place, field })),
    piece,
    stretch: 0,
    base: null,
  };
}

function changeFacts(text: unknown): { readonly isWhole: boolean; readonly atMs: number; readonly label: string } {
  try {
    const change: unknown = JSON.parse(String(text));
    const [label, atMs] = isPlain(change) ? [change['label'], change['atMs']] : [null, null];
    if (typeof atMs === 'number' && isPlain(label))
      return { isWhole: true, atMs, label: USUAL_LANGUAGE.editWords(label as unknown as EditLabel) };
  } catch {
    // What is no change is told by the caller.
  }
  return { isWhole: false, atMs: 0, label: 'a step of entering' };
}

/** The old journal held whole records as they were before each edit. What each became is what it was before the next edit of it, or what it is
 * now; so each edit is known by the fields it changed. */
function fieldEdits(journal: readonly Old[], now: ReadonlyMap<string, Held>): readonly Edit[] {
  const entries = journal.toSorted((a, b) => Number(a['number']) - Number(b['number']));
  const changesOf = (entry: Old): readonly Old[] =>
    Array.isArray(entry['changes']) ? entry['changes'].filter(isPlain) : [];
  const edit = (entry: Old, fields: readonly ChangedField[]): Edit => ({
    head: {
      tab: '',
      state: entry['state'] === 'done' ? 'done' : 'undone',
      label: String(entry['label']),
      atMs: Number(entry['atMs']),
      kind: 'fields',
      records: [...new Set(fields.map(recordName))],
      fields: fields.map(({ table, id, field }) => ({ table, id, field })),
    },
    change: { kind: 'fields', fields },
  });
  const held = new Map(now);
  const turned = (entry: Old, way: 'back' | 'forth'): Edit =>
    edit(
      entry,
      changesOf(entry).flatMap((change) => {
        const table = String(change['table']) as TableName;
        const name = `${table}/${String(change['id'])}`;
        const here = held.get(name);
        const there = change['before'] === null ? undefined : recordInForm5(table, change['before']);
        held.set(name, there);
        return way === 'back'
          ? fieldsBetween(table, String(change['id']), there, here)
          : fieldsBetween(table, String(change['id']), here, there);
      }),
    );
  const done = entries
    .filter(({ state }) => state === 'done')
    .toReversed()
    .map((entry) => turned(entry, 'back'))
    .toReversed();
  for (const [name, value] of now) held.set(name, value);
  const names = [...held.keys()].filter((name) => !now.has(name));
  names.forEach((name) => held.delete(name));
  const undone = entries.filter(({ state }) => state === 'undone').map((entry) => turned(entry, 'forth'));
  return [...done, ...undone].filter(({ head }) => head.fields.length > 0);
}

/** The fields in which a record differs. Where what was entered lies between, the music is its business; the key last looked at is no edit. */
function fieldsBetween(table: TableName, id: string, before: Held, after: Held): readonly ChangedField[] {
  if (!isPlain(before) || !isPlain(after))
    return sameHeld(before, after) ? [] : [{ table, id, field: [], before, after }];
  if (table === 'kept' && isPlain(before['value']) && isPlain(after['value'])) {
    return differing(before['value'], after['value'], []).map((name) => ({
      table,
      id,
      field: ['value', name],
      before: at(before['value'], name),
      after: at(after['value'], name),
    }));
  }
  const isEntered = table === 'pieces' && before['edition'] !== after['edition'];
  const left = ['lastKey', ...(isEntered ? ['musicXml', 'edition'] : [])];
  return differing(before, after, left).map((name) => ({
    table,
    id,
    field: [name],
    before: before[name],
    after: after[name],
  }));
}

function at(value: unknown, name: string): Held {
  return isPlain(value) ? value[name] : undefined;
}

function differing(before: Old, after: Old, left: readonly string[]): readonly string[] {
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
    (name) => !left.includes(name) && !sameHeld(before[name], after[name]),
  );
}

/** Both histories as one, by the time of each edit, numbered anew; what was entered knows on which change of its piece's music it goes on. */
function inOneOrder(
  edits: readonly Edit[],
  steps: readonly Edit[],
): readonly { readonly head: HistoryHead; readonly change: { readonly number: number } & Edit['change'] }[] {
  const merged = [...edits];
  for (const step of steps.toSorted((a, b) => a.head.atMs - b.head.atMs)) {
    const next = merged.findIndex(({ head }) => head.kind === 'fields' && head.atMs > step.head.atMs);
    merged.splice(next < 0 ? merged.length : next, 0, step);
  }
  const music = ({ head }: Edit, piece: string | undefined): boolean =>
    head.kind === 'fields' &&
    head.state === 'done' &&
    head.fields.some(
      ({ table, id, field }) => table === 'pieces' && id === piece && MUSIC_FIELDS.some((one) => overlap(one, field)),
    );
  return merged.map((edit, i) => {
    const number = i + 1;
    const stretch = merged.findLastIndex((other) => music(other, edit.head.piece)) + 1;
    return {
      head: { ...edit.head, number, ...(edit.head.kind === 'entered' ? { stretch } : {}) },
      change: { number, ...edit.change },
    };
  });
}
