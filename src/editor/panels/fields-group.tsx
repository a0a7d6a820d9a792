'use client';
import { Plus, X } from 'lucide-react';
import { useRef, useState } from 'react';
import { fieldValue, LIMITS, offeredFields, textsOf, type Field } from '@/core/document';
import { Button, ColourField, Fold, IconButton, NumberField, plain, TextArea, Row, Warning } from '@/ui';
import { NameField } from '../name-field';
import { FacePicker, useFaces } from '../lettering';
import { fillField, fillFromFile } from '../layouts';
import { edit, select, useCalm, useEditor } from '../state';
import { useSwatches } from '../properties';

/** Fields that fill the same thing have the same. */
const nameOf = ({ kind, of, part = '' }: Field): string => [kind, part, ...of].join(' ');

const setFields = (change: (fields: readonly Field[]) => readonly Field[], merge?: string): void =>
  edit((piece) => ({ ...piece, fields: change(piece.fields).slice(0, LIMITS.fields) }), merge);

/** What a field holds, to be filled in anew. */
function FieldValue({ field }: { field: Field }) {
  const value = useCalm((s) => fieldValue(s.piece, field));
  const word = useCalm((s) => textsOf(s.piece, field).at(0)?.setting.text);
  const faces = useFaces();
  const swatches = useSwatches();
  const [typed, setTyped] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  if (value === null) return <Warning>What it filled is gone.</Warning>;
  switch (field.kind) {
    case 'text':
      return (
        <TextArea
          aria-label={field.name}
          rows={1}
          style={{ minHeight: 34, fieldSizing: 'content' } as React.CSSProperties}
          dir="auto"
          spellCheck={false}
          maxLength={LIMITS.textLength}
          value={typed ?? String(value)}
          onChange={(event) => {
            setTyped(event.currentTarget.value);
            fillField(field, event.currentTarget.value);
          }}
          onBlur={() => setTyped(null)}
          onKeyDown={(event) => event.stopPropagation()}
        />
      );
    case 'face':
      return (
        <FacePicker
          label={field.name}
          value={String(value)}
          faces={faces?.faces ?? []}
          word={word ?? ''}
          onChange={(face) => fillField(field, face.id)}
        />
      );
    case 'colour':
      return (
        <ColourField
          label={field.name}
          value={String(value)}
          swatches={swatches}
          onChange={(colour) => fillField(field, colour)}
        />
      );
    case 'number':
      return (
        <NumberField
          label={field.name}
          value={Number(value)}
          onChange={(number) => fillField(field, number)}
          {...plain}
        />
      );
    case 'image':
      return (
        <>
          <input
            ref={file}
            type="file"
            accept="image/svg+xml"
            hidden
            aria-label={`File for ${field.name}`}
            onChange={(event) => {
              const [chosen] = event.currentTarget.files ?? [];
              if (chosen) void fillFromFile(field, chosen);
              event.currentTarget.value = '';
            }}
          />
          <Button $wide onPress={() => file.current?.click()}>
            Another SVG …
          </Button>
        </>
      );
  }
}

/** What of the piece is filled in anew each time it is used. */
export function FieldsGroup() {
  const fields = useCalm((s) => s.piece.fields);
  const chosen = useCalm((s) => s.selection.layers);
  const [naming, setNaming] = useState(false);
  const add = () =>
    setFields((now) => {
      const known = new Set(now.map((field) => nameOf(field)));
      const offered = offeredFields(useEditor.getState().piece, chosen);
      return [...now, ...offered.filter((field) => !known.has(nameOf(field)))];
    });
  if (fields.length === 0 && chosen.length === 0) return null;
  return (
    <Fold title="Fields" {...(fields.length > 0 && { fact: String(fields.length) })} open={fields.length > 0}>
      {fields.map((field, i) => (
        <div key={i} style={{ marginBottom: 6 }}>
          {(naming || ['text', 'face', 'image'].includes(field.kind)) && (
            <Row>
              {naming ? (
                <NameField
                  label={`Name of field ${i + 1}`}
                  value={field.name}
                  onChange={(name) =>
                    setFields(
                      (now) => now.map((one, k) => (k === i ? { ...one, name } : one)),
                      `field name ${i}`,
                    )
                  }
                />
              ) : (
                <button
                  type="button"
                  style={{
                    border: 0,
                    padding: 0,
                    background: 'none',
                    color: 'var(--quiet)',
                    textAlign: 'left',
                  }}
                  title="Select what it fills"
                  onClick={() => select({ layers: field.of })}
                >
                  {field.name}
                </button>
              )}
              {naming && (
                <IconButton
                  plain
                  label={`Take the field ${field.name} out`}
                  onPress={() => setFields((now) => now.filter((_, k) => k !== i))}
                >
                  <X />
                </IconButton>
              )}
            </Row>
          )}
          <FieldValue field={field} />
        </div>
      ))}
      <Row>
        <Button isDisabled={chosen.length === 0} onPress={add}>
          <Plus aria-hidden style={{ width: 14 }} /> From selection
        </Button>
        {fields.length > 0 && (
          <Button onPress={() => setNaming(!naming)}>{naming ? 'Done' : 'Change'}</Button>
        )}
      </Row>
    </Fold>
  );
}
