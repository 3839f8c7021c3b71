'use client';

import { useMemo } from 'react';
import type { PrintedPage } from '@/print/page';
import { isKeySheet } from '@/core/paper';
import { keyText, fifteenKeys, parseKey, type Mode } from '@/core/pitch';
import type { Sheet, SheetRequest } from '@/core/sheets';
import type { PieceRecord, SheetChoice } from '@/data';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { usePieceOptions, type PieceOptions } from '@/features/shared/pieces/piece-options';
import { askPages } from '@/workers/print/print-job';
import { requestOf } from '@/features/shared/printing/request-of';
import { stageSourceOf } from '@/features/shared/pieces/stage-source';
import { useAnswer, type Answered } from '@/features/shared/parts/use-answer';
import { useSame } from '@/features/shared/parts/use-same';
import { useWords } from '@/features/shared/words/use-words';
import { coreWorker } from '@/workers/client';
import type { Answer } from '@/contract/answer';
import type { HandoutAddress } from './handout-address';

/** What is asked of the core for a sheet in any key. */
export interface SheetSource {
  readonly asked: PieceOptions;
  readonly request: SheetRequest;
  /** The sheet in a key; null for the key in which the piece stands. */
  readonly ask: (key: string | null, keys: readonly string[]) => Promise<Answer<Sheet>>;
}

/** The sheet that the address and the teacher's choice ask for. */
export function useSheetSource(
  piece: PieceRecord,
  whom: ForWhom,
  { address, sheet }: { readonly address: HandoutAddress; readonly sheet: SheetChoice },
): SheetSource {
  const { settings, desk, pupil } = whom;
  const { wording } = useWords();
  const whole = usePieceOptions(piece, settings, pupil);
  const stage = useSame(stageSourceOf(piece, pupil, address.stage));
  const request = useSame(requestOf(sheet, { piece, pupil, key: address.key, desk, settings, wording }));
  const { kind } = sheet;
  return useMemo(() => {
    const asked = { ...whole, source: stage === null ? whole.source : { ...whole.source, stage } };
    return {
      asked,
      request,
      ask: (key, keys) => {
        if (isKeySheet(kind)) return coreWorker().keySheet(kind, keys, request, wording);
        return coreWorker().pieceSheet(asked.source, { ...asked.options, to: key }, kind, request);
      },
    };
  }, [whole, stage, request, kind, wording]);
}

/** The pages of a sheet in a key, as soon as they are there; the last ones stay meanwhile. */
export function usePages(
  { ask, request }: SheetSource,
  key: string | null,
  keys: readonly string[],
): Answered<readonly PrintedPage[]> {
  const same = useSame(keys);
  const question = useMemo(
    () => async (): Promise<Answer<readonly PrintedPage[]>> => {
      const sheet = await ask(key, same);
      return sheet.ok ? askPages(sheet.value, request.paper) : sheet;
    },
    [ask, request, key, same],
  );
  return useAnswer('sheet', question);
}

/** The fifteen keys of a mode by name, as a teacher goes through them: from C in fifths, sharps before flats. */
export function keysOfMode(mode: Mode): readonly string[] {
  const fifths = fifteenKeys(mode).map(keyText);
  const middle = (fifths.length - 1) / 2;
  return [...fifths.slice(middle), ...fifths.slice(0, middle).toReversed()];
}

export function modeOfKey(key: string | null): Mode {
  return (key === null ? null : parseKey(key, 'major'))?.mode ?? 'major';
}
