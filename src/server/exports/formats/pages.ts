import { writeFile } from 'node:fs/promises';
import { strToU8 } from 'fflate';
import { asDiskFull } from '../../disk';
import { examplePage, pageOf, playerScript, reelOf } from '../../player';
import type { ExportJob, WriteFormat } from '../export-job';
import { needFrames, zipEntries } from '../verify';
import { writeZip } from '../../zip';

const reelFor = ({ piece, settings }: ExportJob) =>
  reelOf(piece, settings.first, settings.last, settings.transparency === 'over' ? settings.over : null);

/** A page of its own that plays the piece. */
export const writePage: WriteFormat = async (job) => {
  const text = await pageOf({ reel: await reelFor(job), plays: job.settings.plays });
  await writeFile(job.file, text).catch((error: unknown) => {
    throw asDiskFull(error);
  });
  return job.progress(1);
};

/** The element, the piece and an example in a zip archive. */
export const writeElement: WriteFormat = async (job) => {
  const { file, stem, settings, progress } = job;
  const reel = await reelFor(job);
  const name = `${stem}.json`;
  const { text, version } = await playerScript();
  // Two archives that are unpacked beside one another bring the same script, or two that don't take one another's name.
  const script = `obelus-piece-${version}.js`;
  await writeZip(file, async (zip) => {
    await zip.add(script, strToU8(text));
    await zip.add(name, strToU8(JSON.stringify(reel)));
    await zip.add('example.html', strToU8(examplePage(reel, script, name, settings.plays)));
    return true;
  });
  await needFrames(file, zipEntries, 3);
  return progress(1);
};
