/** How pictures are drawn: ink and shapes first, so that they can be read without colour. */
export const AXIS = { fill: 'var(--color-base-content)', fontSize: 13 } as const;
export const GRID = 'var(--color-base-300)';
export const INK = 'var(--color-base-content)';
export const SOLID = 'var(--color-primary)';
export const MARGIN = { top: 6, right: 12, bottom: 4, left: -16 } as const;
export const TIP = {
  contentStyle: {
    background: 'var(--color-base-100)',
    borderColor: 'var(--color-base-300)',
    color: 'var(--color-base-content)',
  },
  cursor: { fill: 'var(--color-base-200)', stroke: 'var(--color-base-300)' },
} as const;

/** What is not clean is hatched, what is clean is solid. */
export const HATCH = 'url(#hatched)';

export function Hatching() {
  return (
    <defs>
      <pattern id="hatched" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width={6} height={6} fill="var(--color-base-100)" />
        <line x1={0} y1={0} x2={0} y2={6} stroke="var(--color-secondary)" strokeWidth={3} />
      </pattern>
    </defs>
  );
}
