import {
  barCount,
  changeVoice,
  copyBars,
  copyRegion,
  moveRegion,
  openBar,
  paste,
  removeRegion,
  repeatBar,
  rescale,
  toOtherHand,
  withComposer,
  withEntries,
  withMeter,
  withNewBars,
  withPickup,
  withSignature,
  withTempo,
  withTitle,
  withoutBars,
  type Clip,
  type Entry,
  type Region,
} from '../edit';
import type { Mode } from '../pitch';
import type { Score } from '../score';
import type { Meter } from '../time';
import { scoreChanged, refused, typingChanged, type Outcome } from './outcome';
import { entryAt } from './sound';
import { barNumber, barsOf, currentEntry, voiceOfCaret, partOf, rowsFor, type Session } from './session';
import { selection } from './caret';

/** What is selected as a passage of the caret's voice. */
function selectedRegion(session: Session): Region | null {
  const found = selection(session);
  return found && { ...entryAt(session, found.bar, found.index), toBar: found.toBar, toIndex: found.toIndex };
}

export function copySelection(session: Session): Outcome {
  const region = selectedRegion(session);
  if (!region) return refused(session, { code: 'nothing-to-change' });
  return { ...typingChanged(session, {}), clip: copyRegion(session.edited.score, partOf(session), region) };
}

/** Copies the bars of the selection, both hands of them. */
export function copyWholeBars(session: Session): Outcome {
  const { bar, toBar } = selectedBars(session);
  return {
    ...typingChanged(session, {}),
    clip: copyBars(session.edited.score, partOf(session), bar, Math.min(toBar, barsOf(session) - 1)),
  };
}

export function cutSelection(session: Session, atMs: number): Outcome {
  const region = selectedRegion(session);
  if (!region) return refused(session, { code: 'nothing-to-change' });
  const clip = copyRegion(session.edited.score, partOf(session), region);
  const { caret } = session.typing;
  const label = { code: 'removed', bar: barNumber(session, region.bar), what: 'passage' } as const;
  return {
    ...scoreChanged(session, removeRegion(session.edited.score, region), {
      label,
      atMs,
      change: {
        caret: { ...caret, bar: region.bar, index: region.index, fresh: false },
        anchor: null,
      },
    }),
    clip,
  };
}

export function pasteHere(session: Session, clip: Clip | null, atMs: number): Outcome {
  if (!clip) return refused(session, { code: 'nothing-copied' });
  const { score } = session.edited;
  const { caret } = session.typing;
  const own = rescale(clip, score.ticksPerQuarter);
  if (!own) return refused(session, { code: 'clip-too-fine' });
  const at = { ...entryAt(session, caret.bar, caret.index) };
  const last = own.bars.length - 1;
  const behind =
    own.kind === 'bars'
      ? { bar: caret.bar + own.bars.length, index: 0 }
      : { bar: caret.bar + last, index: (last === 0 ? caret.index : 0) + (own.bars[last]?.length ?? 0) };
  return scoreChanged(session, paste(score, at, own), {
    label: { code: 'pasted', bar: barNumber(session, caret.bar) },
    atMs,
    change: {
      caret: { ...caret, ...behind, fresh: true },
      anchor: null,
    },
  });
}

export function repeatBarHere(session: Session, atMs: number): Outcome {
  const { caret } = session.typing;
  if (caret.bar === 0 || voiceOfCaret(session, caret.bar - 1).entries.length === 0)
    return refused(session, { code: 'no-bar-before' });
  const after = repeatBar(session.edited.score, partOf(session), entryAt(session, caret.bar, 0));
  return scoreChanged(session, after, {
    label: { code: 'bar-repeated', bar: barNumber(session, caret.bar) },
    atMs,
    change: {
      caret: { ...caret, bar: caret.bar + 1, index: 0, fresh: true },
    },
  });
}

/** One empty bar in front of the caret's. */
export function insertBar(session: Session, atMs: number): Outcome {
  const { caret } = session.typing;
  return scoreChanged(session, withNewBars(session.edited.score, Math.min(caret.bar, barsOf(session)), 1), {
    label: { code: 'bars-added', bar: barNumber(session, caret.bar), count: 1 },
    atMs,
    change: { caret: { ...caret, index: 0, fresh: false } },
  });
}

/** Takes the bars of the selection out, both hands of them. */
export function removeBars(session: Session, atMs: number): Outcome {
  const { bar, toBar } = selectedBars(session);
  const last = Math.min(toBar, barsOf(session) - 1);
  const count = last - bar + 1;
  if (count < 1) return refused(session, { code: 'nothing-to-change' });
  // A piece keeps one bar: its signatures stand in it.
  if (count >= barsOf(session)) return refused(session, { code: 'last-bar' });
  return scoreChanged(session, withoutBars(session.edited.score, bar, count), {
    label: { code: 'bars-removed', bar: barNumber(session, bar), count },
    atMs,
    change: { caret: { ...session.typing.caret, bar, index: 0, fresh: false }, anchor: null },
  });
}

