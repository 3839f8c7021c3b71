import { USUAL_LANGUAGE } from '@/core/explain';
import { expose } from 'comlink';
import { engravedSystem } from './engraved-places';
import { asWideAs, readPicture, trueToScale } from './picture';
import { stayAlive } from './alive';
import { guarded } from './guarded';
import { serviceTrouble } from './trouble';
import type { Answer, EngravedSystem, EngraveLayout, EngraveService } from './protocol';
import { engraveLayoutSchema, engravingPageSchema } from './protocol-schemas';
import type { EngravingPage } from '@/core/write';
import { withStaffKeys } from './staff-keys';
import { enableLog, LOG_ERROR, VerovioToolkit } from 'verovio/esm';

/** The engraver's own script, beside its program, as scripts/engraver.mjs puts it. */
const ENGRAVER = `${self.location.origin}${process.env['NEXT_PUBLIC_ENGRAVER']}/verovio.mjs`;

/** The engraver takes half a second to start, so it is begun at once; where it came to grief, it is begun again. */
let starting = start();

async function start(): Promise<VerovioToolkit> {
  const { default: createModule } = (await import(
    /* turbopackIgnore: true */ ENGRAVER
  )) as typeof import('verovio/wasm');
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
    if (keyChanges.length > 0) {
      const mei = withStaffKeys(toolkit.getMEI({}), keyChanges);
      if (mei === null) return otherShape(toolkit, 'its own format is no XML');
      toolkit.loadData(mei);
    }
    const isLine = breaks === 'none' && spread === 'natural';
    const systems: EngravedSystem[] = [];
    for (let number = 1; number <= toolkit.getPageCount(); number += 1) {
      const picture = readPicture(toolkit.renderToSVG(number));
      const system = picture.ok
        ? engravedSystem(trueToScale(isLine ? asWideAs(picture.value, widthPx, zoom) : picture.value))
        : picture;
      if (!system.ok) return otherShape(toolkit, system.error);
      systems.push(system.value);
    }
    return { ok: true, value: systems };
  } catch {
    // A crash inside the engraver leaves it unusable: the next page gets a new one.
    starting = start();
    return REFUSED;
  }
}

/** The release of the engraver whose pictures we know. Another one may do as well; where its pictures are others, it is said. */
const KNOWN_RELEASE = '6.3.0';

/** The engraver's pictures are not as we read them: which release it is, and what is not there. */
function otherShape(toolkit: VerovioToolkit, what: string): Answer<never> {
  const release = toolkit.getVersion();
  const isKnown = release.startsWith(KNOWN_RELEASE);
  return {
    ok: false,
    trouble: serviceTrouble(USUAL_LANGUAGE, { code: 'engrave.shape', what, release: isKnown ? null : release }),
  };
}

const REFUSED = { ok: false, trouble: serviceTrouble(USUAL_LANGUAGE, { code: 'engrave.refused' }) } as const;

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

async function ready(): Promise<Answer<null>> {
  await starting;
  return { ok: true, value: null };
}

expose(guarded<EngraveService>({ engrave, ready }));
stayAlive();
