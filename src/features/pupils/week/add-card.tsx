'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { useForm, useWatch } from 'react-hook-form';
import { object, string, type InferType } from 'yup';
import { weeksAfter, type Week } from '@/core/calendar';
import { CUTS } from '@/core/teaching';
import { change, MOST_CARD_LETTERS, type NewCard, type PieceRecord, type PupilRecord, type Settings } from '@/data';
import { Labelled } from '@/features/shared/parts/labelled';
import { useMessages } from '@/features/shared/shell/messages';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import { weekWords } from '@/features/shared/teaching/day-words';
import { keyWords } from '@/features/shared/teaching/key-words';
import { useKeptForm } from '@/features/shared/parts/use-kept-form';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { POSITIONS } from '../keys/use-key-standings';
import { WEEKS_SHOWN } from './lanes';
import { cardsOver } from './plan-weeks';
import { useParts } from './use-parts';

const oneOfCuts = string()
  .oneOf([...CUTS])
  .required();

const formSchema = (w: Words) =>
  object({
    piece: string().defined(),
    /** Keys with commas between, in their order; empty for the piece’s own. */
    keys: string().defined(),
    cut: oneOfCuts,
    week: string().defined(),
    note: string()
      .trim()
      .defined()
      .max(MOST_CARD_LETTERS, w.week.noteHasAtMost(MOST_CARD_LETTERS))
      .test(
        'something',
        w.week.pieceOrWords,
        (note, { parent }) => (note ?? '') !== '' || (parent as { piece: string }).piece !== '',
      ),
  });
type Typed = InferType<ReturnType<typeof formSchema>>;

interface AddCardProps {
  readonly pupil: PupilRecord;
  readonly pieces: readonly PieceRecord[];
  readonly settings: Settings;
  readonly shown: Week;
  readonly onClose: () => void;
}

/** New cards: a piece in a key, in one week or cut into several; a run of keys, a key a week; or words alone. */
export function AddCard({ pupil, pieces, settings, shown, onClose }: AddCardProps) {
  const w = useWords();
  const { say } = useMessages();
  const form = useForm<Typed>({
    resolver: yupResolver(formSchema(w)),
    defaultValues: { piece: '', keys: '', cut: 'whole', week: shown, note: '' },
  });
  const { register, handleSubmit, control, getValues, setValue, formState } = form;
  const { errors } = formState;
  const forget = useKeptForm(`card/${pupil.id}`, form);
  const typed: Typed = { ...getValues(), ...useWatch({ control }) };
  const piece = pieces.find(({ id }) => id === typed.piece) ?? null;
  const keys = typed.keys.split(',').filter(Boolean);
  const close = (): void => {
    forget();
    onClose();
  };
  const put = async (cards: readonly NewCard[]): Promise<void> => {
    const words = w.week.added(cards.length, pupil.name);
    if (await change({ kind: 'plan.cards', cards, atMs: Date.now() }, words)) return;
    say({ kind: 'done', text: words });
    close();
  };
  const select = 'select select-sm h-9 w-72 max-w-full pointer-coarse:h-11';
  return (
    <form
      className="mb-3 flex flex-col gap-2 rounded-box border-2 border-primary bg-base-100 p-3"
      noValidate
      data-role="add-card"
      onSubmit={(event) =>
        void handleSubmit(({ note, week }) =>
          piece ? undefined : put([{ id: crypto.randomUUID(), pupil: pupil.id, note, week: week || null }]),
        )(event)
      }
    >
      <Labelled label={w.charts.piece}>
        <select
          className={select}
          data-role="new-card-piece"
          aria-label={w.charts.piece}
          autoFocus
          {...register('piece')}
        >
          <option value="">{w.week.wordsAlone}</option>
          {pieces.map((one) => (
            <option key={one.id} value={one.id}>
              {pieceTitle(one)}
            </option>
          ))}
        </select>
      </Labelled>
      <Labelled label={w.week.beginsIn}>
        <select className={select} data-role="new-card-week" aria-label={w.week.beginsIn} {...register('week')}>
          {Array.from({ length: WEEKS_SHOWN }, (_, i) => weeksAfter(shown, i)).map((week) => (
            <option key={week} value={week}>
              {weekWords(week, settings.firstDay)}
            </option>
          ))}
          <option value="">{w.week.waiting}</option>
        </select>
      </Labelled>
      <Labelled label={w.week.noteForPupil} trouble={errors.note?.message}>
        <input
          className="input input-sm h-9 w-96 max-w-full pointer-coarse:h-11"
          aria-label={w.week.noteForPupil}
          aria-invalid={!!errors.note}
          data-role="new-card-note"
          {...register('note')}
        />
      </Labelled>
      {piece ? (
        <PiecePart
          key={piece.id}
          {...{ piece, pupil, settings, typed, keys }}
          onKeys={(next) => setValue('keys', next.join(','), { shouldDirty: true })}
          cutField={register('cut')}
          onPut={(cards) => void put(cards)}
          onClose={close}
        />
      ) : (
        <Buttons onClose={close} isReady />
      )}
    </form>
  );
}

