/** What is written for shapes and runs, and what schools and dials change. Source: handbook (common practice) where nothing else is said. */
import { describe, expect, it } from '@jest/globals';
import type { Player } from '../fingering';
import { passage } from '../../../tests/support/passages';
import { player } from '../../../tests/support/planning';
import { planPostures } from './plan-postures';
import type { PostureAsk } from './posture-ask';
import { SHAPES, USUAL_SHAPES } from './shapes';

function ask(hand: 'right' | 'left', text: string, options: Partial<Player> = {}): PostureAsk {
  const own = passage(hand, text);
  return {
    passage: own,
    midis: own.notes.map(({ note: { midi } }) => midi),
    player: player(options),
    printed: own.notes.map(({ printed }) => printed),
    decided: null,
    own: null,
    isHome: true,
  };
}

/** The fingers of each moment, low notes first. */
function said({ passage: { hand, events } }: PostureAsk, fingering: readonly (number | null)[]): string {
  return events
    .map(({ struck }) => {
      const fingers = struck.map((note) => fingering[note]);
      return (hand === 'left' ? fingers.toReversed() : fingers).join('');
    })
    .join(' ');
}

function fingers(hand: 'right' | 'left', text: string, options: Partial<Player> = {}): string {
  const asked = ask(hand, text, options);
  return said(asked, planPostures(asked).fingering);
}

/** The fingers so many half steps away from the piece's own key. */
function fingersAway(hand: 'right' | 'left', text: string, up: number, options: Partial<Player> = {}): string {
  const home = ask(hand, text, options);
  const { fingering, path } = planPostures(home);
  const there = {
    ...home,
    midis: (home.midis ?? []).map((midi) => midi + up),
    own: fingering,
    ownPlaces: path.places,
    isHome: false,
  };
  return said(there, planPostures(there).fingering);
}

describe('shapes of the hand', () => {
  it('are the closed one and 27 more up to an octave; wider ones only chords take', () => {
    expect(SHAPES[0]?.gaps).toEqual([1, 1, 1, 1]);
    expect(USUAL_SHAPES).toBe(28);
    expect(SHAPES.slice(USUAL_SHAPES).every(({ excess }) => excess === 4)).toBe(true);
  });
});

describe('written for shapes', () => {
  it.each([
    ['right', '[C4 E4 G4]:2 [E4 G4 C5]:2 [G4 C5 E5]:2', '135 125 135'],
    ['left', '[C3 E3 G3]:2 [C3 F3 A3]:2 [B2 F3 G3]:2 [C3 E3 G3]:2', '531 521 521 531'],
    ['left', '[C3 E3 G3 C4]:4', '5421'],
    ['left', '[C3 F3 A3 C4]:4', '5321'],
  ] as const)('struck chords, %s hand: %s', (hand, text, wanted) => {
    expect(fingers(hand, text)).toBe(wanted);
  });

  it.each([
    ['an Alberti bass', 'C3 G3 E3 G3 B2 G3 F3 G3 C3 G3 E3 G3', '5 1 3 1 5 1 2 1 5 1 3 1'],
    ['root, fifth, root, sixth', 'C3 G3 C3 A3 C3 G3 C3 A3', '5 2 5 1 5 2 5 1'],
    ['a root that rocks with its fifth', 'C3 G3 C3 G3 D3 A3 D3 A3', '5 1 5 1 5 1 5 1'],
    ['broken octaves', 'C3 C4 C3 C4 G2 G3 G2 G3', '5 1 5 1 5 1 5 1'],
    ['root, fifth, octave', 'C3 G3 C4 G3 C3 G3 C4 G3', '5 2 1 2 5 2 1 2'],
  ])('accompaniments of the left hand: %s', (_what, text, wanted) => {
    expect(fingers('left', text, { level: 3 })).toBe(wanted);
  });

  it('four keys over an octave: beside 5 the fourth up to a third, else the third', () => {
    expect(fingers('right', 'C4 E4 G4 C5', { level: 3 })).toBe('1 2 3 5');
    expect(fingers('right', 'G3 C4 E4 G4', { level: 3 })).toBe('1 2 4 5');
    expect(fingers('left', 'C3 E3 G3 C4', { level: 3 })).toBe('5 4 2 1');
    expect(fingers('left', 'G2 C3 E3 G3', { level: 3 })).toBe('5 3 2 1');
  });
});

describe('written for runs', () => {
  const scale = 'C4 D4 E4 F4 G4 A4 B4 C5 B4 A4 G4 F4 E4 D4 C4';

  it('a scale has the fingers of its key (Hanon 1873, no. 39, from memory)', () => {
    expect(fingers('right', scale)).toBe('1 2 3 1 2 3 4 5 4 3 2 1 3 2 1');
    expect(fingersAway('right', scale, 5)).toBe('1 2 3 4 1 2 3 4 3 2 1 4 3 2 1');
  });

  it('below level 4 nothing is crossed for it', () => {
    expect(fingers('right', scale, { level: 3 })).not.toMatch(/3 1 2 3 4 5 4/);
  });

  it('half steps go as published, 1 on white keys and 3 on black ones', () => {
    expect(fingers('right', 'E4 F4 F#4 G4 G#4 A4 A#4 B4')).toBe('1 2 3 1 3 1 3 1');
  });
});

describe('schools and dials', () => {
  it('the third finger takes the key beside 5 where that is black', () => {
    expect(fingersAway('left', 'C3 E3 G3 C4', 2, { level: 3, inner: 'black' })).toBe('5 3 2 1');
    expect(fingersAway('left', 'C3 E3 G3 C4', 2, { level: 3 })).toBe('5 4 2 1');
  });

  it('a repeated key keeps its finger, or has another one each time', () => {
    expect(new Set(fingers('right', 'G4 G4 G4 G4').split(' ')).size).toBe(1);
    const changing = fingers('right', 'G4 G4 G4 G4', { repeat: 'change' }).split(' ');
    expect(changing.every((finger, i) => i === 0 || finger !== changing[i - 1])).toBe(true);
  });

  it('who keeps the thumb off black keys has it on none where the hand can lie otherwise', () => {
    const onBlack = (options: Partial<Player>): boolean =>
      fingersAway('right', 'C4 D4 E4 D4 C4 D4 E4:2', 3, { level: 2, ...options }).startsWith('1');
    expect(onBlack({})).toBe(true);
    expect(onBlack({ outer: 'avoid', thumbOffBlack: 'more' })).toBe(false);
  });

  it('printed fingers are law in their own key', () => {
    expect(fingers('right', 'C4=2 D4=3 E4=4 D4=3 C4:2')).toBe('2 3 4 3 2');
    expect(fingersAway('right', 'C4=2 D4=3 E4=4 D4=3 C4:2', 2)).toBe('2 3 4 3 2');
  });

  it('groups of black keys lie under 2, 3 and 4', () => {
    expect(fingers('right', 'F#4 G#4 A#4 G#4 F#4 G#4 A#4:2', { level: 1 })).toBe('2 3 4 3 2 3 4');
    expect(fingers('left', 'F#3 G#3 A#3 G#3 F#3 G#3 A#3:2', { level: 1 })).toBe('4 3 2 3 4 3 2');
  });
});
