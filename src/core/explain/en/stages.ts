import { assertNever } from '../../base';
import type { Difficulty, NamedStage, Stage, StageReason } from '../../stages';
import { barRanges, barsText, capital, countWord, HAND, listed } from './common';
import { moveWords, spanText } from './hands';
import { kindNames } from './kinds';
import type { Terms } from './terms';

/** A stage as its name stands in the rail. */
export function stageTitle(t: Terms, { name, why }: Pick<Stage, 'name' | 'why'>): string {
  switch (name.kind) {
    case 'landing':
    case 'landing-long':
      return why.kind === 'landing' ? landingTitle(t, why, name.kind) : `Landing ${name.n}`;
    case 'line':
      return `Line ${name.n}`;
    case 'phrase':
      return `Phrase ${name.n}`;
    case 'own':
      return 'Own stage';
    default:
      return NAMED[name.kind];
  }
}

/** A stage by its id alone, where it is not known which music it has: `landing-2` is “Landing 2”. An own stage has a title of its own. */
export function stageIdTitle(id: string): string {
  if (id in NAMED) return NAMED[id as NamedStage];
  const [, kind = id, n = ''] = /^(landing|line|phrase)-(\d+)/.exec(id) ?? [];
  return `${kind.replace(/^./, (letter) => letter.toUpperCase())} ${n}`.trim();
}

const NAMED: Readonly<Record<NamedStage, string>> = {
  'different-fingers': 'Different fingers at once',
  'interval-against-note': 'Interval against a note',
  flagged: 'Bars with hand notes',
  'other-fingers': 'Bars with other fingers',
  'right-alone': 'Right hand alone',
  'left-alone': 'Left hand alone',
  'one-place': 'In one place',
  beats: 'Left hand, beats only',
  'split-octave': 'Left hand, octaves split',
  'beats-together': 'Together, left on the beats',
  blocked: 'Chords blocked',
  'blocked-alone': 'Left hand, chords blocked',
  roots: 'Roots only',
  'roots-alone': 'Left hand, roots only',
  tapping: 'Tapped on the lid',
  whole: 'Whole piece',
};

function landingTitle(
  t: Terms,
  { hand, bars, beat }: Extract<StageReason, { readonly kind: 'landing' }>,
  kind: 'landing' | 'landing-long',
): string {
  const place = [`${t.bar} ${bars[0]}`, ...(beat === null ? [] : [`beat ${Number(beat.toFixed(2))}`])];
  return ['Landing', HAND[hand], ...place, ...(kind === 'landing-long' ? ['long notes'] : [])].join(', ');
}

/** What hands do on the closed lid, in place of what they must know of keys. */
export function tappingWords(): readonly string[] {
  return ['Each finger taps the rhythm on the closed lid.', 'The keyboard shows where it will play.'];
}

/** Why a stage is proposed. */
export function stageWhy(t: Terms, why: StageReason): string {
  switch (why.kind) {
    case 'different-fingers':
      return `${capital(barRanges(t, why.bars))}: both hands have different fingers there.`;
    case 'interval-against-note':
      return `${capital(barRanges(t, why.bars))}: one hand has two keys or more against one.`;
    case 'flagged':
      return `${capital(barRanges(t, why.bars))}: ${listed(why.kinds.map((kind) => kindNames(t)[kind]))}.`;
    case 'other-fingers':
      return `${capital(barRanges(t, why.bars))}: other fingers than in the piece’s own key.`;
    case 'landing':
      return `${capital(barsText(t, why.bars))}: ${landingMove(t, why)}. Only the last notes before it and the first after it.`;
    case 'hand':
      return handWhy(why);
    case 'octave-moves':
      return `The ${listed(why.hands.map((hand) => HAND[hand]))} ${why.hands.length > 1 ? 'leap' : 'leaps'} by octave: ${barRanges(t, why.bars)} first where the hand is already.`;
    case 'broken-octaves':
      return `Octaves are broken in ${barRanges(t, why.bars)}: first the beats with ${t.theFinger(5)}, then the octave is split.`;
    case 'off-beat':
      return `The left hand plays between the beats in ${barRanges(t, why.bars)}: first only what is on them.`;
    case 'broken-chords':
      return `Chords are broken in ${barRanges(t, why.bars)}: first struck at once, to feel the whole hand.`;
    case 'chords':
      return `Chords in ${barRanges(t, why.bars)}: first one note of each, the one it is built on.`;
    case 'section':
      return `${capital(spanText(t, [why.from, why.to]))}${why.hardest ? ': most of what is difficult is here' : ''}.`;
    case 'other-rhythm':
      return `In ${barRanges(t, why.bars)} the left hand strikes while the right hand holds: first the rhythm of both, with fingers, on the closed lid.`;
    case 'own':
      return 'Your own stage.';
    case 'whole':
      return 'Everything as it is written.';
    default:
      return assertNever(why);
  }
}

