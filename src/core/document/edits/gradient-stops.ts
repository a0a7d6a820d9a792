import { colourAt, rampAt, sortedStops, type Stop } from '../../colour';
import { valueAt } from '../../timing';
import { swatchColour, type Gradient, type Ink } from '../schema';
import { withValueAt, type InkChange } from './ink';

/** The stops of a gradient as they are at a frame, in the order in which they are listed. */
export const stopsListed = (gradient: Gradient, frame: number): readonly Stop[] =>
  gradient.stops.map((stop) => ({
    at: valueAt(stop.at, frame),
    colour: colourAt(stop.colour, frame),
    opacity: valueAt(stop.opacity, frame),
  }));

/** Places of stops are kept to a hundredth of a percent. */
const rounded = (at: number): number => Number(at.toFixed(4));

/** A gradient with one of its stops at another place (a share) at a frame. */
export const withStopAt = (gradient: Gradient, index: number, at: number, frame: number): Gradient => ({
  ...gradient,
  stops: gradient.stops.map((stop, i) =>
    i === index ? { ...stop, at: withValueAt(stop.at, frame, rounded(at)) } : stop,
  ),
});

/** A gradient with one stop more, of the colour that it has at that place and frame: nothing of it looks otherwise. */
export function withNewStop(gradient: Gradient, at: number, frame: number): Gradient {
  const { colour, opacity } = rampAt(sortedStops(stopsListed(gradient, frame)), at);
  return { ...gradient, stops: [...gradient.stops, { at: rounded(at), colour, opacity }] };
}

/** A gradient without one of its stops; the last one stays. */
export const withoutStop = (gradient: Gradient, index: number): Gradient =>
  gradient.stops.length < 2 ? gradient : { ...gradient, stops: gradient.stops.filter((_, i) => i !== index) };

/** A gradient that runs the other way at a frame. */
export const turnedStops = (gradient: Gradient, frame: number): Gradient => ({
  ...gradient,
  stops: gradient.stops.map((stop) => ({
    ...stop,
    at: withValueAt(stop.at, frame, 1 - valueAt(stop.at, frame)),
  })),
});

/** How the colours of an ink run: one colour, colours along the stroke, or across the picture. */
export type ColourRun = 'solid' | 'along' | 'picture';

export const colourRunOf = ({ gradient }: Ink): ColourRun =>
  !gradient ? 'solid' : gradient.along === 'picture' ? 'picture' : 'along';

/** Colours to begin with: along the stroke a head that is brighter than its tail, across the picture the tail's green. */
const FIRST_STOPS = {
  visible: (colour: string) => [
    { at: 0, colour, opacity: 1 },
    { at: 0.7, colour, opacity: 1 },
    { at: 1, colour: '#ffe9c9', opacity: 1 },
  ],
  picture: (colour: string) => [
    { at: 0, colour, opacity: 1 },
    { at: 1, colour: '#43b3a0', opacity: 1 },
  ],
};

/** What lets the colours of an ink run otherwise: colours that it has stay, where it has one alone others are added to it. */
export function withColourRun(ink: Ink, run: ColourRun, size: { readonly width: number }): InkChange {
  if (run === colourRunOf(ink)) return {};
  if (run === 'solid') return { gradient: undefined, colour: swatchColour(ink) };
  const along = run === 'along' ? 'visible' : 'picture';
  const first = {
    from: { x: 0, y: 0 },
    to: { x: size.width, y: 0 },
    stops: FIRST_STOPS[along](swatchColour(ink)),
  };
  return { gradient: { ...(ink.gradient ?? first), along } };
}
