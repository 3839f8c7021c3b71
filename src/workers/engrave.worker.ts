import { expose } from 'comlink';
import { engravedSystem } from './engraved-places';
import { engraveLayoutSchema, engravingPageSchema, type Answer, type EngravedSystem, type EngraveLayout } from './protocol';
import type { EngravingPage } from '@/core/write';
import { withStaffKeys } from './staff-keys';
import { enableLog, LOG_ERROR, VerovioToolkit } from 'verovio/esm';

/** The engraver's own script, beside its program, as scripts/engraver.mjs puts it. */
const ENGRAVER = `${self.location.origin}${process.env['NEXT_PUBLIC_ENGRAVER']}/verovio.mjs`;

/** The engraver takes half a second to start, so it is begun at once; where it came to grief, it is begun again. */
let starting = start();

async function start(): Promise<VerovioToolkit> {
  const { default: createModule } = (await import(/* turbopackIgnore: true */ ENGRAVER)) as typeof import('verovio/wasm');
  const verovio = await createModule();
  // A card shows the first bars only: a slur that ends later is no fault worth a warning.
  enableLog(LOG_ERROR, verovio);
  return new VerovioToolkit(verovio);
}

async function engrave(page: EngravingPage, layout: EngraveLayout): Promise<Answer<readonly EngravedSystem[]>> {
  const { musicXml, keyChanges } = engravingPageSchema.validateSync(page, { strict: true });
  const { widthPx, zoom, breaks, spread } = engraveLayoutSchema.validateSync(layout, { strict: true });
  try {
    const toolkit = await starting;
    toolkit.setOptions({
      ...HOUSE_STYLE,
      breaks,
      ...(spread === 'natural' ? ENTERED : PRINTED),
      scale: zoom,
      pageWidth: breaks === 'none' ? 100_000 : Math.round((widthPx * 100) / zoom),
    });
    if (!toolkit.loadData(musicXml)) return REFUSED;
    if (keyChanges.length > 0) toolkit.loadData(withStaffKeys(toolkit.getMEI({}), keyChanges));
    const isLine = breaks === 'none' && spread === 'natural';
    const pictures = Array.from({ length: toolkit.getPageCount() }, (_, i) => toolkit.renderToSVG(i + 1));
    const systems = pictures.map((svg) => engravedSystem(isLine ? asWideAs(svg, widthPx, zoom) : svg));
    return { ok: true, value: systems };
  } catch {
    // A crash inside the engraver leaves it unusable: the next page gets a new one.
    starting = start();
    return REFUSED;
  }
}

/** The smallest score that has a sign among its text: a metronome mark. */
const PROBE =
  '<score-partwise version="4.0"><part-list><score-part id="P"><part-name/></score-part></part-list><part id="P"><measure number="1">' +
  '<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef></attributes>' +
  '<direction><direction-type><metronome><beat-unit>quarter</beat-unit><per-minute>60</per-minute></metronome></direction-type></direction>' +
  '<note><rest/><duration>4</duration><type>whole</type></note></measure></part></score-partwise>';

/** The font of the signs that stand among text, as a rule for a style sheet. The engraver would put it into every
 * picture; once in the document it serves all of them. Empty where the engraver has none. */
async function textFont(): Promise<string> {
  const toolkit = await starting;
  toolkit.setOptions({ ...HOUSE_STYLE, breaks: 'none', smuflTextFont: 'embedded' });
  const svg = toolkit.loadData(PROBE) ? toolkit.renderToSVG(1) : '';
  return /@font-face\s*\{[^}]*\}/.exec(svg)?.[0] ?? '';
}

const REFUSED = {
  ok: false,
  trouble: { code: 'engrave.refused', message: 'This piece could not be engraved.', hint: 'It is kept as it is; saving it still works.', line: null },
} as const;

/** Units of a picture to a pixel at print size. Source: our own look at the engraver's pictures, whose inner and outer boxes differ by it. */
const UNITS = 10;

/** Gives the picture of one long line the width of the page, so that lines of different lengths are of one size. A line that is longer keeps its own. */
function asWideAs(svg: string, widthPx: number, zoom: number): string {
  const widths = [widthPx, (widthPx * UNITS * 100) / zoom].values();
  return svg.replace(/(<svg\b[^>]*?viewBox="0 0 )([\d.]+)/g, (_, before: string, own: string) => `${before}${Math.max(widths.next().value ?? 0, Number(own))}`);
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

export type EngraveWorker = { engrave: typeof engrave; textFont: typeof textFont };
expose({ engrave, textFont } satisfies EngraveWorker);
