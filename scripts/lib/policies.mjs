// What the browser may do on each page of the application, as headers.
import { createHash } from 'node:crypto';

/** The print of a text as policies and subresource integrity have it. */
export function printOf(bytes) {
  return `sha256-${createHash('sha256').update(bytes).digest('base64')}`;
}

/** Scripts that stand in a page itself. */
const INLINE = /<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g;

/** The prints of the scripts in a page: what is not among them does not run. */
function scriptPrints(html) {
  return [...new Set([...html.matchAll(INLINE)].map(([, script]) => `'${printOf(script)}'`))];
}

/** Pages on which a MIDI keyboard or a microphone can be played into. */
const PLAYED_INTO = ['/practice', '/enter', '/atlas'];

/** Styles: the engraver draws with style attributes, and React sets them. A sound’s clock runs in a worker from a blob. */
function contentPolicy(scripts) {
  return [
    `default-src 'self'`,
    `script-src 'self' ${scripts.join(' ')}`.trim(),
    `style-src 'self' 'unsafe-inline'`,
    `img-src 'self' data: blob:`,
    `font-src 'self' data:`,
    `connect-src 'self' data: blob:`,
    `media-src 'self' data: blob:`,
    `worker-src 'self' blob:`,
    `object-src 'none'`,
    `base-uri 'none'`,
    `form-action 'none'`,
    `frame-ancestors 'none'`,
  ].join('; ');
}

/** What a page is never let do, and what it is where it is played into. */
function permissions(path) {
  const played = PLAYED_INTO.includes(path) ? '(self)' : '()';
  const never = ['camera', 'geolocation', 'payment', 'usb', 'serial', 'hid', 'display-capture'];
  return [`midi=${played}`, `microphone=${played}`, ...never.map((name) => `${name}=()`)].join(', ');
}

/** What goes with every answer, also with those of the route handlers. */
const ALWAYS = {
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'no-referrer',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Embedder-Policy': 'require-corp',
  'Cross-Origin-Resource-Policy': 'same-origin',
};

/** The headers of a page, with the scripts that stand in it. */
export function pageHeaders(path, html) {
  return {
    ...ALWAYS,
    'Content-Security-Policy': contentPolicy(scriptPrints(html)),
    'Permissions-Policy': permissions(path),
  };
}

/** The headers of scripts. A worker has the policy of its own script, and that of the engraver compiles a program. */
export function scriptHeaders() {
  return { ...ALWAYS, 'Content-Security-Policy': contentPolicy([`'wasm-unsafe-eval'`]) };
}
