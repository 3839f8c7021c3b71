/* eslint max-params: ["error", 4] -- what is asked of a worker crosses as a list of values */
import { languageOf } from '@/core/explain';
import { parseKey } from '@/core/pitch';
import { keySheet, pieceSheet, weekSheet } from '@/core/sheets';
import { ok } from '@/core/base';
import { mapped, type OpenedPieces } from './opened-pieces';
import type { CoreService } from './protocol';
import { keyNamesSchema, wordingSchema } from './protocol-schemas';
import { keySheetKindSchema, pieceSheetKindSchema, sheetRequestSchema, weekToldSchema } from './sheet-schemas';
import { answer } from './trouble';

type SheetQuestions = Pick<CoreService, 'pieceSheet' | 'keySheet' | 'weekSheet'>;

/** What is asked about sheets to be printed. */
export function sheetQuestions({ moved, openWith }: Pick<OpenedPieces, 'moved' | 'openWith'>): SheetQuestions {
  return {
    pieceSheet: (source, options, kind, request) => {
      const checked = sheetRequestSchema.validateSync(request, { strict: true });
      const wanted = pieceSheetKindSchema.validateSync(kind, { strict: true });
      const says = languageOf(wordingSchema.validateSync(options.wording));
      const whole = openWith({ ...source, stage: null }, options);
      if (!whole.ok) return answer(says, whole);
      const stage = source.stage ? { id: source.stage.id, title: stageTitle(says, source.stage) } : null;
      return answer(
        says,
        mapped(moved(source, options), ({ piece, before, after }) =>
          pieceSheet(says, wanted, { of: { piece, before, after, stage }, options: whole.value.options }, checked),
        ),
      );
    },
    keySheet: (kind, keys, request, wording) => {
      const says = languageOf(wordingSchema.validateSync(wording));
      const named = keyNamesSchema.validateSync(keys, { strict: true }).flatMap((key) => parseKey(key, 'major') ?? []);
      const wanted = keySheetKindSchema.validateSync(kind, { strict: true });
      return ok(keySheet(says, wanted, named, sheetRequestSchema.validateSync(request, { strict: true })));
    },
    weekSheet: (week, foot, wording) => {
      const says = languageOf(wordingSchema.validateSync(wording));
      return ok(weekSheet(says, weekToldSchema.validateSync(week, { strict: true }), String(foot)));
    },
  };
}

function stageTitle(
  says: ReturnType<typeof languageOf>,
  { id, own }: { readonly id: string; readonly own: { readonly title: string } | null },
): string {
  return own?.title ?? says.stageIdTitle(id);
}
