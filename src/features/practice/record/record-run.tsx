'use client';

import { useMemo, useState } from 'react';
import type { StruckKey } from '@/core/asked';
import type { JudgedView } from '@/core/views';
import type { PieceRecord, RunRecord } from '@/data';
import { fromBase64 } from '@/features/shared/files/base64';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { useSame } from '@/features/shared/parts/use-same';
import { useWords } from '@/features/shared/words/use-words';
import { coreWorker } from '@/workers/client';
import { RunSound } from '../ear/run-sound';
import { HearAgain } from '../hear-again';
import { JudgedPanel } from '../judged-panel';
import { NOT_BEGUN, wantedMoments } from '../follow';
import { PracticeMusic } from '../practice-music';
import { PracticeTrouble } from '../practice-head';
import { usePractised, type PractisedWhat } from '../use-practised';

interface RecordRunProps {
  readonly run: RunRecord;
  /** Null where it is not there any more. */
  readonly piece: PieceRecord | null;
  readonly whom: ForWhom;
}

/** A run beside the page that it was of: heard again, with what went wrong marked on its notes. */
export function RecordRun({ run, piece, whom }: RecordRunProps) {
  const w = useWords();
  const keys = usePlayedKeys(run);
  return (
    <section aria-label={w.record.theRun} className="flex min-w-0 flex-col gap-3" data-role="record-run">
      {piece ? (
        <RunOnPage run={run} piece={piece} whom={whom} keys={keys} />
      ) : (
        <>
          <p>{w.record.pieceIsGone}</p>
          {keys.length > 0 ? <HearAgain keys={keys} /> : null}
        </>
      )}
      <RunSound run={run.id} />
    </section>
  );
}

function RunOnPage({
  run,
  piece,
  whom,
  keys,
}: RecordRunProps & { readonly piece: PieceRecord; readonly keys: readonly StruckKey[] }) {
  const w = useWords();
  const { music, key, stage, hand, bars, ear, bpm, countIn, way, edition, unclear } = run;
  const what: PractisedWhat = useSame({ music, key, stage, hand, bars });
  const practised = usePractised(piece, whom, what);
  const { view, trouble, judge } = practised;
  const [shown, setShown] = useState<readonly string[]>([]);
  // Call and echo is answered by ear, phrase by phrase: there is no page to hold it against.
  const isJudged = keys.length > 0 && way !== 'echo';
  const ask = useMemo(
    () =>
      isJudged && view
        ? () => judge(keys, { strictness: ear, bpm, countIn, byEar: unclear ? { unclear } : null })
        : null,
    [isJudged, view, judge, keys, ear, bpm, countIn, unclear],
  );
  const { value: judged } = useAnswer(run.id, ask);
  const state = useMemo(() => stateOf(judged, keys), [judged, keys]);
  if (!view) return <PracticeTrouble trouble={trouble} />;
  const moments = wantedMoments(view.moments, hand);
  return (
    <>
      {edition === piece.edition ? null : <p role="note">{w.record.musicChanged}</p>}
      <PracticeMusic
        view={view}
        run={{ state, followed: NOT_BEGUN, moments }}
        shown={shown}
        isAway={false}
        onTouch={() => undefined}
      />
      {judged ? <JudgedPanel judged={judged} keys={keys} kept={null} onShow={setShown} onNext={null} /> : null}
      {!isJudged && keys.length > 0 ? <HearAgain keys={keys} /> : null}
    </>
  );
}

function stateOf(judged: JudgedView | null, keys: readonly StruckKey[]) {
  return judged ? { is: 'judged' as const, judged, keys } : { is: 'still' as const };
}

/** What was played, as it was kept; nothing where it cannot be read any more. */
function usePlayedKeys({ id, midi }: RunRecord): readonly StruckKey[] {
  const { wording } = useWords();
  const ask = useMemo(
    () => (midi === null ? null : () => coreWorker().keysOfPlayedFile(fromBase64(midi), wording)),
    [midi, wording],
  );
  return useAnswer(id, ask).value ?? NO_KEYS;
}

const NO_KEYS: readonly StruckKey[] = [];
