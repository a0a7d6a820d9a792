'use client';
import type { Gradient, Ink } from '@/core/document';
import { markColour } from '@/core/document';
import { NumberField, pixels, Segmented, Hint, Gap } from '@/ui';
import { PartChoice, PartField, shared } from '../../properties';
import { useCalm } from '../../state';
import { GradientBar } from './gradient-bar';
import { changeInk } from './ink-values';

type Kind = 'solid' | 'along' | 'picture';

const kindOf = (ink: Ink): Kind =>
  !ink.gradient ? 'solid' : ink.gradient.along === 'picture' ? 'picture' : 'along';

/** A head that is brighter than its tail: where colour along the stroke begins. It hides nothing of what was there. */
const fading = (ink: Ink, size: { width: number }): Gradient => {
  const colour = markColour(ink);
  return {
    along: 'visible',
    from: { x: 0, y: 0 },
    to: { x: size.width, y: 0 },
    stops: [
      { at: 0, colour, opacity: 1 },
      { at: 0.7, colour, opacity: 1 },
      { at: 1, colour: '#ffe9c9', opacity: 1 },
    ],
  };
};

const across = (ink: Ink, size: { width: number }): Gradient => ({
  ...fading(ink, size),
  along: 'picture',
  stops: [
    { at: 0, colour: markColour(ink), opacity: 1 },
    { at: 1, colour: '#43b3a0', opacity: 1 },
  ],
});

/** Where a gradient across the picture begins and ends, in numbers. */
function Places({ inks }: { inks: readonly Ink[] }) {
  const having = inks.filter((ink) => ink.gradient?.along === 'picture');
  return (
    <>
      {(['from', 'to'] as const).flatMap((end) =>
        (['x', 'y'] as const).map((axis) => (
          <NumberField
            key={end + axis}
            label={`${end === 'from' ? 'From' : 'To'} ${axis}`}
            value={shared(having.map((ink) => ink.gradient![end][axis]))}
            min={-1e5}
            max={1e5}
            step={5}
            onChange={(value) =>
              changeInk(
                (ink) =>
                  ink.gradient
                    ? { gradient: { ...ink.gradient, [end]: { ...ink.gradient[end], [axis]: value } } }
                    : {},
                `gradient ${end}`,
              )
            }
            {...pixels}
          />
        )),
      )}
    </>
  );
}

/** One colour, colours along the stroke, or across the picture. */
export function ColourControls({ inks }: { inks: readonly Ink[] }) {
  const size = useCalm((s) => s.piece.size);
  const kind = shared(inks.map(kindOf));
  const gradient = shared(inks.flatMap((ink) => ink.gradient ?? []));
  const some = inks.some((ink) => ink.gradient);
  return (
    <>
      <Segmented<Kind>
        label="Colour runs"
        value={kind}
        choices={{ solid: 'one colour', along: 'along it', picture: 'across' }}
        onChange={(to) =>
          changeInk((ink) => {
            if (to === kindOf(ink)) return {};
            if (to === 'solid') return { gradient: undefined, colour: markColour(ink) };
            const before = ink.gradient;
            if (to === 'along')
              return { gradient: before ? { ...before, along: 'visible' } : fading(ink, size) };
            return { gradient: before ? { ...before, along: 'picture' } : across(ink, size) };
          }, 'colour kind')
        }
      />
      {!some && <PartField part="ink.colour" />}
      {kind === 'along' && (
        <>
          <Gap />
          <PartChoice
            part="ink.gradient.along"
            label="Colours over"
            choices={{ whole: 'whole stroke', visible: 'visible part' }}
          />
          <Gap />
        </>
      )}
      {some && gradient && <GradientBar gradient={gradient} />}
      {some && !gradient && (
        <Hint>The strokes differ in their colours. Choose above to make them alike.</Hint>
      )}
      {kind === 'picture' && <Places inks={inks} />}
      <PartField part="ink.opacity" />
    </>
  );
}
