import { drawAccidentals } from '../notation';
import { handNotes, mapMeasures, type HandNote, type Part, type Score } from '../score';
import { applyChanges } from './apply-changes';
import { noteChanges } from './changes-of';
import { keepBars } from './keep-bars';
import { asRhythm } from './rhythm-staves';
import { comparedNotes } from './stage-notes';
import type { Staged, StageFrame, Transformation } from './transformation';
import { withAttribute } from '../xml';
import { withoutBrokenSlurs } from './broken-slurs';

/** Makes a piece easier, one transformation after the other, and says what was kept, left out and changed. The other parts of a piece lose the bars that are
 * left out and nothing else. The same stage of a piece in two keys agrees note by note. */
export function stageScore(score: Score, frame: StageFrame, transformations: readonly Transformation[]): Staged {
  const before = notesIn(score, frame.partId);
  const staged = transformations.reduce((at, one) => transformed(at, frame.partId, one), score);
  const tidied = named(staged === score ? score : tidy(score, staged, frame));
  const after = notesIn(tidied, frame.partId);
  return { score: tidied, ...comparedNotes(before, after) };
}

/** Notes that have their names by their place in the file carry them from now on: in a stage they stand in another place. */
function named(score: Score): Score {
  return mapMeasures(score, (measure) => {
    const items = measure.items.map((item) => {
      if (item.kind !== 'note' || item.xml.attributes['id'] === item.id) return item;
      return { ...item, xml: withAttribute(item.xml, 'id', item.id) };
    });
    return items.every((item, i) => item === measure.items[i]) ? measure : { ...measure, items };
  });
}

function notesIn(score: Score, partId: string): readonly HandNote[] {
  const part = partIn(score, partId);
  return part ? handNotes(part, score.ticksPerQuarter) : [];
}

function partIn(score: Score, partId: string): Part | undefined {
  return score.parts.find(({ id }) => id === partId);
}

function transformed(score: Score, partId: string, transformation: Transformation): Score {
  const part = partIn(score, partId);
  if (!part) return score;
  if (transformation.kind === 'bars') return keepBars(score, partId, transformation.bars);
  if (transformation.kind === 'tapping') return asRhythm(score, partId);
  const notes = handNotes(part, score.ticksPerQuarter);
  const changes = noteChanges(transformation, { notes, part, ticksPerQuarter: score.ticksPerQuarter });
  return applyChanges(score, partId, changes);
}

/** Signs by the bar rule where notes were left out or moved, and no slur without its other end. Bars that are as they were keep what they have. */
function tidy(before: Score, after: Score, { partId, courtesy }: StageFrame): Score {
  const part = partIn(after, partId);
  if (!part) return after;
  const slurred = withoutBrokenSlurs(part);
  const old = new Set(partIn(before, partId)?.measures.map(({ items }) => items));
  const isTouched = slurred.measures.map(({ items }) => !old.has(items));
  const drawn = drawAccidentals(slurred, courtesy);
  const measures = slurred.measures.map((measure, i) =>
    isTouched[i] || isTouched[i - 1] ? (drawn.measures[i] ?? measure) : measure,
  );
  const parts = after.parts.map((one) => (one.id === partId ? { ...slurred, measures } : one));
  return { ...after, parts };
}
