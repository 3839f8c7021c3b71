'use client';

import { fifteenKeys, namePrint, nameText } from '@/core/pitch';
import { ask } from './fit-address';

/** The fifteen tonics of major, from the flats to the sharps. A piece in minor is asked on the same tonics. */
const TONICS = fifteenKeys('major').map(({ tonic }) => ({ text: nameText(tonic), words: namePrint(tonic) }));

interface KeysAskedProps {
  readonly tonics: readonly string[];
  readonly enough: 'every' | 'one';
}

/** In which keys the shelf is asked: each piece in its own, or all in some. */
export function KeysAsked({ tonics, enough }: KeysAskedProps) {
  const toggle = (text: string): void =>
    ask({ tonics: tonics.includes(text) ? tonics.filter((other) => other !== text) : [...tonics, text] });
  return (
    <fieldset>
      <legend className="mb-1 font-serif font-semibold">
        {tonics.length === 0 ? 'Pieces as they stand, each in its own key' : 'Pieces moved to'}
      </legend>
      <div className="flex flex-wrap gap-1">
        {TONICS.map(({ text, words }) => (
          <button
            key={text}
            type="button"
            aria-pressed={tonics.includes(text)}
            data-tonic={text}
            className="btn btn-sm h-9 w-11 px-0 font-normal aria-pressed:bg-primary aria-pressed:text-primary-content"
            onClick={() => toggle(text)}
          >
            {words}
          </button>
        ))}
      </div>
      {tonics.length > 1 ? (
        <label className="mt-2 flex items-center gap-2 text-sm">
          it is so in
          <select
            className="select select-sm h-9 w-44"
            data-role="enough"
            value={enough}
            onChange={(event) => ask({ enough: event.target.value === 'every' ? 'every' : 'one' })}
          >
            <option value="one">one of them at least</option>
            <option value="every">every one of them</option>
          </select>
        </label>
      ) : null}
      <p className="mt-1 text-xs text-secondary">
        {tonics.length === 0
          ? 'Choose tonics to ask what becomes of the pieces there.'
          : 'A piece in minor is asked in minor on the same tonic.'}
      </p>
    </fieldset>
  );
}
