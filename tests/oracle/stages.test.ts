/** Stages of all demo pieces in all fifteen keys, and of generated ones: what is kept is as it was, and it makes no difference whether a piece is moved first
 * or made easier first. */
import { rounds } from '../support/rounds';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { asWritten } from '@/core/piece';
import { barMiscounts } from '@/core/edit';
import { fifteenKeys, keyText, pitchText, type Key } from '@/core/pitch';
import { readPiece } from '@/core/read';
import { notesOf, type HandNote, type Score } from '@/core/score';
import { brokenChords, foldOctaves, stageId, stagePiece, stageScore, stagesOf, type Stage } from '@/core/stages';
import { moveScore } from '@/core/transpose';
import { unwrap } from '@/core/base';
import { writeMusicXml } from '@/core/write';
import type { OpenedPiece } from '@/core/piece';
import { drawnByTheBarRule } from '../support/bar-rule';
import { bytesOf } from '../support/build-piece';
import { DEMO_FILES } from '../support/demo-pieces';
import '../support/fixed-seed';
import { open, USUAL } from '../support/open';
import { beginnersPiece, notesById } from '../support/staged';

function allStages(piece: OpenedPiece): readonly Stage[] {
  const { proposed, others } = stagesOf(piece, asWritten(piece));
  return [...proposed, ...others];
}

/** Of landings, lines and phrases one stands for all: what is done to the notes is the same. */
function oneOfEachKind(piece: OpenedPiece): readonly Stage[] {
  return [...new Map(allStages(piece).map((stage) => [stage.name.kind, stage])).values()];
}

function staged(piece: OpenedPiece, score: Score, { transformations }: Stage): Score {
  return stageScore(score, { partId: piece.part.id, courtesy: 'bar' }, transformations).score;
}

function movedScore(piece: OpenedPiece, score: Score, to: Key): Score {
  const pupil = score.parts.find(({ id }) => id === piece.part.id) ?? piece.part;
  return unwrap(moveScore(score, { ...USUAL, to, from: piece.key.key, pupil })).score;
}

function said({ id, hand, pitch, bar, beat, duration, finger, tieStart, tieStop }: HandNote): string {
  return `${id} ${hand} ${pitchText(pitch)} ${bar}/${beat} ${duration} ${finger} ${tieStart} ${tieStop}`;
}

function allSaid(score: Score): readonly string[] {
  return [...notesById(score).values()].map(said).toSorted();
}

/** Stages that play notes at other times, or in another octave. */
const RETIMED = ['blocked', 'blocked-alone', 'landing-long'];

/** Gives the stage that was looked at. */
function expectKept(piece: OpenedPiece, stage: Stage): Score {
  const before = notesById(piece.score);
  const score = staged(piece, piece.score, stage);
  for (const [id, note] of notesById(score)) {
    const was = before.get(id) as HandNote;
    const name = `${stageId(stage.name)} ${id}`;
    const isFolded = stage.name.kind === 'one-place' && Math.abs(note.midi - was.midi) % 12 === 0;
    if (!isFolded) expect(`${name} ${pitchText(note.pitch)}`).toBe(`${name} ${pitchText(was.pitch)}`);
    if (RETIMED.includes(stage.name.kind)) continue;
    expect(`${name} ${note.bar}/${note.beat}/${note.duration}`).toBe(`${name} ${was.bar}/${was.beat}/${was.duration}`);
  }
  const part = score.parts.find(({ id }) => id === piece.part.id) ?? piece.part;
  const lengths = new Map(piece.part.measures.map(({ number, length }) => [number, length]));
  const wrong = barMiscounts(part, score.ticksPerQuarter).filter(({ number, found }) => found !== lengths.get(number));
  expect([stageId(stage.name), ...wrong]).toEqual([stageId(stage.name)]);
  return score;
}

function expectReadAgain(score: Score, name: string): void {
  const again = unwrap(readPiece(bytesOf(writeMusicXml(score)), null, null)).score;
  expect([name, ...allSaid(again)]).toEqual([name, ...allSaid(score)]);
}

