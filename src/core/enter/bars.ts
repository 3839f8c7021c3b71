import { barCount, changeLane, copyBars, copyPassage, movedPassage, openBar, pasted, removePassage, repeatedBar, rescaled, toOtherHand, withComposer, withEntries, withMeter, withNewBars, withPickup, withSignature, withTempo, withTitle, withoutBars, type Clip, type Entry, type Passage } from '../edit';
import type { Mode } from '../pitch';
import type { Score } from '../score';
import type { Meter } from '../time';
import { edited, refused, typed, type Outcome } from './outcome';
import { entryAt } from './sound';
import { barNumber, barsOf, currentEntry, laneOf, partOf, rowsFor, type Session } from './session';
import { selection } from './walk';

/** What is selected as a passage of the caret's voice. */
function passageOf(session: Session): Passage | null {
  const found = selection(session);
  return found && { ...entryAt(session, found.bar, found.index), toBar: found.toBar, toIndex: found.toIndex };
}

export function copied(session: Session): Outcome {
  const passage = passageOf(session);
  if (!passage) return refused(session, { code: 'nothing-to-change' });
  return { ...typed(session, {}), clip: copyPassage(session.edited.score, partOf(session), passage) };
}

/** Copies the bars of the selection, both hands of them. */
export function copiedBars(session: Session): Outcome {
  const { bar, toBar } = selectedBars(session);
  return { ...typed(session, {}), clip: copyBars(session.edited.score, partOf(session), bar, Math.min(toBar, barsOf(session) - 1)) };
}

export function cutOut(session: Session, atMs: number): Outcome {
  const passage = passageOf(session);
  if (!passage) return refused(session, { code: 'nothing-to-change' });
  const clip = copyPassage(session.edited.score, partOf(session), passage);
  const { caret } = session.typing;
  const label = { code: 'removed', bar: barNumber(session, passage.bar), what: 'passage' } as const;
  return { ...edited(session, removePassage(session.edited.score, passage), label, atMs, { caret: { ...caret, bar: passage.bar, index: passage.index, fresh: false }, anchor: null }), clip };
}

export function pastedHere(session: Session, clip: Clip | null, atMs: number): Outcome {
  if (!clip) return refused(session, { code: 'nothing-copied' });
  const { score } = session.edited;
  const { caret } = session.typing;
  const own = rescaled(clip, score.ticksPerQuarter);
  if (!own) return refused(session, { code: 'clip-too-fine' });
  const at = { ...entryAt(session, caret.bar, caret.index) };
  const last = own.bars.length - 1;
  const behind = own.kind === 'bars' ? { bar: caret.bar + own.bars.length, index: 0 } : { bar: caret.bar + last, index: (last === 0 ? caret.index : 0) + (own.bars[last]?.length ?? 0) };
  return edited(session, pasted(score, at, own), { code: 'pasted', bar: barNumber(session, caret.bar) }, atMs, { caret: { ...caret, ...behind, fresh: true }, anchor: null });
}

export function barRepeated(session: Session, atMs: number): Outcome {
  const { caret } = session.typing;
  if (caret.bar === 0 || laneOf(session, caret.bar - 1).entries.length === 0) return refused(session, { code: 'no-bar-before' });
  const after = repeatedBar(session.edited.score, partOf(session), entryAt(session, caret.bar, 0));
  return edited(session, after, { code: 'bar-repeated', bar: barNumber(session, caret.bar) }, atMs, { caret: { ...caret, bar: caret.bar + 1, index: 0, fresh: true } });
}

/** One empty bar in front of the caret's. */
export function barInserted(session: Session, atMs: number): Outcome {
  const { caret } = session.typing;
  return edited(session, withNewBars(session.edited.score, Math.min(caret.bar, barsOf(session)), 1), { code: 'bars-added', bar: barNumber(session, caret.bar), count: 1 }, atMs, { caret: { ...caret, index: 0, fresh: false } });
}

/** Takes the bars of the selection out, both hands of them. */
export function barsRemoved(session: Session, atMs: number): Outcome {
  const { bar, toBar } = selectedBars(session);
  const last = Math.min(toBar, barsOf(session) - 1);
  const count = last - bar + 1;
  if (count < 1) return refused(session, { code: 'nothing-to-change' });
  // A piece keeps one bar: its signatures stand in it.
  if (count >= barsOf(session)) return refused(session, { code: 'last-bar' });
  return edited(session, withoutBars(session.edited.score, bar, count), { code: 'bars-removed', bar: barNumber(session, bar), count }, atMs, { caret: { ...session.typing.caret, bar, index: 0, fresh: false }, anchor: null });
}

