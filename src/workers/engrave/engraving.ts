import { err, ok, type Result } from '@/core/base';
import type { EngravingPage } from '@/core/write';
import type { VerovioToolkit } from 'verovio/esm';
import { engravedSystem } from './engraved-places';
import { asWideAs, readPicture, trueToScale } from './picture';
import type { EngravedSystem, EngraveLayout } from '@/contract/engraving-questions';
import { withStaffKeys } from './staff-keys';

/** Why a page could not be engraved: the engraver refused it, or its picture is not as we read it. */
export type EngravingFault = { readonly code: 'refused' } | { readonly code: 'shape'; readonly what: string };

/** Has the engraver draw a page, system by system. The same in a worker and, for what is engraved with the build, in Node. */
export function engravePage(
  toolkit: VerovioToolkit,
  { musicXml, keyChanges }: EngravingPage,
  { widthPx, zoom, breaks, spread = 'wide' }: EngraveLayout,
): Result<readonly EngravedSystem[], EngravingFault> {
  toolkit.setOptions({
    ...HOUSE_STYLE,
    breaks,
    ...(spread === 'natural' ? ENTERED : PRINTED),
    scale: zoom,
    pageWidth: breaks === 'none' ? 100_000 : Math.round((widthPx * 100) / zoom),
  });
  if (!toolkit.loadData(musicXml)) return err({ code: 'refused' });
  if (keyChanges.length > 0) {
    const mei = withStaffKeys(toolkit.getMEI({}), keyChanges);
    if (mei === null) return err({ code: 'shape', what: 'its own format is no XML' });
    toolkit.loadData(mei);
  }
  const isLine = breaks === 'none' && spread === 'natural';
  const systems: EngravedSystem[] = [];
  for (let number = 1; number <= toolkit.getPageCount(); number += 1) {
    const picture = readPicture(toolkit.renderToSVG(number));
    const system = picture.ok
      ? engravedSystem(trueToScale(isLine ? asWideAs(picture.value, widthPx, zoom) : picture.value))
      : picture;
    if (!system.ok) return err({ code: 'shape', what: system.error });
    systems.push(system.value);
  }
  return ok(systems);
}

/** A line that is being entered is as long as its notes need, with room above it for what is wrong with its bars. */
const ENTERED = { spacingLinear: 0.33, pageMarginTop: 75 };
const PRINTED = { spacingLinear: 0.25, pageMarginTop: 20 };

/** How our pages look. Heights and margins in the engraver's own units (ten to a staff space at print size). */
const HOUSE_STYLE = {
  adjustPageHeight: true,
  adjustPageWidth: false,
  pageHeight: 60_000,
  pageMarginBottom: 20,
  pageMarginLeft: 20,
  pageMarginRight: 20,
  header: 'none',
  footer: 'none',
  svgViewBox: true,
  svgRemoveXlink: true,
  svgFormatRaw: true,
  font: 'Bravura',
  smuflTextFont: 'none',
  mnumInterval: 0,
  spacingStaff: 8,
  spacingSystem: 14,
  systemDivider: 'none',
  minLastJustification: 0.2,
  // Our text is a little wider than the one that the engraver reckons with: words get more room.
  lyricSize: 4.3,
  lyricWordSpace: 2.2,
  // Fingers are sized by the size of words: as large as before those got more room.
  fingeringScale: 1,
};
