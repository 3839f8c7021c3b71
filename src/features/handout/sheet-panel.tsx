'use client';

import { CARD_KINDS, LEFT_OUT, MUSIC_SIZES, PAPERS, PRINTS, SHEET_KINDS, TURNS, type SheetKind } from '@/core/paper';
import type { Mode } from '@/core/pitch';
import { change, type Settings, type SheetChoice } from '@/data';
import { useWords } from '@/features/shared/words/use-words';
import { ChoiceRow } from './choice-row';
import { FootFields } from './foot-fields';
import { turnTo, type HandoutAddress } from './handout-address';
import { MoreKeys } from './more-keys';
import { PartsList } from './parts-list';
import { Templates } from './templates';
import { Checkbox } from '@/features/shared/parts/checkbox';

interface SheetPanelProps {
  readonly sheet: SheetChoice;
  readonly address: HandoutAddress;
  readonly settings: Settings;
  readonly mode: Mode;
}

/** Sheets that take several keys. */
const IN_KEYS: readonly SheetKind[] = ['handout', 'rote', 'fingers', 'position', 'drill', 'cards', 'blank'];
const WITH_MUSIC: readonly SheetKind[] = ['handout', 'blank', 'drill', 'fingers'];

/** Which sheet, what is on it and on which paper. All of it is kept for the next piece. */
export function SheetPanel({ sheet, address, settings, mode }: SheetPanelProps) {
  const w = useWords();
  const put = (changed: Partial<SheetChoice>): void => {
    if (changed.kind !== undefined) turnTo({ sheet: changed.kind });
    void change({ kind: 'note.desk', change: { sheet: { ...sheet, ...changed } } });
  };
  const { kind } = sheet;
  return (
    <section
      aria-label={w.handout.sheet}
      className="flex min-h-0 flex-col gap-4 overflow-y-auto border-base-300 px-4 py-3 max-md:border-b md:border-r print:hidden"
      data-role="sheet-panel"
    >
      <div>
        <label className="flex items-center gap-2 font-semibold">
          {w.handout.sheet}
          <select
            className="select select-sm h-9 flex-1 pointer-coarse:h-11"
            data-role="sheet-kind"
            value={kind}
            onChange={(event) => put({ kind: event.target.value as SheetKind })}
          >
            {SHEET_KINDS.map((one) => (
              <option key={one} value={one}>
                {w.handout.kinds[one]}
              </option>
            ))}
          </select>
        </label>
        <p className="mt-1 text-sm text-secondary">{w.handout.whatKinds[kind]}</p>
      </div>
      {kind === 'handout' ? <PartsList sheet={sheet} onPut={put} /> : null}
      <KindChoices sheet={sheet} onPut={put} />
      {IN_KEYS.includes(kind) ? <MoreKeys shown={address.key} chosen={address.keys} mode={mode} /> : null}
      <div className="flex flex-col gap-2">
        <ChoiceRow
          label={w.handout.paper}
          values={PAPERS}
          words={w.handout.papers}
          chosen={sheet.paper}
          onChoose={(paper) => put({ paper })}
        />
        <ChoiceRow
          label={w.handout.turn}
          values={TURNS}
          words={w.handout.turns}
          chosen={sheet.turn}
          onChoose={(turn) => put({ turn })}
        />
        {WITH_MUSIC.includes(kind) ? (
          <ChoiceRow
            label={w.handout.musicSize}
            values={MUSIC_SIZES}
            words={w.handout.sizes}
            chosen={sheet.size}
            onChoose={(size) => put({ size })}
          />
        ) : null}
        <ChoiceRow
          label={w.handout.print}
          values={PRINTS}
          words={w.handout.prints}
          chosen={sheet.print}
          onChoose={(print) => put({ print })}
        />
      </div>
      <Templates sheet={sheet} settings={settings} onUse={put} />
      <FootFields settings={settings} />
    </section>
  );
}

interface KindChoicesProps {
  readonly sheet: SheetChoice;
  readonly onPut: (changed: Partial<SheetChoice>) => void;
}

/** What only this kind of sheet asks. */
function KindChoices({ sheet, onPut }: KindChoicesProps) {
  const w = useWords();
  switch (sheet.kind) {
    case 'rote':
      return (
        <div className="flex flex-col gap-2">
          <ChoiceRow
            label={w.handout.voice}
            values={['teacher', 'child'] as const}
            words={w.handout.voices}
            chosen={sheet.voice}
            onChoose={(voice) => onPut({ voice })}
          />
          <ChoiceRow
            label={w.handout.naming}
            values={['named', 'none'] as const}
            words={w.handout.namings}
            chosen={sheet.naming}
            onChoose={(naming) => onPut({ naming })}
          />
        </div>
      );
    case 'blank':
      return (
        <div className="flex flex-col gap-2">
          <ChoiceRow
            label={w.handout.leave}
            values={LEFT_OUT}
            words={w.handout.leaves}
            chosen={sheet.leave}
            onChoose={(leave) => onPut({ leave })}
          />
          <label className="flex min-h-9 items-center gap-2 text-sm pointer-coarse:min-h-11">
            <Checkbox
              checked={sheet.answers === 'with'}
              onChange={(event) => onPut({ answers: event.target.checked ? 'with' : 'without' })}
            />
            {w.handout.answers}
          </label>
        </div>
      );
    case 'cards':
      return (
        <fieldset className="text-sm">
          <legend className="mb-1 font-semibold">{w.handout.cardsAbout}</legend>
          {CARD_KINDS.map((card) => (
            <label key={card} className="flex min-h-9 items-center gap-2 pointer-coarse:min-h-11">
              <Checkbox
                checked={sheet.cards.includes(card)}
                onChange={(event) =>
                  onPut({
                    cards: CARD_KINDS.filter((one) =>
                      one === card ? event.target.checked : sheet.cards.includes(one),
                    ),
                  })
                }
              />
              {w.handout.cardKinds[card]}
            </label>
          ))}
        </fieldset>
      );
    default:
      return null;
  }
}
