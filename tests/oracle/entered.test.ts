import { describe, expect, it } from '@jest/globals';
import { newScore } from '@/core/edit';
import { beginSession, press, type Command } from '@/core/entry';
import { midiNumber } from '@/core/pitch';
import { notesOf, type Part } from '@/core/score';
import { writeMusicXml } from '@/core/write';
import { createVerovio, pitchesOf } from '../support/verovio';

/** Fingers in rows, with what stands before them: `=1` a sharp, `p3` into the chord, `k` a triplet begins, `o1` a tie. */
const ROWS = ['12345', 'qwert', 'asdfg', 'zxcvb'];
const NAMES = ['beat', 'longer', 'bar', 'shorter'] as const;
const OTHERS: Readonly<Record<string, Command>> = {
  '=': { kind: 'alter', alter: 1 },
  '-': { kind: 'alter', alter: -1 },
  p: { kind: 'join', as: 'chord' },
  o: { kind: 'join', as: 'tie' },
  k: { kind: 'triplet' },
  '.': { kind: 'dot' },
  '6': { kind: 'rest', row: 'beat' },
  '9': { kind: 'other-hand', at: 'where-it-stops' },
};

function entered(keys: string) {
  const score = newScore({
    title: '',
    key: { tonic: { step: 1, alter: 0 }, mode: 'major' },
    meter: { beats: 4, beatType: 4 },
    pickupBeats: 0,
  });
  const commands = [...keys].map((key): Command => {
    const row = ROWS.findIndex((one) => one.includes(key));
    return (
      OTHERS[key] ?? {
        kind: 'finger',
        finger: ((ROWS[row] as string).indexOf(key) + 1) as 1,
        row: NAMES[row] as 'beat',
      }
    );
  });
  return commands.reduce((session, command) => press(session, command, 0).session, beginSession(score, 'P1')).edited
    .score;
}

describe('what is entered sounds to Verovio as it does to the core', () => {
  it.each([
    ['eighths under beams', 'zxcvbvcx'],
    ['triplets and chords', 'k1231p35 tp3p1'],
    ['signs that hold in the bar, and a tie over the bar line', '1=2=42o1a'],
    ['both hands, with rests and dots', '1.x36 q 95432gg'],
  ])('%s', async (_, keys) => {
    const score = entered(keys.replaceAll(' ', ''));
    const text = writeMusicXml(score);
    const heard = pitchesOf(await createVerovio(), text, {})
      .map(({ midi }) => midi)
      .sort((a, b) => a - b);
    const own = notesOf(score.parts[0] as Part)
      .flatMap(({ pitch }) => (pitch ? [midiNumber(pitch)] : []))
      .sort((a, b) => a - b);
    expect(heard).toEqual(own);
  });
});
