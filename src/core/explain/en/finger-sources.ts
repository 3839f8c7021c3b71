import { assertNever } from '../../base';
import type { FigureKind } from '../../fingering';
import type { FingerSource } from '../../forced';
import { type PitchName } from '../../pitch';
import { barsText, listed } from './common';
import type { Terms } from './terms';

const FIGURES: Readonly<Record<FigureKind, string>> = {
  chord: 'usual for these chords',
  'broken-chord': 'usual for a broken chord',
  'over-bass': 'usual for a bass with chords over it',
  rocking: 'usual for two keys in turn',
  'fifth-and-sixth': 'usual for a fifth and a sixth',
};

/** Where the fingers of some notes come from, each source once, in the order in which they come: `as printed`, `standard for the G♭ major scale, planned`.
 * `nameOf` has the name of a note of the passage in this key. */
export function sourceWords(t: Terms, sources: readonly FingerSource[], nameOf: (note: number) => PitchName): string {
  const bars = [...new Set(sources.flatMap((one) => (one.kind === 'as-before' ? [one.bar] : [])))];
  const phrases = sources.map((source): string => {
    switch (source.kind) {
      case 'decided':
        return 'as you decided';
      case 'printed':
        return 'as printed';
      case 'planned':
        return 'planned';
      case 'figure':
        return FIGURES[source.figure];
      case 'run':
        return `standard for the ${t.place(nameOf(source.tonic))} ${source.mode} ${source.run}`;
      case 'as-before':
        return `as in ${barsText(t, bars)}`;
      default:
        return assertNever(source);
    }
  });
  return listed([...new Set(phrases)]);
}
