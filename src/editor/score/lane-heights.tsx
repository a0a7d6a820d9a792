'use client';
import { type ReactNode } from 'react';
import { FoldVertical, UnfoldVertical } from 'lucide-react';
import styled from 'styled-components';
import { IconButton } from '@/ui';
import { nextLane, setLane, useTimeScale } from './time-scale';

const Heights = styled.div`
  display: flex;
  gap: 2px;
`;

/** Makes the lanes lower and higher. */
export function LaneHeights() {
  const lane = useTimeScale((s) => s.lane);
  const turn = (by: 1 | -1, label: string, icon: ReactNode) => {
    const next = nextLane(lane, by);
    return (
      <IconButton
        label={label}
        plain
        isDisabled={next === null}
        onPress={() => next !== null && setLane(next)}
      >
        {icon}
      </IconButton>
    );
  };
  return (
    <Heights role="group" aria-label="Height of the lanes">
      {turn(-1, 'Lower lanes', <FoldVertical />)}
      {turn(1, 'Higher lanes', <UnfoldVertical />)}
    </Heights>
  );
}
