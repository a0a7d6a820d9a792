'use client';
import { useState } from 'react';
import { COUNT_SIGN, LIMITS, setCount, updateLayers, type Art, type Lettering } from '@/core/document';
import {
  Check,
  ColourField,
  NumberField,
  parseWithUnit,
  percent,
  pixels,
  Segmented,
  Select,
  TextArea,
} from '@/ui';
import { changeSetting, FacePicker, useFaces, type Face } from '../lettering';
import { beginDrag, edit, endDrag } from '../state';
import { useSwatches } from './ink';
import { PartNumber } from './keyed-part';
import { Group, Hint, Row } from './panel';

const nearestWeight = ({ weights }: Face, to: number): number =>
  Array.isArray(weights)
    ? weights.reduce((a, b) => (Math.abs(b - to) < Math.abs(a - to) ? b : a))
    : Math.min((weights as { max: number }).max, Math.max((weights as { min: number }).min, to));

const plain = { format: (v: number) => String(Math.round(v)), parse: parseWithUnit('') };
const drag = { onBegin: beginDrag, onEnd: endDrag };

/** The text: kept while it is typed, taken with every letter. */
function TextField({ lettering }: { lettering: Lettering }) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <TextArea
      aria-label="Text"
      dir="auto"
      maxLength={LIMITS.textLength}
      value={typed ?? lettering.setting.text}
      spellCheck={false}
      onChange={(event) => {
        setTyped(event.currentTarget.value);
        void changeSetting(lettering.id, { text: event.currentTarget.value }, 'text');
      }}
      onBlur={() => setTyped(null)}
      onKeyDown={(event) => {
        if (event.key === 'Escape') event.currentTarget.blur();
        event.stopPropagation();
      }}
    />
  );
}

/** What is done where the text is too wide. */
function FitControls({ lettering }: { lettering: Lettering }) {
  const { id, setting, set } = lettering;
  const { fit } = setting;
  const width = fit?.width ?? 800;
  return (
    <Group title="Where it is too wide">
      <Segmented
        label="Where it is too wide"
        value={fit?.how ?? 'stays'}
        choices={[
          { id: 'stays', name: 'stays' },
          { id: 'shrink', name: 'shrinks' },
          { id: 'break', name: 'breaks' },
        ]}
        onChange={(how) =>
          void changeSetting(id, { fit: how === 'stays' ? undefined : { how, width } }, 'fit')
        }
      />
      {fit && (
        <NumberField
          label="Room for it"
          value={fit.width}
          min={1}
          max={20_000}
          onChange={(to) => void changeSetting(id, { fit: { ...fit, width: to } }, 'fit width')}
          {...pixels}
        />
      )}
      {fit?.how === 'shrink' && set.fitted && set.fitted.size < setting.size && (
        <Hint>Set at {Math.round(set.fitted.size * 10) / 10} px to fit.</Hint>
      )}
      {set.fitted?.over && (
        <Hint role="alert" style={{ color: 'var(--caution)' }}>
          A word alone is wider than the room for it. Make it smaller or wider.
        </Hint>
      )}
    </Group>
  );
}

/** The number a text counts. */
function CountControls({ lettering }: { lettering: Lettering }) {
  const { id, setting, count } = lettering;
  if (!setting.text.includes(COUNT_SIGN)) return null;
  return (
    <Group title={`Number in the place of ${COUNT_SIGN}`}>
      <Check
        isSelected={count !== undefined}
        onChange={(on) => edit((piece) => setCount(piece, [id], on ? { value: 0, places: 0 } : null))}
      >
        Counts
      </Check>
      {count && (
        <>
          <PartNumber owners={[id]} part="count.value" label="Number" {...plain} />
          <NumberField
            label="Digits after the point"
            value={count.places}
            min={0}
            max={6}
            onChange={(places) =>
              edit((piece) => setCount(piece, [id], { ...count, places: Math.round(places) }), 'places')
            }
            {...drag}
            {...plain}
          />
        </>
      )}
    </Group>
  );
}

