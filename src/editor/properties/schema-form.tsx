'use client';
import { Plus, X } from 'lucide-react';
import type { z } from 'zod';
import { changed, strokesOf } from '@/core/document';
import { formRows, initialOf, type FormRow, type IdFacts } from '@/core/properties';
import { Button, IconButton, Inset, Row, Select } from '@/ui';
import { useCalm } from '../state';
import { PartCheck, PartChoice } from './part-choice';
import { PartField } from './part-field';
import { at, wayOf } from './ways';

/** Sizes of what is new are given for a picture so high, px. */
const USUAL_HEIGHT = 1080;
/** How much larger than usual the picture of the open piece is. */
export const useSizeOfPicture = (): number =>
  useCalm((s) => Math.min(s.piece.size.width, s.piece.size.height) / USUAL_HEIGHT);

/** What a form is of. */
interface Of {
  /** The way to it from the layers and groups that the form is for. */
  readonly part: string;
  /** Changes all of it, in each of them. */
  readonly change: (to: (now: object) => object) => void;
  /** The layers and groups that the form is for: none of them can be chosen in it. */
  readonly ids: readonly string[];
}

type Values = Record<string, unknown>;

/** A value with what stands at the end of a way through it replaced; undefined takes it away. */
function put(value: unknown, way: readonly string[], to: (now: unknown) => unknown): unknown {
  const [step, ...rest] = way;
  if (step === undefined) return to(value);
  if (Array.isArray(value)) return value.map((one, i) => (String(i) === step ? put(one, rest, to) : one));
  return changed(value as Values, { [step]: put((value as Values)[step], rest, to) });
}

/** All that can be set of something, as its schema says it. */
export function SchemaForm({
  schema,
  value,
  way = '',
  ...of
}: Of & { schema: z.ZodType; value: unknown; way?: string }) {
  return formRows(schema, value).map((row) => (
    <FormLine key={`${row.kind} ${row.part}`} row={row} value={value} way={way} {...of} />
  ));
}

function FormLine({ row, value, way, ...of }: Of & { row: FormRow; value: unknown; way: string }) {
  const inside = [way, row.part].filter(Boolean).join('.');
  const part = `${of.part}.${inside}`;
  const now = at(value, wayOf(row.part));
  const change = (to: (now: unknown) => unknown) => of.change((all) => put(all, wayOf(inside), to) as object);
  if (row.kind === 'shape') return <ShapeChoice row={row} value={now as Values} change={change} />;
  if (row.kind === 'list')
    return <List row={row} list={now as readonly unknown[]} way={inside} changeList={change} {...of} />;
  const { facts } = row;
  if (facts.kind === 'number' || facts.kind === 'colour') return <PartField part={part} />;
  if (facts.kind === 'check') return <PartCheck part={part}>{facts.name}</PartCheck>;
  if (facts.kind === 'choice') return <PartChoice part={part} label={facts.name} choices={facts.values} />;
  if (facts.kind !== 'id' || !facts.name) return null;
  return (
    <ReferenceChoice
      name={facts.name}
      of={facts.of}
      value={now as string | undefined}
      without={of.ids}
      isOptional={row.optional}
      onChange={(id) => change(() => id)}
    />
  );
}

type Change = (to: (now: unknown) => unknown) => void;

/** Which of several shapes something has. What the new one has in common with the old one stays as it is. */
function ShapeChoice({
  row,
  value,
  change,
}: {
  row: Extract<FormRow, { kind: 'shape' }>;
  value: Values;
  change: Change;
}) {
  const size = useSizeOfPicture();
  const tells = Object.keys(value).find((name) => row.shapes.some(({ id }) => id === value[name])) ?? '';
  const take = (id: string) =>
    change((was) => {
      const made = initialOf(row.shapes.find((one) => one.id === id)!.schema, size) as Values;
      const common = Object.entries(was as Values).filter(([name]) => name !== tells && name in made);
      return { ...made, ...Object.fromEntries(common) };
    });
  return (
    <Select
      before={row.name}
      label={row.name}
      value={String(value[tells])}
      choices={row.shapes.map(({ id }) => ({ id, name: id }))}
      onChange={take}
    />
  );
}

/** A list of things of one form, each of which can be taken out. */
function List({
  row,
  list,
  way,
  changeList,
  ...of
}: Of & {
  row: Extract<FormRow, { kind: 'list' }>;
  list: readonly unknown[];
  way: string;
  changeList: Change;
}) {
  const size = useSizeOfPicture();
  const name = row.name.toLowerCase();
  return (
    <>
      {list.map((one, i) => (
        <div key={i} role="group" aria-label={`${row.name} ${i + 1}`}>
          <Row>
            <span>
              {row.name} {i + 1}
            </span>
            {list.length > 1 && (
              <IconButton
                plain
                label={`Remove ${name} ${i + 1}`}
                onPress={() => changeList((now) => (now as unknown[]).filter((_, k) => k !== i))}
              >
                <X />
              </IconButton>
            )}
          </Row>
          <Inset>
            <SchemaForm schema={row.of} value={one} way={`${way}.${i}`} {...of} />
          </Inset>
        </div>
      ))}
      <Button
        $wide
        onPress={() =>
          changeList((now) => [...(now as unknown[]), (now as unknown[]).at(-1) ?? initialOf(row.of, size)])
        }
      >
        <Plus aria-hidden /> Another {name}
      </Button>
    </>
  );
}

const NONE = 'none';

/** A stroke, or also a group, a layer or a pin, of the piece. */
export function ReferenceChoice({
  name,
  of,
  value,
  without,
  isOptional,
  onChange,
}: {
  name: string;
  of: IdFacts['of'];
  value: string | undefined;
  without: readonly string[];
  isOptional: boolean;
  onChange: (id: string | undefined) => void;
}) {
  const piece = useCalm((s) => s.piece);
  const choices = [
    ...(isOptional ? [{ id: NONE, name: 'none' }] : []),
    ...(of === 'anything' ? piece.pins.map((pin) => ({ id: pin.id, name: `${pin.name} (pin)` })) : []),
    ...(of === 'stroke' ? [] : piece.groups.map((one) => ({ id: one.id, name: `${one.name} (group)` }))),
    ...(of === 'anything' ? piece.layers : strokesOf(piece)).map((one) => ({ id: one.id, name: one.name })),
  ].filter(({ id }) => !without.includes(id));
  return (
    <Select
      before={name}
      label={name}
      value={choices.some(({ id }) => id === value) ? value! : isOptional ? NONE : null}
      placeholder="choose"
      choices={choices}
      onChange={(id) => onChange(id === NONE ? undefined : id)}
    />
  );
}
