/** How strictly a performance is judged. */
export const STRICTNESSES = ['kind', 'usual', 'strict'] as const;
export type Strictness = (typeof STRICTNESSES)[number];

/** What is let pass. A time is out of the pulse beyond `ms`, or beyond `share` of a beat where that is more; a chord is spread beyond `chordMs`;
 * a pulse is uneven where its times lie further than `spreadMs` (standard deviation) from an even one. */
export interface Tolerance {
  readonly ms: number;
  readonly share: number;
  readonly chordMs: number;
  readonly spreadMs: number;
}

/** Source: our own choice. A steady hand that is no machine differs by up to 40 ms (standard deviation), two of its times by up to 57: the usual tolerance lies at more than four
 * of these, so that nobody is told of what was only human. Checked by: judge-playing.test.ts. */
export const TOLERANCES: Readonly<Record<Strictness, Tolerance>> = {
  kind: { ms: 330, share: 0.4, chordMs: 340, spreadMs: 125 },
  usual: { ms: 250, share: 0.3, chordMs: 260, spreadMs: 95 },
  strict: { ms: 150, share: 0.18, chordMs: 160, spreadMs: 60 },
};
