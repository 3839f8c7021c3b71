'use client';

import { useEffect, useMemo, useState } from 'react';
import { askShelf, countEach, type FitQuestion } from '@/core/survey';
import { choosePupil } from '@/features/shared/pupils/choose-pupil';
import { useForWhom, type ForWhom } from '@/features/shared/pupils/for-whom';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { usePlayerOf } from '@/features/shared/pieces/piece-options';
import { ANY_HAND, PupilSelect } from '@/features/shared/pupils/pupil-select';
import { filterChoices, FilterList } from './filter-list';
import { FittingList } from './fitting-list';
import { ask, filterName, useFitAddress, type FitAddress } from './fit-address';
import { KeysAsked } from './keys-asked';
import { readAhead, type ReadAhead } from './ask-shelf';
import { useFits, type ShelfFits } from './use-fits';
import { useWords } from '@/features/shared/words/use-words';
import { ProgressBar } from '@/features/shared/parts/progress-bar';

/** The whole shelf asked at once: what fits this pupil, and in which key. */
export function FitScreen() {
  const w = useWords();
  const address = useFitAddress();
  const whom = useForWhom(address.pupil);
  const [ahead, setAhead] = useState<ReadAhead | null>(null);
  useEffect(() => {
    // What is kept is read while settings and pupils are.
    Promise.resolve().then(() => setAhead(readAhead()));
  }, []);
  if (!whom || !ahead) return <p className="p-8">{w.shared.openingShelf}</p>;
  return <FitFor address={address} whom={whom} ahead={ahead} />;
}

interface FitForProps {
  readonly address: FitAddress;
  readonly whom: ForWhom;
  readonly ahead: ReadAhead;
}

function FitFor({ address, whom, ahead }: FitForProps) {
  const w = useWords();
  const { settings, pupils, pupil } = whom;
  const player = usePlayerOf(settings, pupil);
  const shelf = useFits(player, ahead);
  const { fits, state } = shelf;
  const question: FitQuestion = useMemo(
    () => ({ tonics: address.tonics, enough: address.enough, filters: address.ask }),
    [address],
  );
  const fitting = useMemo(() => askShelf(fits, question), [fits, question]);
  const choices = useMemo(() => filterChoices(w, address.ask, fits, pupil), [w, address.ask, fits, pupil]);
  const counts = useMemo(() => {
    // The count beside a filter is what would be left with it, whether it is chosen already or not.
    const others = choices.map(({ filter }) => address.ask.filter((one) => one.kind !== filter.kind));
    return choices.map(({ filter }, i) => countEach(fits, { ...question, filters: others[i] ?? [] }, [filter])[0] ?? 0);
  }, [choices, fits, question, address.ask]);
  const shortcuts = useMemo(
    () =>
      choices.map(({ filter, words }, i) => ({
        key: String(i + 1),
        does: w.fit.askFor(words),
        act: () =>
          ask({
            ask: address.ask.some(({ kind }) => kind === filter.kind)
              ? address.ask.filter(({ kind }) => kind !== filter.kind)
              : [...address.ask, filter],
          }),
      })),
    [w, choices, address.ask],
  );
  return (
    <div
      className="mx-auto max-w-7xl px-4 py-4"
      data-role="fit"
      data-state={state}
      data-known={fits.length}
      data-pupil={pupil?.id ?? ANY_HAND}
    >
      <ScreenKeys keys={shortcuts} />
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="text-2xl font-semibold">{w.shared.whatFits}</h1>
        <PupilSelect pupils={pupils} chosen={pupil} settings={settings} onChoose={choosePupil} />
        <Progress shelf={shelf} />
      </div>
      <div className="grid items-start gap-4 lg:grid-cols-[24rem_1fr]">
        <section
          aria-label={w.fit.whatIsAsked}
          className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4 lg:sticky lg:top-16"
        >
          <KeysAsked tonics={address.tonics} enough={address.enough} />
          <FilterList choices={choices} counts={counts} chosen={address.ask} />
          {address.ask.length > 0 || address.tonics.length > 0 ? (
            <button
              type="button"
              className="btn btn-ghost btn-sm h-9 self-start font-normal"
              onClick={() => ask({ ask: [], tonics: [], enough: 'one' })}
            >
              {w.fit.askForNothing}
            </button>
          ) : null}
        </section>
        <FittingList
          key={`${address.tonics.join()}/${address.ask.map(filterName).join()}`}
          fitting={fitting}
          pupil={pupil}
          known={fits.length}
          isDone={state === 'done'}
        />
      </div>
    </div>
  );
}

/** How far the shelf is known; the work can be ended, and gone on with. */
function Progress({ shelf }: { readonly shelf: ShelfFits }) {
  const w = useWords();
  const { fits, pieces, state, unreadable, stop, goOn } = shelf;
  return (
    <span className="ml-auto flex items-center gap-3 text-sm" role="status" data-role="fit-progress">
      {state === 'working' && fits.length < pieces ? (
        <>
          <ProgressBar done={fits.length} of={Math.max(1, pieces)} words={w.fit.piecesThatAreKnown} />
          {w.fit.ofPieces(fits.length, pieces)}
          <button type="button" className="btn btn-sm h-9 font-normal" onClick={stop}>
            {w.shared.stop}
          </button>
        </>
      ) : null}
      {state === 'stopped' ? (
        <>
          {w.fit.stoppedAtOfPieces(fits.length, pieces)}
          <button type="button" className="btn btn-sm h-9 font-normal" onClick={goOn}>
            {w.shared.goOn}
          </button>
        </>
      ) : null}
      {state === 'done' ? w.fit.piecesAsked(fits.length) : null}
      {unreadable.length > 0 ? (
        <span className="text-secondary">{w.fit.noNotesCouldBeRead(unreadable.slice(0, 3).join(', '))}</span>
      ) : null}
    </span>
  );
}
