import { err, ok, type Result } from '@/core/base';
import { sameHeld, type Held } from '../records/field';
import { PLAN_ENTRY, USUAL_ENTRY, type PlanEntry } from '../records/plan-record';
import { understoodRecord } from '../records/understand';
import type { EditCommand, NewCard, StoreFault } from './commands';
import type { StudioView, Wanted } from './view';

type Of<Kind extends EditCommand['kind']> = EditCommand & { readonly kind: Kind };

/** What wants to be planned: keys that a pupil has of the piece already are passed over. */
export async function planned(
  view: StudioView,
  { pupil, piece, keys, atMs }: Of<'plan.add'>,
): Promise<readonly Wanted[]> {
  const entries = await entriesOf(view, pupil);
  const isThere = (key: string, stage: string | null): boolean =>
    entries.some((entry) => entry.piece === piece && entry.key === key && entry.stage === stage && entry.bars === null);
  return cards(view, {
    kind: 'plan.cards',
    cards: keys
      .filter(({ key, stage = null }) => !isThere(key, stage))
      .map(({ id, key, stage = null }) => ({ id, pupil, piece, key, stage })),
    atMs,
  });
}

/** New cards, each behind what its pupil has. */
export async function cards(view: StudioView, { cards: wanted, atMs }: Of<'plan.cards'>): Promise<readonly Wanted[]> {
  const found: Wanted[] = [];
  const next = new Map<string, number>();
  for (const card of wanted) {
    const place = next.get(card.pupil) ?? lastPlace(await entriesOf(view, card.pupil)) + 1;
    next.set(card.pupil, place + 1);
    found.push({ table: 'plan', id: card.id, field: [], value: cardRecord(card, place, atMs) });
  }
  return found;
}

function cardRecord(card: NewCard, place: number, atMs: number): PlanEntry {
  return { ...USUAL_ENTRY, carried: [], ...card, place, addedAt: atMs };
}

/** A card in its new week: those that stand behind it there move on by one place. */
export async function moved(
  view: StudioView,
  { id, week, before }: Of<'plan.move'>,
): Promise<Result<readonly Wanted[], StoreFault>> {
  const place = { table: 'plan', id } as const;
  const card = understoodRecord(PLAN_ENTRY, await view.get(place));
  if (!card) return err({ code: 'store.gone', place });
  const others = (await entriesOf(view, card.pupil)).filter((entry) => entry.id !== id);
  const there = others.filter((entry) => entry.week === week);
  const at = there.findIndex((entry) => entry.id === before);
  const list = there.toSpliced(at < 0 ? there.length : at, 0, card);
  const first = Math.min(...list.map((entry) => entry.place));
  return ok([
    ...(card.week === week ? [] : [{ ...place, field: ['week'], value: week }]),
    ...list.flatMap((entry, i) =>
      entry.place === first + i ? [] : [{ table: 'plan' as const, id: entry.id, field: ['place'], value: first + i }],
    ),
  ]);
}

/** What is carried over knows from where. */
export async function carried(view: StudioView, { cards: going }: Of<'plan.carry'>): Promise<readonly Wanted[]> {
  const found: Wanted[] = [];
  for (const { id, to } of going) {
    const card = understoodRecord(PLAN_ENTRY, await view.get({ table: 'plan', id }));
    if (!card || card.week === to) continue;
    const from = card.week === null ? card.carried : [...card.carried, card.week];
    found.push({ table: 'plan', id, field: ['week'], value: to });
    if (!sameHeld(from, card.carried)) found.push({ table: 'plan', id, field: ['carried'], value: from as Held });
  }
  return found;
}

async function entriesOf(view: StudioView, pupil: string): Promise<readonly PlanEntry[]> {
  return (await view.ofPupil('plan', pupil))
    .flatMap((record) => understoodRecord(PLAN_ENTRY, record) ?? [])
    .toSorted((a, b) => a.place - b.place);
}

function lastPlace(entries: readonly PlanEntry[]): number {
  return Math.max(-1, ...entries.map(({ place }) => place));
}
