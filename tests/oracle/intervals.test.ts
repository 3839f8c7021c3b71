/** Every pair of tonics of a mode and every interval within two octaves, against tonal 6.4 and Verovio 6.3. */
import { beforeAll, describe, expect, it } from '@jest/globals';
import { Note as TonalNote } from 'tonal';
import {
  fifteenKeys,
  intervalName,
  intervalOf,
  intervalToKey,
  keyText,
  midiNumber,
  parsePitch,
  pitchText,
  signatureOf,
  transposeBy,
  type Pitch,
} from '@/core/pitch';
import { unwrap } from '@/core/base';
import { writeMusicXml } from '@/core/write';
import { musicXml } from '../support/build-piece';
import { moved, open } from '../support/open';
import { createVerovio, pitchesOf, type Engraver } from '../support/verovio';

let engraver: Engraver;
beforeAll(async () => {
  engraver = await createVerovio();
});

/** `M2`, `-P4` as tonal writes them: `2M`, `-4P`. */
const tonalName = (name: string): string => name.replace(/^(-?)([AdmMP]+)(\d+)$/, '$1$3$2');

describe('all intervals within two octaves', () => {
  const pitches = ['C4', 'F#4', 'Bb4', 'E4', 'Ab3', 'B4'].map((text) => parsePitch(text) as Pitch);

  it('move a pitch where tonal moves it', () => {
    for (let steps = -14; steps <= 14; steps += 1) {
      for (const bend of [-1, 0, 1]) {
        const interval = intervalOf(steps, Math.round((steps * 12) / 7) + bend);
        const name = intervalName(interval);
        if (/dd|AA/.test(name)) continue;
        for (const pitch of pitches) {
          const ours = unwrap(transposeBy(pitch, interval));
          const theirs = TonalNote.transpose(pitchText(pitch), tonalName(name));
          // A diminished unison or second that crosses itself has two names and one sound.
          expect([name, midiNumber(ours)]).toEqual([name, TonalNote.midi(theirs)]);
          if (!/^-?d[12]$/.test(name)) expect([name, pitchText(ours)]).toEqual([name, theirs]);
        }
      }
    }
  });
});

describe.each(['major', 'minor'] as const)('every pair of the fifteen %s keys', (mode) => {
  const keys = fifteenKeys(mode);

  it('is as far apart as tonal says, whichever way', () => {
    for (const from of keys) {
      for (const to of keys) {
        for (const undoRedo of ['nearest', 'up', 'down'] as const) {
          const interval = intervalToKey(from, to, undoRedo);
          const tonic: Pitch = { ...from.tonic, octave: 4 };
          const there = unwrap(transposeBy(tonic, interval));
          expect(TonalNote.transpose(pitchText(tonic), tonalName(intervalName(interval)))).toBe(pitchText(there));
          expect({ step: there.step, alter: there.alter }).toEqual(to.tonic);
        }
      }
    }
  });

  it.each(keys.map((key) => [keyText(key), key] as const))('from %s sounds as Verovio transposes it', (_name, from) => {
    const home = moved(
      open(
        musicXml({
          right: mode === 'major' ? 'C4q E4q F#4q G4q | C5w' : 'A4q C5q G#4q E4q | A4w',
          left: mode === 'major' ? 'C3w | C3w' : 'A2w | A2w',
          mode,
        }),
      ),
      keyText(from),
    );
    const text = writeMusicXml(home.score);
    const piece = open(text);
    expect(signatureOf(piece.key.key)).toBe(signatureOf(from));
    for (const to of keys) {
      const version = moved(piece, keyText(to));
      const ours = pitchesOf(engraver, writeMusicXml(version.score), {});
      const theirs = pitchesOf(engraver, text, { transpose: intervalName(version.interval) });
      expect([keyText(to), ours.map(({ midi }) => midi)]).toEqual([keyText(to), theirs.map(({ midi }) => midi)]);
    }
  });
});
