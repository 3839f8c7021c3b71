/* eslint max-params: ["error", 4] -- what is asked of a worker crosses as a list of values */
import { languageOf } from '@/core/explain';
import { parseKey } from '@/core/pitch';
import { keySheet, pieceSheet, weekSheet } from '@/core/sheets';
import { ok } from '@/core/base';
import { mapped, type OpenedPieces } from './opened-pieces';
import type { CoreService } from '@/contract/core-questions';
import { answer } from '@/crossing/trouble';

type SheetQuestions = Pick<CoreService, 'pieceSheet' | 'keySheet' | 'weekSheet'>;

/** What is asked about sheets to be printed. */
export function sheetQuestions({ moved, openWith }: Pick<OpenedPieces, 'moved' | 'openWith'>): SheetQuestions {
  return {
    pieceSheet: (source, options, kind, request) => {
      const says = languageOf(options.wording);
      const whole = openWith({ ...source, stage: null }, options);
      if (!whole.ok) return answer(says, whole);
      const stage = source.stage ? { id: source.stage.id, title: stageTitle(says, source.stage) } : null;
      return answer(
        says,
        mapped(moved(source, options), ({ piece, before, after }) =>
          pieceSheet(says, kind, { of: { piece, before, after, stage }, options: whole.value.options }, request),
        ),
      );
    },
    keySheet: (kind, keys, request, wording) => {
      const says = languageOf(wording);
      const named = keys.flatMap((key) => parseKey(key, 'major') ?? []);
      return ok(keySheet(says, kind, named, request));
    },
    weekSheet: (week, foot, wording) => {
      const says = languageOf(wording);
      return ok(weekSheet(says, week, String(foot)));
    },
  };
}

function stageTitle(
  says: ReturnType<typeof languageOf>,
  { id, own }: { readonly id: string; readonly own: { readonly title: string } | null },
): string {
  return own?.title ?? says.stageIdTitle(id);
}
