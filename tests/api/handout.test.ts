/** Sheets as they were promised to other programs, through the route handler itself. */
import { describe, expect, it } from '@jest/globals';
import { handout } from '../support/handlers';
import { bytesOf } from '../support/build-piece';
import { demoFile } from '../support/demo-pieces';
import { readPdf } from '../support/read-pdf';

const send = (query: string, body = demoFile('lantern-walk')): Promise<Response> =>
  handout(new Request(`http://localhost/api/handout?${query}`, { method: 'POST', body: bytesOf(body) as BodyInit }));
const printed = async (query: string) => readPdf(new Uint8Array(await (await send(query)).arrayBuffer()));

describe('POST /api/handout', () => {
  it('sends a handout in the piece’s own key, as a PDF with its title', async () => {
    const answer = await send('');
    expect(answer.headers.get('Content-Type')).toBe('application/pdf');
    expect(answer.headers.get('Content-Disposition')).toBe('attachment; filename="lantern-walk-handout-in-C.pdf"');
    const pdf = readPdf(new Uint8Array(await answer.arrayBuffer()));
    expect(pdf.facts).toMatchObject({ Title: 'Lantern Walk', 'PDF version': '1.7', Tagged: 'yes' });
    for (const font of pdf.fonts) expect(font.isEmbedded).toBe(true);
    expect(pdf.texts[0]).toContain('C major');
  });

  it('puts several keys into one file, each with its own pages', async () => {
    const pdf = await printed('keys=D,F,G&sheet=fingers');
    const first = pdf.texts.filter((text) => /Page 1 of/.test(text));
    expect(first.map((text) => /[A-G] major/.exec(text)?.[0])).toEqual(['D major', 'F major', 'G major']);
  });

  it.each([
    ['rote', 'To begin:'],
    ['fingers', 'right hand with stems up'],
    ['key', 'in every key'],
    ['cards', 'Which position is it?'],
    ['blank', 'Write the piece in D major on the empty staves.'],
    ['blank&leave=accidentals', 'Write the sharps'],
  ])('prints %s', async (sheet, words) => {
    expect((await printed(`to=D&sheet=${sheet}`)).texts.join(' ').replace(/\s+/g, ' ')).toContain(words);
  });

  it('adds the answers of a blank sheet on a page of their own', async () => {
    const pdf = await printed('to=D&sheet=blank&leave=fingers&answers=yes');
    expect(pdf.texts[0]).toContain('Write a finger at each note.');
    expect(pdf.texts.at(-1)).toContain('Answers');
  });

  it('prints on the paper that is asked for, turned and with larger music', async () => {
    expect((await printed('paper=letter&turn=across')).facts['Page size']).toMatch(/^792 x 612/);
    const [usual, large] = [await printed('to=D'), await printed('to=D&size=large')];
    expect(large.texts.length).toBeGreaterThanOrEqual(usual.texts.length);
  });

  it('refuses more bars than it prints at once, over all keys, before it begins', async () => {
    const long = `X:1\nT:Long\nM:4/4\nL:1/4\nK:C\n${'CDEF|'.repeat(170)}\n`;
    const answer = await send('keys=D,F', long);
    expect(answer.status).toBe(422);
    expect(await answer.json()).toMatchObject({
      error: {
        code: 'print.too-much',
        message: '340 bars were asked for at once, and at most 320 are printed in one file.',
        hint: 'Ask for fewer keys, or for a part of the piece: a line or a stage.',
      },
    });
    expect((await send('keys=D,F&stage=line-1', long)).status).toBe(200);
  });

  it('prints a stage under its name', async () => {
    const answer = await send('to=D&stage=left-alone');
    expect(answer.headers.get('Content-Disposition')).toContain('lantern-walk-left-alone-handout-in-D.pdf');
  });

  it.each([
    ['sheet=poster', 'sheet'],
    ['paper=a3', 'paper'],
    ['keys=D,Q', 'keys'],
    ['stage=landing-9', 'stage'],
  ])('refuses %s', async (query, name) => {
    const answer = await send(query);
    expect(answer.status).toBe(400);
    const { error } = (await answer.json()) as { readonly error: { readonly code: string; readonly message: string } };
    expect([error.code, error.message.includes(name)]).toEqual(['query.value', true]);
  });
});
