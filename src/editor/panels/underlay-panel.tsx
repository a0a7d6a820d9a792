'use client';
import { Eye, EyeOff, Lock, LockOpen, Trash2 } from 'lucide-react';
import { useRef, useState } from 'react';
import styled from 'styled-components';
import { fittedUnderlay, removeUnderlay, updateUnderlay, type Guide, type Underlay } from '@/core/document';
import {
  Button,
  Check,
  Fold,
  IconButton,
  NameField,
  NumberField,
  percent,
  pixels,
  Select,
  TextInput,
} from '@/ui';
import { pictureUrl } from '../canvas/underlay-images';
import { takeFiles, useImporting } from '../importing';
import { addLettering, addLineText, useFaces } from '../lettering';
import {
  beginDrag,
  edit,
  endDrag,
  selectUnderlay,
  singleLayer,
  useCalm,
  useEditor,
  useTools,
} from '../state';
import { ArtControls, LetteringControls } from './lettering-controls';
import { Buttons, Group, Hint, PanelFacts, PanelTitle, Row } from './panel';
import { SelectionTitle } from './selection-title';

const List = styled.ul`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 2px;
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
`;
const Item = styled.li`
  display: flex;
  align-items: center;
  gap: 2px;
  border-radius: 7px;
  &[data-chosen='true'] {
    background: var(--pressed);
  }
  min-width: 0;
  button {
    flex: none;
    width: 24px;
    height: 26px;
  }
`;
const Choose = styled.button`
  display: flex;
  flex: 1 1 0 !important;
  align-items: center;
  gap: 8px;
  min-width: 0;
  width: auto !important;
  height: 34px !important;
  padding: 3px 6px;
  border: 0;
  background: none;
  text-align: left;
  img {
    width: 40px;
    height: 26px;
    object-fit: cover;
    border-radius: 4px;
    background: var(--desk);
  }
  span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
`;

const put = (id: string, part: Partial<Underlay>, merge?: string) =>
  edit((piece) => updateUnderlay(piece, id, part), merge);
const drag = { onBegin: beginDrag, onEnd: endDrag };

function UnderlayItem({ underlay, chosen }: { underlay: Underlay; chosen: boolean }) {
  const { id, name, hidden, locked, asset } = underlay;
  return (
    <Item data-chosen={chosen}>
      <Choose aria-pressed={chosen} onClick={() => selectUnderlay(chosen ? null : id)}>
        <img src={pictureUrl(asset)} alt="" />
        <span>{name}</span>
      </Choose>
      <IconButton
        label={locked ? `Unlock ${name}` : `Lock ${name}`}
        plain
        onPress={() => put(id, { locked: !locked })}
      >
        {locked ? <Lock /> : <LockOpen />}
      </IconButton>
      <IconButton
        label={hidden ? `Show ${name}` : `Hide ${name}`}
        plain
        onPress={() => put(id, { hidden: !hidden })}
      >
        {hidden ? <EyeOff /> : <Eye />}
      </IconButton>
      <IconButton
        label={`Take ${name} out`}
        plain
        onPress={() => {
          edit((piece) => removeUnderlay(piece, id));
          if (chosen) selectUnderlay(null);
        }}
      >
        <Trash2 />
      </IconButton>
    </Item>
  );
}

function UnderlayControls({ underlay }: { underlay: Underlay }) {
  const size = useCalm((s) => s.piece.size);
  const { id } = underlay;
  return (
    <Group title="This underlay">
      <NameField label="Name of the underlay" value={underlay.name} onChange={(name) => put(id, { name })} />
      <NumberField
        label="Opacity"
        value={underlay.opacity}
        min={0}
        max={1}
        step={0.01}
        onChange={(opacity) => put(id, { opacity }, 'underlay opacity')}
        {...drag}
        {...percent}
      />
      <NumberField
        label="Scale"
        value={underlay.scale}
        min={0.001}
        max={1000}
        step={0.01}
        onChange={(scale) => put(id, { scale }, 'underlay scale')}
        {...drag}
        {...percent}
      />
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12 }}>
        {(['x', 'y'] as const).map((axis) => (
          <NumberField
            key={axis}
            label={axis.toUpperCase()}
            value={underlay[axis]}
            onChange={(value) => put(id, { [axis]: value }, `underlay ${axis}`)}
            {...drag}
            {...pixels}
          />
        ))}
      </div>
      <Buttons>
        <Button onPress={() => put(id, fittedUnderlay(size, underlay))}>Fit the piece</Button>
        <Button onPress={() => useEditor.setState({ step: 'trace' })}>Trace it …</Button>
      </Buttons>
    </Group>
  );
}

