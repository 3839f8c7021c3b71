'use client';

import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useCallback, useMemo, useState } from 'react';
import { Columns3, Download, List, ListTree, Printer, SlidersHorizontal } from 'lucide-react';
import { parseKey, type Mode } from '@/core/pitch';
import type { PartnerKey } from '@/core/survey';
import { change, type PieceRecord, type PupilRecord, type Settings } from '@/data';
import { choosePupil } from '@/features/shared/pupils/choose-pupil';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { ownOrderOf, withOwnOrder } from '@/features/shared/pieces/own-order';
import type { SurveyKey, SurveyUnwritable } from '@/contract/core-questions';
import { usePieceOptions } from '@/features/shared/pieces/piece-options';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import { PupilSelect } from '@/features/shared/pupils/pupil-select';
import { saveFile } from '@/features/shared/files/save-file';
import { changeQuery } from '@/features/shared/address/use-query';
import { BarsBeside } from './bars-beside';
import { KeyList } from './key-list';
import { surveyCsv } from './numbers';
import { PartnerBox } from './partner-box';
import { PlanBox } from './plan-box';
import { ranked, type RankedKey } from './ranked';
import { chooseKeys, type Order, type OtherMode, type Show, type SurveyAddress } from './survey-address';
import { StagesByKey } from './stages-by-key';
import { useSurvey } from './use-survey';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { Checkbox } from '@/features/shared/parts/checkbox';

// Charts bring a large script along: it comes with the first of them.
const EffortPicture = dynamic(() => import('./effort-picture').then((part) => part.EffortPicture));

interface SurveyPieceProps {
  readonly piece: PieceRecord;
  readonly whom: ForWhom;
  readonly address: SurveyAddress;
}

const orderNames = (w: Words): readonly (readonly [Order, string])[] => [
  ['ease', w.shared.byEase],
  ['fifths', w.shared.byFifths],
  ['shape', w.shared.byTriadShape],
  ['own', w.survey.myOwnOrder],
];

const showNames = (w: Words): readonly (readonly [Show, string, typeof List])[] => [
  ['list', w.shared.keys, List],
  ['bars', w.survey.barByBar, Columns3],
  ['picture', w.survey.pictureAndNumbers, SlidersHorizontal],
  ['stages', w.stages.table, ListTree],
];

const modeNames = (w: Words): readonly (readonly [OtherMode, string])[] => [
  ['parallel', w.survey.parallelMode],
  ['dorian', w.says.modeName('dorian')],
  ['phrygian', w.says.modeName('phrygian')],
  ['lydian', w.says.modeName('lydian')],
  ['mixolydian', w.says.modeName('mixolydian')],
  ['locrian', w.says.modeName('locrian')],
];

/** The survey of one piece for one pupil. */
/** The keys of the survey: how the keys are ranked, and what is shown of them. */
const shortcuts = (w: Words) => [
  ...orderNames(w).map(([name, words], i) => ({
    key: String(i + 1),
    does: name === 'own' ? w.survey.putKeysIntoMyOwn : w.survey.putKeys(words),
    act: () => changeQuery({ order: name }, 'replace'),
  })),
  ...showNames(w).map(([name, words]) => ({
    key: { list: 'k', bars: 'b', picture: 'p', stages: 'l' }[name],
    does: w.survey.show(words.toLowerCase()),
    act: () => changeQuery({ show: name === 'list' ? null : name }, 'replace'),
  })),
];

/** The teacher's own order of keys for the mode of the piece, and what keeps another one. */
function useOwnOrder(
  kept: readonly string[],
  keys: readonly SurveyKey[],
): readonly [readonly string[], (tonics: readonly string[]) => void] {
  const w = useWords();
  const mode = useMemo(() => modeOf(keys), [keys]);
  const own = useMemo(() => ownOrderOf(kept, mode), [kept, mode]);
  const keep = (tonics: readonly string[]): void =>
    void change(
      { kind: 'settings.change', change: { ownOrder: [...withOwnOrder(kept, mode, tonics)] } },
      w.survey.ownOrderOfKeys(mode),
    );
  return [own, keep];
}

