'use client';
import { Plus, X } from 'lucide-react';
import { useRef, useState } from 'react';
import {
  changeField,
  fieldValue,
  LIMITS,
  removeField,
  textsOf,
  withFieldsOf,
  type Field,
} from '@/core/document';
import {
  Button,
  ColourField,
  Fold,
  IconButton,
  NumberField,
  plain,
  TextArea,
  TextButton,
  Row,
  Warning,
} from '@/ui';
import { NameField } from '../name-field';
import { FacePicker, useFaces } from '../lettering';
import { fillField, fillFromFile } from '../layouts';
import { edit, select, useCalm } from '../state';
import { useSwatches } from '../properties';

/** What a field holds, to be filled in anew. */
function FieldValue({ field }: { field: Field }) {
  const value = useCalm((s) => fieldValue(s.piece, field));
  const word = useCalm((s) => textsOf(s.piece, field).at(0)?.setting.text);
  const faces = useFaces();
  const swatches = useSwatches();
  const file = useRef<HTMLInputElement>(null);
  if (value === null) return <Warning>What it filled is gone.</Warning>;
  switch (field.kind) {
    case 'text':
      return (
        <TextArea
          label={field.name}
          rows={1}
          style={{ minHeight: 34, fieldSizing: 'content' }}
          maxLength={LIMITS.textLength}
          value={String(value)}
          onChange={(text) => fillField(field, text)}
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
                  onChange={(name) => edit((p) => changeField(p, i, { name }), `field name ${i}`)}
                />
              ) : (
                <TextButton
                  style={{ color: 'var(--quiet)' }}
                  title="Select what it fills"
                  onClick={() => select({ layers: field.of })}
                >
                  {field.name}
                </TextButton>
              )}
              {naming && (
                <IconButton
                  plain
                  label={`Take the field ${field.name} out`}
                  onPress={() => edit((p) => removeField(p, i))}
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
        <Button isDisabled={chosen.length === 0} onPress={() => edit((p) => withFieldsOf(p, chosen))}>
          <Plus aria-hidden style={{ width: 14 }} /> From selection
        </Button>
        {fields.length > 0 && (
          <Button onPress={() => setNaming(!naming)}>{naming ? 'Done' : 'Change'}</Button>
        )}
      </Row>
    </Fold>
  );
}
