'use client';

import Link from 'next/link';
import { useMemo, useRef, useState } from 'react';
import { ArrowRight, Play, Printer, Square } from 'lucide-react';
import { DRILL_HANDS, DRILL_KINDS, DRILL_RHYTHMS } from '@/core/practice';
import type { Player } from '@/core/fingering';
import { keyText, parseKey } from '@/core/pitch';
import { change, type NewPiece } from '@/data';
import { EngravedPage } from '@/features/shared/music/engraved-page';
import { useMessages } from '@/features/shared/shell/messages';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { ownOrderOf } from '@/features/shared/pieces/own-order';
import { useWidth } from '@/features/shared/parts/use-size';
import { coreWorker } from '@/workers/client';
import { ATLAS_ORDERS, show, type AtlasAddress } from './atlas-address';
import { keysInOrder, twelveKeys } from './key-orders';
import { useHearing } from './use-hearing';
import { useWords, type Words } from '@/features/shared/words/use-words';

interface DrillsProps {
  readonly address: AtlasAddress;
  readonly player: Player;
  readonly ownOrder: readonly string[];
}

const handNames = (w: Words) =>
  ({ right: w.shared.rightHand, left: w.shared.leftHand, both: w.shared.bothHands }) as const;
const twelveNames = (w: Words) =>
  ({
    ease: w.shared.byEase,
    fifths: w.shared.byFifths,
    shape: w.shared.byTriadShape,
    chromatic: w.atlas.halfStepByHalfStep,
    own: w.atlas.inMyOwnOrder,
  }) as const;
const TWELVE_ORDERS = [...ATLAS_ORDERS, 'own'] as const;

/** Note columns that a line has room for, per pixel of its width. */
const COLUMNS_PER_PX = 0.042;

/** A drill made on the spot: what, in which keys and rhythm, for which hands. */
export function Drills({ address, player, ownOrder }: DrillsProps) {
  const w = useWords();
  const { drill, rhythm, hands, key } = address;
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box) ?? 0;
  const keys = useMemo(() => (address.keys.length > 0 ? address.keys : [keyText(key)]), [address.keys, key]);
  const columns = Math.max(16, Math.round(width * COLUMNS_PER_PX));
  const isCrossing = drill === 'cross-hands';
  const options = useMemo(
    () => ({ kind: drill, keys, rhythm, hands: isCrossing ? ('both' as const) : hands, wording: w.wording }),
    [drill, keys, rhythm, hands, isCrossing, w],
  );
  const ask = useMemo(
    () => (width === 0 ? null : () => coreWorker().drill(options, columns)),
    [options, columns, width],
  );
  const { value } = useAnswer('drill', ask);
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[22rem_1fr]">
      <section
        aria-label={w.atlas.whatIsDrilled}
        className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4 text-sm print:hidden lg:sticky lg:top-16"
      >
        <fieldset className="flex flex-col">
          <legend className="mb-1 font-serif text-base font-semibold">{w.atlas.drill}</legend>
          {DRILL_KINDS.map((kind) => (
            <label key={kind} className="flex min-h-8 cursor-pointer items-center gap-2">
              <input
                type="radio"
                className="radio radio-sm"
                name="drill"
                value={kind}
                checked={drill === kind}
                onChange={() => show({ drill: kind })}
              />{' '}
              {w.says.drillNames[kind]}
            </label>
          ))}
        </fieldset>
        <label className="flex items-center justify-between gap-2">
          {w.atlas.rhythm}
          <select
            className="select select-sm h-9 w-52"
            data-role="rhythm"
            value={rhythm}
            onChange={(event) => show({ rhythm: event.target.value })}
          >
            {DRILL_RHYTHMS.map((one) => (
              <option key={one} value={one}>
                {w.says.rhythmNames()[one]}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center justify-between gap-2">
          {w.atlas.hands}
          <select
            className="select select-sm h-9 w-52"
            data-role="hands"
            disabled={isCrossing}
            value={isCrossing ? 'both' : hands}
            onChange={(event) => show({ hands: event.target.value })}
          >
            {DRILL_HANDS.map((one) => (
              <option key={one} value={one}>
                {handNames(w)[one]}
              </option>
            ))}
          </select>
        </label>
        <KeysOfDrill keys={keys} ownOrder={ownOrder} />
      </section>
      <div ref={box} className="min-w-0">
        {value ? (
          <DrillPage
            options={options}
            title={value.title}
            musicXml={value.musicXml}
            page={value.page}
            width={width}
            player={player}
          />
        ) : null}
      </div>
    </div>
  );
}

function KeysOfDrill({ keys, ownOrder }: { readonly keys: readonly string[]; readonly ownOrder: readonly string[] }) {
  const w = useWords();
  const mode = keys[0]?.endsWith('minor') ? 'minor' : 'major';
  const set = (next: readonly string[]): void => show({ keys: next.length === 0 ? null : next.join(',') });
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 font-serif text-base font-semibold">{w.atlas.keysInThisOrder}</legend>
      {(['major', 'minor'] as const).map((one) => (
        <span key={one} className="flex flex-wrap gap-1" role="group" aria-label={w.says.modeName(one)}>
          <span className="w-full text-secondary">{w.says.modeName(one)}</span>
          {keysInOrder(one, 'chromatic').map((key) => {
            const name = keyText(key);
            const place = keys.indexOf(name);
            return (
              <button
                key={name}
                type="button"
                data-drill-key={name}
                aria-pressed={place >= 0}
                className="btn btn-sm h-9 w-14 gap-0.5 px-0 font-normal aria-pressed:bg-primary aria-pressed:text-primary-content"
                onClick={() => set(place >= 0 ? keys.filter((other) => other !== name) : [...keys, name])}
              >
                {w.says.place(key.tonic)}
                <span className="sr-only"> {w.says.modeName(one)}</span>
                {place >= 0 && keys.length > 1 ? <sub className="text-xs">{place + 1}</sub> : null}
              </button>
            );
          })}
        </span>
      ))}
      <label className="flex items-center justify-between gap-2">
        {w.atlas.allTwelve}
        <select
          className="select select-sm h-9 w-52"
          data-role="twelve"
          value=""
          onChange={(event) =>
            set(
              twelveKeys(mode, event.target.value as (typeof TWELVE_ORDERS)[number], ownOrderOf(ownOrder, mode)).map(
                keyText,
              ),
            )
          }
        >
          <option value="">{w.atlas.chooseOrder}</option>
          {TWELVE_ORDERS.map((order) => (
            <option key={order} value={order}>
              {`${w.says.modeName(mode)}, ${twelveNames(w)[order]}`}
            </option>
          ))}
        </select>
      </label>
    </fieldset>
  );
}

