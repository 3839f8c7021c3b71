/** From where to where the window shows the page, between what stands at its top and at its foot (the style sheet knows how much that is). Unit: px. */
export function inSight(): { readonly top: number; readonly bottom: number } {
  const { scrollPaddingTop, scrollPaddingBottom } = getComputedStyle(document.documentElement);
  return {
    top: Number.parseFloat(scrollPaddingTop),
    bottom: window.innerHeight - Number.parseFloat(scrollPaddingBottom),
  };
}
