'use client';
import { memo, type ReactNode } from 'react';
import {
  ChevronDown,
  ChevronRight,
  Eye,
  EyeOff,
  Film,
  Flashlight,
  KeyRound,
  Link2,
  Lock,
  LockOpen,
  Shapes,
  Type,
} from 'lucide-react';
import styled from 'styled-components';
import { colourAt } from '@/core/colour';
import {
  markColour,
  partOf,
  type Group,
  type KeyedPart,
  type KeyValue,
  type Layer,
  type Stroke,
} from '@/core/document';
import { keysOf, valueAt, type Animated } from '@/core/timing';
import { NameField } from '@/ui';
import { renameGroupTo, renameLayer, setFlag, toggleSolo, useEditor } from '../state';
import { partName, partWords } from '../part-names';
import type { LaneOwner } from './lane-owner';
import { setCollapsed, setOpened } from './rows';

/** Lanes within a group are set in by so much, px. */
const INSET = 12;

const Head = styled.div<{ $inset: number }>`
  display: flex;
  align-items: center;
  gap: 7px;
  min-width: 0;
  height: 100%;
  padding: 0 12px 0 ${({ $inset }) => 4 + $inset}px;
`;
const Turn = styled.button`
  display: grid;
  place-items: center;
  width: 16px;
  height: 20px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--quiet);
  flex: none;
  svg {
    width: 14px;
    height: 14px;
  }
  &:hover {
    color: var(--text);
  }
`;
const NoTurn = styled.span`
  width: 16px;
  flex: none;
`;
const Order = styled.span`
  width: 20px;
  text-align: right;
  font: italic 16px/1 var(--serif);
  color: var(--quiet);
  flex: none;
`;
const Dot = styled.span`
  width: 9px;
  height: 9px;
  border-radius: 50%;
  flex: none;
  box-shadow: 0 0 0 1px color-mix(in srgb, var(--quiet) 60%, transparent);
`;
const Name = styled.span`
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
`;
const Quiet = styled.span`
  color: var(--quiet);
  flex: none;
`;
const Bound = styled.span`
  display: grid;
  color: var(--caution);
  flex: none;
`;
const Switch = styled.button`
  display: none;
  place-items: center;
  width: 20px;
  height: 20px;
  padding: 0;
  border: 0;
  border-radius: 4px;
  background: none;
  color: var(--quiet);
  flex: none;
  svg {
    width: 14px;
    height: 14px;
  }
  &[aria-pressed='true'] {
    display: grid;
    color: var(--text);
  }
  [role='row']:hover &,
  [role='row']:focus-within &,
  &:focus-visible {
    display: grid;
  }
  &:hover {
    color: var(--text);
    background: var(--pressed);
  }
`;

/** Frames the stroke takes to be written: from the first key of what moves first to where it has arrived. */
function writingFrames(stroke: Stroke): number | null {
  const moves = (['head', 'tail'] as const)
    .map((part) => keysOf(stroke.window[part]))
    .filter((keys) => keys.length > 1)
    .sort((a, b) => a[0]!.frame - b[0]!.frame);
  const [keys] = moves;
  if (!keys) return null;
  // As long as the values go one way; a rest among them counts, one at the end does not.
  const way = Math.sign(keys[1]!.value - keys[0]!.value);
  let last = 1;
  for (let i = 2; i < keys.length; i++) {
    const step = Math.sign(keys[i]!.value - keys[i - 1]!.value);
    if (step === -way) break;
    if (step === way) last = i;
  }
  return keys[last]!.frame - keys[0]!.frame;
}

/** What stands in the place of the number, and the colour of the dot. */
function markOf(layer: Layer): { mark: ReactNode; colour: string } {
  if (layer.type === 'lettering')
    return { mark: <Type size={14} aria-label="lettering" />, colour: layer.colour };
  if (layer.type === 'art') {
    return {
      mark: <Shapes size={14} aria-label="art" />,
      colour: layer.shapes.find((s) => s.fill)?.fill ?? 'transparent',
    };
  }
  if (layer.type === 'piece') return { mark: <Film size={14} aria-label="piece" />, colour: 'transparent' };
  return { mark: null, colour: markColour(layer.ink) };
}

const stopPointer = (event: { stopPropagation: () => void }) => event.stopPropagation();

/** Hides, locks and shows alone the layers of a row. */
function Switches({ layers, name }: { layers: readonly Layer[]; name: string }) {
  const solo = useEditor((s) => s.solo);
  const ids = layers.map((layer) => layer.id);
  const locked = layers.every((layer) => layer.locked);
  const hidden = layers.every((layer) => layer.hidden);
  const alone = ids.every((id) => solo.includes(id));
  const all = [
    {
      name: `Show ${name} alone`,
      on: alone,
      icon: <Flashlight />,
      title: alone ? 'Show the others again' : 'Show alone',
      run: () => toggleSolo(ids),
    },
    {
      name: `Lock ${name}`,
      on: locked,
      icon: locked ? <Lock /> : <LockOpen />,
      title: locked ? 'Unlock' : 'Lock',
      run: () => setFlag(ids, 'locked', !locked),
    },
    {
      name: `Hide ${name}`,
      on: hidden,
      icon: hidden ? <EyeOff /> : <Eye />,
      title: hidden ? 'Show' : 'Hide',
      run: () => setFlag(ids, 'hidden', !hidden),
    },
  ];
  return all.map((one) => (
    <Switch
      key={one.name}
      tabIndex={-1}
      aria-label={one.name}
      aria-pressed={one.on}
      title={one.title}
      onPointerDown={stopPointer}
      onClick={one.run}
    >
      {one.icon}
    </Switch>
  ));
}

