/** Fingerings of scales and arpeggios, both hands, one digit a degree of the key, the tonic first.
 * Source: C.-L. Hanon, Le pianiste virtuose (1873), nos 39 (scales, major and harmonic minor), 40 (chromatic) and 41 (arpeggios),
 * all written down from memory. `first` and `top` are the ends where they differ from the degree's own finger. */
export interface PublishedFingering {
  readonly tonic: string;
  readonly mode: 'major' | 'minor';
  readonly hand: 'right' | 'left';
  /** Fingers by degree. */
  readonly degrees: string;
  readonly first: string;
  readonly top: string;
}

const SCALES = {
  right: {
    major: {
      C: '1231234',
      G: '1231234',
      D: '1231234',
      A: '1231234',
      E: '1231234',
      B: '1231234',
      F: '1234123',
      Bb: '4123123',
      Eb: '3123412',
      Ab: '3412312',
      Db: '2312341',
      Gb: '2341231',
    },
    minor: {
      A: '1231234',
      E: '1231234',
      B: '1231234',
      D: '1231234',
      G: '1231234',
      C: '1231234',
      F: '1234123',
      Bb: '4123123',
      Eb: '3123412',
      'G#': '3412312',
      'C#': '3412312',
      'F#': '3412312',
    },
  },
  left: {
    major: {
      C: '1432132',
      G: '1432132',
      D: '1432132',
      A: '1432132',
      E: '1432132',
      F: '1432132',
      B: '1321432',
      Bb: '3214321',
      Eb: '3214321',
      Ab: '3214321',
      Db: '3214321',
      Gb: '4321321',
    },
    minor: {
      A: '1432132',
      E: '1432132',
      D: '1432132',
      G: '1432132',
      C: '1432132',
      F: '1432132',
      B: '1321432',
      'F#': '4321321',
      'C#': '3214321',
      'G#': '3214321',
      Eb: '2143213',
      Bb: '2132143',
    },
  },
} as const;

const ARPEGGIOS = {
  right: {
    major: {
      C: '123',
      G: '123',
      D: '123',
      A: '123',
      E: '123',
      B: '123',
      F: '123',
      Gb: '123',
      Bb: '412',
      Eb: '412',
      Ab: '412',
      Db: '412',
    },
    minor: {
      A: '123',
      E: '123',
      B: '123',
      D: '123',
      G: '123',
      C: '123',
      F: '123',
      Eb: '123',
      'F#': '412',
      'C#': '412',
      'G#': '412',
      Bb: '231',
    },
  },
  left: {
    major: {
      C: '142',
      G: '142',
      F: '142',
      D: '132',
      A: '132',
      E: '132',
      B: '132',
      Gb: '132',
      Bb: '321',
      Eb: '214',
      Ab: '214',
      Db: '214',
    },
    minor: {
      A: '142',
      E: '142',
      B: '142',
      D: '142',
      G: '142',
      C: '142',
      F: '142',
      Eb: '142',
      'F#': '214',
      'C#': '214',
      'G#': '214',
      Bb: '321',
    },
  },
} as const;

/** The twelve keys of a mode as the tables have them, in fifths. The two folds of a fit are every other one. */
export const SCALE_TONICS = {
  major: ['C', 'G', 'D', 'A', 'E', 'B', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F'],
  minor: ['A', 'E', 'B', 'F#', 'C#', 'G#', 'Eb', 'Bb', 'F', 'C', 'G', 'D'],
} as const;

/** Ends on a white key: thumb or fifth finger where the degree itself would go on. */
function ends(hand: 'right' | 'left', degrees: string): { readonly first: string; readonly top: string } {
  const own = degrees[0] as string;
  const last = Number(degrees.at(-1));
  if (own !== '1') return { first: own, top: own };
  const isArpeggio = degrees.length === 3;
  return hand === 'right'
    ? { first: '1', top: String(isArpeggio ? 5 : last + 1) }
    : { first: String(isArpeggio ? 5 : Number(degrees[1]) + 1), top: '1' };
}

function list(tables: typeof SCALES | typeof ARPEGGIOS): readonly PublishedFingering[] {
  return (['right', 'left'] as const).flatMap((hand) =>
    (['major', 'minor'] as const).flatMap((mode) =>
      Object.entries(tables[hand][mode]).map(([tonic, degrees]) => ({
        tonic,
        mode,
        hand,
        degrees,
        ...ends(hand, degrees),
      })),
    ),
  );
}

export const PUBLISHED_SCALES = list(SCALES);
export const PUBLISHED_ARPEGGIOS = list(ARPEGGIOS);

/** Melodic minor scales that have other fingers on the way up than the harmonic one: the raised sixth is a black key, and the thumb goes to the leading note.
 * Source: common practice, from memory. Checked by: tests/truth. */
export const PUBLISHED_MELODIC: readonly PublishedFingering[] = ['C#', 'F#'].map((tonic) => ({
  tonic,
  mode: 'minor',
  hand: 'right',
  degrees: '2312341',
  first: '2',
  top: '2',
}));

/** The chromatic scale, one finger a half step from C to B; in the right hand the first C has the thumb. */
export const PUBLISHED_CHROMATIC = { right: '231312313131', left: '131321313132' } as const;
