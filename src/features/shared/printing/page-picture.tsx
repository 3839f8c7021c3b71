import { ownAddress } from '@/features/shared/address/own-address';
import { memo } from 'react';
import { INKS, type PageMark, type PrintedPage } from '@/print/page';

/** The fonts that sheets are set in, on the screen as in the file. */
export const SHEET_FONTS = `
@font-face { font-family: 'sheet-sans'; font-weight: 400; src: url(${ownAddress('/print/sans-400.ttf')}); }
@font-face { font-family: 'sheet-sans'; font-weight: 700; src: url(${ownAddress('/print/sans-700.ttf')}); }
@font-face { font-family: 'sheet-more'; font-weight: 400; src: url(${ownAddress('/print/sans-ext-400.ttf')}); }
@font-face { font-family: 'sheet-more'; font-weight: 700; src: url(${ownAddress('/print/sans-ext-700.ttf')}); }
@font-face { font-family: 'sheet-signs'; font-weight: 400; src: url(${ownAddress('/print/signs-400.ttf')}); }
@font-face { font-family: 'sheet-signs'; font-weight: 700; src: url(${ownAddress('/print/signs-700.ttf')}); }
@font-face { font-family: 'sheet-music'; src: url(${ownAddress('/print/music.ttf')}); }
`;

const FAMILIES = 'sheet-sans, sheet-more, sheet-signs';

interface PagePictureProps {
  readonly page: PrintedPage;
  readonly label: string;
}

/** A printed page as a picture: the same marks in the same places as in the file. */
export const PagePicture = memo(function PagePicture({ page, label }: PagePictureProps) {
  return (
    <svg
      viewBox={`0 0 ${page.width} ${page.height}`}
      role="img"
      aria-label={label}
      className="block h-auto w-full bg-white text-black"
      data-role="sheet-page"
    >
      {page.parts.map((part, i) => (
        <g key={i} data-part={part.role}>
          {part.marks.map((mark, n) => (
            <Mark key={n} mark={mark} />
          ))}
        </g>
      ))}
    </svg>
  );
});

function Mark({ mark }: { readonly mark: PageMark }) {
  switch (mark.kind) {
    case 'text':
      return (
        <text
          x={mark.x}
          y={mark.y}
          fontSize={mark.size}
          fontFamily={FAMILIES}
          fontWeight={mark.weight === 'bold' ? 700 : 400}
          letterSpacing={mark.spacing}
          fill={INKS[mark.ink]}
        >
          {mark.text}
        </text>
      );
    case 'line':
      return (
        <line
          x1={mark.x1}
          y1={mark.y1}
          x2={mark.x2}
          y2={mark.y2}
          stroke={INKS[mark.ink]}
          strokeWidth={mark.width}
          strokeDasharray={mark.dash.join(' ')}
        />
      );
    case 'box':
      return (
        <rect
          x={mark.x}
          y={mark.y}
          width={mark.width}
          height={mark.height}
          rx={mark.round}
          fill={mark.fill === 'none' ? 'none' : INKS[mark.fill]}
          stroke={mark.stroke === 0 ? 'none' : INKS.black}
          strokeWidth={mark.stroke}
          strokeDasharray={mark.dash.join(' ')}
        />
      );
    case 'path':
      return (
        <path
          d={mark.d}
          transform={`translate(${mark.x} ${mark.y})`}
          fill={mark.fill === 'none' ? 'none' : INKS[mark.fill]}
          stroke={mark.fill === 'none' ? INKS.black : 'none'}
          strokeWidth={mark.stroke}
        />
      );
    case 'music':
      return <g dangerouslySetInnerHTML={{ __html: placed(mark) }} />;
  }
}

/** A picture of the engraver in its place on the page. */
function placed({ x, y, width, height, svg }: Extract<PageMark, { readonly kind: 'music' }>): string {
  return svg
    .replace('<svg', `<svg x="${x}" y="${y}" width="${width}" height="${height}" style="height:${height}px"`)
    .replaceAll('font-family="sheet-sans"', `font-family="${FAMILIES}"`);
}
