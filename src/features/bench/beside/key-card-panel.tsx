'use client';

import type { ReactNode } from 'react';
import { keyCard, numeralOf, chordOf } from '@/core/reference';
import { midiNumber, type Key, type Pitch } from '@/core/pitch';
import { HandsGlyph } from '@/features/shared/music/hand-glyph';
import { hearChords } from '@/features/shared/sound/hear-chords';
import { useWords } from '@/features/shared/words/use-words';

/** What a pupil should know of the key before playing in it: signature, black keys and fingers, triad, chords, and what to play first. */
export function KeyCardPanel({ shown }: { readonly shown: Key }) {
  const w = useWords();
  const card = keyCard(shown);
  const names = (pitches: readonly Pitch[]): string => pitches.map(w.says.place).join(' ');
  const signs = w.says.signatureWords(card.signs, shown);
  return (
    <section aria-label={w.shared.keyCardOf(w.says.key(shown))} className="flex flex-col gap-3" data-role="key-card">
      <div className="flex items-center justify-between">
        <h2 className="text-lg font-semibold">{w.says.key(shown)}</h2>
        <HandsGlyph right={card.black.right} left={card.black.left} size={34} />
      </div>
      <dl className="grid grid-cols-[7.5rem_1fr] gap-y-1 text-sm">
        <Row term={w.notes.signature}>{signs}</Row>
        <Row term={w.notes.fiveFingers}>
          {names(card.pattern)}
          <span className="block text-secondary">
            {card.black.right.length === 0
              ? w.shared.noFingerOnBlack
              : w.notes.onBlackRightLeft(card.black.right.join(', '), card.black.left.toReversed().join(', '))}
          </span>
        </Row>
        <Row term={w.notes.tonicTriad}>
          {names(card.triad)}
          <span className="block text-secondary">{w.notes.right135Left}</span>
        </Row>
        {card.relative ? <Row term={w.notes.relative}>{w.says.key(card.relative)}</Row> : null}
        <Row term={w.notes.parallel}>{w.says.key(card.parallel)}</Row>
      </dl>
      <div>
        <h3 className="mb-1 text-sm font-semibold">{w.notes.primaryChordsLeftHand}</h3>
        <ul className="text-sm">
          {card.primary.map((chord) => {
            const named = chordOf(chord.pitches, shown);
            const numeral = named ? numeralOf(named) : '';
            const label =
              numeral === '' ? w.notes.chordIn(w.says.key(shown)) : w.notes.numeralIn(numeral, w.says.key(shown));
            return (
              <li key={chord.degree} className="flex min-h-8 items-center gap-2">
                <span className="w-8 font-semibold">{numeral}</span>
                <span className="w-24">{names(chord.pitches)}</span>
                <span className="text-secondary">{chord.left.join('-')}</span>
                <Hear label={label} chords={[chord.pitches]} />
              </li>
            );
          })}
        </ul>
      </div>
      <div>
        <h3 className="mb-1 text-sm font-semibold">{w.notes.beforeYouStart}</h3>
        <ol className="text-sm">
          <Step chords={[...card.pattern, ...card.pattern.slice(0, -1).toReversed()].map((pitch) => [pitch])}>
            {w.notes.fiveFingersUpAndDown}
          </Step>
          <Step chords={[...card.triad, ...card.triad.slice(0, -1).toReversed()].map((pitch) => [pitch])}>
            {w.notes.triadBrokenRight13}
          </Step>
          <Step chords={[card.triad, card.triad]}>{w.notes.triadBlockedTwiceHandIn(card.black.right.length)}</Step>
        </ol>
      </div>
    </section>
  );
}

function Row({ term, children }: { readonly term: string; readonly children: ReactNode }) {
  return (
    <>
      <dt className="text-secondary">{term}</dt>
      <dd>{children}</dd>
    </>
  );
}

function Step({ chords, children }: { readonly chords: readonly (readonly Pitch[])[]; readonly children: ReactNode }) {
  const w = useWords();
  return (
    <li className="flex items-center gap-2 py-0.5">
      <span className="flex-1">{children}</span>
      <Hear label={w.notes.thisPattern} chords={chords} />
    </li>
  );
}

/** How long each sound of a pattern is. Unit: s. */
const STEP_S = 0.5;

function Hear({ label, chords }: { readonly label: string; readonly chords: readonly (readonly Pitch[])[] }) {
  const w = useWords();
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm ml-auto h-8 px-2 font-normal"
      aria-label={w.shared.hear(label)}
      onClick={() =>
        void hearChords(
          chords.map((chord) => chord.map(midiNumber)),
          STEP_S,
        )
      }
    >
      {w.notes.hearWord}
    </button>
  );
}
