'use client';
import { memo, useMemo, type ReactNode } from 'react';
import {
  ArrowLeftRight,
  ArrowRightToLine,
  ChevronLeft,
  ChevronRight,
  GalleryHorizontalEnd,
  Layers2,
  Pause,
  Play,
  Repeat,
  SkipBack,
} from 'lucide-react';
import styled from 'styled-components';
import { layersOf } from '@/core/document';
import { loopGaps, type LoopGap } from '@/core/scene';
import { Button, IconButton, IconToggle, Menu, NumberField, Select, whole } from '@/ui';
import { setAhead, useAhead } from '../canvas';
import { playedRange, togglePlay } from '../playback';
import { select, showFrame, useCalm, useEditor, type Onion, type PlayMode } from '../state';
import { DroppedFrames } from './dropped-frames';
import { MomentShown } from './moment-shown';

const Bar = styled.div`
  display: flex;
  align-items: center;
  gap: 6px;
  height: 34px;
  padding: 0 12px 0 8px;
  overflow: auto hidden;
  scrollbar-width: none;
  > * {
    flex: none;
  }
  border-bottom: 1px solid var(--rule);
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
const Fact = styled.span`
  padding: 0 6px;
  color: var(--quiet);
  white-space: nowrap;
`;
const Onions = styled.div`
  display: flex;
  gap: 10px;
  --number-width: 44px;
