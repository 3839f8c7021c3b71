'use client';

import { useEffect, useMemo, useState } from 'react';
import { Printer } from 'lucide-react';
import { keyCard, fiveFingers } from '@/core/reference';
import type { InnerSchool, Player } from '@/core/fingering';
import type { CardLine, PlannerDiffers } from '@/core/views';
import { keyText, parallelKey, parseKey, sameKey, signatureOf, type Key } from '@/core/pitch';
import { EngravedPage } from '@/features/shared/music/engraved-page';
import { HandsGlyph } from '@/features/shared/music/hand-glyph';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { coreWorker } from '@/workers/client';
import { show, type AtlasAddress } from './atlas-address';
import { HearButton } from './hear-button';
import { keysInOrder } from './key-orders';
import { useWords } from '@/features/shared/words/use-words';

interface CardsProps {
  readonly address: AtlasAddress;
  readonly player: Player;
  readonly school: InnerSchool;
}

/** The card of a key: what is read, what is played, and what each line is good for. */
export function Cards({ address, player, school }: CardsProps) {
  const w = useWords();
  const { key } = address;
  const name = keyText(key);
  const ask = useMemo(() => () => coreWorker().atlasCard(name, school, player), [name, school, player]);
  const { value, trouble } = useAnswer(name, ask);
  return (
    <div>
      <nav aria-label={w.shared.keys} className="mb-4 flex flex-col gap-1 print:hidden">
        {(['major', 'minor'] as const).map((mode) => (
          <span key={mode} className="flex flex-wrap items-center gap-1">
            <span className="w-14 text-sm text-secondary">{w.says.modeName(mode)}</span>
            {keysInOrder(mode, 'fifths')
              .toSorted((a, b) => signatureOf(a) - signatureOf(b))
              .map((one) => (
                <button
                  key={keyText(one)}
                  type="button"
                  data-card={keyText(one)}
                  aria-pressed={sameKey(one, key)}
                  className="btn btn-sm h-8 min-w-11 px-2 font-normal aria-pressed:bg-primary aria-pressed:text-primary-content"
                  onClick={() => show({ key: keyText(one) })}
                >
                  {w.says.place(one.tonic)}
                </button>
              ))}
          </span>
        ))}
      </nav>
      <article
        aria-label={w.shared.keyCardOf(w.says.key(key))}
        className="rounded-box border border-base-300 bg-base-100 p-5"
        data-role="card"
        data-key={name}
        data-whole={value !== null}
      >
        <CardHead shown={key} />
        {trouble ? (
          <p role="alert" className="text-error">
            {trouble.message}
          </p>
        ) : null}
        <div className="mt-4 grid gap-x-6 gap-y-3 lg:grid-cols-2">
          {value?.lines.map((line) => (
            <LineBox key={`${line.name}/${line.hand}`} line={line} shown={key} school={school} />
          ))}
        </div>
        <p className="mt-4 text-xs text-secondary">{w.atlas.scalesAndArpeggiosCL}</p>
      </article>
      <PlannerList player={player} />
    </div>
  );
}

function CardHead({ shown }: { readonly shown: Key }) {
  const w = useWords();
  const card = keyCard(shown);
  const position = fiveFingers(shown);
  const parallel = parallelKey(shown);
  const link = (key: Key, words: string) =>
    Math.abs(signatureOf(key)) > 7 ? (
      <span>{w.atlas.needsMoreThanSevenSigns(words)}</span>
    ) : (
      <button type="button" className="link min-h-8 print:no-underline" onClick={() => show({ key: keyText(key) })}>
        {words}
      </button>
    );
  return (
    <header className="flex flex-wrap items-start gap-x-8 gap-y-2">
      <HandsGlyph right={position.black.right} left={position.black.left} size={64} />
      <div>
        <h2 className="text-2xl font-semibold">{w.says.key(shown)}</h2>
        <p data-role="signature">{w.says.signatureWords(card.signs, shown)}</p>
        <p className="text-sm text-secondary">
          {position.pitches.map(w.says.place).join(' ')} · {w.says.blackWordsOf(position)}
        </p>
      </div>
      <dl className="grid grid-cols-[5rem_auto] items-center text-sm">
        <dt className="text-secondary">{w.atlas.relative}</dt>
        <dd>{card.relative ? link(card.relative, w.says.key(card.relative)) : w.atlas.noneThatCanBeWritten}</dd>
        <dt className="text-secondary">{w.atlas.parallel}</dt>
        <dd>{link(parallel, w.says.key(parallel))}</dd>
      </dl>
      <span className="ml-auto flex gap-2 print:hidden">
        <button
          type="button"
          className="btn btn-sm h-9 font-normal"
          onClick={() => show({ part: 'drills', keys: keyText(shown) })}
        >
          {w.atlas.makeDrill}
        </button>
        <button type="button" className="btn btn-sm h-9 font-normal" onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> {w.shared.print}
        </button>
      </span>
    </header>
  );
}

