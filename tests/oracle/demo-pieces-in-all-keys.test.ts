/** Every demo piece in all fifteen keys of its mode, against readers and transposers that are not ours:
 * tonal 6.4 for pitches and signatures, Verovio 6.3's own transposition, and a bar rule written apart. */
import { describe, expect, it, beforeAll } from '@jest/globals';
import { Interval as TonalInterval, Key as TonalKey, Note as TonalNote } from 'tonal';
import { DEMO_FILES } from '../support/demo-pieces';
import { createVerovio, pitchesOf, type Engraver } from '../support/verovio';
import { drawnByTheBarRule } from '../support/bar-rule';
import { moved, open } from '../support/open';
import { fifteenKeys, intervalName, keyText, nameText, pitchText, signatureOf } from '@/core/pitch';
import { signatureLine } from '@/core/notation';
import { notesOf } from '@/core/score';
import { writeMusicXml } from '@/core/write';

let engraver: Engraver;
beforeAll(async () => {
  engraver = await createVerovio();
});

/** A piece that changes to a key beyond seven signs is turned there: those bars sound the same under other letters. */
function turnedBars(remarks: readonly { readonly code: string }[], bars: number): ReadonlySet<number> {
  const remark = remarks.find(({ code }) => code === 'respelled-key') as { readonly bar: string } | undefined;
  return new Set(
    remark ? Array.from({ length: bars }, (_, i) => i + 1).filter((bar) => bar >= Number(remark.bar)) : [],
  );
}

describe.each(DEMO_FILES.map((file) => [file.id, file.text] as const))('%s', (_id, text) => {
  const piece = open(text);
  const keys = fifteenKeys(piece.key.key.mode);

  it.each(keys.map((key) => [keyText(key), key] as const))('has tonal’s pitches and signature in %s', (_name, key) => {
    const version = moved(piece, keyText(key));
    const interval = intervalName(version.interval);
    const turned = turnedBars(version.remarks, piece.part.measures.length);
    for (const [i, note] of piece.notes.entries()) {
      const after = version.notes.find(({ id }) => id === note.id);
      const expected = TonalNote.transpose(pitchText(note.pitch), fromOurs(interval));
      expect(expected).not.toBe('');
      expect(after?.midi).toBe(TonalNote.midi(expected));
      if (!turned.has(Number(note.bar))) expect(`${i} ${after && pitchText(after.pitch)}`).toBe(`${i} ${expected}`);
    }
    const tonalSignature =
      key.mode === 'minor'
        ? TonalKey.minorKey(nameText(key.tonic)).keySignature
        : TonalKey.majorKey(nameText(key.tonic)).keySignature;
    const part = version.score.parts[0];
    const first = part && signatureLine(part).at(0, 0, 1).fifths;
    expect(signatureText(first ?? 99)).toBe(tonalSignature);
    expect(first).toBe(signatureOf(key));
  });

  it.each(keys.map((key) => [keyText(key), key] as const))(
    'sounds like Verovio’s own transposition in %s',
    (_name, key) => {
      const version = moved(piece, keyText(key));
      const written = pitchesOf(engraver, writeMusicXml(version.score), {});
      const transposed = pitchesOf(engraver, text, { transpose: intervalName(version.interval) });
      expect(written.map(({ midi }) => midi)).toEqual(transposed.map(({ midi }) => midi));
      const turned = version.remarks.some(({ code }) => code === 'respelled-key');
      if (!turned) expect(written.map(({ name }) => name)).toEqual(transposed.map(({ name }) => name));
    },
  );

  it.each(keys.map((key) => [keyText(key), key] as const))(
    'draws every accidental by the bar rule in %s',
    (_name, key) => {
      const version = moved(piece, keyText(key));
      const part = version.score.parts[0];
      const expected = drawnByTheBarRule(writeMusicXml(version.score));
      const drawn = part
        ? notesOf(part)
            .filter(({ pitch }) => pitch)
            .map(({ accidental }) => (accidental ? `${accidental.sign}${accidental.courtesy ? '?' : ''}` : ''))
        : [];
      expect(drawn).toEqual(expected);
    },
  );
});

/** Our `M2` and `-P4` as tonal writes them: `2M`, `-4P`. */
function fromOurs(name: string): string {
  const match = /^(-?)([AdmMP]+)(\d+)$/.exec(name);
  const tonal = match ? `${match[1]}${match[3]}${match[2]}` : name;
  expect(TonalInterval.get(tonal).empty).toBe(false);
  return tonal;
}

function signatureText(fifths: number): string {
  return (fifths < 0 ? 'b' : '#').repeat(Math.abs(fifths));
}
