import { numeralOf, type Chord, type ChordStep, type Member } from '../../reference';
import type { PitchName } from '../../pitch';
import { listed } from './common';
import type { Terms } from './terms';

const INVERSIONS: Readonly<Record<Member, string>> = {
  root: 'root position',
  third: 'first inversion',
  fifth: 'second inversion',
  seventh: 'third inversion',
};

/** A chord in words: `V⁷ (G⁷), first inversion, without its fifth`. */
export function chordWords(t: Terms, chord: Chord): string {
  const missing = chord.without.length === 0 ? [] : [`without its ${listed(chord.without)}`];
  return [`${numeralOf(chord)} (${letterName(t, chord)})`, INVERSIONS[chord.bass], ...missing].join(', ');
}

/** A chord by its letter: `G⁷`, `A minor`. */
function letterName(t: Terms, { root, quality, seventh }: Chord): string {
  const kind = { major: '', minor: ' minor', diminished: '°', augmented: '+', open: '⁵' }[quality];
  return `${t.place(root)}${kind}${seventh === 'none' ? '' : seventh === 'major' ? 'maj⁷' : '⁷'}`;
}

/** The way from one chord to the next: `5 moves down half a step, 1 stays, 2 comes down on F`. */
export function chordStepsWords(t: Terms, steps: readonly (ChordStep & { readonly to: PitchName })[]): string {
  return steps
    .map(({ finger, halfSteps, to }) =>
      halfSteps === null ? `${finger} plays ${t.name(to)}` : `${finger} ${moveOf(halfSteps)}`,
    )
    .join(', ');
}

function moveOf(halfSteps: number): string {
  if (halfSteps === 0) return 'stays';
  const size =
    Math.abs(halfSteps) === 1
      ? 'half a step'
      : Math.abs(halfSteps) === 2
        ? 'a step'
        : `${Math.abs(halfSteps)} half steps`;
  return `moves ${halfSteps > 0 ? 'up' : 'down'} ${size}`;
}
