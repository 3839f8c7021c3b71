import type { Page } from 'puppeteer-core';

/** What cannot be read on the screen as it is: words that are cut, words that lie over other words, words outside of the window, a page that scrolls
 * sideways. Music, pictures, and titles that a teacher gave are left out; so is what is folded away. */
export function illegible(page: Page): Promise<readonly string[]> {
  return page.evaluate(() => {
    interface Written {
      readonly element: Element;
      readonly text: string;
      readonly box: DOMRect;
    }
    const SLACK = 2;
    const found: string[] = [];
    const isLeftOut = (element: Element): boolean =>
      element.closest(
        'svg, figure, .sr-only, script, style, [data-role=tour], [aria-hidden=true], h1, h2, [data-own-words]',
      ) !== null ||
      (element.closest('details:not([open])') !== null && element.closest('summary') === null);

    // For those who listen: one pixel, and the rest clipped.
    const isForListening = (element: Element | null): boolean =>
      element !== null &&
      ((getComputedStyle(element).overflow !== 'visible' && element.getBoundingClientRect().width <= 1) ||
        isForListening(element.parentElement));

    const { scrollWidth, clientWidth } = document.documentElement;
    if (scrollWidth > clientWidth) found.push(`the page scrolls sideways by ${scrollWidth - clientWidth}`);

    // Every line of every text, as it lies on the screen.
    const written: Written[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const element = node.parentElement;
      const text = node.textContent?.trim() ?? '';
      if (!element || text === '' || isLeftOut(element) || ['OPTION', 'TEXTAREA'].includes(element.tagName)) continue;
      if (!element.checkVisibility({ opacityProperty: true, visibilityProperty: true })) continue;
      if (isForListening(element)) continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      for (const box of range.getClientRects())
        if (box.width > 1 && box.height > 1) written.push({ element, text, box });
    }

    // Inside the box that they are set in: what runs out of it lies under its neighbours.
    const boxOf = (element: Element): Element =>
      getComputedStyle(element).display.startsWith('inline') && !getComputedStyle(element).display.includes('-')
        ? boxOf(element.parentElement ?? document.body)
        : element;
    for (const { element, text, box } of written) {
      const own = boxOf(element).getBoundingClientRect();
      if (box.left < own.left - SLACK || box.right > own.right + SLACK) found.push(`runs out of its place: ${text}`);
    }

    // Inside what clips them without scrolling, inside their button, inside the window.
    for (const { element, text, box } of written) {
      const button = element.closest('button, .btn, .badge, kbd');
      const frame = button?.getBoundingClientRect();
      if (frame && (box.left < frame.left - SLACK || box.right > frame.right + SLACK))
        found.push(`out of its button: ${text}`);
      for (let at: Element | null = element; at; at = at.parentElement) {
        const { overflowX, overflowY } = getComputedStyle(at);
        const clip = at.getBoundingClientRect();
        const isSideways = box.left < clip.left - SLACK || box.right > clip.right + SLACK;
        const isUpright = box.top < clip.top - SLACK || box.bottom > clip.bottom + SLACK;
        if (['auto', 'scroll'].includes(overflowX) || ['auto', 'scroll'].includes(overflowY)) break;
        if ((isSideways && overflowX === 'hidden') || (isUpright && overflowY === 'hidden')) {
          found.push(`cut: ${text}`);
          break;
        }
        if (at === document.body && isSideways) found.push(`outside of the window: ${text}`);
      }
    }

    // Fields and lists show what is chosen, and what may be typed, whole.
    const pen = document.createElement('canvas').getContext('2d');
    for (const field of document.querySelectorAll<HTMLSelectElement | HTMLInputElement>('select, input[placeholder]')) {
      if (isLeftOut(field) || !field.checkVisibility() || !pen) continue;
      const style = getComputedStyle(field);
      pen.font = style.font;
      const shown = field instanceof HTMLSelectElement ? (field.selectedOptions[0]?.text ?? '') : field.placeholder;
      const space = field.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight);
      if (pen.measureText(shown).width > space + SLACK) found.push(`cut in its field: ${shown}`);
    }

    // No words over other words. What lies over everything else for a while is looked at by itself.
    const isOver = (element: Element): boolean =>
      element.closest('[popover], dialog, [data-over], .absolute, .sticky, .fixed, .toast') !== null;
    const flat = written.filter(({ element }) => !isOver(element));
    flat.forEach((one, i) => {
      for (const other of flat.slice(i + 1)) {
        const across = Math.min(one.box.right, other.box.right) - Math.max(one.box.left, other.box.left);
        const down = Math.min(one.box.bottom, other.box.bottom) - Math.max(one.box.top, other.box.top);
        const height = Math.min(one.box.height, other.box.height);
        // Lines that are set close touch each other a little.
        if (across > SLACK && down > height / 3) {
          const scrolls = (element: Element): Element | null =>
            element.closest('.overflow-x-auto, .overflow-y-auto, .overflow-auto');
          if (scrolls(one.element) === scrolls(other.element))
            found.push(`over each other: ${one.text} / ${other.text}`);
        }
      }
    });
    return [...new Set(found)];
  });
}