`;

const MODES: readonly { id: PlayMode; words: string; icon: ReactNode }[] = [
  { id: 'loop', words: 'Loop', icon: <Repeat /> },
  { id: 'there and back', words: 'There and back', icon: <ArrowLeftRight /> },
  { id: 'once', words: 'Once', icon: <ArrowRightToLine /> },
];

/** The next way of playing. */
export function nextPlayMode(): void {
  useEditor.setState(({ playMode }) => ({
    playMode: MODES[(MODES.findIndex((mode) => mode.id === playMode) + 1) % MODES.length]!.id,
  }));
}

const SPEEDS = [
  { id: '1', name: 'full speed' },
  { id: '0.5', name: 'half' },
  { id: '0.25', name: 'quarter' },
  { id: '0.1', name: 'tenth' },
] as const;

const GAP_WORDS: Record<Exclude<LoopGap['differs'], 'ink'>, string> = {
  look: 'looks otherwise',
  place: 'stands elsewhere',
  strength: 'fades',
  finish: 'its effects differ',
  masks: 'its masks differ',
  text: 'its text differs',
  piece: 'its piece differs',
};

/** Whether the piece plays over and over without a seam, and by what it does not. */
function LoopCheck() {
  const piece = useCalm((s) => s.piece);
  const gaps = useMemo(() => loopGaps(piece), [piece]);
  if (gaps.length === 0) return <Fact data-loop="closes">loop closes</Fact>;
  const words = (gap: LoopGap) =>
    `${gap.part.name}: ${gap.differs === 'ink' ? `${Math.round(gap.pixels)} px differ` : GAP_WORDS[gap.differs]}`;
  const all = {
    id: 'all',
    name: gaps.length > 1 ? `Select all ${gaps.length}` : 'Select it',
    run: () => select({ layers: [...new Set(gaps.flatMap((gap) => layersOf(piece, gap.part.id)))] }),
  };
  return (
    <Menu
      label="Where the loop does not close"
      entries={[
        ...gaps.slice(0, 12).map((gap) => ({
          id: gap.part.id,
          name: words(gap),
          run: () => select({ layers: layersOf(piece, gap.part.id) }),
        })),
        all,
      ]}
    >
      <Button
        data-loop="jumps"
        style={{ border: 0, background: 'none', color: 'var(--caution)', padding: '0 6px' }}
      >
        loop does not close: {gaps.length}
      </Button>
    </Menu>
  );
}

const keepOnion = (part: Partial<Onion>) =>
  useEditor.setState(({ onion }) => ({ onion: { ...onion, ...part } }));
const counted = { min: 0, max: 8, ...whole };

/** How many frames are seen faintly before and after the one shown. */
function OnionNumbers() {
  const onion = useEditor((s) => s.onion);
  return (
    <Onions>
      <NumberField
        label="before"
        value={onion.before}
        onChange={(v) => keepOnion({ before: Math.round(v) })}
        {...counted}
      />
      <NumberField
        label="after"
        value={onion.after}
        onChange={(v) => keepOnion({ after: Math.round(v) })}
        {...counted}
      />
      <NumberField
        label="every"
        value={onion.every}
        onChange={(v) => keepOnion({ every: Math.round(v) })}
        {...counted}
        min={1}
        max={100}
        format={(v) => `${Math.round(v)} fr`}
      />
    </Onions>
  );
}

/** Says how many of the frames that are played are kept painted, and for how many there is room. */
function PaintedWords() {
  const isOn = useAhead((s) => s.isOn);
  const done = useAhead((s) => s.frames.size);
  const room = useAhead((s) => s.room);
  const { from, to } = playedRange(useEditor((s) => s.piece));
  const all = to - from + 1;
  if (!isOn || room === 0) return null;
  const words = room < all ? `${room} of ${all} painted` : 'all painted';
  return (
    <Fact
      // Heard once, when it is done.
      aria-live={done < room ? 'off' : 'polite'}
      title={room < all ? 'There is no memory for more. A shorter work range has room.' : undefined}
      style={{ fontVariantNumeric: 'tabular-nums' }}
    >
      {done < room ? `painting ${done} of ${room}` : words}
    </Fact>
  );
}

const moveFrames = (by: number): void => showFrame(useEditor.getState().frame + by);

/** Playing, stepping, and the moment shown. */
export const Transport = memo(function Transport() {
  const playing = useEditor((s) => s.playing);
  const playMode = useEditor((s) => s.playMode);
  const playSpeed = useEditor((s) => s.playSpeed);
  const onion = useEditor((s) => s.onion.shown);
  const ahead = useAhead((s) => s.isOn);
  const mode = MODES.find((one) => one.id === playMode)!;
  return (
    <Bar role="group" aria-label="Playback">
      <IconButton label="To the first frame" keys="Home" plain onPress={() => showFrame(0)}>
        <SkipBack />
      </IconButton>
      <IconButton label="One frame back" keys="," plain onPress={() => moveFrames(-1)}>
        <ChevronLeft />
      </IconButton>
      <IconButton label={playing ? 'Stop' : 'Play'} keys="Space" onPress={togglePlay}>
        {playing ? <Pause /> : <Play />}
      </IconButton>
      <IconButton label="One frame on" keys="." plain onPress={() => moveFrames(1)}>
        <ChevronRight />
      </IconButton>
      <IconButton label={`Plays: ${mode.words.toLowerCase()}`} keys="L" plain onPress={nextPlayMode}>
        {mode.icon}
      </IconButton>
      <div style={{ width: 104 }}>
        <Select
          label="Speed of playing"
          value={String(playSpeed)}
          choices={SPEEDS.map(({ id, name }) => ({ id: id, name }))}
          onChange={(id) => useEditor.setState({ playSpeed: Number(id), playing: false })}
        />
      </div>
      <IconToggle
        label="Onion skin"
        keys="Q"
        plain
        isSelected={onion}
        onChange={(shown) => keepOnion({ shown })}
      >
        <Layers2 />
      </IconToggle>
      {onion && <OnionNumbers />}
      <IconToggle label="Paint ahead" plain isSelected={ahead} onChange={setAhead}>
        <GalleryHorizontalEnd />
      </IconToggle>
      <MomentShown />
      <PaintedWords />
      <DroppedFrames />
      <LoopCheck />
      <Hint>
        each lane: how much of the stroke is inked, <b style={{ color: 'var(--head)' }}>head</b> to{' '}
        <b style={{ color: 'var(--tail)' }}>tail</b>
      </Hint>
    </Bar>
  );
});
