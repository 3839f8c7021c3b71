import { Fragment } from 'react';

/** A sentence in which what is typed letter by letter stands between ‹ and ›. */
export function Coded({ text }: { readonly text: string }) {
  return text.split(/‹(.*?)›/).map((part, i) =>
    // Every second part was between the signs.
    i % 2 === 1 ? <code key={i}>{part}</code> : <Fragment key={i}>{part}</Fragment>,
  );
}
