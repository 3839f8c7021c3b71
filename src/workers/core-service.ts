/* eslint max-params: ["error", 6] -- what is asked of a worker crosses as a list of values; a function that is called back has to be one of its own */
import { languageOf, USUAL_LANGUAGE, type Language, type Wording } from '@/core/explain';
import { asWritten, openPiece, saveAs, type Version } from '@/core/piece';
import {
  atlasCard,
  barsSideBySide,
  benchView,
  chordsView,
  drillView,
  fingerChoicesAt,
  fingerPage,
  ladderFrom,
  notesPage,
  plannerDiffers,
  positionViews,
  rungIn,
  shelfView,
  writtenMarks,
  type Rung,
} from '@/core/views';
import { ladderKeys, partnerKeys } from '@/core/survey';
import { performanceOf } from '@/core/playback';
import { keyText, type Key, type Pitch } from '@/core/pitch';
import { err, ok } from '@/core/base';
import { recogniseFormat, splitPieces, type Grid } from '@/core/read';
import { keyNamed, modeOf, samePlayer, surveyKey } from './asked-piece';
import { broughtPiece } from './brought-piece';
import { createOpenedPieces, mapped } from './opened-pieces';
import { practiceQuestions } from './practice-service';
import { sheetQuestions } from './sheet-service';
import { stageQuestions } from './stage-service';
import { createTickets } from './tickets';
import { guarded, type Asked } from './guarded';
import { ID_PREFIXES, type CoreService } from './protocol';
import {
  benchPageSchema,
  besideSchema,
  bytesSchema,
  columnsSchema,
  drillSchema,
  formatSchema,
  gridSchema,
  keyNamesSchema,
  keyOrderSchema,
  modeOrOwnSchema,
  modeSchema,
  marksSchema,
  modesSchema,
  noteIdSchema,
  partnerOptionsSchema,
  pitchesSchema,
  playerSchema,
  prefixSchema,
  schoolSchema,
  ticketSchema,
  wordingSchema,
} from './protocol-schemas';
import { answer } from './trouble';

/** The core behind the worker's door: checks what comes in, keeps what was read, and puts refusals into words. */
export function createCoreService(): Asked<CoreService> {
  return guarded<CoreService>(coreService());
}

