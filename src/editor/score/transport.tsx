'use client';
import { useState } from 'react';
import { ChevronLeft, ChevronRight, Pause, Play, Repeat, SkipBack } from 'lucide-react';
import styled from 'styled-components';
import { parseTime, timecode } from '@/core/timing';
import { IconButton, IconToggle } from '@/ui';
import { togglePlay } from '../playback/playback';
import { showFrame, useEditor } from '../state';

const Bar = styled.div`
  display: flex;
  align-items: center;
  gap: 6px;
  height: 34px;
  padding: 0 12px 0 8px;
  border-bottom: 1px solid var(--rule);
`;
const Field = styled.input<{ $wide?: boolean }>`
  width: ${({ $wide }) => ($wide ? '104px' : '88px')};
  height: 26px;
  padding: 0 6px;
  border: 1px solid transparent;
  border-radius: 6px;
  background: none;
  font-size: ${({ $wide }) => ($wide ? '15px' : '13px')};
  color: ${({ $wide }) => ($wide ? 'var(--text)' : 'var(--quiet)')};
  &:hover {
    border-color: var(--rule);
  }
  &:focus {
    background: var(--desk);
    color: var(--text);
  }
`;
const Hint = styled.span`
  margin-left: auto;
  color: var(--quiet);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  b {
    font-weight: 400;
  }
`;
const Dropped = styled.span`
  color: var(--caution);
  white-space: nowrap;
`;

/** A moment shown in one notation and typed in any. */
function MomentField({ label, shown, wide }: { label: string; shown: string; wide?: boolean }) {
  const rate = useEditor((s) => s.piece.rate);
  const [typed, setTyped] = useState<string | null>(null);
  const take = () => {
    const frame = typed === null ? null : parseTime(typed, rate);
    if (frame !== null) showFrame(frame);
    setTyped(null);
  };
  return (
    <Field
      $wide={wide ?? false}
      aria-label={label}
      value={typed ?? shown}
      autoComplete="off"
      spellCheck={false}
      onFocus={(event) => event.currentTarget.select()}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') take();
        if (event.key === 'Escape') {
          setTyped(null);
          event.currentTarget.blur();
        }
        if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
          event.preventDefault();
          const step = (event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1);
          showFrame(useEditor.getState().frame + step);
        }
        event.stopPropagation();
      }}
    />
  );
}

/** Playing, stepping, and the moment shown. */
export function Transport() {
  const playing = useEditor((s) => s.playing);
  const looping = useEditor((s) => s.looping);
  const frame = useEditor((s) => s.frame);
  const dropped = useEditor((s) => s.dropped);
  const rate = useEditor((s) => s.piece.rate);
  return (
    <Bar role="toolbar" aria-label="Playback">
      <IconButton label="To the first frame" keys="Home" plain onPress={() => showFrame(0)}>
        <SkipBack />
      </IconButton>
      <IconButton label="One frame back" keys="," plain onPress={() => showFrame(frame - 1)}>
        <ChevronLeft />
      </IconButton>
      <IconButton label={playing ? 'Stop' : 'Play'} keys="Space" onPress={togglePlay}>
        {playing ? <Pause /> : <Play />}
      </IconButton>
      <IconButton label="One frame on" keys="." plain onPress={() => showFrame(frame + 1)}>
        <ChevronRight />
      </IconButton>
      <IconToggle
        label="Loop"
        keys="L"
        plain
        isSelected={looping}
        onChange={(on) => useEditor.setState({ looping: on })}
      >
        <Repeat />
      </IconToggle>
      <MomentField label="Timecode" shown={timecode(frame, rate)} wide />
      <MomentField label="Frame" shown={`frame ${frame}`} />
      {dropped > 0 && (
        <Dropped title="Frames that playback could not show in time">{dropped} dropped</Dropped>
      )}
      <Hint>
        each lane: how much of the stroke is inked, <b style={{ color: 'var(--head)' }}>head</b> to{' '}
        <b style={{ color: 'var(--tail)' }}>tail</b>
      </Hint>
    </Bar>
  );
}