const LINE_LAYOUT = { widthPx: 540, zoom: 36, breaks: 'none', spread: 'natural' } as const;

function LineBox({
  line,
  shown,
  school,
}: {
  readonly line: CardLine;
  readonly shown: Key;
  readonly school: InnerSchool;
}) {
  const w = useWords();
  const { name, trains } = w.says.cardLines()[line.name];
  return (
    <section
      aria-label={w.atlas.lineOfHand(name, line.hand)}
      className="break-inside-avoid"
      data-card-line={`${line.name}/${line.hand}`}
    >
      <div className="flex items-center gap-2">
        <h3 className="text-sm font-semibold">{w.atlas.lineOfHand(name, line.hand)}</h3>
        <HearButton label={w.atlas.inHand(name, w.says.key(shown), line.hand)} sounds={line.sounds} />
        <span className="text-xs text-secondary">{w.atlas.trains(trains, line.name, school)}</span>
      </div>
      <EngravedPage
        page={line.piece.page}
        layout={LINE_LAYOUT}
        fits="height"
        label={w.atlas.handFingers(name, line.hand, line.fingers)}
      />
      {line.planner ? <p className="text-xs text-secondary">{w.atlas.plannerWouldTake(line.planner)}</p> : null}
    </section>
  );
}

/** Where the planner takes other fingers than the table, over all thirty keys. Worked out once it is opened, a key at a time. */
function PlannerList({ player }: { readonly player: Player }) {
  const w = useWords();
  const [isOpen, setOpen] = useState(false);
  const [found, setFound] = useState<readonly (PlannerDiffers & { readonly key: string })[]>([]);
  const [asked, setAsked] = useState(0);
  const names = useMemo(
    () => (['major', 'minor'] as const).flatMap((mode) => keysInOrder(mode, 'fifths')).map(keyText),
    [],
  );
  useEffect(() => {
    if (!isOpen) return undefined;
    let isWanted = true;
    const ask = async (): Promise<void> => {
      setFound([]);
      setAsked(0);
      for (const [i, key] of names.entries()) {
        const answer = await coreWorker().plannerDiffers(key, player);
        if (!isWanted) return;
        if (answer.ok) setFound((before) => [...before, ...answer.value.map((one) => ({ ...one, key }))]);
        setAsked(i + 1);
      }
    };
    void ask();
    return () => {
      isWanted = false;
    };
  }, [isOpen, names, player]);
  return (
    <details
      className="mt-4 text-sm print:hidden"
      data-role="planner-differs"
      data-asked={asked}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="link flex min-h-9 cursor-pointer items-center">
        {w.atlas.wherePlannerTakesOtherFingers}
      </summary>
      <p className="text-secondary" role="status">
        {asked < names.length
          ? w.atlas.ofKeysCompared(asked, names.length)
          : w.atlas.keysBothHandsScaleAnd(names.length, found.length)}
      </p>
      <ul>
        {found.map(({ key, name, hand, published, planner }) => {
          const named = parseKey(key, 'major');
          const place = [named ? w.says.key(named) : key, w.says.cardLines()[name].name.toLowerCase()].join(', ');
          return (
            <li key={`${key}/${name}/${hand}`} className="py-1">
              {w.atlas.handPublishedPlanner(place, hand, published, planner)}
            </li>
          );
        })}
      </ul>
    </details>
  );
}
