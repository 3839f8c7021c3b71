import { expose } from 'comlink';
import { engraveLayoutSchema, engravingPageSchema, type Answer, type EngraveLayout } from './protocol';
import type { EngravingPage } from '@/core/write';
import { withStaffKeys } from './staff-keys';
import type { VerovioToolkit } from 'verovio/esm';

/** The engraver takes half a second to start, so it is begun at once; where it came to grief, it is begun again. */
let starting = start();

async function start(): Promise<VerovioToolkit> {
  const [{ default: createModule }, { VerovioToolkit: Toolkit, enableLog, LOG_ERROR }] = await Promise.all([import('verovio/wasm'), import('verovio/esm')]);
  const verovio = await createModule();
  // A card shows the first bars only: a slur that ends later is no fault worth a warning.
  enableLog(LOG_ERROR, verovio);
  return new Toolkit(verovio);
}

async function engrave(page: EngravingPage, layout: EngraveLayout): Promise<Answer<readonly string[]>> {
  const { musicXml, keyChanges } = engravingPageSchema.validateSync(page, { strict: true });
  const { widthPx, zoom, breaks } = engraveLayoutSchema.validateSync(layout, { strict: true });
  try {
    const toolkit = await starting;
    toolkit.setOptions({
      ...HOUSE_STYLE,
      breaks,
      scale: zoom,
      pageWidth: breaks === 'none' ? 100_000 : Math.round((widthPx * 100) / zoom),
    });
    if (!toolkit.loadData(musicXml)) return REFUSED;
    if (keyChanges.length > 0) toolkit.loadData(withStaffKeys(toolkit.getMEI({}), keyChanges));
    const systems = Array.from({ length: toolkit.getPageCount() }, (_, i) => toolkit.renderToSVG(i + 1));
    return { ok: true, value: systems };
  } catch {
    // A crash inside the engraver leaves it unusable: the next page gets a new one.
    starting = start();
    return REFUSED;
  }
}

const REFUSED = {
  ok: false,
  trouble: { code: 'engrave.refused', message: 'This piece could not be engraved.', hint: 'It is kept as it is; saving it still works.', line: null },
} as const;

/** How our pages look. Heights and margins in the engraver's own units (ten to a staff space at print size). */
const HOUSE_STYLE = {
  adjustPageHeight: true,
  adjustPageWidth: false,
  pageHeight: 60_000,
  pageMarginTop: 20,
  pageMarginBottom: 20,
  pageMarginLeft: 20,
  pageMarginRight: 20,
  header: 'none',
  footer: 'none',
  svgViewBox: true,
  svgRemoveXlink: true,
  svgFormatRaw: true,
  font: 'Bravura',
  mnumInterval: 0,
  spacingStaff: 8,
  spacingSystem: 14,
  systemDivider: 'none',
  minLastJustification: 0.4,
  lyricSize: 4.8,
  fingeringScale: 0.9,
};

export type EngraveWorker = { engrave: typeof engrave };
expose({ engrave } satisfies EngraveWorker);
