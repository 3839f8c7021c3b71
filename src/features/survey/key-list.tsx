'use client';

import Link from 'next/link';
import { ArrowRight } from 'lucide-react';
import type { PartnerKey } from '@/core/survey';
import type { PupilRecord } from '@/data';
import { HandsGlyph } from '@/features/shared/music/hand-glyph';
import { Grip, SortableList, useSortableEntry } from '@/features/shared/parts/sortable-list';
import { partnerWords } from './partner-box';
import type { RankedKey } from './ranked';
import type { Order } from './survey-address';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { Checkbox } from '@/features/shared/parts/checkbox';

interface KeyListProps {
  readonly keys: readonly RankedKey[];
  readonly chosen: readonly string[];
  readonly pieceId: string;
  readonly partners: ReadonlyMap<string, PartnerKey> | null;
  readonly pupil: PupilRecord | null;
  readonly order: Order;
  readonly onToggle: (name: string) => void;
  /** Told the tonics in the order into which they were dragged. */
  readonly onOrder: (tonics: readonly string[]) => void;
}

/** The keys in order, each with its hands, what it costs and why. In the teacher's own order they can be dragged. */
export function KeyList({ keys, order, onOrder, ...rest }: KeyListProps) {
  const named = (name: string): RankedKey | undefined => keys.find((key) => key.name === name);
  return (
    <SortableList
      id="own-order"
      names={keys.map(({ name }) => name)}
      wordsOf={(name) => named(name)?.words ?? ''}
      isFixed={order !== 'own'}
      onOrder={(names) => onOrder([...new Set(names.flatMap((name) => named(name)?.tonic ?? []))])}
    >
      <ol className="flex flex-col rounded-box border border-base-300 bg-base-100" data-role="keys">
        {keys.map((key) => (
          <KeyRow key={key.name} shown={key} isOwnOrder={order === 'own'} {...rest} />
        ))}
      </ol>
    </SortableList>
  );
}

interface KeyRowProps extends Omit<KeyListProps, 'keys' | 'order' | 'onOrder'> {
  readonly shown: RankedKey;
  readonly isOwnOrder: boolean;
}

function KeyRow({ shown, isOwnOrder, chosen, pieceId, partners, pupil, onToggle }: KeyRowProps) {
  const w = useWords();
  const { place, grip } = useSortableEntry(shown.name);
  const {
    name,
    words,
    rank,
    isOwn,
    effort,
    why,
    leaveOut,
    blackFingers,
    positions,
    positionChanges,
    forcedChanges,
    reachMm,
    register,
  } = shown;
  const partner = partners?.get(name);
  const isKnown = pupil?.keysKnown.includes(name) ?? false;
  return (
    <li
      {...place}
      data-survey-key={name}
      data-effort={effort}
      className={`flex items-center gap-3 border-base-300 px-3 py-1.5 not-last:border-b max-md:flex-wrap ${leaveOut ? 'text-secondary' : ''}`}
    >
      <label className="flex size-8 shrink-0 cursor-pointer items-center justify-center print:hidden">
        <Checkbox aria-label={w.survey.choose(words)} checked={chosen.includes(name)} onChange={() => onToggle(name)} />
      </label>
      {isOwnOrder && leaveOut === null ? <Grip grip={grip} label={w.survey.move(words)} /> : null}
      <span className="w-6 shrink-0 text-right text-sm text-secondary">{rank}</span>
      <span className="w-20 shrink-0">
        <HandsGlyph right={blackFingers.right} left={blackFingers.left} size={34} />
      </span>
      <span className="w-28 shrink-0">
        <span className="block font-serif font-semibold">{words}</span>
        <span className="block text-xs text-secondary">
          {[...(isOwn ? [w.survey.asWritten] : []), ...(isKnown ? [w.survey.known] : [])].join(', ')}
        </span>
      </span>
      <span className="w-16 shrink-0 text-right" title={w.survey.effort0ForNothingTo}>
        <span className="block font-semibold">{effortText(effort)}</span>
        <span className="block text-xs text-secondary">{w.survey.effort}</span>
      </span>
      <span className="min-w-60 flex-1 text-sm">
        {leaveOut ? <span className="block font-semibold">{w.survey.leftOutForNow(leaveOut)}</span> : null}
        <Why why={why} />
      </span>
      <span className="w-60 shrink-0 text-xs text-secondary max-lg:hidden">
        <span className="block">{sitting(w, positions, positionChanges)}</span>
        <span className="block">
          {[
            forcedChanges === 0 ? w.survey.nothingForced : w.survey.forced(forcedChanges),
            rangeOf(w, register),
            ...widest(w, reachMm),
          ].join(' · ')}
        </span>
        {partner ? <span className="block font-semibold text-base-content">{partnerWords(w, partner)}</span> : null}
      </span>
      <Link
        className="btn btn-ghost btn-sm h-9 shrink-0 px-2 font-normal print:hidden"
        href={`/bench?piece=${encodeURIComponent(pieceId)}&key=${encodeURIComponent(name)}${partner ? `&way=${partner.direction}` : ''}`}
        aria-label={w.survey.onBench(words)}
      >
        {w.survey.bench} <ArrowRight size={16} aria-hidden />
      </Link>
    </li>
  );
}

/** Efforts as they are read: to one place; of keys that differ in what is read only, two. */
function effortText(effort: number): string {
  if (effort === 0) return '0';
  return effort < 1 ? effort.toFixed(2) : effort.toFixed(1);
}

/** How much of the reasons a line shows; the rest is one press away. */
const SHOWN_REASONS = 3;

function Why({ why }: { readonly why: readonly string[] }) {
  const w = useWords();
  const told = (reasons: readonly string[]): string =>
    `${reasons.join('; ')}.`.replace(/^./, (first) => first.toUpperCase());
  if (why.length <= SHOWN_REASONS + 1) return <span className="block">{told(why)}</span>;
  return (
    <details>
      <summary className="cursor-pointer list-none">
        {told(why.slice(0, SHOWN_REASONS)).slice(0, -1)};{' '}
        <span className="underline underline-offset-2">{w.survey.more(why.length - SHOWN_REASONS)}</span>
      </summary>
      <span className="block">{told(why.slice(SHOWN_REASONS))}</span>
    </details>
  );
}

function sitting(w: Words, positions: RankedKey['positions'], moves: number): string {
  const told = (['left', 'right'] as const)
    .filter((hand) => positions[hand].length > 0)
    .map(
      (hand) =>
        `${w.shared.handNames[hand]} ${positions[hand].slice(0, 4).join('–')}${positions[hand].length > 4 ? ' …' : ''}`,
    );
  return `${moves === 0 ? w.survey.handsStay : moves === 1 ? w.shared.oneMove : w.shared.moves(moves)}: ${told.join(', ')}`;
}

function rangeOf(w: Words, register: RankedKey['register']): string {
  const low = register.left?.low ?? register.right?.low;
  const high = register.right?.high ?? register.left?.high;
  return low && high ? w.survey.rangeText(low, high) : w.survey.noNotes;
}

function widest(w: Words, reach: RankedKey['reachMm']): readonly string[] {
  const most = Math.max(reach.right ?? 0, reach.left ?? 0);
  return most > 0 ? [w.survey.wide(w.says.length(most))] : [];
}
