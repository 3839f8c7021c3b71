/** From where to where something is seen. Unit: px from the top of the window. */
export interface Sight {
  readonly top: number;
  readonly bottom: number;
}

/** Where an element would be seen: in the room that it is scrolled in, or else in the window between what stands at its top and at its foot
 * (the style sheet knows how much that is). */
export function sightOf(element: Element): Sight {
  const host = element.getRootNode();
  const room = (host instanceof ShadowRoot ? host.host : element).closest('[data-scrolls]');
  if (room) {
    const { top, bottom } = room.getBoundingClientRect();
    return { top, bottom: Math.min(bottom, window.innerHeight) };
  }
  const { scrollPaddingTop, scrollPaddingBottom } = getComputedStyle(document.documentElement);
  return {
    top: Number.parseFloat(scrollPaddingTop),
    bottom: window.innerHeight - Number.parseFloat(scrollPaddingBottom),
  };
}