/** The mode in which the piece stands. */
function modeOf(keys: readonly SurveyKey[]): Mode {
  const own = keys.find(({ isOwn }) => isOwn);
  return (own && parseKey(own.name, 'major')?.mode) ?? 'major';
}

export function SurveyPiece({ piece, whom, address }: SurveyPieceProps) {
  const w = useWords();
  const { settings, pupils, pupil } = whom;
  const asked = usePieceOptions(piece, settings, pupil);
  const also = address.also.join();
  const modes = useMemo(() => ['own' as const, ...(also === '' ? [] : (also.split(',') as OtherMode[]))], [also]);
  const survey = useSurvey(asked, modes);
  const order = address.order ?? settings.keyOrder;
  const [ownOrder, setOwnOrder] = useOwnOrder(settings.ownOrder, survey.keys);
  const keys = useMemo(() => ranked(survey.keys, order, ownOrder), [survey.keys, order, ownOrder]);
  const [partners, setPartners] = useState<ReadonlyMap<string, PartnerKey> | null>(null);
  const own = keys.find(({ isOwn }) => isOwn);
  const chosen = address.keys.filter((name) => keys.some((key) => key.name === name));
  const toggle = useCallback(
    (name: string) =>
      chooseKeys(
        address.keys.includes(name) ? address.keys.filter((other) => other !== name) : [...address.keys, name],
      ),
    [address.keys],
  );
  return (
    <div
      className="mx-auto max-w-7xl px-4 py-4"
      data-role="survey"
      data-piece={piece.id}
      data-known={survey.keys.length + survey.unwritable.length}
      data-whole={survey.surveyed !== null}
    >
      <ScreenKeys keys={shortcuts(w)} />
      <SurveyHead {...{ piece, pupils, pupil, settings, keys }} isWhole={survey.surveyed !== null} />
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2 text-sm print:hidden">
        <span className="join max-w-full overflow-x-auto" role="group" aria-label={w.shared.whatIsShown}>
          {showNames(w).map(([name, words, Icon]) => (
            <button
              key={name}
              type="button"
              data-show={name}
              aria-pressed={address.show === name}
              className="btn btn-sm join-item h-9 font-normal aria-pressed:bg-base-300 aria-pressed:font-semibold"
              onClick={() => changeQuery({ show: name === 'list' ? null : name }, 'replace')}
            >
              <Icon size={16} aria-hidden /> {words}
            </button>
          ))}
        </span>
        <label className="flex items-center gap-1.5">
          {w.survey.ranked}
          <select
            className="select select-sm h-9 w-40"
            data-role="order"
            value={order}
            onChange={(event) => changeQuery({ order: event.target.value }, 'replace')}
          >
            {orderNames(w).map(([name, words]) => (
              <option key={name} value={name}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <OtherModes chosen={address.also} />
        <PartnerBox key={pupil?.id} source={asked.source} {...{ keys, pupil }} onFound={setPartners} />
        <Progress survey={survey} />
      </div>
      {survey.trouble ? (
        <p role="alert" className="mb-3 text-error">
          {survey.trouble.message} {survey.trouble.hint}
        </p>
      ) : null}
      {own && own.why.length === 1 && own.effort === 0 ? (
        <p className="mb-2 text-sm text-secondary">{w.survey.inItsOwnKeyNo(own.words)}</p>
      ) : null}
      {address.show === 'list' ? (
        <KeyList
          keys={keys}
          chosen={chosen}
          pieceId={piece.id}
          partners={partners}
          pupil={pupil}
          order={order}
          onToggle={toggle}
          onOrder={setOwnOrder}
        />
      ) : null}
      <Unwritable keys={survey.unwritable} />
      {address.show === 'bars' ? (
        <BarsBeside source={asked.source} options={asked.options} keys={keys} chosen={chosen} onToggle={toggle} />
      ) : null}
      {address.show === 'picture' ? <EffortPicture keys={keys} /> : null}
      {address.show === 'stages' ? (
        <StagesByKey piece={piece} whom={whom} asked={asked} to={address.to} own={own?.name ?? null} />
      ) : (
        <PlanBox piece={piece} pupil={pupil} keys={keys} chosen={chosen} onClear={() => chooseKeys([])} />
      )}
    </div>
  );
}

/** The keys in which the piece cannot be written, with the reason. */
function Unwritable({ keys }: { readonly keys: readonly SurveyUnwritable[] }) {
  const w = useWords();
  return keys.map(({ name, words, reason }) => (
    <p key={name} data-unwritable={name} className="mt-2 text-sm text-secondary">
      {w.survey.isNotAmongThem(words, reason)}
    </p>
  ));
}

interface SurveyHeadProps {
  readonly piece: PieceRecord;
  readonly pupils: readonly PupilRecord[];
  readonly pupil: PupilRecord | null;
  readonly settings: Settings;
  readonly keys: readonly RankedKey[];
  readonly isWhole: boolean;
}

/** Which piece, for whom, and what can be taken along. */
function SurveyHead({ piece, pupils, pupil, settings, keys, isWhole }: SurveyHeadProps) {
  const w = useWords();
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
      <h1 className="text-2xl font-semibold">{w.survey.keysFor(pieceTitle(piece))}</h1>
      <PupilSelect pupils={pupils} chosen={pupil} settings={settings} onChoose={choosePupil} />
      <span className="ml-auto flex gap-2 print:hidden">
        <Link className="btn btn-sm h-9 font-normal" href={`/bench?piece=${encodeURIComponent(piece.id)}`}>
          {w.shared.onBench}
        </Link>
        <button
          type="button"
          className="btn btn-sm h-9 font-normal"
          disabled={!isWhole}
          onClick={() => saveFile(`keys-${piece.id}.csv`, 'text/csv;charset=utf-8', surveyCsv(w, keys))}
        >
          <Download size={16} aria-hidden /> {w.survey.numbersAsCsv}
        </button>
        <button type="button" className="btn btn-sm h-9 font-normal" onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> {w.shared.print}
        </button>
      </span>
    </div>
  );
}

function OtherModes({ chosen }: { readonly chosen: readonly OtherMode[] }) {
  const w = useWords();
  const toggle = (mode: OtherMode): void => {
    const next = chosen.includes(mode) ? chosen.filter((other) => other !== mode) : [...chosen, mode];
    changeQuery({ also: next.length === 0 ? null : next.join(',') }, 'replace');
  };
  return (
    <details className="relative">
      <summary className="btn btn-sm h-9 font-normal" data-role="modes">
        {w.survey.alsoIn(
          chosen.length,
          chosen.map((mode) => modeNames(w).find(([name]) => name === mode)?.[1] ?? mode).join(', '),
        )}
      </summary>
      <div className="absolute left-0 z-20 mt-1 flex w-56 flex-col rounded-box border border-base-300 bg-base-100 p-3 shadow-lg">
        {modeNames(w).map(([mode, words]) => (
          <label key={mode} className="flex min-h-9 cursor-pointer items-center gap-2">
            <Checkbox data-mode={mode} checked={chosen.includes(mode)} onChange={() => toggle(mode)} /> {words}
          </label>
        ))}
      </div>
    </details>
  );
}

/** How far the work is; it can be ended, and gone on with. */
function Progress({ survey }: { readonly survey: ReturnType<typeof useSurvey> }) {
  const w = useWords();
  if (survey.surveyed || survey.trouble) return null;
  return (
    <span className="flex items-center gap-2" role="status">
      {w.survey.ofKeys(survey.keys.length, survey.of)}
      {survey.isStopped ? (
        <button type="button" className="btn btn-sm h-9 font-normal" onClick={survey.goOn}>
          {w.shared.goOn}
        </button>
      ) : (
        <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={survey.stop}>
          {w.shared.stop}
        </button>
      )}
    </span>
  );
}
