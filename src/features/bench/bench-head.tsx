import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { BookOpen, Ear, Ellipsis, ListOrdered, PencilLine, Printer, SlidersHorizontal } from 'lucide-react';
import { parseKey } from '@/core/pitch';
import type { FileFormat } from '@/core/base';
import { change, type Desk, type PieceRecord, type PupilRecord, type Settings } from '@/data';
import { FoldOut } from '@/features/shared/parts/fold-out';
import type { Screen } from '@/features/shared/parts/use-screen';
import { go, practiceFor, type BenchAddress } from './bench-address';
import { BenchTools, WayFields, type BenchToolsProps } from './commands/bench-tools';
import { keyName } from './keys/key-strip';
import { OwnKey } from './keys/own-key';
import { leave } from './paper/paper-tools';
import { PupilChoice } from './pupil-choice';
import { allFormats, SaveButtons, SaveList } from './commands/save-buttons';
import { RailButton } from './stages/stage-rail';
import type { BenchAnswers } from './use-bench';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { withKey } from '@/features/shared/keys/key-caps';
import { BENCH_KEYS } from './keys/key-names';
import { addressOf } from '@/features/shared/address/address-of';

interface BenchHeadProps {
  readonly piece: PieceRecord;
  readonly settings: Settings;
  readonly desk: Desk;
  readonly screen: Screen;
  readonly pupils: readonly PupilRecord[];
  readonly pupil: PupilRecord | null;
  readonly address: BenchAddress;
  readonly answers: BenchAnswers;
  readonly surveyAddress: string;
  readonly onSave: (format: FileFormat) => void;
}

/** Which piece, from which key to which, for whom, and how it moves: one line, whatever the screen. What does not find room stands under “More”. */
export function BenchHead({
  piece,
  settings,
  desk,
  screen,
  pupils,
  pupil,
  address,
  answers,
  surveyAddress,
  onSave,
}: BenchHeadProps) {
  const w = useWords();
  const { value: view } = answers.view;
  const way = wayOf(w, piece, settings, { address, answers });
  const query = useSearchParams().toString();
  const standAddress = `/stand?${query}`;
  const practiceAddress = practiceFor(piece.id, pupil, address);
  const enterAddress = `/enter?piece=${encodeURIComponent(piece.id)}`;
  return (
    <div className="flex h-11 shrink-0 items-center gap-1.5 px-4 max-sm:px-2 print:hidden" data-role="head">
      <Title piece={piece} title={view ? view.title || piece.fileName : w.shared.readingPiece} />
      {screen === 'phone' ? null : <FromTo piece={piece} answers={answers} />}
      <div className="ml-auto flex shrink-0 items-center gap-1.5">
        {screen === 'phone' ? null : <RailButton desk={desk} shown={address.stage} />}
        <PupilChoice pupils={pupils} chosen={pupil} settings={settings} />
        {screen === 'wide' && way ? <BenchTools {...way} /> : null}
        <button
          type="button"
          aria-expanded={desk.tools === 'open'}
          aria-label={w.bench.toolsOfPage}
          title={withKey(w.bench.toolsOfPage, BENCH_KEYS.tools)}
          data-role="tools"
          className={`btn btn-sm btn-square size-9 ${desk.tools === 'open' ? 'btn-neutral' : ''}`}
          onClick={() => leave({ tools: desk.tools === 'open' ? 'folded' : 'open' })}
        >
          <SlidersHorizontal size={16} aria-hidden />
        </button>
        {screen === 'phone' ? null : <PaperLink piece={piece} address={address} />}
        <Link
          className="btn btn-sm btn-square size-9"
          href={standAddress}
          data-role="stand"
          aria-label={w.bench.ontoMusicStand}
          title={withKey(w.bench.ontoMusicStand, BENCH_KEYS.stand)}
        >
          <BookOpen size={16} aria-hidden />
        </Link>
        {screen === 'phone' ? null : (
          <Link
            className="btn btn-sm btn-square size-9"
            href={practiceAddress}
            data-role="practise"
            aria-label={w.practice.pupilsPage}
            title={withKey(w.practice.pupilsPageTitle, BENCH_KEYS.practise)}
          >
            <Ear size={16} aria-hidden />
          </Link>
        )}
        {screen === 'wide' ? (
          <>
            <Link
              className="btn btn-sm h-9 px-2.5 max-[90rem]:w-9 max-[90rem]:px-0"
              href={surveyAddress}
              data-role="survey"
              title={withKey(w.bench.surveyTitle, BENCH_KEYS.survey)}
            >
              <ListOrdered size={16} aria-hidden /> <span className="max-[90rem]:sr-only">{w.bench.survey}</span>
            </Link>
            <Link
              className="btn btn-sm h-9 px-2.5 max-[90rem]:w-9 max-[90rem]:px-0"
              href={enterAddress}
              data-role="enter"
              title={withKey(w.bench.changeNotesTitle, BENCH_KEYS.enter)}
            >
              <PencilLine size={16} aria-hidden /> <span className="max-[90rem]:sr-only">{w.bench.changeNotes}</span>
            </Link>
            <SaveButtons onSave={onSave} />
          </>
        ) : (
          <FoldOut
            summary={<Ellipsis size={18} aria-hidden />}
            className="btn btn-sm btn-square size-9"
            role="more"
            label={w.bench.more}
            title={w.bench.more}
            width="w-80"
          >
            <More
              {...{ piece, screen, desk, address, answers, way, surveyAddress, practiceAddress, enterAddress, onSave }}
            />
          </FoldOut>
        )}
      </div>
    </div>
  );
}

