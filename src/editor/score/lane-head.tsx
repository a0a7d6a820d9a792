'use client';
import { memo, type ReactNode } from 'react';
import { Eye, EyeOff, Link2, Lock, LockOpen, Shapes, Type } from 'lucide-react';
import styled from 'styled-components';
import { markColour, type Layer, type Stroke } from '@/core/document';
import { keysOf } from '@/core/timing';
import { NameField } from '@/ui';
import { renameLayer, setFlag } from '../state';

const Head = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
  height: 100%;
  padding: 0 12px 0 10px;
`;
const Order = styled.span`
  width: 22px;
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
  return { mark: null, colour: markColour(layer.ink) };
}

/** Name, number and switches of a lane. */
export const LaneHead = memo(function LaneHead({
  layer,
  order,
  bound,
  renaming,
  onRenamed,
}: {
  layer: Layer;
  order: number | null;
  /** What it follows or what follows it, in words; null where nothing does. */
  bound: string | null;
  renaming: boolean;
  onRenamed: () => void;
}) {
  const frames = layer.type === 'stroke' ? writingFrames(layer) : null;
  const { mark, colour } = markOf(layer);
  const toggle = (flag: 'hidden' | 'locked') => setFlag([layer.id], flag, !layer[flag]);
  return (
    <Head>
      <Order>{order ?? mark}</Order>
      <Dot style={{ background: colour }} />
      {renaming ? (
        <span
          style={{ flex: 1, minWidth: 0 }}
          ref={(node) => node?.querySelector('input')?.focus()}
          onBlur={onRenamed}
          onPointerDown={(event) => event.stopPropagation()}
        >
          <NameField
            label={order ? `Name of stroke ${order}` : 'Name'}
            value={layer.name}
            onChange={(name) => renameLayer(layer.id, name)}
          />
        </span>
      ) : (
        <Name>{layer.name}</Name>
      )}
      {bound && (
        <Bound title={bound}>
          <Link2 size={13} aria-label={bound} />
        </Bound>
      )}
      <Switch
        tabIndex={-1}
        aria-label={`Lock ${layer.name}`}
        aria-pressed={layer.locked}
        title={layer.locked ? 'Unlock' : 'Lock'}
        onPointerDown={(event) => event.stopPropagation()}
        onClick={() => toggle('locked')}
      >
        {layer.locked ? <Lock /> : <LockOpen />}
      </Switch>
      <Switch
        tabIndex={-1}
        aria-label={`Hide ${layer.name}`}
        aria-pressed={layer.hidden}
        title={layer.hidden ? 'Show' : 'Hide'}
        onPointerDown={(event) => event.stopPropagation()}
        onClick={() => toggle('hidden')}
      >
        {layer.hidden ? <EyeOff /> : <Eye />}
      </Switch>
      <Quiet>{frames === null ? '' : `${frames} fr`}</Quiet>
    </Head>
  );
});
