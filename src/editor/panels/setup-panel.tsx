'use client';
import { useState } from 'react';
import { framesPerSecond, parseTime, rateName, RATES } from '@/core/timing';
import {
  changed,
  lastKeyedFrame,
  LIMITS,
  withLength,
  withRate,
  type Kept,
  type Piece,
  type Stretch,
  SIZES,
} from '@/core/document';
import {
  ColourField,
  NumberField,
  pixels,
  Segmented,
  Select,
  Group,
  Hint,
  PanelFacts,
  PanelTitle,
  Row,
  TextButton,
  amount,
} from '@/ui';
import { NameField } from '../name-field';
import { edit, editWhole, useCalm, useEditor } from '../state';
import { LayoutsGroup } from './layouts-group';
import { NestedGroup } from './nested-group';
import { FieldsGroup } from './fields-group';
import { HoldControls } from './hold-controls';

const put = (part: Partial<Piece>, merge?: string): void => edit((piece) => ({ ...piece, ...part }), merge);
const wholePixels = {
  ...pixels,
  parse(text: string) {
    const read = pixels.parse(text);
    return read === null ? null : Math.round(read);
  },
};

/** The ground that new pieces are looked at over. */
const DUSK = '#22303a';

/** What the piece is: size, rate, length, and what it is looked at over. */
export function SetupPanel() {
  const piece = useCalm((s) => s.piece);
  const { size, rate, length, hold } = piece;
  const [keep, setKeep] = useState<Kept>('seconds');
  const [stretch, setStretch] = useState<Stretch>(piece.hold ? 'hold' : 'stays');
  const last = lastKeyedFrame(piece);
  const sizeId = `${size.width}x${size.height}`;
  const known = SIZES.some(({ id }) => id === sizeId);
  const rateId = `${rate.numerator}/${rate.denominator}`;
  const seconds = Math.round((length / framesPerSecond(rate)) * 100) / 100;
  return (
    <>
      <PanelTitle>
        <NameField label="Name of the piece" value={piece.name} onChange={(name) => put({ name })} />
      </PanelTitle>
      <PanelFacts>
        {seconds} s · {amount(piece.layers.length, 'layer')}
      </PanelFacts>
      <FieldsGroup />
      <LayoutsGroup />
      <NestedGroup />
      <Group title="Size">
        <Select
          label="Size"
          value={known ? sizeId : 'own'}
          choices={[...SIZES, ...(known ? [] : [{ id: 'own', name: 'own size' }])]}
          onChange={(id) => {
            const preset = SIZES.find((s) => s.id === id);
            if (preset) put({ size: preset.size });
          }}
        />
        {(['width', 'height'] as const).map((side) => (
          <NumberField
            key={side}
            label={side === 'width' ? 'Width' : 'Height'}
            value={size[side]}
            min={16}
            max={LIMITS.side}
            onChange={(value) =>
              put({ size: { ...useEditor.getState().piece.size, [side]: Math.round(value) } }, side)
            }
            {...wholePixels}
          />
        ))}
      </Group>
      <Group title="Time">
        <Select
          before="Frames a second"
          label="Frames a second"
          value={rateId}
          choices={RATES.map((r) => ({ id: `${r.numerator}/${r.denominator}`, name: rateName(r) }))}
          onChange={(id) => {
            const [numerator, denominator] = id.split('/').map(Number) as [number, number];
            editWhole((p) => withRate(p, { numerator, denominator }, keep));
          }}
        />
        <Segmented
          before="A new rate keeps"
          label="A new rate keeps"
          value={keep}
          choices={['seconds', 'frames']}
          onChange={setKeep}
        />
        <NumberField
          label="Length"
          value={length}
          min={1}
          max={LIMITS.frames}
          onChange={(value) => {
            editWhole(
              (p) => withLength(p, value, hold ? stretch : stretch === 'hold' ? 'stays' : stretch),
              'length',
            );
            useEditor.setState(({ frame, piece: p }) => ({ frame: Math.min(frame, p.length - 1) }));
          }}
          format={(v) => `${v} fr`}
          parse={(text) => parseTime(text, rate)}
        />
        <Segmented
          label="What is keyed with a new length"
          value={hold ? stretch : stretch === 'hold' ? 'stays' : stretch}
          choices={[
            { id: 'stays', name: 'keys stay' },
            { id: 'spread', name: 'spread' },
            ...(hold ? [{ id: 'hold' as const, name: 'hold grows' }] : []),
          ]}
          onChange={setStretch}
        />
        <HoldControls />
        <Row>
          <span>Poster frame: {piece.poster === undefined ? 'automatic' : piece.poster}</span>
          {piece.poster === undefined ? (
            <TextButton onClick={() => put({ poster: Math.round(useEditor.getState().frame) })}>
              Use the frame shown
            </TextButton>
          ) : (
            <TextButton onClick={() => edit((p) => changed<Piece>(p, { poster: undefined }))}>
              Reset
            </TextButton>
          )}
        </Row>
        {last > length - 1 && (
          <Hint>
            Keys go on to frame {last}, after the end.{' '}
            <TextButton onClick={() => editWhole((p) => withLength(p, last + 1, 'stays'))}>
              Make room for them
            </TextButton>
          </Hint>
        )}
      </Group>
      <Group title="Background">
        <Segmented
          label="Background"
          value={piece.over === null ? 'checker' : 'colour'}
          choices={['checker', 'colour']}
          onChange={(choice) => put({ over: choice === 'colour' ? DUSK : null })}
        />
        {piece.over !== null && (
          <ColourField
            label="Colour"
            value={piece.over}
            swatches={[{ name: 'Grounds', colours: [DUSK, '#15120e', '#ede6d8', '#2c4a3e', '#7a4a2a'] }]}
            onChange={(over) => put({ over }, 'over')}
          />
        )}
        <Hint>Only for looking: the piece itself is transparent, and so is what is exported.</Hint>
      </Group>
    </>
  );
}
