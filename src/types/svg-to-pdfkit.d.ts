declare module 'svg-to-pdfkit' {
  /** Draws a picture into a document. */
  export default function drawSvg(
    doc: PDFKit.PDFDocument,
    svg: string,
    x: number,
    y: number,
    options: {
      readonly width: number;
      readonly height: number;
      readonly preserveAspectRatio: string;
      readonly assumePt: boolean;
      readonly fontCallback: (family: string, isBold: boolean, isItalic: boolean) => string;
    },
  ): void;
}