interface MoreProps extends Pick<
  BenchHeadProps,
  'piece' | 'screen' | 'desk' | 'address' | 'answers' | 'surveyAddress' | 'onSave'
> {
  readonly way: BenchToolsProps | null;
  readonly practiceAddress: string;
  readonly enterAddress: string;
}

/** What does not find room in the line. */
function More({
  piece,
  screen,
  desk,
  address,
  answers,
  way,
  surveyAddress,
  practiceAddress,
  enterAddress,
  onSave,
}: MoreProps) {
  const w = useWords();
  return (
    <div className="flex flex-col gap-3 p-3">
      {screen === 'phone' ? <FromTo piece={piece} answers={answers} /> : null}
      {screen === 'phone' ? (
        <>
          <RailButton desk={desk} shown={address.stage} />
          <Link className="btn btn-sm h-11" href={practiceAddress} data-role="practise">
            <Ear size={16} aria-hidden /> {w.practice.pupilsPage}
          </Link>
          <Link className="btn btn-sm h-11" href={paperAddress(piece, address)} data-role="to-paper">
            <Printer size={16} aria-hidden /> {w.handout.onPaper}
          </Link>
        </>
      ) : null}
      {way ? <WayFields {...way} /> : null}
      <div className="flex gap-2">
        <Link className="btn btn-sm h-11 flex-1" href={surveyAddress} data-role="survey">
          <ListOrdered size={16} aria-hidden /> {w.bench.survey}
        </Link>
        <Link className="btn btn-sm h-11 flex-1" href={enterAddress} data-role="enter">
          <PencilLine size={16} aria-hidden /> {w.bench.changeNotes}
        </Link>
      </div>
      <section aria-label={w.bench.savePiece} className="border-t border-base-300 pt-2">
        <h2 className="px-2 text-sm font-semibold">{w.bench.savePiece}</h2>
        <SaveList formats={allFormats(w)} onSave={onSave} />
      </section>
    </div>
  );
}

/** What the piece is called; where it is a stage of another one, that one is a press away. */
function Title({ piece, title }: { readonly piece: PieceRecord; readonly title: string }) {
  const w = useWords();
  return (
    <>
      <h1 className="min-w-16 shrink truncate text-lg font-semibold max-sm:text-base">{title}</h1>
      {piece.stageOf ? (
        <Link
          className="link min-w-0 shrink truncate text-sm max-sm:hidden"
          href={`/bench?piece=${encodeURIComponent(piece.stageOf.piece)}&stage=${encodeURIComponent(piece.stageOf.stage)}`}
          data-role="stage-of"
        >
          {w.stages.stageOf(piece.stageOf.title)}
        </Link>
      ) : null}
    </>
  );
}

/** The key that the piece is written in, and the one it was moved to. */
function FromTo({ piece, answers }: Pick<BenchHeadProps, 'piece' | 'answers'>) {
  const w = useWords();
  const { value: view } = answers.view;
  const { value: ladder } = answers.ladder;
  return (
    <p className="flex h-9 shrink-0 items-center gap-0.5 text-sm whitespace-nowrap text-secondary">
      <span className="max-xl:sr-only">{w.bench.writtenIn}</span>
      {ladder ? (
        <OwnKey
          piece={piece}
          current={keyName(ladder.from)}
          fifths={ladder.from.fifths}
          onChanged={() => go({ key: null })}
        />
      ) : null}
      {view && view.from !== view.to ? (
        <span data-role="from-to">
          <span className="max-xl:sr-only">{w.bench.movedTo} </span>
          <span aria-hidden className="xl:hidden">
            →{' '}
          </span>
          {view.to}
        </span>
      ) : null}
    </p>
  );
}

/** What the ways of moving work on; null until the piece is read. */
function wayOf(
  w: Words,
  piece: PieceRecord,
  { spelling }: Settings,
  { address, answers }: { readonly address: BenchAddress; readonly answers: BenchAnswers },
): BenchToolsProps | null {
  const { value: view } = answers.view;
  const { value: ladder } = answers.ladder;
  const own = ladder ? parseKey(keyName(ladder.from), 'major') : undefined;
  const shown = view ? parseKey(view.toText, 'major') : undefined;
  if (!own || !shown) return null;
  return {
    address,
    own,
    shown,
    hands: ladder?.piece.hands ?? [],
    parts: view?.parts ?? [],
    onPart: (id, name) => void change({ kind: 'piece.part', id: piece.id, part: id }, w.bench.isPupilsPart(name)),
    group: view?.group ?? null,
    spelling,
    onChange: go,
  };
}

/** The piece as it is shown, onto paper. */
function PaperLink({ piece, address }: Pick<BenchHeadProps, 'piece' | 'address'>) {
  const w = useWords();
  return (
    <Link
      className="btn btn-sm btn-square size-9"
      href={paperAddress(piece, address)}
      data-role="to-paper"
      aria-label={w.handout.ontoPaper}
      title={w.handout.ontoPaper}
    >
      <Printer size={16} aria-hidden />
    </Link>
  );
}

function paperAddress({ id }: PieceRecord, { key, stage, pupil }: BenchAddress): string {
  return addressOf('/handout', { piece: id, key, stage, pupil });
}
