/** Keys as they are printed, where the browser calls them otherwise. */
const CAPS: Readonly<Record<string, string>> = {
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  Escape: 'Esc',
  'Control+k': 'Ctrl + K',
  'Control+h': 'Ctrl + H',
  'Control+z': 'Ctrl + Z',
  'Control+Shift+z': 'Ctrl + Shift + Z',
};

/** A key of a screen as it is printed. */
export function keyCap(key: string): string {
  return CAPS[key] ?? key;
}

/** What a button does, with the key that does it too: `Tools of the page (o)`. */
export function withKey(words: string, key: string): string {
  return `${words} (${keyCap(key)})`;
}
