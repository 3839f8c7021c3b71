/** What an alignment of played keys with written notes costs. Unit of all: one wrong note, that is a key that was not asked for. Source of all: our own
 * choice, from what teachers say a pupil did; each is held by performances with planted faults (judge-playing.test.ts), none by a single case. */

/** A key that nothing was asked of, and a note that was not played. */
export const EXTRA = 1;
export const MISSING = 1;
/** A grace note may be left out. */
export const MISSING_GRACE = 0.05;

/** The wrong key for a note: the one that its finger would strike if the hand had not moved; the same letter with another sign; a key beside it; an octave of it; within reach of the hand; anything. Two keys
 * that have nothing to do with each other are hardly cheaper than one missing and one extra. */
export const OLD_HAND = 0.4;
export const OTHER_SIGN = 0.4;
export const NEIGHBOUR = 0.5;
export const OCTAVE = 0.6;
export const IN_REACH = 0.9;
export const ANYTHING = 1.6;
/** How far a hand reaches beside the note it was asked for. Unit: semitones. */
export const REACH_SEMITONES = 9;

/** The player begins anew somewhere: more than a pulse that breaks, less than two keys that nothing asks for. At a bar or on a beat it is a little likelier. */
export const BEGIN_ANEW = 1.8;
export const BEGIN_ANEW_AT = { bar: 0, beat: 0.02, between: 0.04 } as const;
/** Playing begins somewhere in the middle: never dearer than this, and no dearer than what was left out in front of it. */
export const BEGIN_LATE = 2.5;

/** The notes of one moment are struck together, one soon after the other: free up to the first, at its dearest from the second on. Unit: ms. */
export const TOGETHER_MS = 90;
export const APART_MS = 600;
export const APART = 0.8;

/** Time between two moments against what the pulse makes of it: free within the first, at its dearest from the second on. Unit: factor as a binary logarithm. */
export const STEADY_OCTAVES = 0.25;
export const BROKEN_OCTAVES = 1;
export const BROKEN_PULSE = 1.5;
/** The right key, next in order, however late: less than a key for nothing. */
export const LATE = 0.95;
/** The same where a key beside it was struck just before: it was heard, and put right. */
export const PUT_RIGHT = 0.4;
/** How far beside the right key a slip lies. Unit: semitones. */
export const SLIP_SEMITONES = 2;
/** Short times are uncertain by the hand's jitter: so much is added to both. Unit: ms. */
export const JITTER_MS = 60;
