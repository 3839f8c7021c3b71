'use client';

import { memo, useState } from 'react';
import { parsePitch, midiNumber } from '@/core/pitch';
import type { EntryView } from '@/core/views';
import { useMessages } from '@/features/shared/messages';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { GRIDS, type GridChosen, type Piano } from './use-piano';

interface PianoToolsProps {
  readonly view: EntryView;
  readonly piano: Piano;
}

/** Entering by piano keys: which keyboard, step by step or played in time. */
export const PianoTools = memo(function PianoTools({ view, piano }: PianoToolsProps) {
  const [perMinute, setPerMinute] = useState(72);
  const [grid, setGrid] = useState<GridChosen>(2);
  return (
    <div
      className="mx-4 mb-2 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-box border border-base-300 bg-base-100 px-3 py-2 text-sm"
      data-role="piano-tools"
    >
      <label className="flex items-center gap-2">
        Keyboard
        <select
          className="select select-sm h-9 w-64"
          data-role="device"
          value={piano.device}
          onChange={(event) => piano.choose(event.target.value as Piano['device'])}
        >
          <option value="screen">On the screen, and the computer’s keys</option>
          <option value="midi">MIDI keyboard</option>
          <option value="simulated">One that plays by itself, to try it</option>
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
          {piano.state === 'idle' ? 'Play in time' : 'Stop and enter it'}
        </button>
        <label className="flex items-center gap-1">
          at
          <input
            type="number"
            min={30}
            max={200}
            className="input input-sm h-9 w-20"
            aria-label="Quarters a minute"
            value={perMinute}
            onChange={(event) => setPerMinute(Math.min(200, Math.max(30, Number(event.target.value) || 72)))}
          />
        </label>
        <label className="flex items-center gap-1">
          in
          <select
            className="select select-sm h-9 w-40"
            aria-label="Shortest notes"
            value={grid}
            onChange={(event) => setGrid(Number(event.target.value) as GridChosen)}
          >
            {GRIDS.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        </label>
      </span>
      <span className="font-semibold" role="status" data-role="playing">
        {piano.state === 'counting'
          ? 'One bar to listen to …'
          : piano.state === 'playing'
            ? 'Play now'
            : 'Step by step: what is struck together is a chord.'}
      </span>
    </div>
  );
});

function LowestKey({ piano }: { readonly piano: Piano }) {
  return (
    <label className="flex items-center gap-2">
      <kbd className="kbd kbd-sm">A</kbd> is
      <select
        className="select select-sm h-9 w-20"
        value={piano.lowest}
        onChange={(event) => piano.setLowest(Number(event.target.value))}
      >
        {[36, 48, 60, 72].map((midi) => (
          <option key={midi} value={midi}>
            C{midi / 12 - 1}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What the keyboard that plays by itself is to play. */
function Simulated({ piano, perMinute }: { readonly piano: Piano; readonly perMinute: number }) {
  const { say } = useMessages();
  const [text, setText] = useState('C4 E4 G4 C4+E4+G4');
  const [isPlaying, setPlaying] = useState(false);
  const play = (): void => {
    const chords = text
      .trim()
      .split(/\s+/)
      .map((chord) => chord.split('+').map((name) => parsePitch(name)));
    if (chords.flat().some((pitch) => pitch === undefined)) {
      say({
        kind: 'trouble',
        text: 'That keyboard plays names of keys only.',
        hint: 'Write them like “C4 F#4 Bb3”, together with a plus between: “C4+E4+G4”.',
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
        aria-label="What it plays"
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
        Let it play
      </button>
    </span>
  );
}
