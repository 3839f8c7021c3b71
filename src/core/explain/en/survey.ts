import type { BlackUse, KeyReasons } from '../../survey';
import { type PitchName } from '../../pitch';
import type { Finger, Hand } from '../../score';
import { kindNames } from './kinds';
import { HAND, barRanges, countWord, listed } from './common';
import type { Terms } from './terms';

/** Fingers by how much a black key troubles them, the most first. Source: handbook, section 2.5. */
const TROUBLE: readonly Finger[] = [1, 5, 4, 2, 3];

/** What a key costs, a phrase each, the weightiest first: “4 on B♭ in bars 2 and 6”. */
export function effortWords(t: Terms, reasons: KeyReasons): readonly string[] {
  const { black, moreMoves, ownKey, forcedFingers, must, should, accidentals, moreLedgerLines } = reasons;
  return [
    ...must.map(({ kind, bars }) => `cannot be played so: ${kindNames(t)[kind]} in ${barRanges(t, bars)}`),
    ...should.map(({ kind, bars }) => `better otherwise: ${kindNames(t)[kind]} in ${barRanges(t, bars)}`),
    ...(moreMoves === 0 ? [] : [moves(moreMoves, t.key(ownKey))]),
    ...(forcedFingers.length > 0 ? [`fingers change in ${barRanges(t, forcedFingers)}`] : []),
    ...blackWords(t, black),
    ...(moreLedgerLines > 0
      ? [`${countWord(moreLedgerLines)} more ledger line${moreLedgerLines === 1 ? '' : 's'}`]
      : []),
    signsRead(reasons.signs),
    ...(accidentals > 0 ? [`${countWord(accidentals)} accidental${accidentals === 1 ? '' : 's'}`] : []),
  ];
}

function moves(more: number, ownKey: string): string {
  const count = Math.abs(more);
  const times = count === 1 ? 'once' : `${countWord(count)} times`;
  return `hand moves ${times} ${more > 0 ? 'more' : 'less'} than in ${ownKey}`;
}

/** What is read of the signature. */
function signsRead(signs: number): string {
  if (signs === 0) return 'reads no sharps or flats';
  const kind = signs > 0 ? 'sharp' : 'flat';
  const count = Math.abs(signs);
  return `reads ${countWord(count)} ${kind}${count === 1 ? '' : 's'}`;
}

function blackWords(t: Terms, black: readonly BlackUse[]): readonly string[] {
  const sorted = black.toSorted((a, b) => TROUBLE.indexOf(a.finger) - TROUBLE.indexOf(b.finger));
  const byFinger = new Map<string, BlackUse[]>();
  for (const use of sorted) {
    const name = `${use.hand}/${use.finger}`;
    byFinger.set(name, [...(byFinger.get(name) ?? []), use]);
  }
  // Fingers of both hands that meet the same keys in the same bars are told together.
  const fingersBy = new Map<string, string[]>();
  for (const uses of byFinger.values()) {
    const [first] = uses as [BlackUse];
    const keys = listed([...new Set(uses.map(({ key }) => t.name(key)))]);
    const bars = [...new Set(uses.flatMap((use) => use.bars))].toSorted((a, b) => Number(a) - Number(b));
    const place = `on ${keys} in ${barRanges(t, bars)}`;
    fingersBy.set(place, [...(fingersBy.get(place) ?? []), `${HAND[first.hand].split(' ')[0]} ${first.finger}`]);
  }
  return [...fingersBy].map(([place, fingers]) => `${listed(fingers)} ${place}`);
}

/** Why a key is left out for now, where the school avoids short fingers on black keys. */
export function leaveOutWords(t: Terms, tonic: PitchName, hands: readonly Hand[]): string {
  return `In ${t.place(tonic)} a short finger lies on a black key (${hands.join(' and ')} hand); your school leaves such keys out for now.`;
}
