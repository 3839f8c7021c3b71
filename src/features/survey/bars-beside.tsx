'use client';

import { Fragment, useMemo, useState } from 'react';
import type { BarInKeys, HandInBarShown } from '@/core/views';
import type { PieceOptions } from '@/features/shared/pieces/piece-options';
import { HandsGlyph } from '@/features/shared/music/hand-glyph';
import { useAnswer, type Answered } from '@/features/shared/parts/use-answer';
import { coreWorker } from '@/workers/client';
import type { RankedKey } from './ranked';
import { shortKey } from './short-key';
import { useWords } from '@/features/shared/words/use-words';
import { Checkbox } from '@/features/shared/parts/checkbox';

interface BarsBesideProps {
  readonly source: PieceOptions['source'];
  readonly options: PieceOptions['options'];
  readonly keys: readonly RankedKey[];
  readonly chosen: readonly string[];
  readonly onToggle: (name: string) => void;
}

/** So many keys can be read beside each other. */
const MOST_KEYS = 3;

/** Two or three keys side by side, bar by bar, with what is not so in all of them marked. */
export function BarsBeside({ source, options, keys, chosen, onToggle }: BarsBesideProps) {
  const w = useWords();
  const [isShort, setShort] = useState(false);
  // Where nothing was chosen, the piece's own key and the easiest other one.
  const usual = [...keys.filter(({ isOwn }) => isOwn), ...keys.filter(({ isOwn }) => !isOwn)]
    .slice(0, 2)
    .map(({ name }) => name);
  const names = chosen.length >= 2 ? chosen.slice(0, MOST_KEYS) : [...new Set([...chosen, ...usual])].slice(0, 2);
  const said = names.join();
  const { value, trouble } = useBeside(source, options, said);
  const shown = (value ?? []).filter(({ differs }) => differs || !isShort);
  const columns = names.flatMap((name) => keys.find((key) => key.name === name) ?? []);
  return (
    <section aria-label={w.survey.keysBarByBar} data-role="bars">
      <div className="mb-2 flex flex-wrap items-center gap-4 text-sm">
        <span>
          {chosen.length < 2
            ? w.survey.chooseTwoOrThreeKeys
            : chosen.length > MOST_KEYS
              ? w.survey.firstOfKeysYouChose(MOST_KEYS)
              : w.survey.differencesMarked}
        </span>
        <KeyPicker keys={keys} chosen={chosen} onToggle={onToggle} />
        <label className="flex min-h-9 cursor-pointer items-center gap-2">
          <Checkbox data-role="only-different" checked={isShort} onChange={(event) => setShort(event.target.checked)} />{' '}
          {w.survey.onlyBarsThatDiffer}
        </label>
      </div>
      {trouble ? (
        <p role="alert" className="text-error">
          {trouble.message} {trouble.hint}
        </p>
      ) : null}
      <div
        className="overflow-x-auto rounded-box border border-base-300 bg-base-100"
        tabIndex={0}
        role="region"
        aria-label={w.survey.barByBar}
      >
        <table className="w-full min-w-160 table-fixed border-collapse text-left text-sm">
          <thead>
            <tr>
              <th scope="col" className="w-24 px-3 py-2">
                {w.survey.bar}
              </th>
              {columns.map(({ name, words, blackFingers }) => (
                <th key={name} scope="col" className="px-3 py-2" data-column={name}>
                  <span className="flex items-center gap-3 font-serif text-base">
                    <HandsGlyph right={blackFingers.right} left={blackFingers.left} size={30} /> {words}
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map(({ bar, cells, differs }) => (
              <tr key={bar} className="border-t border-base-300 align-top" data-differs={differs}>
                <th scope="row" className="px-3 py-1.5 font-normal">
                  {bar}
                </th>
                {cells.map((cell, i) => (
                  <td key={names[i]} className="px-3 py-1.5">
                    {cell.map((hand) => (
                      <HandCell key={hand.hand} shown={hand} />
                    ))}
                  </td>
                ))}
              </tr>
            ))}
            {value && shown.length === 0 ? (
              <tr>
                <td colSpan={columns.length + 1} className="border-t border-base-300 px-3 py-3">
                  {w.survey.theseKeysDoNotDiffer}
                </td>
              </tr>
            ) : null}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** Asks for keys side by side; `said` has their names with commas between. */
function useBeside(
  source: PieceOptions['source'],
  options: PieceOptions['options'],
  said: string,
): Answered<readonly BarInKeys[]> {
  const ask = useMemo(() => {
    const wanted = said.split(',').filter(Boolean);
    return wanted.length < 2 ? null : () => coreWorker().sideBySide(source, options, wanted);
  }, [source, options, said]);
  return useAnswer(said, ask);
}

function HandCell({ shown }: { readonly shown: HandInBarShown }) {
  const w = useWords();
  const { hand, fingers, fingersDiffer, marks } = shown;
  return (
    <p>
      <span className="inline-block w-11 text-xs text-secondary">{w.shared.handNames[hand]}</span>
      <span className={`mr-3 ${fingersDiffer ? MARKED : 'text-secondary'}`}>{fingers}</span>
      {marks.map((mark, i) => (
        <Fragment key={mark.code}>
          <span className={mark.differs ? MARKED : 'text-secondary'} data-differs={mark.differs}>
            {mark.text}
          </span>
          {i < marks.length - 1 ? ' · ' : ''}
        </Fragment>
      ))}
    </p>
  );
}

const MARKED = 'font-bold underline decoration-2 underline-offset-2';

function KeyPicker({ keys, chosen, onToggle }: Pick<BarsBesideProps, 'keys' | 'chosen' | 'onToggle'>) {
  const w = useWords();
  return (
    <span className="flex flex-wrap gap-1" role="group" aria-label={w.survey.keysToCompare}>
      {keys.map(({ name }) => (
        <button
          key={name}
          type="button"
          aria-pressed={chosen.includes(name)}
          data-compare={name}
          className="btn btn-sm h-8 px-2 font-normal aria-pressed:bg-primary aria-pressed:text-primary-content"
          onClick={() => onToggle(name)}
        >
          {shortKey(w, name)}
        </button>
      ))}
    </span>
  );
}
