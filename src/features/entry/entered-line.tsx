import { memo, useCallback, useMemo } from 'react';
import type { CaretView, EnteredView, PositionView, SystemPage, MiscountView } from '@/core/views';
import { EngravedPage } from '@/features/shared/music/engraved-page';
import { HandTracks } from '@/features/shared/music/hand-track';
import { ID_PREFIXES } from '@/core/paper';
import type { EngravedSystem, EngraveLayout } from '@/contract/engraving-questions';
import { OpenCurveShape } from './open-curve';
import { caretPlace, soonPlace, type SoonPlace } from './caret-place';
import { useWords } from '@/features/shared/words/use-words';

interface EnteredLineProps {
  readonly system: SystemPage;
  readonly layout: EngraveLayout;
  /** The caret where it is on this line; null elsewhere. */
  readonly caret: CaretView | null;
  readonly signs: number;
  /** What was just entered into this line. */
  readonly entered: EnteredView | null;
  /** Notes of this line that changes are for, and those selected: their ids, joined by blanks so that they compare. */
  readonly current: string;
  readonly selected: string;
  /** Bars of this line that do not add up. */
  readonly wrong: readonly MiscountView[];
  readonly tracks: readonly PositionView[];
  readonly onNote: (id: string) => void;
}

const TEXT_PX = 12;

/** One line of what is entered, with the caret, the bars that do not add up, and the hand tracks over it. */
export const EnteredLine = memo(function EnteredLine({
  system,
  layout,
  caret,
  signs,
  entered,
  current,
  selected,
  wrong,
  tracks,
  onNote,
}: EnteredLineProps) {
  const w = useWords();
  const taken = useMemo(() => idsOf(current), [current]);
  const pointed = useMemo(() => idsOf(selected), [selected]);
  const overlay = useCallback(
    (engraved: EngravedSystem) => {
      const unit = engraved.viewBox[2] / layout.widthPx;
      const soon = entered && soonPlace(engraved, entered, system.from, signs);
      return (
        <>
          <HandTracks system={engraved} before={tracks} after={tracks} unit={unit} onPress={onNote} />
          <svg viewBox={engraved.viewBox.join(' ')} style={{ position: 'absolute', inset: 0 }}>
            {wrong.map((miscount) => (
              <Miscount
                key={`${miscount.bar}${miscount.hand}`}
                miscount={miscount}
                engraved={engraved}
                from={system.from}
                unit={unit}
              />
            ))}
            {system.open.map((curve) => (
              <OpenCurveShape key={`${curve.kind}${curve.goes}${curve.noteId}`} curve={curve} engraved={engraved} />
            ))}
            {soon && entered ? <Soon place={soon} head={entered.head} /> : null}
            {caret ? (
              <Caret caret={caret} engraved={engraved} from={system.from} signs={signs} soon={soon} unit={unit} />
            ) : null}
          </svg>
        </>
      );
    },
    [caret, signs, entered, wrong, tracks, layout.widthPx, system.from, system.open, onNote],
  );
  const press = useCallback((id: string): void => onNote(id.replace(ID_PREFIXES.after, '')), [onNote]);
  return (
    <EngravedPage
      page={system.page}
      layout={layout}
      label={w.entry.barsTo(system.from, system.to)}
      taken={taken}
      pointed={pointed}
      onNote={press}
      overlay={overlay}
    />
  );
});

function idsOf(joined: string): readonly string[] {
  return joined === '' ? [] : joined.split(' ').map((id) => ID_PREFIXES.after + id);
}

interface OnLine {
  readonly engraved: EngravedSystem;
  readonly from: number;
  readonly unit: number;
}

/** The caret: a stroke through the staff of its hand, with a foot on the side of that hand. */
function Caret({
  caret,
  engraved,
  from,
  signs,
  soon,
  unit,
}: OnLine & { readonly caret: CaretView; readonly signs: number; readonly soon: SoonPlace | null }) {
  const place = caretPlace(engraved, caret, { from, signs, soon });
  if (!place) return null;
  const { x, top, bottom } = place;
  const foot = caret.hand === 'right' ? top : bottom;
  return (
    <g data-caret={caret.hand} data-bar={caret.number} stroke="var(--color-primary)" strokeWidth={2.4 * unit}>
      <path d={`M${x} ${top} V${bottom} M${x - 6 * unit} ${foot} H${x + 6 * unit}`} fill="none" />
    </g>
  );
}

/** A note drawn at once, where the engraver will set it a moment later. Sizes in spaces of the staff. */
function Soon({
  place: { x, heads, staff, space },
  head,
}: {
  readonly place: SoonPlace;
  readonly head: EnteredView['head'];
}) {
  const ys = heads.map(({ y }) => y);
  const isUp = Math.max(...ys) > (staff.top + staff.bottom) / 2;
  const stemX = isUp ? x + 1.13 * space : x + 0.05 * space;
  const [from, to] = isUp
    ? [Math.max(...ys), Math.min(...ys) - 3.5 * space]
    : [Math.min(...ys), Math.max(...ys) + 3.5 * space];
  return (
    <g data-soon={heads.map(({ id }) => id).join(' ')} stroke="currentColor" strokeWidth={0.13 * space}>
      {heads.map(({ id, y }) => (
        <ellipse
          key={id}
          cx={x + 0.59 * space}
          cy={y}
          rx={0.62 * space}
          ry={0.42 * space}
          transform={`rotate(-20 ${x + 0.59 * space} ${y})`}
          fill={head === 'filled' ? 'currentColor' : 'none'}
          strokeWidth={head === 'filled' ? 0 : 0.2 * space}
        />
      ))}
      {head === 'whole' ? null : <path d={`M${stemX} ${from} V${to}`} fill="none" />}
    </g>
  );
}

/** A bar that does not add up: a bracket over it at the head of the line, with what is wrong in words; the left hand's is the lower one. */
function Miscount({ miscount, engraved, from, unit }: OnLine & { readonly miscount: MiscountView }) {
  const bar = engraved.bars[miscount.bar - from];
  if (!bar) return null;
  const y = (miscount.hand === 'left' ? 33 : 17) * unit;
  return (
    <g data-miscount={miscount.bar}>
      <title>{miscount.words}</title>
      <path
        d={`M${bar.x1 + 4 * unit} ${y + 5 * unit} v${-5 * unit} H${bar.x2 - 4 * unit} v${5 * unit}`}
        fill="none"
        stroke="var(--color-error)"
        strokeWidth={1.6 * unit}
        strokeDasharray={`${4 * unit} ${2 * unit}`}
      />
      <text x={bar.x1 + 6 * unit} y={y - 4 * unit} fontSize={TEXT_PX * unit} fontWeight={700} fill="var(--color-error)">
        {miscount.sum}
      </text>
    </g>
  );
}
