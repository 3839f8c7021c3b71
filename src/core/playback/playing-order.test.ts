import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { open } from '../../../tests/support/open';
import { playingOrder } from './playing-order';
import { tempoMap } from './tempo-map';

const FORWARD = '<barline location="left"><repeat direction="forward"/></barline>';
const BACKWARD = '<barline location="right"><repeat direction="backward"/></barline>';
const ending = (numbers: string, back: 'back' | 'on'): string =>
  `<barline location="left"><ending number="${numbers}" type="start"/></barline><barline location="right"><ending number="${numbers}" type="stop"/>${back === 'back' ? '<repeat direction="backward"/>' : ''}</barline>`;

/** The bars in the order in which they are played, by their numbers. */
function played(bars: number, extra: Readonly<Record<number, string>>): string {
  const right = Array.from({ length: bars }, () => 'C4w').join(' | ');
  return playingOrder(open(musicXml({ right, extra, mode: 'major' })).part.measures)
    .map((index) => index + 1)
    .join(' ');
}

describe('playingOrder', () => {
  it.each([
    ['no repeats', 3, {}, '1 2 3'],
    ['a repeat from the beginning', 3, { 2: BACKWARD }, '1 2 1 2 3'],
    ['a repeat from its own sign', 4, { 2: FORWARD, 3: BACKWARD }, '1 2 3 2 3 4'],
    ['two repeats one after the other', 4, { 2: BACKWARD, 3: FORWARD, 4: BACKWARD }, '1 2 1 2 3 4 3 4'],
    ['two without a sign for the second', 4, { 2: BACKWARD, 4: BACKWARD }, '1 2 1 2 3 4 3 4'],
    ['first and second endings', 4, { 2: ending('1', 'back'), 3: ending('2', 'on') }, '1 2 1 3 4'],
    [
      'an ending for two passes',
      4,
      { 2: ending('1, 2', 'back').replace('"backward"', '"backward" times="3"'), 3: ending('3', 'on') },
      '1 2 1 2 1 3 4',
    ],
  ] as const)('plays %s', (_what, bars, extra, order) => {
    expect(played(bars, extra)).toBe(order);
  });

  it('ends, whatever a file asks for', () => {
    const wild = Object.fromEntries(
      [1, 2, 3, 4].map((bar) => [bar, FORWARD + BACKWARD.replace('"backward"', '"backward" times="9999"')]),
    );
    expect(played(4, wild).split(' ').length).toBeLessThanOrEqual(48);
  });
});

describe('tempoMap', () => {
  const marks = (right: string, extra: Readonly<Record<number, string>>): string => {
    const { part, score } = open(musicXml({ right, extra, mode: 'major' }));
    let start = 0;
    const bars = part.measures.map((measure) => {
      const bar = { measure, start };
      start += measure.length;
      return bar;
    });
    return tempoMap(bars, score.ticksPerQuarter)
      .map(({ at, quartersPerMinute }) => `${at / score.ticksPerQuarter}:${Math.round(quartersPerMinute)}`)
      .join(' ');
  };
  const words = (text: string): string =>
    `<direction><direction-type><words>${text}</words></direction-type></direction>`;
  const mark = (unit: string, perMinute: number, dot = ''): string =>
    `<direction><direction-type><metronome><beat-unit>${unit}</beat-unit>${dot}<per-minute>${perMinute}</per-minute></metronome></direction-type></direction>`;

  it('takes metronome marks in quarters, dotted ones too, and a walking pace without any', () => {
    expect(marks('C4w | C4w', {})).toBe('0:92');
    expect(marks('C4w | C4w', { 1: mark('half', 50), 2: mark('quarter', 60, '<beat-unit-dot/>') })).toBe('0:100 4:90');
  });

  it('slows down by steps to seven tenths and takes the tempo up where it is said', () => {
    expect(
      marks('C4w | C4q C4q C4q C4q | C4w', { 1: mark('quarter', 200), 2: words('poco rit.'), 3: words('a tempo') }),
    ).toBe('0:200 4:185 5:170 6:155 7:140 8:200');
  });

  it('is not slowed by words that only look like it', () => {
    expect(marks('C4w | C4w', { 1: mark('quarter', 100), 2: words('with spirit') })).toBe('0:100');
  });
});
