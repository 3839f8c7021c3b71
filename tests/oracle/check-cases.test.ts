/** The thirty check cases of the project's fingering model, with their marks: P published (Hanon 1873 and common chord tables, from memory),
 * CP common practice, D our own choice or a result of the model. */
import { describe, expect, it } from '@jest/globals';
import { neutralView } from '@/core/fingering';
import { planOf, planned, printed, studied } from '../support/planning';
import { handLine, passage } from '../support/passages';

const joined = (fingers: string): string => fingers.replaceAll(' ', '');

describe('one hand, one key', () => {
  it.each([
    [1, 'CP', 'right', 'D4 E4 F#4 G4 A4 G4 F#4 E4 D4', { level: 1 }, 'D', '123454321'],
    [2, 'CP', 'left', 'F3 G3 A3 Bb3 C4 Bb3 A3 G3 F3', { level: 1 }, 'F', '543212345'],
    [3, 'CP', 'left', 'C3 G3 E3 G3 D3 G3 F3 G3', { level: 1 }, 'C', '51314121'],
    [4, 'CP', 'right', 'D4 E4 F4 D4 C4 E4 G4:2', { level: 1 }, 'C', '2342135'],
    [5, 'P', 'right', '[C4 E4 G4]', {}, 'C', '135'],
    [5, 'P', 'right', '[E4 G4 C5]', {}, 'C', '125'],
    [5, 'P', 'right', '[G4 C5 E5]', {}, 'C', '135'],
    [5, 'P', 'left', '[C3 E3 G3]', {}, 'C', '531'],
    [5, 'P', 'left', '[E3 G3 C4]', {}, 'C', '531'],
    [5, 'P', 'left', '[G3 C4 E4]', {}, 'C', '521'],
    [6, 'P', 'right', 'C4 E4 G4 C5', {}, 'C', '1235'],
    [6, 'P', 'left', 'C3 E3 G3 C4', {}, 'C', '5421'],
    [6, 'P', 'left', 'G2 C3 E3 G3', {}, 'C', '5321'],
    [7, 'CP', 'left', '[D3 F#3 A3 D4]', { inner: 'interval' }, 'D', '5421'],
    [7, 'CP', 'left', '[D3 F#3 A3 D4]', { inner: 'black' }, 'D', '5321'],
    [7, 'CP', 'left', 'D3 F#3 A3 D4', { inner: 'black' }, 'D', '5321'],
    [16, 'D', 'right', 'C4 D4 E4 F4 F4 G4 A4 B4 A4 F4:2', { level: 3 }, 'C', '1234234542'],
    // Overruled: while the hand stays, a letter keeps its finger.
    [18, 'D', 'right', 'C4 D4 E4 G4 A4 G4 E4 C4:2', { level: 3 }, 'C', '12345431'],
    [19, 'CP', 'right', 'C4 D4 E4 F4 G4:2 r:2 G4 A4 B4 C5 D5:2', { level: 2 }, 'C', '1234512345'],
    [20, 'CP', 'right', 'E4 D4 C4 D4 E4:2 | G4 A4 B4 C5 D5:2', { level: 2 }, 'C', '3212312345'],
    [21, 'CP', 'right', 'E4 F4 G4 F4 [E4 E5]:2', {}, 'C', '123215'],
    [23, 'CP', 'right', 'E4 F4 F#4 G4 F#4 F4 E4:2', { level: 1 }, 'C', '1234321'],
    [24, 'P', 'left', '[C3 E3 G3]:2 [C3 F3 A3]:2 [B2 F3 G3]:2 [C3 E3 G3]:2', { level: 3 }, 'C', '531521521531'],
  ] as const)('case %i (%s), %s hand: %s', (_number, _mark, hand, text, options, key, fingers) => {
    expect(joined(planned(hand, text, options, key))).toBe(fingers);
  });

  // Cases 8 to 11 (P), scales and arpeggios, are part of published-fingerings.test.ts.

  it('case 16 (D): the repeated key takes 1 to where 3 was', () => {
    const { steps } = planOf(passage('right', 'C4 D4 E4 F4 F4 G4 A4 B4 A4 F4:2'), { level: 3 });
    expect(steps[4]?.transition).toBe('change');
    expect((steps[4]?.low ?? 0) - (steps[3]?.low ?? 0)).toBe(2);
  });

  it('case 17 (CP): six letters in one slur are not playable at level 1', () => {
    expect(planOf(passage('right', 'C4 D4 E4 F4 G4 A4 G4 E4 C4:2'), { level: 1 }).limits).toBeGreaterThan(0);
  });

  it('case 22 (D): a reach of 155 mm has no octave, one of 180 has', () => {
    expect(planOf(passage('right', '[C4 C5]'), { spanMm: 155 }).limits).toBe(1);
    expect(planOf(passage('right', '[C4 C5]'), { spanMm: 180 }).limits).toBe(0);
  });
});

