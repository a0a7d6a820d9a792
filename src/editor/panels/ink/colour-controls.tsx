'use client';
import { colourRunOf, withColourRun, type ColourRun, type Ink, shared } from '@/core/document';
import { NumberField, pixels, Segmented, Hint, Gap } from '@/ui';
import { PartChoice, PartField } from '../../properties';
import { useCalm } from '../../state';
import { GradientBar } from './gradient-bar';
import { changeInk } from './ink-values';

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
  const kind = shared(inks.map(colourRunOf));
  const gradient = shared(inks.flatMap((ink) => ink.gradient ?? []));
  const some = inks.some((ink) => ink.gradient);
  return (
    <>
      <Segmented<ColourRun>
        label="Colour runs"
        value={kind}
        choices={{ solid: 'one colour', along: 'along it', picture: 'across' }}
        onChange={(run) => changeInk((ink) => withColourRun(ink, run, size), 'colour kind')}
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
