import { alternatives, fingerChanges } from '../forced';
import type { HandNote } from '../score';
import type { Flag, FlagDetail } from './flag';
import type { PlayedHand } from './hand-flags';
import { placeOf } from './place-of';

/** From this gain on, new fingers are much better than the old ones. Source: the fingering model, section 7. */
const SHOULD_GAIN = 3;

/** Fingers that change, or should: one flag a run, with why, what it gains, and what else would do. In the piece's own key they are an offer. A hand that cannot be played in this
 * key at all, though it can on white keys, gets no such advice: the key is unsuitable. */
export function changeFlags({ study, played, notes }: PlayedHand, detail: FlagDetail): readonly Flag[] {
  if (isUnsuitable(study)) return [];
  return fingerChanges(study).map((change) => {
    const own = change.notes.map((index) => notes[index] as HandNote);
    const byBlackKey = change.cause !== 'none';
    return {
      evidence: {
        kind: 'finger-change',
        key: (own[0] as HandNote).pitch,
        before: change.before,
        after: change.after,
        cause: change.cause,
        gain: Number.isFinite(change.gain) ? change.gain : null,
        alternatives: detail === 'full' ? alternatives(study, change) : [],
        isApplied: played === study.plan && study.offered === null,
        isOffer: study.offered !== null,
      },
      severity: study.offered
        ? 'watch'
        : change.gain === Infinity
          ? 'must'
          : change.gain >= SHOULD_GAIN
            ? 'should'
            : 'watch',
      byBlackKey,
      wasThere: false,
      costs: change.comparison,
      ...placeOf(own),
    };
  });
}

/** Whether black keys alone make the piece impossible at this level and reach. */
export function isUnsuitable({ plan, baseline }: PlayedHand['study']): boolean {
  return plan.limits > 0 && baseline.neutral.limits === 0;
}
