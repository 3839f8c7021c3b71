import Link from 'next/link';
import { ArrowLeft, BookOpenCheck, Footprints, Hand } from 'lucide-react';
import type { PieceRecord } from '@/data';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { choosePupil } from '@/features/shared/pupils/choose-pupil';
import { PupilSelect } from '@/features/shared/pupils/pupil-select';
import { addressOf } from '@/features/shared/address/address-of';
import { useWords } from '@/features/shared/words/use-words';
import type { Trouble } from '@/contract/answer';
import type { PracticeAddress } from './practice-address';

interface PracticeHeadProps {
  readonly piece: PieceRecord;
  readonly address: PracticeAddress;
  readonly whom: ForWhom;
  readonly title: string;
}

const LINK = 'btn btn-ghost btn-sm h-9 min-w-9 font-normal pointer-coarse:h-11 pointer-coarse:min-w-11 max-sm:px-2';

/** What is practised, and by whom: into that record it goes; and the ways from here: the steps or playing as one likes, the record, the Bench. */
export function PracticeHead({ piece, address, whom, title }: PracticeHeadProps) {
  const w = useWords();
  const { key, pupil, stage, step } = address;
  const whose = { piece: piece.id, key, pupil, stage };
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <h1 className="min-w-0 flex-1 text-2xl font-semibold max-sm:basis-full max-sm:text-lg">{title}</h1>
      <PupilSelect
        pupils={whom.pupils}
        chosen={whom.pupil}
        settings={whom.settings}
        onChoose={choosePupil}
        label={w.practice.whoPlays}
        room="tight"
      />
      <nav aria-label={w.practice.waysFromHere} className="flex flex-wrap gap-1">
        {step === null ? (
          <Link className={LINK} data-role="to-steps" href={addressOf('/practice', { ...whose, step: 'next' })}>
            <Footprints size={16} aria-hidden /> <span className="max-sm:sr-only">{w.practice.stepByStep}</span>
          </Link>
        ) : (
          <Link className={LINK} data-role="to-free" href={addressOf('/practice', whose)}>
            <Hand size={16} aria-hidden /> <span className="max-sm:sr-only">{w.practice.asILike}</span>
          </Link>
        )}
        <Link className={LINK} data-role="to-record" href={addressOf('/record', { piece: piece.id, pupil })}>
          <BookOpenCheck size={16} aria-hidden /> <span className="max-sm:sr-only">{w.practice.record}</span>
        </Link>
        <Link className={LINK} href={addressOf('/bench', { piece: piece.id, key, stage })}>
          <ArrowLeft size={16} aria-hidden /> <span className="max-sm:sr-only">{w.practice.toBench}</span>
        </Link>
      </nav>
    </div>
  );
}

/** What could not be opened, and what to do. */
export function PracticeTrouble({ trouble }: { readonly trouble: Trouble | null }) {
  if (!trouble) return null;
  return (
    <p role="alert" className="text-error">
      {trouble.message} {trouble.hint}
    </p>
  );
}
