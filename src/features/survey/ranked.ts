import { parseKey, type Key } from '@/core/pitch';
import { inOrder, inOwnOrder } from '@/core/survey';
import type { SurveyKey } from '@/contract/core-questions';
import type { Order } from './survey-address';

/** A key with its place in the order that is wanted; places count from 1. */
export interface RankedKey extends SurveyKey {
  readonly rank: number;
}

/** Puts the keys that are known into order. Modes are ranked together. */
export function ranked(keys: readonly SurveyKey[], order: Order, ownOrder: readonly string[]): readonly RankedKey[] {
  const own = keys.find(({ isOwn }) => isOwn) ?? keys[0];
  if (!own) return [];
  const rankable = keys.map((facts) => ({
    facts,
    key: keyOf(facts.name),
    effort: facts.effort,
    isLeftOut: facts.leaveOut !== null,
  }));
  const sorted =
    order === 'own' ? inOwnOrder(rankable, ownOrder, keyOf(own.name)) : inOrder(rankable, order, keyOf(own.name));
  return sorted.map(({ facts }, i) => ({ ...facts, rank: i + 1 }));
}

function keyOf(name: string): Key {
  return parseKey(name, 'major') as Key;
}
