import Link from 'next/link';
import { ListOrdered, PencilLine } from 'lucide-react';
import { parseKey } from '@/core/pitch';
import type { FileFormat } from '@/core/base';
import { change, type PieceRecord, type PupilRecord, type Settings } from '@/data';
import { go, type BenchAddress } from './bench-address';
import { BenchTools, SaveButtons } from './bench-tools';
import { keyName } from './key-strip';
import { OwnKey } from './own-key';
import { PupilChoice } from './pupil-choice';
import type { BenchAnswers } from './use-bench';

interface BenchHeadProps {
  readonly piece: PieceRecord;
  readonly settings: Settings;
  readonly pupils: readonly PupilRecord[];
  readonly pupil: PupilRecord | null;
  readonly address: BenchAddress;
  readonly answers: BenchAnswers;
  readonly surveyAddress: string;
  readonly onSave: (format: FileFormat) => void;
}

/** Which piece, from which key to which, for whom, and how it moves. */
export function BenchHead({ piece, settings, pupils, pupil, address, answers, surveyAddress, onSave }: BenchHeadProps) {
  const { value: view } = answers.view;
  const { value: ladder } = answers.ladder;
  const own = ladder ? parseKey(keyName(ladder.from), 'major') : undefined;
  const shown = view ? parseKey(view.toText, 'major') : undefined;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 pt-2">
      <div className="min-w-0">
        <h1 className="truncate text-xl font-semibold">
          {view ? view.title || piece.fileName : 'Reading the piece …'}
        </h1>
        <p className="flex h-8 items-center gap-1 text-sm whitespace-nowrap text-secondary">
          written in
          {ladder ? (
            <OwnKey
              piece={piece}
              current={keyName(ladder.from)}
              fifths={ladder.from.fifths}
              onChanged={() => go({ key: null })}
            />
          ) : null}
          {view && view.from !== view.to ? <span data-role="from-to">moved to {view.to}</span> : null}
        </p>
      </div>
      <div className="ml-auto flex flex-wrap items-center gap-x-3 gap-y-1">
        <PupilChoice pupils={pupils} chosen={pupil} settings={settings} />
        {own && shown ? (
          <BenchTools
            address={address}
            own={own}
            shown={shown}
            hands={ladder?.piece.hands ?? []}
            parts={view?.parts ?? []}
            onPart={(id, name) =>
              void change({ kind: 'piece.part', id: piece.id, part: id }, `${name} is the pupil’s part`)
            }
            group={view?.group ?? null}
            spelling={settings.spelling}
            onChange={go}
          />
        ) : null}
        <Link className="btn btn-sm h-9" href={surveyAddress} data-role="survey">
          <ListOrdered size={16} aria-hidden /> Survey
        </Link>
        <Link className="btn btn-sm h-9" href={`/enter?piece=${encodeURIComponent(piece.id)}`} data-role="enter">
          <PencilLine size={16} aria-hidden /> Change notes
        </Link>
        <SaveButtons onSave={onSave} />
      </div>
    </div>
  );
}
