import type { Step } from '../state';

/** What the address of a piece says beside which piece it is: what is looked at. */
export interface Looked {
  readonly step: Step;
  readonly frame: number;
  /** Ids of layers and groups. */
  readonly selected: readonly string[];
}

export const STEP_IDS: readonly Step[] = [
  'setup',
  'underlay',
  'trace',
  'ink',
  'place',
  'time',
  'reveal',
  'finish',
];

const isStep = (text: string | null): text is Step => STEP_IDS.includes(text as Step);

/** More ids than this make no address. */
const MOST = 12;

/** The query of an address; what is as it opens anyway is left out. */
export function writeAddress({ step, frame, selected }: Looked): string {
  const query = new URLSearchParams();
  if (step !== 'trace') query.set('step', step);
  if (frame > 0) query.set('frame', String(Math.round(frame)));
  if (selected.length > 0 && selected.length <= MOST) query.set('selected', selected.join(','));
  const text = query.toString().replaceAll('%2C', ',');
  return text === '' ? '' : `?${text}`;
}

/** What an address says; what it says wrongly counts as not said. */
export function readAddress(query: string): Looked {
  const said = new URLSearchParams(query);
  const step = said.get('step');
  const frame = Number(said.get('frame'));
  return {
    step: isStep(step) ? step : 'trace',
    frame: Number.isInteger(frame) && frame > 0 ? frame : 0,
    selected: (said.get('selected') ?? '').split(',').filter(Boolean).slice(0, MOST),
  };
}
