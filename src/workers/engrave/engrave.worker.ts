import { USUAL_LANGUAGE } from '@/core/explain';
import { expose } from 'comlink';
import { engravePage } from './engraving';
import { stayAlive } from '@/crossing/alive';
import { guarded } from '@/crossing/guarded';
import { serviceTrouble } from '@/crossing/trouble';
import type { EngravedSystem, EngraveLayout, EngraveService } from '@/contract/engraving-questions';
import type { Answer } from '@/contract/answer';
import { ENGRAVE_CHECKS } from '@/contract/engraving-checks';
import type { EngravingPage } from '@/core/write';
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
  const toolkit = await starting.catch(() => null);
  if (toolkit === null) {
    starting = start();
    return MISSING;
  }
  try {
    const engraved = engravePage(toolkit, page, layout);
    if (engraved.ok) return engraved;
    return engraved.error.code === 'refused' ? REFUSED : otherShape(toolkit, engraved.error.what);
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

const MISSING = { ok: false, trouble: serviceTrouble(USUAL_LANGUAGE, { code: 'engrave.missing' }) } as const;
const REFUSED = { ok: false, trouble: serviceTrouble(USUAL_LANGUAGE, { code: 'engrave.refused' }) } as const;

/** Whether it has come is told with the first page. */
async function ready(): Promise<Answer<null>> {
  await starting.catch(() => null);
  return { ok: true, value: null };
}

expose(guarded<EngraveService>({ engrave, ready }, ENGRAVE_CHECKS));
stayAlive();
