import { describe, expect, it } from '@jest/globals';
import { SAYS } from '../../../../tests/support/usual-words';
import type { StageReason } from '../../stages';
import { languageOf } from '../language';
import { USUAL_WORDING } from '../wording';

describe('why a stage is proposed', () => {
  it.each<readonly [StageReason, string]>([
    [{ kind: 'different-fingers', bars: ['3', '7'] }, 'Bars 3 and 7: both hands have different fingers there.'],
    [{ kind: 'interval-against-note', bars: ['2'] }, 'Bar 2: one hand has two keys or more against one.'],
    [{ kind: 'flagged', bars: ['1', '2', '3'], kinds: ['stretch', 'hop'] }, 'Bars 1–3: stretches and hops.'],
    [{ kind: 'other-fingers', bars: ['5'] }, 'Bar 5: other fingers than in the piece’s own key.'],
    [
      { kind: 'landing', hand: 'right', bars: ['9'], beat: null, move: { kind: 'octave', direction: 'up' } },
      'Bar 9: the right hand moves, the same place an octave higher. Only the last notes before it and the first after it.',
    ],
    [
      { kind: 'landing', hand: 'left', bars: ['2', '4'], beat: null, move: { kind: 'opens' } },
      'Bars 2 and 4: the left hand opens for what comes. Only the last notes before it and the first after it.',
    ],
    [{ kind: 'hand', hand: 'left', moves: 0, flags: 0 }, 'The left hand stays in one place.'],
    [
      { kind: 'hand', hand: 'right', moves: 2, flags: 1 },
      'The right hand moves twice and has one place to be careful of.',
    ],
    [
      { kind: 'octave-moves', hands: ['right'], bars: ['3', '4'] },
      'The right hand leaps by octave: bars 3 and 4 first where the hand is already.',
    ],
    [{ kind: 'section', from: '5', to: '8', hardest: true }, 'Bars 5–8: most of what is difficult is here.'],
    [{ kind: 'section', from: '1', to: '4', hardest: false }, 'Bars 1–4.'],
    [{ kind: 'whole' }, 'Everything as it is written.'],
  ])('%j', (why, words) => expect(SAYS.stageWhy(why)).toBe(words));
});

describe('what a stage is called', () => {
  it.each([
    ['landing-2', 'Landing 2'],
    ['landing-3-long', 'Landing 3'],
    ['line-1', 'Line 1'],
    ['phrase-4', 'Phrase 4'],
    ['beats', 'Left hand, beats only'],
    ['whole', 'Whole piece'],
  ])('%s, where its music is not known', (id, title) => expect(SAYS.stageIdTitle(id)).toBe(title));

  it('is as the teacher calls bars and fingers', () => {
    const other = languageOf({ ...USUAL_WORDING, bar: 'measure', fingers: 'names' });
    const why: StageReason = { kind: 'landing', hand: 'left', bars: ['6'], beat: null, move: { kind: 'opens' } };
    expect(other.stageTitle({ name: { kind: 'landing', n: 1 }, why })).toBe('Landing, left hand, measure 6');
    expect(other.stageTitle({ name: { kind: 'landing-long', n: 1 }, why: { ...why, beat: 7 / 3 } })).toBe(
      'Landing, left hand, measure 6, beat 2.33, long notes',
    );
    expect(other.stageWhy({ kind: 'broken-octaves', bars: ['1'] })).toBe(
      'Octaves are broken in measure 1: first the beats with the little finger, then the octave is split.',
    );
  });
});

describe('the line of a stage', () => {
  it('does not say twice what a hand alone says', () => {
    expect(SAYS.stageLine(['left-hand', 'together', 'different-fingers', 'chords'], null)).toBe(
      'Easier now: no left hand.',
    );
  });

  it('says of tapping that there are no keys, and nothing of what follows from it', () => {
    expect(SAYS.stageLine(['keys', 'moves', 'broken-octaves'], null)).toBe('Easier now: no keys to find.');
  });

  it('names what comes back with the next', () => {
    const next = { title: 'Whole piece', back: ['octave-moves', 'length'] as const };
    expect(SAYS.stageLine(['octave-moves', 'length'], next)).toBe(
      'Easier now: no leaps by octave and only some bars. Next: Whole piece, with leaps by octave and all bars.',
    );
  });
});
