'use client';
import {
  COUNT_SIGN,
  LIMITS,
  setCount,
  settingSchema,
  tieCounts,
  updateLayers,
  writesItself,
  type Art,
  type Lettering,
} from '@/core/document';
import type { FaceSummary } from '@/contract';
import {
  Button,
  Check,
  pixels,
  NumberField,
  Segmented,
  Select,
  TextArea,
  Group,
  Hint,
  Pair,
  Warning,
} from '@/ui';
import {
  changeSetting,
  FacePicker,
  faceFor,
  namedLetters,
  nearestWeight,
  useFaces,
  useTypeFacts,
} from '../lettering';
import { edit, useCalm } from '../state';
import { AxisField } from './axis-field';
import { LettersFold } from './letters-fold';
import { FeaturesFold } from './features-fold';
import { OwnersOf, PartField, ValueField } from '../properties';

/** A number of how a text is set; the text is set anew with it. */
const SettingField = ({
  lettering: { id, setting },
  part,
}: {
  lettering: Lettering;
  part: 'size' | 'tracking' | 'leading';
}) => (
  <ValueField
    schema={settingSchema}
    value={setting}
    part={part}
    onChange={(to) => void changeSetting(id, { [part]: to }, part)}
  />
);

/** What is done where the text is too wide. */
function FitControls({ lettering }: { lettering: Lettering }) {
  const { id, setting, set } = lettering;
  const { fit } = setting;
  const width = fit?.width ?? 800;
  return (
    <Group title="Overflow">
      <Segmented
        label="Overflow"
        value={fit?.how ?? 'stays'}
        choices={{ stays: 'visible', shrink: 'shrink', break: 'wrap' }}
        onChange={(how) =>
          void changeSetting(id, { fit: how === 'stays' ? undefined : { how, width } }, 'fit')
        }
      />
      {fit && (
        <ValueField
          schema={settingSchema}
          value={setting}
          part="fit.width"
          label="Maximum width"
          onChange={(to) => void changeSetting(id, { fit: { ...fit, width: to } }, 'fit width')}
        />
      )}
      {fit?.how === 'shrink' && set.fitted && set.fitted.size < setting.size && (
        <Hint>Set at {Math.round(set.fitted.size * 10) / 10} px to fit.</Hint>
      )}
      {set.fitted?.over && (
        <Warning>A word alone is wider than the maximum width. Make it smaller or wider.</Warning>
      )}
    </Group>
  );
}

/** Stands for no stroke, where one is chosen. */
const NO_STROKE = 'none';

/** The number a text counts, by itself or with a stroke. */
function CountControls({ lettering }: { lettering: Lettering }) {
  const { id, setting, count } = lettering;
  const strokes = useCalm((s) => s.piece.layers).filter((layer) => layer.type === 'stroke');
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
        <OwnersOf ids={[id]}>
          <Select
            before="Goes with"
            label="Stroke the number goes with"
            value={count.follows?.to ?? NO_STROKE}
            choices={[{ id: NO_STROKE, name: 'its own keys' }, ...strokes]}
            onChange={(to) => edit((piece) => tieCounts(piece, [id], to === NO_STROKE ? null : to))}
          />
          {count.follows ? (
            <>
              <PartField part="count.follows.none" />
              <PartField part="count.follows.all" />
            </>
          ) : (
            <PartField part="count.value" />
          )}
          <PartField part="count.places" />
        </OwnersOf>
      )}
    </Group>
  );
}

/** How the selected lettering is set. */
export function LetteringControls({ lettering }: { lettering: Lettering }) {
  const faces = useFaces();
  const { id, setting, set } = lettering;
  const face = faces?.faces.find((f) => f.id === setting.face.id);
  const { axes } = useTypeFacts(setting);
  const written = useCalm((s) => writesItself(s.piece, lettering));
  const other = faceFor(set.missing, faces?.faces ?? []);
  const takeFace = (chosen: FaceSummary) =>
    void changeSetting(
      id,
      { face: { id: chosen.id, weight: nearestWeight(chosen, setting.face.weight) } },
      'face',
    );
  const weights = face && !Array.isArray(face.weights) ? face.weights : null;
  const ownAxes = [
    ...(weights ? [{ tag: 'wght', name: 'Weight', ...weights, place: setting.face.weight }] : []),
    ...axes.map(({ initial, ...axis }) => ({ ...axis, place: setting.face.axes?.[axis.tag] ?? initial })),
  ];
  return (
    <>
      <Group title="Text">
        <TextArea
          label="Text"
          maxLength={LIMITS.textLength}
          value={setting.text}
          onChange={(text) => void changeSetting(id, { text }, 'text')}
        />
        {setting.text.trim() === '' && <Hint>Write something: there is nothing to set.</Hint>}
        {set.missing.length > 0 && (
          <Warning>This face lacks {namedLetters(set.missing)}. They are left out.</Warning>
        )}
        {other && other.id !== setting.face.id && (
          <Button $wide onPress={() => takeFace(other)}>
            Set it in {other.name}
          </Button>
        )}
      </Group>
      <Group title="Face">
        <FacePicker
          value={setting.face.id}
          faces={faces?.faces ?? []}
          word={setting.text}
          onChange={takeFace}
        />
        {face && Array.isArray(face.weights) && face.weights.length > 1 && (
          <Select
            before="Weight"
            label="Weight"
            value={String(setting.face.weight)}
            choices={face.weights.map((w) => ({ id: String(w), name: String(w) }))}
            onChange={(w) =>
              void changeSetting(id, { face: { ...setting.face, weight: Number(w) } }, 'weight')
            }
          />
        )}
        {ownAxes.map((axis) => (
          <AxisField key={axis.tag} lettering={lettering} axis={axis} />
        ))}
        {written && ownAxes.length > 0 && <Hint>Axes can be keyed where no strokes write the text.</Hint>}
        <SettingField lettering={lettering} part="size" />
        <SettingField lettering={lettering} part="tracking" />
        <SettingField lettering={lettering} part="leading" />
        <Segmented
          label="Alignment"
          value={setting.align}
          choices={(['left', 'centre', 'right'] as const).map((a) => ({ id: a, name: a }))}
          onChange={(align) => void changeSetting(id, { align }, 'align')}
        />
      </Group>
      <LettersFold lettering={lettering} />
      <FeaturesFold lettering={lettering} />
      <FitControls lettering={lettering} />
      <CountControls lettering={lettering} />
      <Group title="Appearance">
        <OwnersOf ids={[id]}>
          <PartField part="colour" />
          <PartField part="opacity" />
          <Pair>
            <PartField part="x" label="X" />
            <PartField part="y" label="Y" />
          </Pair>
        </OwnersOf>
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
      <OwnersOf ids={[art.id]}>
        <PartField part="opacity" />
      </OwnersOf>
      <Pair>
        <NumberField label="X" value={e} onChange={(x) => move(x, f)} {...pixels} />
        <NumberField label="Y" value={f} onChange={(y) => move(e, y)} {...pixels} />
      </Pair>
      <Hint>{art.shapes.length} shapes. Drag a corner on the canvas to size it.</Hint>
    </Group>
  );
}
