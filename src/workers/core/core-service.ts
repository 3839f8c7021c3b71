/* eslint max-params: ["error", 6] -- what is asked of a worker crosses as a list of values; a function that is called back has to be one of its own */
import { languageOf, USUAL_LANGUAGE } from '@/core/explain';
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
import { keyText, type Key } from '@/core/pitch';
import { err, ok } from '@/core/base';
import { recogniseFormat, splitPieces } from '@/core/read';
import { keyNamed, modeOf, samePlayer, surveyKey } from './asked-piece';
import { broughtPiece } from './brought-piece';
import { createOpenedPieces, mapped } from './opened-pieces';
import { practiceQuestions } from './practice-service';
import { sheetQuestions } from './sheet-service';
import { stageQuestions } from './stage-service';
import { createTickets } from '@/crossing/tickets';
import { guarded, type Asked } from '@/crossing/guarded';
import type { CoreService } from '@/contract/core-questions';
import { ID_PREFIXES } from '@/core/paper';
import { CORE_CHECKS } from '@/contract/core-checks';
import { answer } from '@/crossing/trouble';

/** The core behind the worker's door: checks what comes in, keeps what was read, and puts refusals into words. */
export function createCoreService(): Asked<CoreService> {
  return guarded<CoreService>(coreService(), CORE_CHECKS);
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
      const says = languageOf(wording);
      const parts = splitPieces(bytes);
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
      const says = languageOf(wording);
      return answer(
        says,
        mapped(openPiece(bytes, { format: 'midi', key: null, part: null, grid }), (piece) =>
          broughtPiece(says, piece, 'midi'),
        ),
      );
    },
    shelf: (source, prefix, wording) => {
      const says = languageOf(wording);
      return answer(
        says,
        mapped(open(source), (piece) => shelfView(says, piece, prefix)),
      );
    },
    bench: (source, options, page) => {
      const says = languageOf(options.wording);
      return answer(
        says,
        mapped(moved(source, options), ({ piece, before, after }) =>
          benchView(says, piece, { before, after }, { ...page, prefixes: ID_PREFIXES, stage: source.stage?.id }),
        ),
      );
    },
    positions: (source, wording) => {
      const says = languageOf(wording);
      return answer(
        says,
        mapped(open(source), (piece) => positionViews(says, asWritten(piece))),
      );
    },
    performances: (source, options) =>
      answer(
        languageOf(options.wording),
        mapped(moved(source, options), ({ piece, before, after }) => ({
          before: performanceOf(before.score, piece.part.id),
          after: performanceOf(after.score, piece.part.id),
        })),
      ),
    chords: (source, options) => {
      const says = languageOf(options.wording);
      return answer(
        says,
        mapped(moved(source, options), ({ piece, before, after }) => chordsView(says, piece, before, after)),
      );
    },
    fingers: (source, options) => {
      const says = languageOf(options.wording);
      return answer(
        says,
        mapped(moved(source, options), ({ piece, after }) => fingerPage(says, piece, after)),
      );
    },
    partner: (source, options, mode) => {
      return answer(
        USUAL_LANGUAGE,
        mapped(open(source), (piece) => partnerKeys(piece, options, mode)),
      );
    },
    choices: (source, options, noteId) => {
      const says = languageOf(options.wording);
      return answer(
        says,
        mapped(moved(source, options), ({ after }) => fingerChoicesAt(says, after, noteId)),
      );
    },
    ladder: async (source, options, order, mode, ticket, onKey) => {
      const says = languageOf(options.wording);
      const asked = openWith(source, { ...options, to: null });
      if (!asked.ok) return answer(says, asked);
      const { piece, options: full } = asked.value;
      const keys = ladderKeys(piece, mode ?? piece.key.key.mode);
      const rungs: Rung[] = [];
      const work = tickets.begin(ticket ?? null);
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
      return ok(ladderFrom(says, piece, rungs, order));
    },
    survey: async (source, options, modes, ticket, onKey) => {
      const says = languageOf(options.wording);
      const asked = openWith(source, { ...options, to: null });
      if (!asked.ok) return answer(says, asked);
      const { piece, options: full } = asked.value;
      const own = piece.key.key;
      const work = tickets.begin(ticket);
      try {
        for (const key of modes.flatMap((mode) => ladderKeys(piece, modeOf(own, mode)))) {
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
      tickets.stop(ticket);
      return ok(null);
    },
    sideBySide: (source, options, keys) => {
      const says = languageOf(options.wording);
      const versions: Version[] = [];
      for (const to of keys) {
        const version = moved(source, { ...options, to });
        if (!version.ok) return answer(says, version);
        versions.push(version.value.after);
      }
      return ok(barsSideBySide(says, versions));
    },
    atlasCard: (key, school, player) =>
      answer(
        USUAL_LANGUAGE,
        mapped(keyNamed(key), (found) => atlasCard(found, school, samePlayer(player))),
      ),
    ready: () => ({ ok: true, value: null }),
    plannerDiffers: (key, player) =>
      answer(
        USUAL_LANGUAGE,
        mapped(keyNamed(key), (found) => plannerDiffers(found, samePlayer(player))),
      ),
    drill: ({ keys, wording, ...rest }, columns) => {
      const says = languageOf(wording);
      const found: Key[] = [];
      for (const name of keys) {
        const key = keyNamed(name);
        if (!key.ok) return answer(says, key);
        found.push(key.value);
      }
      return ok(drillView(says, { ...rest, keys: found }, columns));
    },
    notes: (key, pitches) =>
      answer(
        USUAL_LANGUAGE,
        mapped(keyNamed(key), (found) => notesPage(found, pitches)),
      ),
    save: (source, options, format, beside, marks) => {
      const says = languageOf(options.wording);
      return answer(
        says,
        mapped(moved(source, options), ({ piece, after }) =>
          saveAs({ ...piece, carried: { ...piece.carried, ...beside } }, after, format, {
            marks: writtenMarks(says, after, marks),
            stage: source.stage?.id ?? null,
          }),
        ),
      );
    },
  };
}

/** Lets questions that came in meanwhile be answered. */
function otherQuestions(): Promise<void> {
  return new Promise((go) => setTimeout(go, 0));
}
