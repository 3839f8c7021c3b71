import { NO_HISTORY, historyOf, keptSince, newScore, readOpening, readyToEdit, type Clip, type History } from '@/core/edit';
import { beginSession, isCaret, press, type Caret, type Command, type Outcome, type Session } from '@/core/enter';
import { faultWords } from '@/core/explain';
import { entryView, pressedView, type EntryPage } from '@/core/job';
import { parseKey } from '@/core/pitch';
import { readDraft, readPiece, readPlayed, type Grid } from '@/core/read';
import type { Fault } from '@/core/result';
import { pupilPart, type Part } from '@/core/score';
import { writeMusicXml } from '@/core/write';
import { checkedCommand, entryPageSchema, entrySourceSchema, keptChangesSchema, openingSchema, playedSchema, type EntryService, type EntryToKeep, type Pressed } from './entry-protocol';
import type { Trouble } from './protocol';

/** The lines of an ABC tune that stand in front of what the teacher writes. */
const ABC_HEAD_LINES = 4;

/** The entering of one piece at a time, behind the worker's door. */
export function createEntryService(): EntryService {
  let session: Session | null = null;
  let page: EntryPage = { columns: 24, prefix: '' };
  let kept: { readonly history: History<Caret>; readonly score: Session['edited']['score'] } | null = null;
  /** What was copied; it goes along from piece to piece. */
  let clip: Clip | null = null;
  /** Where the writing of ABC began. */
  let beforeAbc: Session | null = null;

  const now = (): Session => {
    if (!session) throw new Error('no piece is open for entering');
    return session;
  };
  const toKeep = (): EntryToKeep | null => {
    const { edited } = now();
    if (!kept || (kept.history === edited.history && kept.score === edited.score)) return null;
    const since = keptSince(kept.history, edited.history);
    kept = edited;
    return { musicXml: writeMusicXml(edited.score), ...since, edition: editionOf(edited.history) };
  };
  const shown = (): Pressed => ({ ...pressedView({ session: now(), sounds: [], notice: null }, page), keep: toKeep() });
  const take = (outcome: Outcome): Pressed => {
    session = outcome.session;
    clip = outcome.clip ?? clip;
    return { ...pressedView(outcome, page), keep: toKeep() };
  };

  return {
    create: (wanted) => {
      const { title, opening } = openingSchema.validateSync(wanted, { strict: true });
      const read = readOpening(opening);
      const key = read && parseKey(`${read.tonic}-${read.mode}`, 'major');
      if (!read || !key) return { ok: false, trouble: { code: 'entry.opening', message: `“${opening}” is not a key and a time.`, hint: 'Write them like “G 3/4”, “Bb”, “Am 6/8”, with the beats of a pick-up behind: “G 3/4 1”.', line: null } };
      return { ok: true, value: writeMusicXml(newScore({ title, key, meter: read.meter, pickupBeats: read.pickupBeats })) };
    },
    open: (source, changes, wantedPage) => {
      const { musicXml, part, edition } = entrySourceSchema.validateSync(source, { strict: true });
      page = entryPageSchema.validateSync(wantedPage, { strict: true });
      const reading = readDraft(musicXml);
      if (!reading.ok) return refused(reading.error);
      const score = readyToEdit(reading.value.score);
      const pupils = pupilPart(score, part) ?? (score.parts[0] as Part);
      const history = historyOf(keptChangesSchema.validateSync(changes, { strict: true }), isCaret);
      // A piece that came from elsewhere meanwhile begins a history of its own.
      session = beginSession(score, pupils.id, history && editionOf(history) === (edition ?? editionOf(NO_HISTORY)) ? history : NO_HISTORY);
      kept = { history: session.edited.history, score };
      beforeAbc = null;
      return { ok: true, value: entryView(session, page) };
    },
    press: (command, atMs) => {
      const checked = checkedCommand(command);
      const full = checked.kind === 'paste' ? { kind: 'paste' as const, clip } : checked;
      return take(press(now(), full as Command, atMs));
    },
    setOut: (wanted) => {
      page = entryPageSchema.validateSync(wanted, { strict: true });
      return entryView(now(), page);
    },
    abc: (text, atMs) => {
      beforeAbc ??= now();
      if (text.trim() === '') {
        session = beforeAbc;
        return { pressed: shown(), trouble: null };
      }
      const { frame } = entryView(beforeAbc, page);
      const key = frame.key.replace('♯', '#').replace('♭', 'b').replace(' major', '').replace(' minor', 'm');
      const head = `X:1\nM:${frame.meter.beats}/${frame.meter.beatType}\nL:1/4\nK:${key}\n`;
      const reading = readPiece(new TextEncoder().encode(head + text), 'abc');
      if (!reading.ok) return { pressed: shown(), trouble: withoutHead(refused(reading.error).trouble) };
      const unclear = reading.value.remarks.find((remark) => remark.code === 'abc-unclear');
      const outcome = press(beforeAbc, { kind: 'take-in', from: 'abc', music: reading.value.score }, atMs);
      const pressed = take(outcome);
      if (!unclear) return { pressed, trouble: null };
      const line = unclear.line - ABC_HEAD_LINES;
      return { pressed, trouble: { code: 'entry.abc', message: `Line ${line}, place ${unclear.column}: ${unclear.detail}.`, hint: 'Everything else is entered already.', line } };
    },
    abcDone: () => {
      beforeAbc = null;
    },
    played: (keys, msPerQuarter, grid, atMs) => {
      playedSchema.validateSync({ keys, msPerQuarter, grid }, { strict: true });
      const { frame } = entryView(now(), page);
      const reading = readPlayed(keys, { msPerQuarter, grid: grid as Grid, meter: frame.meter, fifths: frame.fifths, mode: frame.mode === 'minor' ? 'minor' : 'major' });
      if (!reading.ok) return { ok: false, trouble: { code: reading.error.code, message: 'Nothing was heard.', hint: 'Play on the keys after the count-in.', line: null } };
      return { ok: true, value: take(press(now(), { kind: 'take-in', from: 'played', music: reading.value.score }, atMs)) };
    },
  };
}

function refused(error: Fault): { readonly ok: false; readonly trouble: Trouble } {
  return { ok: false, trouble: { code: error.code, ...faultWords(error), line: 'at' in error ? error.at.line : null } };
}

/** Lines as the teacher counts them: the head is ours. */
function withoutHead(trouble: Trouble): Trouble {
  return trouble.line === null ? trouble : { ...trouble, line: Math.max(1, trouble.line - ABC_HEAD_LINES) };
}

/** Tells one state of a history from others: how much is done, and when the last of it was. */
function editionOf({ done }: History<unknown>): string {
  return `${done.length}/${done.at(-1)?.atMs ?? 0}`;
}