describe.each(DEMO_FILES.map(({ id, text }) => [id, text] as const))('%s', (_id, text) => {
  const piece = open(text);
  const stages = allStages(piece);

  it.each(fifteenKeys(piece.key.key.mode).map((key) => [keyText(key), key] as const))(
    'moved to %s and made easier is the same as made easier and moved',
    (_name, key) => {
      const moved = movedScore(piece, piece.score, key);
      for (const stage of stages) {
        const first = staged(piece, moved, stage);
        const last = movedScore(piece, staged(piece, piece.score, stage), key);
        expect([stageId(stage.name), ...allSaid(first)]).toEqual([stageId(stage.name), ...allSaid(last)]);
        expect(signs(first)).toEqual(signs(last));
      }
    },
  );

  it('keeps what it keeps: pitch, time, length and id, and can be written and read again', () => {
    for (const stage of stages) {
      expectReadAgain(expectKept(piece, stage), stageId(stage.name));
    }
  });

  it('has signs by the bar rule', () => {
    for (const stage of stages) {
      const score = staged(piece, piece.score, stage);
      const drawn = score.parts
        .flatMap(notesOf)
        .filter(({ pitch }) => pitch)
        .map(({ accidental }) => (accidental ? `${accidental.sign}${accidental.courtesy ? '?' : ''}` : ''));
      expect(drawn).toEqual(drawnByTheBarRule(writeMusicXml(score)));
    }
  });
});

function signs(score: Score): readonly string[] {
  return score.parts.flatMap((part) =>
    part.measures.flatMap(({ items }) =>
      items.flatMap((item) => (item.kind === 'note' && item.pitch ? [`${item.id}${item.accidental?.sign ?? ''}`] : [])),
    ),
  );
}

/** Each generated piece is moved and staged in every kind of stage: most of the work of this file. */
const MOVED_PIECES = rounds(60, 500);
const FOLDED_PIECES = rounds(120, 500);

describe('generated pieces', () => {
  it('keep what they keep in every stage, and do not mind whether they are moved first', () => {
    fc.assert(
      fc.property(beginnersPiece, fc.nat(14), (text, at) => {
        const piece = open(text);
        const key = fifteenKeys('major')[at] as Key;
        const moved = movedScore(piece, piece.score, key);
        for (const stage of oneOfEachKind(piece)) {
          const own = expectKept(piece, stage);
          const first = staged(piece, moved, stage);
          expect(allSaid(first)).toEqual(allSaid(movedScore(piece, own, key)));
        }
      }),
      { numRuns: MOVED_PIECES },
    );
  });

  it('are folded without a stretch, a crossing or a shared key that was not there', () => {
    fc.assert(
      fc.property(beginnersPiece, (text) => {
        const piece = open(text);
        const { octaves } = foldOctaves({ ...piece, ticksPerQuarter: piece.score.ticksPerQuarter });
        if (octaves.size === 0) return;
        const whole = asWritten(piece);
        const folded = asWritten(stagePiece(piece, whole, [{ kind: 'one-place' }], 'bar'));
        for (const kind of ['stretch', 'out-of-reach', 'crossing', 'shared-key', 'hands-overlap'] as const) {
          const places = (flags: typeof whole.flags): readonly string[] =>
            flags.filter(({ evidence }) => evidence.kind === kind).map(({ bar, hand }) => `${kind} ${bar} ${hand}`);
          expect(places(whole.flags)).toEqual(expect.arrayContaining([...places(folded.flags)]));
        }
      }),
      { numRuns: FOLDED_PIECES },
    );
  });

  it('hold, blocked, the very keys that were broken, for as long as they sounded', () => {
    fc.assert(
      fc.property(beginnersPiece, (text) => {
        const piece = open(text);
        const { ticksPerQuarter } = piece.score;
        const score = stageScore(piece.score, { partId: piece.part.id, courtesy: 'bar' }, [{ kind: 'blocked' }]).score;
        const [left, was] = [notesById(score), notesById(piece.score)];
        for (const { strikes, duration } of brokenChords(piece.notes, piece.part, 'left', ticksPerQuarter)) {
          const broken = strikes.flatMap(({ notes }) => notes);
          const held = broken.flatMap(({ id }) => left.get(id) ?? []);
          const keys = (notes: readonly HandNote[]): readonly number[] =>
            [...new Set(notes.map(({ midi }) => midi))].toSorted();
          expect(keys(held)).toEqual(keys(broken));
          expect(new Set(held.map(({ onset, duration: length }) => `${onset}/${length}`))).toEqual(
            new Set([`${was.get(broken[0]?.id ?? '')?.onset}/${duration}`]),
          );
        }
      }),
      { numRuns: FOLDED_PIECES },
    );
  });
});