/** Opens and closes what lies under a row. */
function Opener({
  isOpen,
  label,
  onChange,
}: {
  isOpen: boolean;
  label: string;
  onChange: (to: boolean) => void;
}) {
  return (
    <Turn
      tabIndex={-1}
      aria-label={label}
      aria-expanded={isOpen}
      title={label}
      onPointerDown={stopPointer}
      onDoubleClick={stopPointer}
      onClick={() => onChange(!isOpen)}
    >
      {isOpen ? <ChevronDown /> : <ChevronRight />}
    </Turn>
  );
}

function Renaming({
  label,
  value,
  onChange,
  onRenamed,
}: {
  label: string;
  value: string;
  onChange: (name: string) => void;
  onRenamed: () => void;
}) {
  return (
    <span
      style={{ flex: 1, minWidth: 0 }}
      ref={(node) => node?.querySelector('input')?.focus()}
      onBlur={onRenamed}
      onPointerDown={stopPointer}
    >
      <NameField label={label} value={value} onChange={onChange} />
    </span>
  );
}

/** Name, number and switches of a lane. */
export const LaneHead = memo(function LaneHead({
  layer,
  order,
  bound,
  depth,
  led,
  parts,
  isOpen,
  renaming,
  onRenamed,
}: {
  layer: Layer;
  order: number | null;
  /** What it follows or what follows it, in words; null where nothing does. */
  bound: string | null;
  depth: number;
  /** A line of strokes times it. */
  led: boolean;
  /** How many parts have lanes of their own. */
  parts: number;
  isOpen: boolean;
  renaming: boolean;
  onRenamed: () => void;
}) {
  const frames = layer.type === 'stroke' && !led ? writingFrames(layer) : null;
  const { mark, colour } = markOf(layer);
  return (
    <Head $inset={depth * INSET}>
      {parts > 0 ? (
        <Opener
          isOpen={isOpen}
          label={isOpen ? `Close the lanes of ${layer.name}` : `Everything keyed in ${layer.name}`}
          onChange={(to) => setOpened(layer.id, to)}
        />
      ) : (
        <NoTurn />
      )}
      <Order>{order ?? mark}</Order>
      <Dot style={{ background: colour }} />
      {renaming ? (
        <Renaming
          label={order ? `Name of stroke ${order}` : 'Name'}
          value={layer.name}
          onChange={(name) => renameLayer(layer.id, name)}
          onRenamed={onRenamed}
        />
      ) : (
        <Name>{layer.name}</Name>
      )}
      {bound && (
        <Bound title={bound}>
          <Link2 size={13} aria-label={bound} />
        </Bound>
      )}
      <Switches layers={[layer]} name={layer.name} />
      <Quiet>{frames === null ? '' : `${frames} fr`}</Quiet>
    </Head>
  );
});

const LINE_WORDS = { together: 'as one, together', after: 'as one, one after another' } as const;

/** Name and switches of a group. */
export const GroupHead = memo(function GroupHead({
  group,
  members,
  depth,
  parts,
  partsOpen,
  isOpen,
  renaming,
  onRenamed,
}: {
  group: Group;
  members: readonly Layer[];
  depth: number;
  /** How many parts of its own have lanes, and whether they are shown. */
  parts: number;
  partsOpen: boolean;
  isOpen: boolean;
  renaming: boolean;
  onRenamed: () => void;
}) {
  return (
    <Head $inset={depth * INSET}>
      <Opener
        isOpen={isOpen}
        label={isOpen ? `Close the group ${group.name}` : `Open the group ${group.name}`}
        onChange={(to) => setCollapsed(group.id, !to)}
      />
      {renaming ? (
        <Renaming
          label="Name of the group"
          value={group.name}
          onChange={(name) => renameGroupTo(group.id, name)}
          onRenamed={onRenamed}
        />
      ) : (
        <Name style={{ font: 'italic 16px/1.1 var(--serif)' }}>{group.name}</Name>
      )}
      {group.line && (
        <Bound title={`Timed ${LINE_WORDS[group.line.how]}`}>
          <Link2 size={13} aria-label={`timed ${LINE_WORDS[group.line.how]}`} />
        </Bound>
      )}
      {parts > 0 && (
        <Switch
          tabIndex={-1}
          aria-label={`Everything keyed in the group ${group.name}`}
          aria-pressed={partsOpen}
          title={partsOpen ? 'Close its own lanes' : 'Everything keyed in the group'}
          style={{ display: 'grid' }}
          onPointerDown={stopPointer}
          onClick={() => setOpened(group.id, !partsOpen)}
        >
          <KeyRound />
        </Switch>
      )}
      <Switches layers={members} name={group.name} />
      <Quiet>{members.length}</Quiet>
    </Head>
  );
});

/** Name of a keyed part and its value now. */
export const PartHead = memo(function PartHead({
  owner,
  part,
  depth,
}: {
  owner: LaneOwner;
  part: KeyedPart;
  depth: number;
}) {
  const value = partOf(owner.keyed, part)!;
  const now = useEditor((s) => {
    const frame = Math.round(s.frame);
    const [first] = keysOf(value as Animated<KeyValue>);
    if (typeof first?.value === 'string') return colourAt(value as Animated<string>, frame);
    // Shapes have no number to show.
    return typeof first?.value === 'object' ? '' : valueAt(value as Animated, frame);
  });
  return (
    <Head $inset={depth * INSET}>
      <NoTurn />
      <Order />
      <Name style={{ color: 'var(--quiet)' }} title={partName(part)}>
        {partName(part)}
      </Name>
      <Quiet>{partWords(part, now)}</Quiet>
    </Head>
  );
});
