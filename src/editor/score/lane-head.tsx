'use client';
import { memo, type ReactNode } from 'react';
import { Film, KeyRound, Link2, Shapes, Type } from 'lucide-react';
import { colourAt } from '@/core/colour';
import {
  partOf,
  type Group,
  type KeyedPart,
  kindOf,
  propertyOf,
  type Layer,
  type Stroke,
} from '@/core/document';
import { keysOf, valueAt, type Animated } from '@/core/timing';
import { renameGroupTo, renameLayer, useEditor } from '../state';
import { partName, partWords } from '../properties';
import type { LaneOwner } from './lane-owner';
import { setClosed, setOpened } from './rows';
import {
  INSET,
  Head,
  NoTurn,
  Order,
  Dot,
  Name,
  Quiet,
  Bound,
  Switch,
  stopPointer,
  Switches,
  Opener,
  Renaming,
} from './lane-head-parts';

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

/** What stands in the place of the number, for each kind of layer; strokes are numbered. */
const MARKS: Record<Layer['type'], ReactNode> = {
  stroke: null,
  art: <Shapes size={14} aria-label="art" />,
  lettering: <Type size={14} aria-label="lettering" />,
  piece: <Film size={14} aria-label="piece" />,
};

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
  const mark = MARKS[layer.type];
  const colour = kindOf(layer).colour(layer) ?? 'transparent';
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
        onChange={(to) => setClosed(group.id, !to)}
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
  // What has no lane of its own above it is named with its owner.
  const own = partName(owner.keyed, part);
  const name = owner.layers.length > 0 ? own : `${owner.name}, ${own}`;
  const now = useEditor((s) => {
    const frame = Math.round(s.frame);
    const kind = propertyOf(owner.keyed, part)?.kind;
    if (kind === 'colour') return colourAt(value as Animated<string>, frame);
    // Shapes have no number to show.
    return kind === 'shape' ? '' : valueAt(value as Animated, frame);
  });
  return (
    <Head $inset={depth * INSET}>
      <NoTurn />
      <Order />
      <Name style={{ color: 'var(--quiet)' }} title={name}>
        {name}
      </Name>
      <Quiet>{partWords(owner.keyed, part, now)}</Quiet>
    </Head>
  );
});
