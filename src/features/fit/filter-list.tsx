'use client';

import type { FitFilter, PieceFit } from '@/core/survey';
import type { Finger } from '@/core/score';
import { namePrint, parseKey } from '@/core/pitch';
import type { PupilRecord } from '@/data';
import { ask, filterName } from './fit-address';
import { placeNamed } from './place-named';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { Checkbox } from '@/features/shared/parts/checkbox';

/** A filter as it would be asked now, in words; `details` are what else it could be about. */
export interface FilterChoice {
  readonly filter: FitFilter;
  readonly words: string;
  readonly details: readonly { readonly filter: FitFilter; readonly words: string }[];
}

const FINGERS: readonly Finger[] = [1, 2, 3, 4, 5];

/** The filters, each about what was last chosen for it. Positions are those that the shelf has; those a pupil does not know yet say so. */
export function filterChoices(
  w: Words,
  chosen: readonly FitFilter[],
  fits: readonly PieceFit[],
  pupil: PupilRecord | null,
): readonly FilterChoice[] {
  const finger = chosen.find((one) => one.kind === 'finger-on-black')?.finger ?? 4;
  const names = positionNames(fits);
  const known = new Set(
    (pupil?.keysKnown ?? []).flatMap((key) => parseKey(key, 'major') ?? []).map(({ tonic }) => namePrint(tonic)),
  );
  const isNew = (name: string): boolean => pupil !== null && !known.has(name);
  const position =
    chosen.find((one) => one.kind === 'in-position')?.name ?? easiestOf(names.filter(isNew)) ?? names[0] ?? 'D';
  const positionWords = (name: string): string =>
    pupil && isNew(name) ? w.fit.positionNewFor(placeNamed(w, name), pupil.name) : w.fit.position(placeNamed(w, name));
  return [
    { filter: { kind: 'stays-put' }, words: w.fit.bothHandsStayPut, details: [] },
    { filter: { kind: 'no-black' }, words: w.fit.noFingerOnBlackKey, details: [] },
    {
      filter: { kind: 'finger-on-black', finger },
      words: w.fit.fingerComesToBlackKey(finger),
      details: FINGERS.map((one) => ({
        filter: { kind: 'finger-on-black', finger: one },
        words: w.fit.finger(one),
      })),
    },
    { filter: { kind: 'opens' }, words: w.fit.handOpensToSixNotes, details: [] },
    {
      filter: { kind: 'in-position', name: position },
      words: w.fit.handSitsInPosition(placeNamed(w, position)),
      details: names.map((name) => ({ filter: { kind: 'in-position', name }, words: positionWords(name) })),
    },
    {
      filter: { kind: 'playable' },
      words: pupil ? w.fit.canPlayItByLevel(pupil.name) : w.fit.playableByLevelAndReach,
      details: [],
    },
  ];
}

/** Positions by how few fingers lie on black keys in them, then by which. Source: handbook, five-finger patterns (common practice). */
const BY_EASE = ['C', 'G', 'D', 'A', 'F', 'E', 'B♭', 'B', 'E♭', 'A♭', 'D♭', 'G♭'];

function easiestOf(names: readonly string[]): string | undefined {
  return BY_EASE.find((name) => names.includes(name)) ?? names[0];
}

const LETTERS = 'CDEFGAB';

function positionNames(fits: readonly PieceFit[]): readonly string[] {
  const found = new Set(
    fits.flatMap(({ keys }) => keys.flatMap(({ hands }) => hands.flatMap(({ positions }) => positions))),
  );
  return [...found].toSorted(
    (a, b) => LETTERS.indexOf(a.charAt(0)) - LETTERS.indexOf(b.charAt(0)) || a.length - b.length || a.localeCompare(b),
  );
}

interface FilterListProps {
  readonly choices: readonly FilterChoice[];
  readonly counts: readonly number[];
  readonly chosen: readonly FitFilter[];
}

/** What can be asked, in plain words, with how many pieces would be left. */
export function FilterList({ choices, counts, chosen }: FilterListProps) {
  const w = useWords();
  const set = (filter: FitFilter, isOn: boolean): void =>
    ask({ ask: [...chosen.filter(({ kind }) => kind !== filter.kind), ...(isOn ? [filter] : [])] });
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="mb-1 font-serif font-semibold">{w.fit.thatAreLikeThis}</legend>
      {choices.map(({ filter, words, details }, i) => {
        const isOn = chosen.some(({ kind }) => kind === filter.kind);
        return (
          <div key={filter.kind}>
            <label className="flex min-h-9 cursor-pointer items-center gap-2">
              <Checkbox
                data-filter={filter.kind}
                checked={isOn}
                onChange={(event) => set(filter, event.target.checked)}
              />
              <span className="flex-1">{words}</span>
              <kbd className="kbd kbd-sm">{i + 1}</kbd>
              <span className="w-10 text-right font-semibold" data-count={filter.kind}>
                {counts[i]}
              </span>
            </label>
            {details.length > 0 ? (
              <select
                className="select select-sm mb-1 ml-7 h-9 w-64"
                aria-label={`${filter.kind === 'in-position' ? w.fit.whichPosition : w.fit.whichFinger}`}
                data-detail={filter.kind}
                value={filterName(filter)}
                onChange={(event) => set(details[event.target.selectedIndex]?.filter ?? filter, true)}
              >
                {details.map((detail) => (
                  <option key={filterName(detail.filter)} value={filterName(detail.filter)}>
                    {detail.words}
                  </option>
                ))}
              </select>
            ) : null}
          </div>
        );
      })}
    </fieldset>
  );
}
