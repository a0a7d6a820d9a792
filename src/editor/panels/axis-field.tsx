'use client';
import { writesItself, type Lettering } from '@/core/document';
import { KeyToggle, NumberField, plain, whole } from '@/ui';
import { changeSetting, keyAxis } from '../lettering';
import { KeyedLine, OwnersOf, PartField } from '../properties';
import { useCalm } from '../state';

/** An axis of a face as its field shows it. */
interface Axis {
  readonly tag: string;
  readonly name: string;
  readonly min: number;
  readonly max: number;
  /** Where it stands for the text. */
  readonly place: number;
}

/**
 * A place on an axis of a text's face. It may be keyed where no strokes write the text: they were found in it as it stands, and would
 * leave bare what grows past them.
 */
export function AxisField({ lettering, axis }: { lettering: Lettering; axis: Axis }) {
  const { id, setting, set } = lettering;
  const { tag, name, min, max, place } = axis;
  const written = useCalm((s) => writesItself(s.piece, lettering));
  if (set.along?.axes.some((one) => one.tag === tag))
    return (
      <OwnersOf ids={[id]}>
        <PartField part={`axes.${tag}`} label={name} within={[min, max]} />
      </OwnersOf>
    );
  const { face } = setting;
  const moved = (to: number) => (tag === 'wght' ? { weight: to } : { axes: { ...face.axes, [tag]: to } });
  const field = (
    <NumberField
      label={name}
      value={place}
      min={min}
      max={max}
      step={tag === 'wght' ? 10 : (max - min) / 100}
      onChange={(to) => void changeSetting(id, { face: { ...face, ...moved(to) } }, `axis ${tag}`)}
      {...(tag === 'wght' ? whole : plain)}
    />
  );
  if (written) return field;
  return (
    <KeyedLine>
      {field}
      <AxisKey id={id} axis={axis} />
    </KeyedLine>
  );
}

/** Keys an axis for the first time. */
function AxisKey({ id, axis: { tag, name, place } }: { id: string; axis: Axis }) {
  const frame = useCalm((s) => Math.round(s.frame));
  return <KeyToggle label={name} state="none" onPress={() => keyAxis(id, tag, place, frame)} />;
}
