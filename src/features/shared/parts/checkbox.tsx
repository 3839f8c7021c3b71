import type { ComponentProps } from 'react';

/** A box to tick, the same on every screen. What it is for stands beside it, in a label. */
export function Checkbox(props: Omit<ComponentProps<'input'>, 'type' | 'className'>) {
  return <input type="checkbox" className="checkbox checkbox-primary checkbox-sm shrink-0" {...props} />;
}
