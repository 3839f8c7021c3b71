'use client';

import { useMemo } from 'react';
import { choosePupil } from '@/features/shared/pupils/choose-pupil';
import { useForWhom, type ForWhom } from '@/features/shared/pupils/for-whom';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { usePlayerOf } from '@/features/shared/pieces/piece-options';
import { PupilSelect } from '@/features/shared/pupils/pupil-select';
import { PARTS, show, useAtlasAddress, type AtlasAddress, type AtlasPart } from './atlas-address';
import { Cards } from './cards';
import { Drills } from './drills';
import { Finding } from './finding';
import { Positions } from './positions';
import { useWords, type Words } from '@/features/shared/words/use-words';

const partNames = (w: Words): Readonly<Record<AtlasPart, string>> => ({
  positions: w.atlas.positions,
  cards: w.atlas.keyCards,
  drills: w.atlas.drills,
  finding: w.atlas.finding,
});

/** Every five-finger position, a card for every key, drills made from them, and games of finding. */
export function AtlasScreen() {
  const w = useWords();
  const address = useAtlasAddress();
  const whom = useForWhom(address.pupil);
  if (!whom) return <p className="p-8">{w.atlas.openingAtlas}</p>;
  return <AtlasFor address={address} whom={whom} />;
}

function AtlasFor({ address, whom }: { readonly address: AtlasAddress; readonly whom: ForWhom }) {
  const w = useWords();
  const { settings, pupils, pupil } = whom;
  const player = usePlayerOf(settings, pupil);
  const shortcuts = useMemo(
    () =>
      PARTS.map((part, i) => ({
        key: String(i + 1),
        does: w.atlas.show(partNames(w)[part].toLowerCase()),
        act: () => show({ part }),
      })),
    [w],
  );
  return (
    <div className="mx-auto max-w-7xl px-4 py-4" data-role="atlas" data-part={address.part}>
      {address.part === 'finding' ? null : <ScreenKeys keys={shortcuts} />}
      <div className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-1 print:hidden">
        <h1 className="text-2xl font-semibold">{w.atlas.atlas}</h1>
        <span className="join" role="group" aria-label={w.atlas.partsOfAtlas}>
          {PARTS.map((part) => (
            <button
              key={part}
              type="button"
              data-part-button={part}
              aria-pressed={address.part === part}
              className="btn btn-sm join-item h-9 font-normal aria-pressed:bg-base-300 aria-pressed:font-semibold"
              onClick={() => show({ part })}
            >
              {partNames(w)[part]}
            </button>
          ))}
        </span>
        <PupilSelect pupils={pupils} chosen={pupil} settings={settings} onChoose={choosePupil} />
      </div>
      {address.part === 'positions' ? <Positions address={address} pupil={pupil} /> : null}
      {address.part === 'cards' ? (
        <Cards address={address} player={player} school={pupil?.inner ?? settings.inner} />
      ) : null}
      {address.part === 'drills' ? <Drills address={address} player={player} ownOrder={settings.ownOrder} /> : null}
      {address.part === 'finding' ? <Finding key={address.game} game={address.game} pupil={pupil} /> : null}
    </div>
  );
}