function landingMove(t: Terms, { hand, move }: Extract<StageReason, { readonly kind: 'landing' }>): string {
  if (move.kind === 'opens' || move.kind === 'closes') return `the ${HAND[hand]} ${move.kind} for what comes`;
  return `the ${HAND[hand]} moves, ${moveWords(t, move)}`;
}

const TIMES: Readonly<Record<number, string>> = { 1: 'once', 2: 'twice' };

function handWhy({ hand, moves, flags }: Extract<StageReason, { readonly kind: 'hand' }>): string {
  const facts = [
    moves === 0 ? 'stays in one place' : `moves ${TIMES[moves] ?? `${countWord(moves)} times`}`,
    ...(flags === 0 ? [] : [`has ${countWord(flags)} ${flags === 1 ? 'place' : 'places'} to be careful of`]),
  ];
  return `The ${HAND[hand]} ${listed(facts)}.`;
}

/** What can be difficult, as a thing that is there or not. */
const DIFFICULTY: Readonly<Record<Difficulty, string>> = {
  keys: 'the keys',
  'right-hand': 'the right hand',
  'left-hand': 'the left hand',
  'off-beat': 'notes between the beats',
  'broken-octaves': 'broken octaves',
  'broken-chords': 'broken chords',
  chords: 'chords',
  moves: 'moves of the hand',
  'octave-moves': 'leaps by octave',
  together: 'both hands together',
  'interval-against-note': 'an interval against a note',
  'different-fingers': 'different fingers at one moment',
  length: 'all the other bars',
};

/** A difficulty by its name, or the new key. */
export function difficultyWords(t: Terms, difficulty: Difficulty | 'key', key: string): string {
  if (difficulty === 'key') return key;
  return difficulty === 'length' ? `all ${t.bars}` : DIFFICULTY[difficulty];
}

/** What is easier where a difficulty is not there. */
const EASIER: Readonly<Record<Difficulty, string>> = {
  keys: 'no keys to find',
  'right-hand': 'no right hand',
  'left-hand': 'no left hand',
  'off-beat': 'nothing between the beats',
  'broken-octaves': 'no broken octaves',
  'broken-chords': 'no broken chords',
  chords: 'no chords',
  moves: 'the hands stay',
  'octave-moves': 'no leaps by octave',
  together: 'one hand at a time',
  'interval-against-note': 'no interval against a note',
  'different-fingers': 'the same fingers in both hands',
  length: 'only some bars',
};

/** What goes without saying where something greater is left out. */
const SAID_BY: Readonly<Partial<Record<Difficulty, readonly Difficulty[]>>> = {
  together: ['right-hand', 'left-hand'],
  'different-fingers': ['together'],
  'interval-against-note': ['together', 'keys'],
  moves: ['keys'],
  'octave-moves': ['keys', 'moves'],
  'broken-octaves': ['keys', 'left-hand'],
  'broken-chords': ['keys', 'left-hand'],
  chords: ['keys', 'left-hand'],
  'off-beat': ['left-hand'],
};

/** What is easier in a stage than in the whole, and what comes back in the next, in one line. */
export function stageLine(
  t: Terms,
  easier: readonly Difficulty[],
  next: { readonly title: string; readonly back: readonly Difficulty[] } | null,
): string {
  const told = easier.filter((one) => !(SAID_BY[one] ?? []).some((greater) => easier.includes(greater)));
  const now = told.map((one) => (one === 'length' ? `only some ${t.bars}` : EASIER[one]));
  const without = now.length === 0 ? 'Nothing is left out.' : `Easier now: ${listed(now)}.`;
  if (!next) return without;
  const back = next.back.map((one) => difficultyWords(t, one, ''));
  return `${without} Next: ${next.title}${back.length === 0 ? '' : `, with ${listed(back)}`}.`;
}

/** Why a change that was made in a stage is not in it any more. */
export function stageMisfitWords(
  t: Terms,
  misfit: { readonly kind: 'bar'; readonly bar: string } | { readonly kind: 'finger'; readonly finger: number },
): string {
  return misfit.kind === 'bar'
    ? `${t.Bar} ${misfit.bar} is not in the piece any more.`
    : `A note that was given ${misfit.finger} here is not in this stage any more.`;
}
