import { SAMPLE } from '../src/contract';
import type { SampleProject } from '../src/server/seed';
import { chapterCard } from './chapter-card';
import { eelRoute, ESTUARY_MAP } from './eel-route';
import { highWater } from './high-water';
import { ident } from './ident';
import { lowerThird } from './lower-third';
import { nameStrip } from './name-strip';
import { openingTitle } from './opening-title';
import { signature } from './signature';
import { tideRing } from './tide-ring';

/** The sample world: one invented series, its pieces made with the same edits that people use. */
export const SAMPLE_PROJECT: SampleProject = {
  name: SAMPLE.project,
  pieces: [
    openingTitle(),
    lowerThird(),
    nameStrip(),
    tideRing(),
    signature(),
    chapterCard(),
    eelRoute(),
    highWater(),
    ident(),
  ],
  underlays: [{ piece: 'Eel route', name: 'Map of the estuary', svg: ESTUARY_MAP, opacity: 0.75 }],
};