/** How the selected lettering is set. */
export function LetteringControls({ lettering }: { lettering: Lettering }) {
  const faces = useFaces();
  const { id, setting, set } = lettering;
  const face = faces?.faces.find((f) => f.id === setting.face.id);
  const put = (part: Partial<Lettering>, merge: string) =>
    edit((piece) => updateLayers(piece, [id], (l) => ({ ...l, ...part }) as Lettering), merge);
  return (
    <>
      <Group title="Text">
        <TextField lettering={lettering} />
        {setting.text.trim() === '' && <Hint>Write something: there is nothing to set.</Hint>}
        {set.missing.length > 0 && (
          <Hint role="alert" style={{ color: 'var(--caution)' }}>
            This face lacks {set.missing.map((m) => `“${m}”`).join(', ')}. They are left out.
          </Hint>
        )}
      </Group>
      <Group title="Face">
        <FacePicker
          value={setting.face.id}
          faces={faces?.faces ?? []}
          onChange={(chosen) =>
            void changeSetting(
              id,
              { face: { id: chosen.id, weight: nearestWeight(chosen, setting.face.weight) } },
              'face',
            )
          }
        />
        {face && Array.isArray(face.weights) && face.weights.length > 1 && (
          <Row>
            <span>Weight</span>
            <div style={{ width: 104 }}>
              <Select
                label="Weight"
                value={String(setting.face.weight)}
                choices={face.weights.map((w) => ({ id: String(w), name: String(w) }))}
                onChange={(w) =>
                  void changeSetting(id, { face: { ...setting.face, weight: Number(w) } }, 'weight')
                }
              />
            </div>
          </Row>
        )}
        {face && !Array.isArray(face.weights) && (
          <NumberField
            label="Weight"
            value={setting.face.weight}
            min={(face.weights as { min: number }).min}
            max={(face.weights as { max: number }).max}
            step={10}
            onChange={(weight) => void changeSetting(id, { face: { ...setting.face, weight } }, 'weight')}
            {...plain}
          />
        )}
        <NumberField
          label="Size"
          value={setting.size}
          min={1}
          max={4000}
          onChange={(size) => void changeSetting(id, { size }, 'size')}
          {...pixels}
        />
        <NumberField
          label="Tracking"
          value={setting.tracking}
          min={-1000}
          max={5000}
          step={5}
          onChange={(tracking) => void changeSetting(id, { tracking }, 'tracking')}
          {...plain}
        />
        <NumberField
          label="Leading"
          value={setting.leading}
          min={0.1}
          max={10}
          step={0.05}
          onChange={(leading) => void changeSetting(id, { leading }, 'leading')}
          {...percent}
        />
        <Segmented
          label="Alignment"
          value={setting.align}
          choices={(['left', 'centre', 'right'] as const).map((a) => ({ id: a, name: a }))}
          onChange={(align) => void changeSetting(id, { align }, 'align')}
        />
      </Group>
      <FitControls lettering={lettering} />
      <CountControls lettering={lettering} />
      <Group title="Look">
        <ColourField
          label="Colour"
          value={lettering.colour}
          swatches={useSwatches()}
          onChange={(colour) => put({ colour }, 'lettering colour')}
          {...drag}
        />
        <NumberField
          label="Opacity"
          value={lettering.opacity}
          min={0}
          max={1}
          step={0.01}
          onChange={(opacity) => put({ opacity }, 'lettering opacity')}
          {...drag}
          {...percent}
        />
        <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12 }}>
          <NumberField
            label="X"
            value={lettering.x}
            onChange={(x) => put({ x }, 'lettering x')}
            {...drag}
            {...pixels}
          />
          <NumberField
            label="Y"
            value={lettering.y}
            onChange={(y) => put({ y }, 'lettering y')}
            {...drag}
            {...pixels}
          />
        </div>
      </Group>
    </>
  );
}

/** How the selected art lies. */
export function ArtControls({ art }: { art: Art }) {
  const put = (part: Partial<Art>, merge: string) =>
    edit((piece) => updateLayers(piece, [art.id], (l) => ({ ...l, ...part }) as Art), merge);
  const [a, b, c, d, e, f] = art.transform;
  const move = (x: number, y: number) => put({ transform: [a, b, c, d, x, y] }, 'art place');
  return (
    <Group title="Art">
      <NumberField
        label="Opacity"
        value={art.opacity}
        min={0}
        max={1}
        step={0.01}
        onChange={(opacity) => put({ opacity }, 'art opacity')}
        {...drag}
        {...percent}
      />
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12 }}>
        <NumberField label="X" value={e} onChange={(x) => move(x, f)} {...drag} {...pixels} />
        <NumberField label="Y" value={f} onChange={(y) => move(e, y)} {...drag} {...pixels} />
      </div>
      <Hint>{art.shapes.length} shapes. Drag a corner on the canvas to size it.</Hint>
    </Group>
  );
}
