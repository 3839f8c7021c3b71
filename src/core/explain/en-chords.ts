import { numeralOf, type Chord, type ChordStep, type Member } from '../reference';
import { namePrint } from '../pitch';
import { listed } from './en-common';

const INVERSIONS: Readonly<Record<Member, string>> = {
  root: 'root position',
  third: 'first inversion',
  fifth: 'second inversion',
  seventh: 'third inversion',
};

/** A chord in words: `V⁷ (G⁷), first inversion, without its fifth`. */
export function chordWords(chord: Chord): string {
  const missing = chord.without.length === 0 ? [] : [`without its ${listed(chord.without)}`];
  return [`${numeralOf(chord)} (${letterName(chord)})`, INVERSIONS[chord.bass], ...missing].join(', ');
}

/** A chord by its letter: `G⁷`, `A minor`. */
function letterName({ root, quality, seventh }: Chord): string {
  const kind = { major: '', minor: ' minor', diminished: '°', augmented: '+', open: '⁵' }[quality];
  return `${namePrint(root)}${kind}${seventh === 'none' ? '' : seventh === 'major' ? 'maj⁷' : '⁷'}`;
}

/** The way from one chord to the next: `5 moves down half a step, 1 stays, 2 comes down on F`. */
export function chordStepsWords(steps: readonly (ChordStep & { readonly name: string })[]): string {
  return steps
    .map(({ finger, halfSteps, name }) =>
      halfSteps === null ? `${finger} plays ${name}` : `${finger} ${moveOf(halfSteps)}`,
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