interface DrillPageProps {
  readonly options: { readonly kind: AtlasAddress['drill']; readonly keys: readonly string[] };
  readonly title: string;
  readonly musicXml: string;
  readonly page: Parameters<typeof EngravedPage>[0]['page'];
  readonly width: number;
  readonly player: Player;
}

function DrillPage({ options, title, musicXml, page, width, player }: DrillPageProps) {
  const w = useWords();
  const { say } = useMessages();
  const [kept, setKept] = useState<{ readonly musicXml: string; readonly id: string } | null>(null);
  const hearing = useHearing(musicXml, player);
  const layout = useMemo(
    () => ({ widthPx: Math.max(300, Math.round(width) - 32), zoom: 45, breaks: 'encoded' as const }),
    [width],
  );
  const keep = async (): Promise<void> => {
    const only = options.keys.length === 1 ? (options.keys[0] ?? null) : null;
    const piece: NewPiece = {
      id: crypto.randomUUID(),
      origin: 'own',
      fileName: `${title}.musicxml`,
      musicXml,
      addedAt: Date.now(),
      ownKey: only,
    };
    if (await change({ kind: 'piece.add', pieces: [piece] }, w.atlas.putOnShelf(title))) return;
    setKept({ musicXml, id: piece.id });
    say({ kind: 'done', text: w.atlas.isOnShelf(title), hint: w.atlas.undoTakesItOffAgain });
  };
  const first = parseKey(options.keys[0] ?? 'C-major', 'major');
  return (
    <article
      aria-label={title}
      className="rounded-box border border-base-300 bg-base-100 p-4"
      data-role="drill"
      data-title={title}
    >
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <div>
          <h2 className="text-xl font-semibold">{title}</h2>
          <p className="text-sm text-secondary">{w.says.drillAims()[options.kind]}</p>
        </div>
        <span className="ml-auto flex flex-wrap gap-2 print:hidden">
          <button
            type="button"
            className="btn btn-sm h-9 font-normal"
            data-role="hear"
            aria-pressed={hearing.isOn}
            onClick={hearing.toggle}
          >
            {hearing.isOn ? <Square size={16} aria-hidden /> : <Play size={16} aria-hidden />}{' '}
            {hearing.isOn ? w.shared.stop : w.atlas.hearIt}
          </button>
          <button type="button" className="btn btn-sm h-9 font-normal" onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> {w.shared.print}
          </button>
          {kept?.musicXml === musicXml ? (
            <Link className="btn btn-primary btn-sm h-9" href={`/bench?piece=${kept.id}`}>
              {w.shared.onBench} <ArrowRight size={16} aria-hidden />
            </Link>
          ) : (
            <button
              type="button"
              className="btn btn-primary btn-sm h-9"
              data-role="keep-drill"
              onClick={() => void keep()}
            >
              {w.atlas.putOnShelfButton}
            </button>
          )}
        </span>
      </div>
      <EngravedPage
        page={page}
        layout={layout}
        label={`${title}${first && options.keys.length > 1 ? w.atlas.beginningIn(w.says.key(first)) : ''}`}
        now={hearing.sounding}
      />
    </article>
  );
}
