'use client';

import { memo, useState } from 'react';
import { typedAsLetters } from '@/core/explain';
import { parsePitch, midiNumber } from '@/core/pitch';
import type { EntryView } from '@/core/views';
import { useMessages } from '@/features/shared/shell/messages';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { GRIDS, type GridChosen, type Piano } from './use-piano';
import { useWords } from '@/features/shared/words/use-words';

interface PianoToolsProps {
  readonly view: EntryView;
  readonly piano: Piano;
}

/** Entering by piano keys: which keyboard, step by step or played in time. */
export const PianoTools = memo(function PianoTools({ view, piano }: PianoToolsProps) {
  const w = useWords();
  const [perMinute, setPerMinute] = useState(72);
  const [grid, setGrid] = useState<GridChosen>(2);
  return (
    <div
      className="mx-4 mb-2 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-box border border-base-300 bg-base-100 px-3 py-2 text-sm"
      data-role="piano-tools"
    >
      <label className="flex items-center gap-2">
        {w.shared.keyboard}
        <select
          className="select select-sm h-9 w-64"
          data-role="device"
          value={piano.device}
          onChange={(event) => piano.choose(event.target.value as Piano['device'])}
        >
          <option value="screen">{w.entry.onScreenAndComputersKeys}</option>
          <option value="midi">{w.shared.midiKeyboard}</option>
          <option value="simulated">{w.entry.oneThatPlaysByItself}</option>
        </select>
      </label>
      {piano.device === 'screen' ? <LowestKey piano={piano} /> : null}
      {piano.device === 'simulated' ? <Simulated piano={piano} perMinute={perMinute} /> : null}
      <span className="flex items-center gap-2">
        <button
          type="button"
          className={`btn btn-sm h-9 ${piano.state === 'idle' ? '' : 'btn-primary'}`}
          onClick={() =>
            piano.state === 'idle'
              ? piano.begin({
                  perMinute,
                  grid,
                  beats: view.inForce.meter.beats,
                  beatQuarters: 4 / view.inForce.meter.beatType,
                })
              : piano.end()
          }
        >
          {piano.state === 'idle' ? w.entry.playInTime : w.entry.stopAndEnterIt}
        </button>
        <label className="flex items-center gap-1">
          {w.entry.atTempo}
          <input
            type="number"
            min={30}
            max={200}
            className="input input-sm h-9 w-20"
            aria-label={w.entry.quartersMinute}
            value={perMinute}
            onChange={(event) => setPerMinute(Math.min(200, Math.max(30, Number(event.target.value) || 72)))}
          />
        </label>
        <label className="flex items-center gap-1">
          {w.entry.inNotes}
          <select
            className="select select-sm h-9 w-40"
            aria-label={w.entry.shortestNotes}
            value={grid}
            onChange={(event) => setGrid(Number(event.target.value) as GridChosen)}
          >
            {GRIDS.map((value) => (
              <option key={value} value={value}>
                {w.says.gridWords(value)}
              </option>
            ))}
          </select>
        </label>
      </span>
      <span className="font-semibold" role="status" data-role="playing">
        {piano.state === 'counting'
          ? w.entry.oneBarToListenTo
          : piano.state === 'playing'
            ? w.entry.playNow
            : w.entry.stepByStepWhatIs}
      </span>
    </div>
  );
});

function LowestKey({ piano }: { readonly piano: Piano }) {
  const w = useWords();
  return (
    <label className="flex items-center gap-2">
      <kbd className="kbd kbd-sm">A</kbd> {w.entry.lowestIs}
      <select
        className="select select-sm h-9 w-20"
        value={piano.lowest}
        onChange={(event) => piano.setLowest(Number(event.target.value))}
      >
        {[36, 48, 60, 72].map((midi) => (
          <option key={midi} value={midi}>
            {w.says.pitch({ step: 0, alter: 0, octave: midi / 12 - 1 })}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What the keyboard that plays by itself is to play. */
function Simulated({ piano, perMinute }: { readonly piano: Piano; readonly perMinute: number }) {
  const w = useWords();
  const { say } = useMessages();
  const [text, setText] = useState('C4 E4 G4 C4+E4+G4');
  const [isPlaying, setPlaying] = useState(false);
  const play = (): void => {
    const chords = text
      .trim()
      .split(/\s+/)
      .map((chord) => chord.split('+').map((name) => parsePitch(typedAsLetters(name, w.wording.names))));
    if (chords.flat().some((pitch) => pitch === undefined)) {
      say({
        kind: 'trouble',
        text: w.entry.thatKeyboardPlaysNamesOf,
        hint: w.entry.writeThemLikeC4F,
      });
      return;
    }
    void pianoSounder().then((sounder) => sounder.ready());
    setPlaying(true);
    void piano
      .playByItself(
        chords.map((chord) => chord.flatMap((pitch) => (pitch ? [midiNumber(pitch)] : []))),
        60_000 / perMinute,
      )
      .finally(() => setPlaying(false));
  };
  return (
    <span className="flex items-center gap-2">
      <input
        className="input input-sm h-9 w-56"
        aria-label={w.entry.whatItPlays}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && !isPlaying && play()}
      />
      <button
        type="button"
        className="btn btn-sm h-9"
        aria-disabled={isPlaying}
        data-playing={isPlaying}
        data-role="let-it-play"
        onClick={isPlaying ? undefined : play}
      >
        {w.entry.letItPlay}
      </button>
    </span>
  );
}