function selectedBars(session: Session): { readonly bar: number; readonly toBar: number } {
  const { caret, anchor } = session.typing;
  if (anchor === null) {
    const bar = caret.fresh ? (currentEntry(session)?.bar ?? caret.bar) : caret.bar;
    return { bar, toBar: bar };
  }
  return { bar: Math.min(anchor.bar, caret.bar), toBar: Math.max(anchor.bar, caret.bar) };
}

export function passageMoved(session: Session, letters: number, atMs: number): Outcome {
  const passage = passageOf(session);
  if (!passage) return refused(session, { code: 'nothing-to-change' });
  return edited(session, movedPassage(session.edited.score, partOf(session), passage, letters), { code: 'moved-passage', bar: barNumber(session, passage.bar), steps: letters }, atMs);
}

export function givenToOther(session: Session, atMs: number): Outcome {
  const part = partOf(session);
  const passage = passageOf(session);
  if (part.staves < 2) return refused(session, { code: 'one-hand-only' });
  if (!passage) return refused(session, { code: 'nothing-to-change' });
  const hand = session.typing.caret.hand === 'right' ? 'left' : 'right';
  return edited(session, toOtherHand(session.edited.score, part, passage), { code: 'other-hand', bar: barNumber(session, passage.bar), hand }, atMs, { anchor: null });
}

export function meterSet(session: Session, meter: Meter, atMs: number): Outcome {
  const bar = frameBar(session);
  const { score } = session.edited;
  return edited(session, withMeter(score, bar, meter), { code: 'meter', bar: barNumber(session, bar), meter }, atMs, { rows: rowsFor(meter, score.ticksPerQuarter) });
}

export function signatureSet(session: Session, fifths: number, mode: Mode | null, atMs: number): Outcome {
  const bar = frameBar(session);
  return edited(session, withSignature(session.edited.score, bar, fifths, mode), { code: 'signature', bar: barNumber(session, bar), fifths }, atMs);
}

/** The bar from which a signature is to hold: the caret's; behind the last bar there is none yet, so the last one. */
function frameBar(session: Session): number {
  return Math.min(session.typing.caret.bar, barsOf(session) - 1);
}

export function pickupSet(session: Session, quarters: number, atMs: number): Outcome {
  const { score } = session.edited;
  return edited(session, withPickup(score, quarters * score.ticksPerQuarter), { code: 'pick-up', quarters }, atMs);
}

export function headingSet(session: Session, what: 'title' | 'composer', text: string, atMs: number): Outcome {
  const { score } = session.edited;
  return edited(session, what === 'title' ? withTitle(score, text) : withComposer(score, text), { code: 'heading', what, text }, atMs);
}

export function tempoSet(session: Session, perMinute: number, atMs: number): Outcome {
  return edited(session, withTempo(session.edited.score, perMinute), { code: 'tempo', perMinute }, atMs);
}

/** Puts music that was read elsewhere into the caret's hand, bar for bar from the caret's bar on, in place of what the hand has there. */
export function takenIn(session: Session, from: 'played' | 'abc', music: Score, atMs: number): Outcome {
  const { caret } = session.typing;
  const { score } = session.edited;
  const source = music.parts[0];
  const bars = source ? source.measures.map((measure) => openBar(measure).lanes[0]?.entries ?? []) : [];
  const clip = rescaled({ kind: 'passage', ticksPerQuarter: music.ticksPerQuarter, bars }, score.ticksPerQuarter);
  if (!clip || clip.kind !== 'passage') return refused(session, { code: 'clip-too-fine' });
  const missing = caret.bar + bars.length - barCount(score);
  const long = missing > 0 ? withNewBars(score, barCount(score), missing) : score;
  const after = clip.bars.reduce((at, entries, i) => replacedIn(at, session, caret.bar + i, entries), long);
  const notes = clip.bars.flat().reduce((sum, { notes: own }) => sum + own.filter(({ pitch }) => pitch !== null).length, 0);
  const label = from === 'abc' ? ({ code: 'abc', bar: barNumber(session, caret.bar) } as const) : ({ code: 'played-in', bar: barNumber(session, caret.bar), notes } as const);
  return edited(session, after, label, atMs, { caret: { ...caret, bar: caret.bar + bars.length, index: 0, fresh: true }, anchor: null });
}

function replacedIn(score: Score, session: Session, bar: number, entries: readonly Entry[]): Score {
  const emptied = changeLane(score, entryAt(session, bar, 0), (lane) => withEntries(lane, []));
  return pasted(emptied, entryAt(session, bar, 0), { kind: 'passage', ticksPerQuarter: score.ticksPerQuarter, bars: [entries] });
}

