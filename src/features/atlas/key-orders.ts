import { fiveFingers } from '@/core/reference';
import { fifteenKeys, nameText, pitchClass, signatureOf, type Key } from '@/core/pitch';
import { effortOf, effortParts, placeInOrder } from '@/core/survey';
import type { AtlasOrder } from './atlas-address';

type Mode = 'major' | 'minor';

/** The fifteen keys of a mode in the order that is wanted. By ease goes by the fingers on black keys, as everywhere. */
export function keysInOrder(mode: Mode, order: AtlasOrder): readonly Key[] {
  const keys = fifteenKeys(mode);
  const first = keys.find((key) => signatureOf(key) === 0) as Key;
  return keys.toSorted((a, b) => {
    if (order === 'chromatic')
      return pitchClass(a.tonic) - pitchClass(b.tonic) || Math.abs(signatureOf(a)) - Math.abs(signatureOf(b));
    const [left, right] = [a, b].map((key) => placeInOrder(order, key, first, easeOf(key)));
    return (left?.[0] ?? 0) - (right?.[0] ?? 0) || (left?.[1] ?? 0) - (right?.[1] ?? 0);
  });
}

function easeOf(key: Key): number {
  return effortOf(effortParts(fiveFingers(key).black, [], { signs: Math.abs(signatureOf(key)), moreLedgerLines: 0 }));
}

/** Twelve keys of a mode, each sounding key once, in the order that is wanted: of two spellings the one with fewer signs. */
export function twelveKeys(mode: Mode, order: AtlasOrder | 'own', ownOrder: readonly string[]): readonly Key[] {
  const all = keysInOrder(mode, order === 'own' ? 'ease' : order);
  const simplest = (key: Key): boolean =>
    !all.some(
      (other) => other !== key && pitchClass(other.tonic) === pitchClass(key.tonic) && signsOf(other) < signsOf(key),
    );
  const twelve = all.filter(simplest);
  if (order !== 'own') return twelve;
  const place = (key: Key): number => {
    const at = ownOrder.indexOf(nameText(key.tonic));
    return at < 0 ? ownOrder.length : at;
  };
  return twelve.toSorted((a, b) => place(a) - place(b));
}

/** Six sharps count as a little more than six flats, so that one of the two is the simpler. */
function signsOf(key: Key): number {
  return Math.abs(signatureOf(key)) + (signatureOf(key) > 0 ? 0.5 : 0);
}