interface PiecePartProps {
  readonly piece: PieceRecord;
  readonly pupil: PupilRecord;
  readonly settings: Settings;
  readonly typed: Typed;
  readonly keys: readonly string[];
  readonly cutField: ReturnType<ReturnType<typeof useForm<Typed>>['register']>;
  readonly onKeys: (keys: readonly string[]) => void;
  readonly onPut: (cards: readonly NewCard[]) => void;
  readonly onClose: () => void;
}

/** Which keys of the piece, one after the other, and how it is cut. */
function PiecePart({ piece, pupil, settings, typed, keys, cutField, onKeys, onPut, onClose }: PiecePartProps) {
  const w = useWords();
  const parts = useParts(piece, keys[0] ?? null, { settings, pupil });
  const own = parts?.own ?? null;
  const wanted = keys.length > 0 ? keys : own === null ? [] : [own];
  const calendar = { first: settings.firstDay, holidays: settings.holidays, times: pupil.lessons };
  const cut = CUTS.find((one) => one === typed.cut) ?? 'whole';
  const { note, week } = typed;
  const cards = parts
    ? cardsOver(
        { pupil: pupil.id, piece: piece.id, keys: wanted, stage: null, cut, note: note.trim(), from: week || null },
        parts,
        calendar,
        () => crypto.randomUUID(),
      )
    : [];
  const names = POSITIONS[own?.endsWith('minor') ? 'minor' : 'major'];
  return (
    <>
      <fieldset>
        <legend className="text-sm">{w.week.keysInOrder}</legend>
        <div className="flex flex-wrap gap-1">
          {names.map((name) => {
            const at = wanted.indexOf(name);
            return (
              <button
                key={name}
                type="button"
                data-new-key={name}
                aria-pressed={at >= 0}
                className="btn btn-sm h-8 min-w-10 px-2 font-normal aria-pressed:btn-neutral pointer-coarse:h-11"
                onClick={() => onKeys(at >= 0 ? wanted.filter((other) => other !== name) : [...wanted, name])}
              >
                {keyWords(w, name).replace(/ major$/, '')}
                {at >= 0 && wanted.length > 1 ? ` · ${at + 1}` : ''}
              </button>
            );
          })}
        </div>
      </fieldset>
      <Labelled label={w.week.cutBy}>
        <select
          className="select select-sm h-9 w-72 max-w-full pointer-coarse:h-11"
          data-role="cut"
          aria-label={w.week.cutBy}
          {...cutField}
        >
          {CUTS.map((one) => (
            <option key={one} value={one}>
              {w.week.cuts[one]}
            </option>
          ))}
        </select>
        <span className="text-sm text-secondary" role="status" data-role="cards-made" data-count={cards.length}>
          {parts ? w.week.makesCards(cards.length) : w.shared.readingPiece}
        </span>
      </Labelled>
      <Buttons onClose={onClose} isReady={cards.length > 0} onPut={() => onPut(cards)} />
    </>
  );
}

interface ButtonsProps {
  readonly isReady: boolean;
  readonly onClose: () => void;
  /** Without it the form itself is sent. */
  readonly onPut?: () => void;
}

function Buttons({ isReady, onClose, onPut }: ButtonsProps) {
  const w = useWords();
  return (
    <div className="flex gap-2">
      <button
        type={onPut ? 'button' : 'submit'}
        className="btn btn-primary btn-sm h-9 pointer-coarse:h-11"
        data-role="add-cards"
        disabled={!isReady}
        onClick={onPut}
      >
        {w.week.addCards}
      </button>
      <button type="button" className="btn btn-sm h-9 pointer-coarse:h-11" onClick={onClose}>
        {w.shared.leaveIt}
      </button>
    </div>
  );
}
