/** What every name that is kept in the browser begins with: other applications may be at home at the same address. */
const OWN = 'new-thumb';

/** Forgets what this tab keeps: words of forms, and its name. */
export function forgetTab(): void {
  for (const name of Object.keys(sessionStorage)) if (name.startsWith(OWN)) sessionStorage.removeItem(name);
}

/** Removes what the browser keeps beside the studio: words of forms, and the application itself for use without a network. */
export async function removeLeftovers(): Promise<void> {
  forgetTab();
  // Neither is there on an address that is not secure.
  if ('serviceWorker' in navigator) await (await navigator.serviceWorker.getRegistration())?.unregister();
  if (!('caches' in globalThis)) return;
  const names = (await caches.keys()).filter((name) => name.startsWith(OWN));
  await Promise.all(names.map((name) => caches.delete(name)));
}
