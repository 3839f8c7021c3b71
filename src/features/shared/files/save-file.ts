'use client';

/** How long the browser may take to fetch a saved file from its temporary address. */
const ADDRESS_KEPT_MS = 10_000;

/** Hands a file to the browser to be saved. */
export function saveFile(name: string, mediaType: string, content: string | Uint8Array): void {
  const part: BlobPart = typeof content === 'string' ? content : new Uint8Array(content);
  const address = URL.createObjectURL(new Blob([part], { type: mediaType }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), ADDRESS_KEPT_MS);
}
