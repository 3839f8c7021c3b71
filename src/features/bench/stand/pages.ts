import type { Engraved } from '@/features/shared/music/engraved-page';

/** A page of the music stand: the systems that are seen at once. */
export interface StandPage {
  /** Bars as indexes: from the first, up to but not with the last. */
  readonly fromBar: number;
  readonly toBar: number;
  /** Where it begins and how high it is. Unit: px. */
  readonly topPx: number;
  readonly heightPx: number;
}

/** Systems put onto pages one after the other, as many as find room whole; one that is higher than the room has a page of its own. */
export function standPages(systems: Engraved['systems'], roomPx: number): readonly StandPage[] {
  const pages: StandPage[] = [];
  let [bar, top] = [0, 0];
  for (const { heightPx, bars } of systems) {
    const last = pages.at(-1);
    const [toBar, bottom] = [bar + bars, top + heightPx];
    if (last && bottom - last.topPx <= roomPx)
      pages[pages.length - 1] = { ...last, toBar, heightPx: bottom - last.topPx };
    else pages.push({ fromBar: bar, toBar, topPx: top, heightPx });
    [bar, top] = [toBar, bottom];
  }
  return pages;
}

/** The page on which a bar stands; the last one for bars beyond. */
export function pageOfBar(pages: readonly StandPage[], bar: number): number {
  const at = pages.findIndex(({ toBar }) => bar < toBar);
  return at < 0 ? Math.max(0, pages.length - 1) : at;
}
