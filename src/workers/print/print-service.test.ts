import { beforeAll, describe, expect, it } from '@jest/globals';
import { readFontFile } from '@/api/press';
import { USUAL_PAPER } from '@/core/paper';
import type { Sheet } from '@/core/sheets';
import { createPress, engraved } from '../../../tests/support/printing';
import { readPdf } from '../../../tests/support/read-pdf';
import { sheetPiece, sheetsOfPiece } from '../../../tests/support/sheets';
import type { EngravedPair } from '@/contract/engraving-questions';
import { createPrintService } from './print-service';

let handout: Sheet;
let music: readonly EngravedPair[];
beforeAll(async () => {
  const [, sheet] = sheetsOfPiece(sheetPiece('lantern-walk', 'D'), USUAL_PAPER)[0] as readonly [string, Sheet];
  handout = sheet;
  const press = await createPress();
  music = [...engraved(press, [handout], USUAL_PAPER)].map(([musicXml, systems]) => ({ musicXml, systems }));
});

const service = createPrintService(readFontFile);

describe('printing behind the worker’s door', () => {
  it('makes a PDF of as many pages as it lays out, and tells of each', async () => {
    const pages = await service.layOut(handout, USUAL_PAPER, music);
    const told: string[] = [];
    const asked = { sheets: [handout, handout], paper: USUAL_PAPER, title: 'Two copies' };
    const pdf = await service.pdf(asked, music, 'pdf 1', (done, of) => told.push(`${done} of ${of}`));
    if (!pages.ok || !pdf.ok) throw new Error('refused');
    const all = pages.value.length * 2;
    expect(told).toEqual(Array.from({ length: all }, (_, i) => `${i + 1} of ${all}`));
    expect(readPdf(pdf.value).facts).toMatchObject({ Title: 'Two copies', Pages: String(all) });
  });

  it('stops between two pages when it is told to, and is ready for the next', async () => {
    const told: number[] = [];
    const asked = { sheets: [handout, handout, handout], paper: USUAL_PAPER, title: 'Stopped' };
    const stopped = await service.pdf(asked, music, 'pdf 2', (done) => {
      told.push(done);
      if (done === 1) void service.stop('pdf 2');
    });
    expect(stopped).toMatchObject({ ok: false, trouble: { code: 'job.stopped' } });
    expect(told.length).toBeLessThan(4);
    expect((await service.pdf({ ...asked, sheets: [handout] }, music, 'pdf 2', () => undefined)).ok).toBe(true);
  });

  it('refuses what is no question, in words', async () => {
    const paper = { ...USUAL_PAPER, paper: 'a3' as 'a4' };
    expect(await service.layOut(handout, paper, music)).toMatchObject({
      ok: false,
      trouble: { code: 'worker.question', hint: expect.any(String) },
    });
  });

  it('asks for its fonts again where they could not be fetched', async () => {
    let isDown = true;
    const later = createPrintService((name) => (isDown ? Promise.reject(new Error('down')) : readFontFile(name)));
    expect((await later.layOut(handout, USUAL_PAPER, music)).ok).toBe(false);
    isDown = false;
    expect((await later.layOut(handout, USUAL_PAPER, music)).ok).toBe(true);
  });
});
