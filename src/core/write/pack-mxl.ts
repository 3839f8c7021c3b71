import { strToU8, zipSync } from 'fflate';

const CONTAINER = `<?xml version="1.0" encoding="UTF-8"?>
<container><rootfiles><rootfile full-path="score.musicxml" media-type="application/vnd.recordare.musicxml+xml"/></rootfiles></container>
`;

/** The earliest time that the archive format knows, as text: the same piece gives the same bytes. */
const NO_TIME = '1980-01-01T00:00:00';

/** Packs MusicXML as `.mxl`. Source: MusicXML 4.0, compressed files: the media type first and not compressed. */
export function packMxl(musicXml: string): Uint8Array {
  return zipSync(
    {
      mimetype: [strToU8('application/vnd.recordare.musicxml'), { level: 0 }],
      'META-INF/container.xml': strToU8(CONTAINER),
      'score.musicxml': strToU8(musicXml),
    },
    { mtime: NO_TIME },
  );
}
