import { createWriteStream } from 'node:fs';
import { finished } from 'node:stream/promises';
import PdfDocument from 'pdfkit';
import svgToPdf from 'svg-to-pdfkit';
import { changed, type Piece } from '@/core/document';
import { plainMattes, withoutSoft } from '@/core/draw';
import { writeSvg } from '@/core/formats';
import { evaluate } from '@/core/scene';
import { asDiskFull } from '../../disk';
import type { WriteFormat } from '../export-job';

/** Points of a page to a pixel: an inch is 72 of the one and 96 of the other (CSS Values 4, 6.2). */
const POINTS = 0.75;
/** A still is of no time; a date in it would make two files of the same frame differ. */
const UNDATED = new Date(0);

/** One frame as a page of PDF, all of it vectors: the still that SVG has, without what is only soft, drawn onto a page. */
export const writePdf: WriteFormat = async ({ piece, settings, file, progress }) => {
  const { name, size } = piece;
  // Light that is summed of many moments has no word in it.
  const list = evaluate(changed<Piece>(piece, { shutter: undefined }), settings.first);
  const svg = writeSvg({
    ...{
      name,
      lists: [{ ...list, items: plainMattes(withoutSoft(list.items)) }],
      framesPerSecond: 1,
      plays: 'once',
    },
    ...{ still: 0, scale: 1, ...(settings.transparency === 'over' && { over: settings.over }) },
  });
  const [width, height] = [size.width, size.height].map((side) => side * settings.scale * POINTS) as [
    number,
    number,
  ];
  const info = { Title: name, Creator: 'Obelus', CreationDate: UNDATED };
  const page = new PdfDocument({ size: [width, height], margin: 0, info });
  const out = createWriteStream(file);
  page.pipe(out);
  svgToPdf(page, svg, 0, 0, { width, height });
  page.end();
  await finished(out).catch((error: unknown) => {
    throw asDiskFull(error);
  });
  return progress(1);
};
