'use client';

import type { ReactNode } from 'react';
import { keyCard, numeralOf, chordOf } from '@/core/reference';
import { keyPrint, midiNumber, namePrint, type Key, type Pitch } from '@/core/pitch';
import { HandsGlyph } from '@/features/shared/hand-glyph';
import { hearChords } from '@/features/shared/sound/hear-chords';

/** What a pupil should know of the key before playing in it: signature, black keys and fingers, triad, chords, and what to play first. */
export function KeyCardPanel({ shown }: { readonly shown: Key }) {
  const card = keyCard(shown);
  const names = (pitches: readonly Pitch[]): string => pitches.map(namePrint).join(' ');
  const signs =
    card.signs.length === 0
      ? 'no sharps or flats'
      : `${card.signs.length} ${card.signs[0]?.alter === 1 ? 'sharp' : 'flat'}${card.signs.length === 1 ? '' : 's'}: ${card.signs.map(namePrint).join(' ')}`;
  return (
    <section aria-label={`Key card of ${keyPrint(shown)}`} className="flex flex-col gap-3" data-role="key-card">
      <div className="flex items-center justify-between">
        <h2 className="text-lg font-semibold">{keyPrint(shown)}</h2>
        <HandsGlyph right={card.black.right} left={card.black.left} size={34} />
      </div>
      <dl className="grid grid-cols-[7.5rem_1fr] gap-y-1 text-sm">
        <Row term="Signature">{signs}</Row>
        <Row term="Five fingers">
          {names(card.pattern)}
          <span className="block text-secondary">
            {card.black.right.length === 0
              ? 'no finger on black'
              : `on black: right ${card.black.right.join(', ')}; left ${card.black.left.toReversed().join(', ')}`}
          </span>
        </Row>
        <Row term="Tonic triad">
          {names(card.triad)}
          <span className="block text-secondary">right 1-3-5, left 5-3-1</span>
        </Row>
        {card.relative ? <Row term="Relative">{keyPrint(card.relative)}</Row> : null}
        <Row term="Parallel">{keyPrint(card.parallel)}</Row>
      </dl>
      <div>
        <h3 className="mb-1 text-sm font-semibold">Primary chords, left hand</h3>
        <ul className="text-sm">
          {card.primary.map((chord) => {
            const named = chordOf(chord.pitches, shown);
            return (
              <li key={chord.degree} className="flex min-h-8 items-center gap-2">
                <span className="w-8 font-semibold">{named ? numeralOf(named) : ''}</span>
                <span className="w-24">{names(chord.pitches)}</span>
                <span className="text-secondary">{chord.left.join('-')}</span>
                <Hear label={`${named ? numeralOf(named) : 'chord'} in ${keyPrint(shown)}`} chords={[chord.pitches]} />
              </li>
            );
          })}
        </ul>
      </div>
      <div>
        <h3 className="mb-1 text-sm font-semibold">Before you start</h3>
        <ol className="text-sm">
          <Step chords={[...card.pattern, ...card.pattern.slice(0, -1).toReversed()].map((pitch) => [pitch])}>
            Five fingers up and down, each hand alone, then both: right 1 to 5, left 5 to 1.
          </Step>
          <Step chords={[...card.triad, ...card.triad.slice(0, -1).toReversed()].map((pitch) => [pitch])}>
            The triad broken: right 1 3 5 3 1, left 5 3 1 3 5.
          </Step>
          <Step chords={[card.triad, card.triad]}>
            The triad blocked, twice, the hand in towards the fallboard
            {card.black.right.length > 0 ? '' : ' only as far as it likes'}.
          </Step>
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
  return (
    <li className="flex items-center gap-2 py-0.5">
      <span className="flex-1">{children}</span>
      <Hear label="this pattern" chords={chords} />
    </li>
  );
}

/** How long each sound of a pattern is. Unit: s. */
const STEP_S = 0.5;

function Hear({ label, chords }: { readonly label: string; readonly chords: readonly (readonly Pitch[])[] }) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm ml-auto h-8 px-2 font-normal"
      aria-label={`Hear ${label}`}
      onClick={() =>
        void hearChords(
          chords.map((chord) => chord.map(midiNumber)),
          STEP_S,
        )
      }
    >
      hear
    </button>
  );
}