function selectedBars(session: Session): { readonly bar: number; readonly toBar: number } {
  const { caret, anchor } = session.typing;
  if (anchor === null) {
    const bar = caret.fresh ? (currentEntry(session)?.bar ?? caret.bar) : caret.bar;
    return { bar, toBar: bar };
  }
  return { bar: Math.min(anchor.bar, caret.bar), toBar: Math.max(anchor.bar, caret.bar) };
}

export function moveSelection(session: Session, letters: number, atMs: number): Outcome {
  const region = selectedRegion(session);
  if (!region) return refused(session, { code: 'nothing-to-change' });
  return scoreChanged(session, moveRegion(session.edited.score, partOf(session), region, letters), {
    label: { code: 'moved-passage', bar: barNumber(session, region.bar), steps: letters },
    atMs,
  });
}

export function giveToOtherHand(session: Session, atMs: number): Outcome {
  const part = partOf(session);
  const region = selectedRegion(session);
  if (part.staves < 2) return refused(session, { code: 'one-hand-only' });
  if (!region) return refused(session, { code: 'nothing-to-change' });
  const hand = session.typing.caret.hand === 'right' ? 'left' : 'right';
  return scoreChanged(session, toOtherHand(session.edited.score, part, region), {
    label: { code: 'other-hand', bar: barNumber(session, region.bar), hand },
    atMs,
    change: { anchor: null },
  });
}

export function setMeter(session: Session, meter: Meter, atMs: number): Outcome {
  const bar = barOfSignature(session);
  const { score } = session.edited;
  return scoreChanged(session, withMeter(score, bar, meter), {
    label: { code: 'meter', bar: barNumber(session, bar), meter },
    atMs,
    change: { rows: rowsFor(meter, score.ticksPerQuarter) },
  });
}

export function setSignature(session: Session, fifths: number, mode: Mode | null, atMs: number): Outcome {
  const bar = barOfSignature(session);
  return scoreChanged(session, withSignature(session.edited.score, bar, fifths, mode), {
    label: { code: 'signature', bar: barNumber(session, bar), fifths },
    atMs,
  });
}

/** The bar from which a signature is to hold: the caret's; behind the last bar there is none yet, so the last one. */
function barOfSignature(session: Session): number {
  return Math.min(session.typing.caret.bar, barsOf(session) - 1);
}

export function setPickup(session: Session, quarters: number, atMs: number): Outcome {
  const { score } = session.edited;
  return scoreChanged(session, withPickup(score, quarters * score.ticksPerQuarter), {
    label: { code: 'pick-up', quarters },
    atMs,
  });
}

export function setHeading(session: Session, what: 'title' | 'composer', text: string, atMs: number): Outcome {
  const { score } = session.edited;
  return scoreChanged(session, what === 'title' ? withTitle(score, text) : withComposer(score, text), {
    label: { code: 'heading', what, text },
    atMs,
  });
}

export function setTempo(session: Session, perMinute: number, atMs: number): Outcome {
  return scoreChanged(session, withTempo(session.edited.score, perMinute), {
    label: { code: 'tempo', perMinute },
    atMs,
  });
}

/** Puts music that was read elsewhere into the caret's hand, bar for bar from the caret's bar on, in place of what the hand has there. */
export function takeIn(session: Session, from: 'played' | 'abc', music: Score, atMs: number): Outcome {
  const { caret } = session.typing;
  const { score } = session.edited;
  const source = music.parts[0];
  const bars = source ? source.measures.map((measure) => openBar(measure).voices[0]?.entries ?? []) : [];
  const clip = rescale({ kind: 'passage', ticksPerQuarter: music.ticksPerQuarter, bars }, score.ticksPerQuarter);
  if (!clip || clip.kind !== 'passage') return refused(session, { code: 'clip-too-fine' });
  const missing = caret.bar + bars.length - barCount(score);
  const long = missing > 0 ? withNewBars(score, barCount(score), missing) : score;
  const after = clip.bars.reduce((at, entries, i) => replaceVoice(at, session, caret.bar + i, entries), long);
  const notes = clip.bars
    .flat()
    .reduce((sum, { notes: own }) => sum + own.filter(({ pitch }) => pitch !== null).length, 0);
  const label =
    from === 'abc'
      ? ({ code: 'abc', bar: barNumber(session, caret.bar) } as const)
      : ({ code: 'played-in', bar: barNumber(session, caret.bar), notes } as const);
  return scoreChanged(session, after, {
    label,
    atMs,
    change: {
      caret: { ...caret, bar: caret.bar + bars.length, index: 0, fresh: true },
      anchor: null,
    },
  });
}

function replaceVoice(score: Score, session: Session, bar: number, entries: readonly Entry[]): Score {
  const emptied = changeVoice(score, entryAt(session, bar, 0), (voice) => withEntries(voice, []));
  return paste(emptied, entryAt(session, bar, 0), {
    kind: 'passage',
    ticksPerQuarter: score.ticksPerQuarter,
    bars: [entries],
  });
}
