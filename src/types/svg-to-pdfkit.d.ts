declare module 'svg-to-pdfkit' {
  interface DrawOptions {
    readonly width: number;
    readonly height: number;
    readonly preserveAspectRatio: string;
    readonly assumePt: boolean;
    readonly fontCallback: (family: string, isBold: boolean, isItalic: boolean) => string;
  }

  /** Draws a picture into a document, its upper left corner at this place. */
  const drawSvg: (
    doc: PDFKit.PDFDocument,
    svg: string,
    ...placed: readonly [x: number, y: number, options: DrawOptions]
  ) => void;
  export default drawSvg;
}
