declare module 'svg-to-pdfkit' {
  /** Draws an SVG onto a page of pdfkit. */
  export default function svgToPdf(
    document: PDFKit.PDFDocument,
    svg: string,
    x: number,
    y: number,
    options: { readonly width: number; readonly height: number },
  ): void;
}
