/** A caller who sends drop by drop keeps nobody else waiting. */
import { expect, it } from '@jest/globals';
import { refuse } from '@/api/answers';
import { readBody, readForm } from '@/api/body';

const WITHIN_MS = 30;

/** A body that begins and does not end; tells when it is given up. */
function dripping(begin: string): { readonly body: ReadableStream<Uint8Array>; readonly givenUp: Promise<true> } {
  let tell: (isGivenUp: true) => void = () => undefined;
  const givenUp = new Promise<true>((resolve) => {
    tell = resolve;
  });
  const body = new ReadableStream<Uint8Array>({
    start: (controller) => controller.enqueue(new TextEncoder().encode(begin)),
    cancel: () => tell(true),
  });
  return { body, givenUp };
}

const sent = (body: ReadableStream<Uint8Array>, type: string): Request =>
  new Request('http://localhost/api/transpose', {
    method: 'POST',
    body,
    headers: { 'content-type': type },
    duplex: 'half',
  } as RequestInit);

it('a piece that does not come in whole is given up, and told in words', async () => {
  const { body, givenUp } = dripping('<score-partwise>');
  const read = await readBody(sent(body, 'application/xml'), WITHIN_MS);
  expect(read).toMatchObject({ ok: false, error: { code: 'query.slow' } });
  expect(await givenUp).toBe(true);
  if (read.ok) throw new Error('read');
  const refused = refuse(read.error);
  expect(refused.status).toBe(408);
  expect(await refused.json()).toMatchObject({
    error: { code: 'query.slow', message: expect.stringContaining('whole') },
  });
});

it('a form likewise', async () => {
  const { body } = dripping('--x\r\ncontent-disposition: form-data; name="piece"; filename="a.xml"\r\n\r\n<a');
  const read = await readForm(sent(body, 'multipart/form-data; boundary=x'), ['piece'], WITHIN_MS);
  expect(read).toMatchObject({ ok: false, error: { code: 'query.slow' } });
});
