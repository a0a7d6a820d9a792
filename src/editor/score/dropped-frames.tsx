'use client';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import type { Layer } from '@/core/document';
import { Button, inIdle, Menu } from '@/ui';
import { dearest, timeOf, type Cost } from '../playback';
import { select, shownPiece, useEditor } from '../state';

const Words = styled.span`
  padding: 0 6px;
  color: var(--caution);
  white-space: nowrap;
`;

/** Measures layer by layer when nothing else is to be done; null until all are known. */
function useCosts(frame: number | null, playing: boolean): readonly Cost[] | null {
  const [costs, setCosts] = useState<readonly Cost[] | null>(null);
  useEffect(() => {
    setCosts(null);
    if (frame === null || playing) return;
    const piece = shownPiece(useEditor.getState());
    const left = piece.layers.filter((layer) => !layer.hidden);
    const times = new Map<Layer, number>();
    let end: () => void = () => {};
    const next = (): void => {
      const layer = left.pop();
      if (!layer) {
        setCosts(dearest(times));
        return;
      }
      times.set(layer, timeOf(piece, layer.id, frame));
      end = inIdle(next);
    };
    end = inIdle(next);
    return () => end();
  }, [frame, playing]);
  return costs;
}

/** How many frames playing could not show in time, and what took longest where it was slowest. */
export function DroppedFrames() {
  const dropped = useEditor((s) => s.dropped);
  const slowest = useEditor((s) => s.slowest);
  const playing = useEditor((s) => s.playing);
  const costs = useCosts(dropped > 0 ? slowest : null, playing);
  if (dropped === 0) return null;
  const words = `${dropped} dropped`;
  if (!costs || costs.length === 0 || slowest === null)
    return <Words title="Frames that playback could not show in time">{words}</Words>;
  return (
    <Menu
      label={`What costs most at frame ${slowest}`}
      entries={costs.map(({ layer, share }) => ({
        id: layer.id,
        name: `${layer.name}: ${share < 0.01 ? 'under 1' : Math.round(share * 100)} % of frame ${slowest}`,
        run: () => select({ layers: [layer.id] }),
      }))}
    >
      <Button
        data-dropped
        style={{ border: 0, background: 'none', color: 'var(--caution)', padding: '0 6px' }}
      >
        {words}
      </Button>
    </Menu>
  );
}
