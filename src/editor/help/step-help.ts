import type { Step } from '../state';

/** What a step of the work is for, and how one goes about it. */
interface StepHelp {
  readonly name: string;
  /** In a few words, as a tooltip says it. */
  readonly about: string;
  /** What to do there, one thing a line. */
  readonly ways: readonly string[];
}

export const STEP_HELP: Readonly<Record<Step, StepHelp>> = {
  setup: {
    name: 'Set up',
    about: 'Size, frame rate, length, layouts',
    ways: [
      'Size, frame rate and length can be changed at any time; keys keep their seconds or their frames, as you choose.',
      'The picture is transparent. The background is only for looking.',
      'A layout is put in at the playhead with a press. Its texts and colours then stand above, under Fields.',
    ],
  },
  underlay: {
    name: 'Underlay',
    about: 'Pictures to follow, never exported',
    ways: [
      'Add a scan, a map or a frame of the shot, or drop it on the canvas.',
      'Lock it so that it stays where it is, and lower its opacity to see your strokes.',
      'Trace it … finds the strokes in its ink.',
    ],
  },
  trace: {
    name: 'Trace',
    about: 'Type, strokes, their points and order',
    ways: [
      'Set type and let it write itself: its strokes are found in the order a hand writes them.',
      'Or draw with the pen (P), freehand (F) or as a shape (U).',
      'Numbers on the canvas are the writing order. Tap the order (N) puts it right.',
      'Alt J joins a stroke to the next one, Alt K cuts it where others cross it, R turns it round.',
      'Alt and a press on a point turns a corner into a smooth one and back.',
    ],
  },
  ink: {
    name: 'Ink',
    about: 'Width, colour, taper, dashes, ends',
    ways: [
      'What you change here is changed for all selected strokes.',
      'Press the mark beside a number to key it at this frame.',
      'New strokes take the ink of the stroke before them. A style keeps an ink under a name.',
    ],
  },
  place: {
    name: 'Place',
    about: 'Position, rotation, scale, opacity, parent',
    ways: [
      'Drag on the canvas: corners scale, the knob rotates, the cross is the pivot.',
      'Select a group by its lane to move all of it.',
      'Align and distribute work on any mix of layers and groups, at this frame.',
    ],
  },
  time: {
    name: 'Time',
    about: 'When strokes are written: manner, spread, cue, easing',
    ways: [
      'A manner says how strokes come and go. Choose one and apply it to the selection.',
      'Spread sets the order, and how much later each begins.',
      'In the score a lane draws how much of its stroke is inked: the upper line is the head, the lower the tail. Drag the keys on them.',
      'Select several keys to get a box; pull its sides to stretch the time.',
    ],
  },
  reveal: {
    name: 'Reveal',
    about: 'Mattes, masks, text that comes and goes',
    ways: [
      'Let it write itself uncovers lettering by its own strokes.',
      'Coverage says what stays bare, and what is seen too early.',
      'Matte: choose the layer or group that something is seen through.',
      'Come and go lets text slide out of a line, or come letter by letter.',
    ],
  },
  finish: {
    name: 'Finish',
    about: 'Effects, motion blur, accents',
    ways: [
      'Add effects to a stroke, lettering, art or a group. They are done one after another, in the order of the list.',
      'The box before its name switches an effect off without losing it.',
      'Motion blur and held frames of the whole piece stand below.',
    ],
  },
};
