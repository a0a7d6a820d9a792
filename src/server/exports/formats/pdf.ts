import { createWriteStream } from 'node:fs';
import { finished } from 'node:stream/promises';
import PdfDocument from 'pdfkit';
import svgToPdf from 'svg-to-pdfkit';
import { flatMattes, pictured, plainMattes, type GroupItem } from '@/core/draw';
import { writeSvg } from '@/core/formats';
import { evaluate } from '@/core/scene';
import { paintedPicture } from './painted-picture';
import { asDiskFull } from '../../disk';
import type { WriteFormat } from '../export-job';

/** Points of a page to a pixel: an inch is 72 of the one and 96 of the other (CSS Values 4, 6.2). */
const POINTS = 0.75;
/** A still is of no time; a date in it would make two files of the same frame differ. */
const UNDATED = new Date(0);

/** What is done to pixels and not to shapes. Masks of PDF keep by brightness; they don't cut by it. */
const isOfPixels = ({ moments, operator, filters = [] }: GroupItem): boolean =>
  moments !== undefined ||
  filters.some(({ kind }) => kind !== 'alpha from brightness' || operator === 'erase');

/** One frame as a page of PDF: the still that SVG has, drawn onto a page, with a picture where something is blurred. */
export const writePdf: WriteFormat = async ({ piece, settings, file, progress }) => {
  const { name, size } = piece;
  const list = evaluate(piece, settings.first);
  const items = pictured(flatMattes(list.items), isOfPixels, (group) => paintedPicture(group, size));
  const svg = writeSvg({
    ...{
      name,
      lists: [{ ...list, items: plainMattes(items) }],
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
