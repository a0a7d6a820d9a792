'use client';
import { memo } from 'react';
import { Eye, EyeOff, Lock, LockOpen } from 'lucide-react';
import styled from 'styled-components';
import type { Stroke } from '@/core/document';
import { keysOf } from '@/core/timing';
import { NameField } from '@/ui';
import { renameStroke, setFlag } from '../state';

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

/** Frames the stroke takes to be written: from the first key of what moves first to the next. */
function writingFrames(stroke: Stroke): number | null {
  const moves = (['head', 'tail'] as const)
    .map((part) => keysOf(stroke.window[part]))
    .filter((keys) => keys.length > 1)
    .sort((a, b) => a[0]!.frame - b[0]!.frame);
  return moves[0] ? moves[0][1]!.frame - moves[0][0]!.frame : null;
}

/** Name, number and switches of a lane. */
export const LaneHead = memo(function LaneHead({
  stroke,
  order,
  renaming,
  onRenamed,
}: {
  stroke: Stroke;
  order: number;
  renaming: boolean;
  onRenamed: () => void;
}) {
  const frames = writingFrames(stroke);
  const toggle = (flag: 'hidden' | 'locked') => setFlag([stroke.id], flag, !stroke[flag]);
  return (
    <Head>
      <Order>{order}</Order>
      <Dot style={{ background: stroke.ink.colour }} />
      {renaming ? (
        <span
          style={{ flex: 1, minWidth: 0 }}
          ref={(node) => node?.querySelector('input')?.focus()}
          onBlur={onRenamed}
          onPointerDown={(event) => event.stopPropagation()}
        >
          <NameField
            label={`Name of stroke ${order}`}
            value={stroke.name}
            onChange={(name) => renameStroke(stroke.id, name)}
          />
        </span>
      ) : (
        <Name>{stroke.name}</Name>
      )}
      <Switch
        tabIndex={-1}
        aria-label={`Lock ${stroke.name}`}
        aria-pressed={stroke.locked}
        title={stroke.locked ? 'Unlock' : 'Lock'}
        onPointerDown={(event) => event.stopPropagation()}
        onClick={() => toggle('locked')}
      >
        {stroke.locked ? <Lock /> : <LockOpen />}
      </Switch>
      <Switch
        tabIndex={-1}
        aria-label={`Hide ${stroke.name}`}
        aria-pressed={stroke.hidden}
        title={stroke.hidden ? 'Show' : 'Hide'}
        onPointerDown={(event) => event.stopPropagation()}
        onClick={() => toggle('hidden')}
      >
        {stroke.hidden ? <EyeOff /> : <Eye />}
      </Switch>
      <Quiet>{frames === null ? '' : `${frames} fr`}</Quiet>
    </Head>
  );
});
