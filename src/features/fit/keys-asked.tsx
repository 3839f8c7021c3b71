'use client';

import { fifteenKeys, nameText } from '@/core/pitch';
import { ask } from './fit-address';
import { useWords } from '@/features/shared/words/use-words';

/** The fifteen tonics of major, from the flats to the sharps. A piece in minor is asked on the same tonics. */
const TONICS = fifteenKeys('major').map(({ tonic }) => ({ text: nameText(tonic), tonic }));

interface KeysAskedProps {
  readonly tonics: readonly string[];
  readonly enough: 'every' | 'one';
}

/** In which keys the shelf is asked: each piece in its own, or all in some. */
export function KeysAsked({ tonics, enough }: KeysAskedProps) {
  const w = useWords();
  const toggle = (text: string): void =>
    ask({ tonics: tonics.includes(text) ? tonics.filter((other) => other !== text) : [...tonics, text] });
  return (
    <fieldset>
      <legend className="mb-1 font-serif font-semibold">
        {tonics.length === 0 ? w.fit.piecesAsTheyStandEach : w.fit.piecesMovedTo}
      </legend>
      <div className="flex flex-wrap gap-1">
        {TONICS.map(({ text, tonic }) => (
          <button
            key={text}
            type="button"
            aria-pressed={tonics.includes(text)}
            data-tonic={text}
            className="btn btn-sm h-9 w-11 px-0 font-normal aria-pressed:bg-primary aria-pressed:text-primary-content"
            onClick={() => toggle(text)}
          >
            {w.says.place(tonic)}
          </button>
        ))}
      </div>
      {tonics.length > 1 ? (
        <label className="mt-2 flex items-center gap-2 text-sm">
          {w.fit.itIsSoIn}
          <select
            className="select select-sm h-9 w-44"
            data-role="enough"
            value={enough}
            onChange={(event) => ask({ enough: event.target.value === 'every' ? 'every' : 'one' })}
          >
            <option value="one">{w.fit.oneOfThemAtLeast}</option>
            <option value="every">{w.fit.everyOneOfThem}</option>
          </select>
        </label>
      ) : null}
      <p className="mt-1 text-xs text-secondary">
        {tonics.length === 0 ? w.fit.chooseTonicsToAskWhat : w.fit.pieceInMinorIsAsked}
      </p>
    </fieldset>
  );
}