const SCALE = printed('right', 'C4 D4 E4 F4 G4 A4 B4 C5 B4 A4 G4 F4 E4 D4 C4', '123123454321321');
const LEFT_SCALE = printed('left', 'C3 D3 E3 F3 G3 A3 B3 C4 B3 A3 G3 F3 E3 D3 C3', '543213212312345');
const TUNE = 'E4 D4 C4 D4 E4 G4 F4:2 D4 F4 E4 C4 D4 C4:2';

describe('brought into another key', () => {
  it('case 12 (P + D): the scale of C in F changes from the fourth degree on, because of the colour of B♭', () => {
    const { study, changes } = studied('right', SCALE, 5);
    expect(study.plan.fingering.join('')).toBe('123412343214321');
    expect(changes).toHaveLength(1);
    expect(changes[0]).toMatchObject({ from: 3, cause: 'colour' });
    expect(changes[0]?.gain).toBeGreaterThanOrEqual(3);
  });

  it('case 13 (P): in G nothing changes, and no move is added', () => {
    const { changes, added } = studied('right', SCALE, 7);
    expect([changes.length, added.length]).toEqual([0, 0]);
  });

  it('case 14 (P): the left hand’s scale of C in E♭ begins 3 2 1 4 3 2 1', () => {
    const { study, changes } = studied('left', LEFT_SCALE, 3);
    expect(changes.length).toBeGreaterThan(0);
    expect(study.plan.fingering.slice(0, 7).join('')).toBe('3214321');
  });

  it('case 15 (P + D): in B it begins 4 3 2 1 4 3 2', () => {
    const { study } = studied('left', LEFT_SCALE, -1);
    expect(study.plan.fingering.slice(0, 7).join('')).toBe('4321432');
  });

  it('case 26 (CP): a closed tune keeps its fingers and its one position in all twelve keys at level 1', () => {
    for (let up = -5; up <= 6; up += 1) {
      const { study, changes, added } = studied('right', TUNE, up, { level: 1, outer: 'avoid' });
      expect([
        changes.length,
        added.length,
        study.plan.limits,
        study.plan.steps.filter(({ transition: join }) => join !== 'stay').length,
      ]).toEqual([0, 0, 0, 1]);
    }
  });

  it('case 27 (CP and D): the tune costs least in C and G, then D, F, E, and last in the flat keys', () => {
    const cost = (up: number): number => {
      const { study } = studied('right', TUNE, up, { level: 1 });
      return study.keptPlan.cost - study.baseline.neutral.cost;
    };
    const [c, g, d, f, e, eFlat, aFlat] = [0, 7, 2, 5, 4, 3, 8].map(cost) as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    expect([c, g, d, f, e].every((value, i, all) => i === 0 || value >= (all[i - 1] as number) - 0.1)).toBe(true);
    expect(Math.min(eFlat, aFlat)).toBeGreaterThan(Math.max(c, g, d, f, e));
  });

  it('case 28 (D): the neutral view is the same in all keys', () => {
    const inC = neutralView(passage('right', TUNE));
    const inD = neutralView(passage('right', 'F#4 E4 D4 E4 F#4 A4 G4:2 E4 G4 F#4 D4 E4 D4:2', 'D'));
    expect([...inD.places].map((place, i) => place - (inC.places[i] as number))).toEqual(
      Array.from(inC.places, () => 2350),
    );
  });

  it('case 29 (D): an unusual printed finger is not laid to black keys', () => {
    const { changes } = studied('right', 'C4=1 D4=2 E4=3 F4=4 G4=4 E4=2 C4=1', 2, { level: 3 });
    expect(changes).toHaveLength(1);
    expect(changes[0]?.cause).toBe('none');
    expect(changes[0]?.notes.map((i) => handLine('right', 'C4 D4 E4 F4 G4 E4 C4')[i]?.pitch.step)).toContain(4);
  });

  it('case 30 (CP + D): where 3 falls on a black key it takes the place of 4', () => {
    const { study, changes } = studied('left', '[C3=5 E3=4 G3=2 C4=1]', 2, { inner: 'black' });
    expect(changes).toHaveLength(1);
    expect(study.plan.steps[0]?.grip.fingers.toReversed()).toEqual([5, 3, 2, 1]);
    expect(changes[0]?.gain).toBeLessThan(3);
  });
});