/** Sets type: lettering in a face, or strokes at once in a single-line face. */
function AddText() {
  const faces = useFaces();
  const [text, setText] = useState('');
  const [face, setFace] = useState('sacramento');
  const all = [
    ...(faces?.faces ?? []).map((f) => ({ id: f.id, name: f.name })),
    ...(faces?.lineFaces ?? []).map((f) => ({ id: `line:${f.id}`, name: `${f.name} · single line` })),
  ];
  const known = faces?.faces.find((f) => f.id === face);
  const weight =
    known && Array.isArray(known.weights) ? (known.weights.includes(400) ? 400 : known.weights[0]!) : 400;
  const go = () => {
    if (text.trim() === '') return;
    if (face.startsWith('line:')) void addLineText(text, face.slice(5));
    else void addLettering(text, { id: face, weight });
    setText('');
  };
  return (
    <Group title="Set type">
      <TextInput
        aria-label="Text to set"
        placeholder="A word or a name"
        dir="auto"
        value={text}
        maxLength={500}
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') go();
          event.stopPropagation();
        }}
      />
      <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 6, marginTop: 6 }}>
        <Select label="Face to set it in" value={face} choices={all} onChange={setFace} />
        <Button style={{ height: 28 }} isDisabled={text.trim() === ''} onPress={go}>
          Set
        </Button>
      </div>
    </Group>
  );
}

function Guides() {
  const guides = useCalm((s) => s.piece.guides);
  const size = useCalm((s) => s.piece.size);
  const { snapping, grid } = useTools();
  const change = (next: readonly Guide[], merge?: string) =>
    edit((piece) => ({ ...piece, guides: next }), merge);
  return (
    <Fold title="Guides, grid and snapping" open={guides.length > 0}>
      <Check isSelected={snapping} onChange={(on) => useTools.setState({ snapping: on })}>
        Snap to points, paths, guides and angles
      </Check>
      <Check isSelected={grid !== null} onChange={(on) => useTools.setState({ grid: on ? 60 : null })}>
        Grid
      </Check>
      {grid !== null && (
        <NumberField
          label="Distance"
          value={grid}
          min={2}
          max={2000}
          onChange={(g) => useTools.setState({ grid: g })}
          {...pixels}
        />
      )}
      {guides.map((guide, i) => (
        <Row key={i}>
          <div style={{ flex: 1 }}>
            <NumberField
              label={guide.axis === 'x' ? 'Upright guide' : 'Level guide'}
              value={guide.at}
              onChange={(at) =>
                change(
                  guides.map((g, k) => (k === i ? { ...g, at } : g)),
                  `guide ${i}`,
                )
              }
              {...drag}
              {...pixels}
            />
          </div>
          <IconButton
            label="Take the guide out"
            plain
            onPress={() => change(guides.filter((_, k) => k !== i))}
          >
            <Trash2 />
          </IconButton>
        </Row>
      ))}
      <Buttons>
        <Button onPress={() => change([...guides, { axis: 'y', at: Math.round(size.height / 2) }])}>
          Level guide
        </Button>
        <Button onPress={() => change([...guides, { axis: 'x', at: Math.round(size.width / 2) }])}>
          Upright guide
        </Button>
      </Buttons>
    </Fold>
  );
}

/** The things to follow: pictures underneath, set type, imported art. */
export function UnderlayPanel() {
  const underlays = useCalm((s) => s.piece.underlays);
  const chosen = useCalm((s) => s.underlay);
  const layer = useCalm(singleLayer);
  const busy = useImporting((s) => s.busy);
  const linesOnly = useCalm((s) => s.linesOnly);
  const file = useRef<HTMLInputElement>(null);
  const underlay = underlays.find((u) => u.id === chosen);
  const artwork = layer && layer.type !== 'stroke' ? layer : null;
  return (
    <>
      {artwork ? (
        <SelectionTitle empty="" />
      ) : (
        <>
          <PanelTitle>Underlay</PanelTitle>
          <PanelFacts>What you follow: never part of the picture.</PanelFacts>
        </>
      )}
      {artwork?.type === 'lettering' && <LetteringControls lettering={artwork} />}
      {artwork?.type === 'art' && <ArtControls art={artwork} />}
      {artwork && (
        <Group>
          <Button style={{ width: '100%' }} onPress={() => useEditor.setState({ step: 'trace' })}>
            Find its strokes …
          </Button>
        </Group>
      )}
      {!artwork && (
        <>
          <Group title="Pictures">
            <Button
              style={{ width: '100%' }}
              isDisabled={busy !== null}
              onPress={() => file.current?.click()}
            >
              {busy ? `Taking in ${busy} …` : 'Add a picture or SVG …'}
            </Button>
            <input
              ref={file}
              type="file"
              multiple
              hidden
              aria-label="Picture file"
              accept=".png,.jpg,.jpeg,.webp,.svg,image/png,image/jpeg,image/webp,image/svg+xml"
              onChange={(event) => {
                const files = [...(event.currentTarget.files ?? [])];
                event.currentTarget.value = '';
                void takeFiles(files);
              }}
            />
            {underlays.length === 0 && (
              <Hint>PNG, JPEG, WebP or SVG. Or drop one on the canvas, or paste it.</Hint>
            )}
            <List aria-label="Underlays">
              {underlays.map((u) => (
                <UnderlayItem key={u.id} underlay={u} chosen={u.id === chosen} />
              ))}
            </List>
          </Group>
          {underlay && <UnderlayControls underlay={underlay} />}
          <AddText />
        </>
      )}
      <Group>
        <Check isSelected={linesOnly} onChange={(on) => useEditor.setState({ linesOnly: on })}>
          Strokes as lines only
        </Check>
      </Group>
      <Guides />
    </>
  );
}
