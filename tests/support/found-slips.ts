import type { Judgement, PlayFault, PlayFaultKind } from '@/core/practice';
import type { Slip, Weakness } from '@/core/simulation';

/** How a teacher names what a simulated pupil did. */
const NAMED: Readonly<Record<Weakness, PlayFaultKind>> = {
  'forgets-signature': 'forgot-signature',
  'forgets-accidental': 'forgot-accidental',
  'hits-next-key': 'neighbour-key',
  'hits-any-key': 'wrong-key',
  'mistakes-octave': 'octave',
  'drops-note': 'missing',
  'adds-note': 'extra',
  'comes-early': 'early',
  'comes-late': 'late',
  hesitates: 'hesitation',
  'begins-again': 'stopped',
  'lets-tie-go': 'too-short',
  'plays-through-rest': 'too-long',
  'stays-in-position': 'old-position',
  'fingers-off': 'finger-off',
  'spreads-chord': 'spread-chord',
};

/** Which slips were found, named and placed right, and which faults were told that nobody made. */
export function compare(
  slips: readonly Slip[],
  { faults }: Judgement,
): { readonly found: readonly Slip[]; readonly missed: readonly Slip[]; readonly made: readonly PlayFault[] } {
  const left = [...faults];
  const found: Slip[] = [];
  const missed: Slip[] = [];
  for (const slip of slips) {
    const at = left.findIndex((fault) => isSame(slip, fault));
    if (at < 0) missed.push(slip);
    else {
      left.splice(at, 1);
      found.push(slip);
    }
  }
  return { found, missed, made: left };
}

function isSame({ weakness, bar, notes }: Slip, fault: PlayFault): boolean {
  if (fault.kind !== NAMED[weakness] || fault.bar !== bar) return false;
  // A key that nobody asked for has no note, nor has a place at which nothing came.
  if (fault.notes.length === 0) return true;
  return weakness === 'hesitates' ? fault.notes.some((id) => notes.includes(id)) : fault.notes.join() === notes.join();
}