// eslint-disable-next-line max-lines-per-function -- a service: one short method a question, all of them over the same pieces
function coreService(): CoreService {
  const pieces = createOpenedPieces();
  const { open, openWith, moved } = pieces;
  const tickets = createTickets();

  return {
    ...practiceQuestions(pieces),
    ...stageQuestions(pieces, tickets, otherQuestions),
    ...sheetQuestions(pieces),
    bringIn: (bytes, wording) => {
      const says = said(wording);
      const parts = splitPieces(bytesSchema.validateSync(bytes));
      return answer(
        says,
        ok(
          parts.map((part) =>
            answer(
              says,
              mapped(openPiece(part, { format: null, key: null, part: null }), (piece) =>
                broughtPiece(says, piece, recogniseFormat(part)),
              ),
            ),
          ),
        ),
      );
    },
    regrid: (bytes, grid, wording) => {
      const says = said(wording);
      const wanted = gridSchema.validateSync(grid, { strict: true }) as Grid | null;
      return answer(
        says,
        mapped(
          openPiece(bytesSchema.validateSync(bytes), { format: 'midi', key: null, part: null, grid: wanted }),
          (piece) => broughtPiece(says, piece, 'midi'),
        ),
      );
    },
    shelf: (source, prefix, wording) => {
      const says = said(wording);
      const checked = prefixSchema.validateSync(prefix, { strict: true });
      return answer(
        says,
        mapped(open(source), (piece) => shelfView(says, piece, checked)),
      );
    },
    bench: (source, options, page) => {
      const says = said(options.wording);
      const checked = benchPageSchema.validateSync(page, { strict: true });
      return answer(
        says,
        mapped(moved(source, options), ({ piece, before, after }) =>
          benchView(says, piece, { before, after }, { ...checked, prefixes: ID_PREFIXES, stage: source.stage?.id }),
        ),
      );
    },
    positions: (source, wording) => {
      const says = said(wording);
      return answer(
        says,
        mapped(open(source), (piece) => positionViews(says, asWritten(piece))),
      );
    },
    performances: (source, options) =>
      answer(
        said(options.wording),
        mapped(moved(source, options), ({ piece, before, after }) => ({
          before: performanceOf(before.score, piece.part.id),
          after: performanceOf(after.score, piece.part.id),
        })),
      ),
    chords: (source, options) => {
      const says = said(options.wording);
      return answer(
        says,
        mapped(moved(source, options), ({ piece, before, after }) => chordsView(says, piece, before, after)),
      );
    },
    fingers: (source, options) => {
      const says = said(options.wording);
      return answer(
        says,
        mapped(moved(source, options), ({ piece, after }) => fingerPage(says, piece, after)),
      );
    },
    partner: (source, options, mode) => {
      const checked = partnerOptionsSchema.validateSync(options, { strict: true });
      const wanted = mode === undefined ? undefined : modeSchema.validateSync(mode, { strict: true });
      return answer(
        USUAL_LANGUAGE,
        mapped(open(source), (piece) => partnerKeys(piece, checked, wanted)),
      );
    },
    choices: (source, options, noteId) => {
      const checked = noteIdSchema.validateSync(noteId, { strict: true });
      const says = said(options.wording);
      return answer(
        says,
        mapped(moved(source, options), ({ after }) => fingerChoicesAt(says, after, checked)),
      );
    },
    ladder: async (source, options, order, mode, ticket, onKey) => {
      const [wantedOrder, wantedMode] = [
        keyOrderSchema.validateSync(order, { strict: true }),
        modeOrOwnSchema.validateSync(mode, { strict: true }),
      ];
      const says = said(options.wording);
      const asked = openWith(source, { ...options, to: null });
      if (!asked.ok) return answer(says, asked);
      const { piece, options: full } = asked.value;
      const keys = ladderKeys(piece, wantedMode ?? piece.key.key.mode);
      const rungs: Rung[] = [];
      const work = tickets.begin(ticket === undefined ? null : ticketSchema.validateSync(ticket, { strict: true }));
      try {
        for (const key of keys) {
          await otherQuestions();
          if (work.isStopped()) return answer(says, err({ code: 'job.stopped' }));
          rungs.push(rungIn(says, piece, full, key));
          onKey?.(rungs.length, keys.length);
        }
      } finally {
        work.end();
      }
      return ok(ladderFrom(says, piece, rungs, wantedOrder));
    },
    survey: async (source, options, modes, ticket, onKey) => {
      const wantedModes = modesSchema.validateSync(modes, { strict: true });
      const says = said(options.wording);
      const asked = openWith(source, { ...options, to: null });
      if (!asked.ok) return answer(says, asked);
      const { piece, options: full } = asked.value;
      const own = piece.key.key;
      const work = tickets.begin(ticketSchema.validateSync(ticket, { strict: true }));
      try {
        for (const key of wantedModes.flatMap((mode) => ladderKeys(piece, modeOf(own, mode)))) {
          await otherQuestions();
          if (work.isStopped()) return answer(says, err({ code: 'job.stopped' }));
          onKey(surveyKey(says, rungIn(says, piece, full, key), own));
        }
      } finally {
        work.end();
      }
      return ok({ title: piece.score.title, own: keyText(own), bars: piece.part.measures.length });
    },
    stop: (ticket) => {
      tickets.stop(ticketSchema.validateSync(ticket, { strict: true }));
      return ok(null);
    },
    sideBySide: (source, options, keys) => {
      const says = said(options.wording);
      const versions: Version[] = [];
      for (const to of keyNamesSchema.validateSync(keys, { strict: true })) {
        const version = moved(source, { ...options, to });
        if (!version.ok) return answer(says, version);
        versions.push(version.value.after);
      }
      return ok(barsSideBySide(says, versions));
    },
    atlasCard: (key, school, player) => {
      const wanted = schoolSchema.validateSync(school, { strict: true });
      return answer(
        USUAL_LANGUAGE,
        mapped(keyNamed(key), (found) =>
          atlasCard(found, wanted, samePlayer(playerSchema.validateSync(player, { strict: true }))),
        ),
      );
    },
    ready: () => ({ ok: true, value: null }),
    plannerDiffers: (key, player) =>
      answer(
        USUAL_LANGUAGE,
        mapped(keyNamed(key), (found) =>
          plannerDiffers(found, samePlayer(playerSchema.validateSync(player, { strict: true }))),
        ),
      ),
    drill: (options, columns) => {
      const { keys, wording, ...rest } = drillSchema.validateSync(options, { strict: true });
      const says = languageOf(wording);
      const found: Key[] = [];
      for (const name of keys) {
        const key = keyNamed(name);
        if (!key.ok) return answer(says, key);
        found.push(key.value);
      }
      return ok(drillView(says, { ...rest, keys: found }, columnsSchema.validateSync(columns, { strict: true })));
    },
    notes: (key, pitches) =>
      answer(
        USUAL_LANGUAGE,
        mapped(keyNamed(key), (found) =>
          notesPage(found, pitchesSchema.validateSync(pitches, { strict: true }) as readonly Pitch[]),
        ),
      ),
    save: (source, options, format, beside, marks) => {
      const [wanted, carried, drawn] = [
        formatSchema.validateSync(format, { strict: true }),
        besideSchema.validateSync(beside, { strict: true }),
        marksSchema.validateSync(marks, { strict: true }),
      ];
      const says = said(options.wording);
      return answer(
        says,
        mapped(moved(source, options), ({ piece, after }) =>
          saveAs({ ...piece, carried: { ...piece.carried, ...carried } }, after, wanted, {
            marks: writtenMarks(says, after, drawn),
            stage: source.stage?.id ?? null,
          }),
        ),
      );
    },
  };
}

/** The language that an answer is wanted in. */
function said(wording: Wording): Language {
  return languageOf(wordingSchema.validateSync(wording, { strict: true }));
}

/** Lets questions that came in meanwhile be answered. */
function otherQuestions(): Promise<void> {
  return new Promise((go) => setTimeout(go, 0));
}
