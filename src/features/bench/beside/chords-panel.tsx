'use client';

import { useMemo } from 'react';
import type { FingeredKeys } from '@/core/views';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { coreWorker } from '@/workers/client';
import type { BenchAnswers } from '../use-bench';
import { useWords } from '@/features/shared/words/use-words';

interface ChordsPanelProps {
  readonly answers: Pick<BenchAnswers, 'source' | 'options'>;
  readonly subject: string;
  readonly onNote: (id: string) => void;
}

/** The chords that the piece uses, hand by hand: so many shapes, and the way from one to the next. */
export function ChordsPanel({ answers, subject, onNote }: ChordsPanelProps) {
  const w = useWords();
  const { source, options } = answers;
  const ask = useMemo(() => () => coreWorker().chords(source, options), [source, options]);
  const chords = useAnswer(subject, ask).value;
  if (!chords) return <div className="skeleton h-24" aria-hidden />;
  if (chords.shapes.length === 0) return <p data-role="chords">{w.notes.neitherHandPlaysChordBlocked}</p>;
  return (
    <section aria-label={w.notes.chordsThisPieceUses} className="flex flex-col gap-3" data-role="chords">
      {(['right', 'left'] as const).map((hand) => {
        const shapes = chords.shapes.filter((shape) => shape.hand === hand);
        const changes = chords.changes.filter((change) => change.hand === hand);
        if (shapes.length === 0) return null;
        return (
          <div key={hand}>
            <h3 className="mb-1 text-sm font-semibold">{w.notes.shapesOfHand(hand, shapes.length)}</h3>
            <ul className="flex flex-col gap-1.5">
              {shapes.map((shape) => (
                <li key={`${shape.texture}${shape.noteIds[0]}`}>
                  <button
                    type="button"
                    className="w-full cursor-pointer rounded-field border border-base-300 bg-base-100 px-2.5 py-1.5 text-left text-sm hover:border-primary"
                    onClick={() => onNote(shape.noteIds[0] ?? '')}
                  >
                    <span className="font-semibold">{shape.words}</span>
                    <span className="block">
                      {keysText(shape.before)} → {keysText(shape.after)}
                    </span>
                    <span className="block text-xs text-secondary">
                      {`${w.notes.textures[shape.texture]}, ${w.says.barsText(shape.bars)}`}
                    </span>
                  </button>
                </li>
              ))}
            </ul>
            {changes.length > 0 ? (
              <dl className="mt-2 text-sm">
                {changes.map((change) => (
                  <div key={`${change.from}${change.to}${change.words}`} className="mb-1">
                    <dt className="text-xs text-secondary">
                      {w.notes.chordChange(
                        change.from.split(',')[0] ?? '',
                        change.to.split(',')[0] ?? '',
                        w.says.barsText(change.bars),
                      )}
                    </dt>
                    <dd>{change.words}.</dd>
                  </div>
                ))}
              </dl>
            ) : null}
          </div>
        );
      })}
    </section>
  );
}

function keysText({ keys, fingers }: FingeredKeys): string {
  const known = fingers.every((finger) => finger !== null);
  return `${keys.join(' ')}${known ? ` (${fingers.join('-')})` : ''}`;
}
