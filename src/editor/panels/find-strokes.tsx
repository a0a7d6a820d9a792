'use client';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { directionOf, type ThresholdOptions, type TraceOptions } from '@/core/trace';
import {
  Button,
  Check,
  Fold,
  MainButton,
  NumberField,
  NumberRows,
  type NumberRow,
  percent,
  pixels,
  plain,
  writtenWith,
  Segmented,
  Buttons,
  Group,
  Hint,
  Row,
  Gap,
} from '@/ui';
import { runGhost } from '../canvas';
import { useCalm } from '../state';
import {
  addOutlines,
  foreseeTrace,
  isUnderlay,
  leaveTrace,
  prepareToTrace,
  previewInk,
  takeTrace,
  traceSource,
  useTracing,
  type Traceable,
} from '../tracing';
import { usePrepared } from './use-prepared';

const Bar = styled.progress`
  width: 100%;
  height: 6px;
  accent-color: var(--head);
`;

const THRESHOLD: readonly NumberRow<ThresholdOptions>[] = [
  { part: 'bias', label: 'Threshold', min: -1, max: 1, step: 0.02, ...percent },
  { part: 'despeckle', label: 'Specks up to', min: 0, max: 5000, ...writtenWith('px²', 0) },
];
const FOUND: readonly NumberRow<TraceOptions>[] = [
  { part: 'detail', label: 'Tolerance, of the width', min: 0.005, max: 0.3, step: 0.005, ...percent },
  { part: 'spurs', label: 'Spurs from, half widths', min: 0.1, max: 6, step: 0.05, ...plain },
];

const putOptions = (part: Partial<TraceOptions>) =>
  useTracing.setState(({ options }) => ({ options: { ...options, ...part } }));

/** How ink is told from paper, with what was found laid over the picture. */
function Threshold({ source }: { source: Extract<Traceable, { asset: string }> }) {
  const threshold = useTracing((s) => s.threshold);
  const ink = useTracing((s) => s.ink);
  const put = (part: Partial<ThresholdOptions>) => {
    useTracing.setState({ threshold: { ...threshold, ...part } });
    if (useTracing.getState().ink) void previewInk(source);
  };
  return (
    <Group title="Ink and paper">
      <Segmented
        label="Light on the paper"
        value={threshold.method}
        choices={['even light', 'uneven light']}
        onChange={(method) => put({ method })}
      />
      <NumberRows rows={THRESHOLD} value={threshold} onChange={put} />
      <Check isSelected={threshold.invert} onChange={(invert) => put({ invert })}>
        Light ink on dark paper
      </Check>
      <Check isSelected={ink?.underlay === source.id} onChange={(on) => void previewInk(on ? source : null)}>
        Show the ink that is found
      </Check>
    </Group>
  );
}

/** What taking the waiting strokes would do, and the choice. */
function Waiting() {
  const run = useTracing((s) => s.run);
  const keepWidths = useTracing((s) => s.keepWidths);
  const piece = useCalm((s) => s.piece);
  void keepWidths;
  const foreseen = foreseeTrace(piece);
  if (!run?.strokes || !foreseen) return null;
  const points = run.strokes.reduce((sum, stroke) => sum + stroke.path.points.length, 0);
  const facts = [
    foreseen.kept > 0 && `${foreseen.kept} match strokes that are there and keep their timing`,
    foreseen.corrected > 0 && `${foreseen.corrected} keep your corrections`,
    foreseen.added > 0 && foreseen.kept > 0 && `${foreseen.added} new`,
    foreseen.removed > 0 && `${foreseen.removed} no longer found go`,
  ].filter(Boolean);
  return (
    <div role="status">
      <Hint style={{ color: 'var(--text)' }}>
        {run.strokes.length} {run.strokes.length === 1 ? 'stroke' : 'strokes'}, {points} points, in{' '}
        {(run.ms / 1000).toFixed(1)} s.
      </Hint>
      {facts.length > 0 && <Hint>{facts.join('; ')}.</Hint>}
      <Buttons>
        <MainButton onPress={takeTrace}>Apply</MainButton>
        <Button onPress={leaveTrace}>Discard</Button>
        <Button onPress={runGhost}>Watch the pen</Button>
      </Buttons>
    </div>
  );
}

/** Finds the strokes of the art, lettering or underlay in hand. */
export function FindStrokes({ source }: { source: Traceable }) {
  const run = useTracing((s) => s.run);
  const options = useTracing((s) => s.options);
  const keepWidths = useTracing((s) => s.keepWidths);
  const writeOn = useTracing((s) => s.writeOn);
  const [offset, setOffset] = useState(0);
  const { id } = source;
  usePrepared(source, prepareToTrace);
  const isToldByText =
    'type' in source && source.type === 'lettering' && directionOf(source.setting.text) !== null;
  // What waits belongs to what is in hand: it goes when something else is taken up.
  useEffect(
    () => () => {
      if (useTracing.getState().run?.source === id) leaveTrace();
      void previewInk(null);
    },
    [id],
  );
  const mine = run?.source === id ? run : null;
  const again = () => {
    if (mine?.strokes) void traceSource(source);
  };
  const change = (part: Partial<TraceOptions>) => {
    putOptions(part);
    again();
  };
  return (
    <>
      {isUnderlay(source) && <Threshold source={source} />}
      <Group title="Centre-lines">
        {mine && !mine.strokes ? (
          <>
            <Bar value={mine.done} max={1} aria-label="Tracing" />
            <Row>
              <span>{Math.round(mine.done * 100)} %</span>
              <Button onPress={leaveTrace}>Stop</Button>
            </Row>
          </>
        ) : mine?.strokes ? (
          <Waiting />
        ) : (
          <MainButton $wide onPress={() => traceSource(source)}>
            Find the strokes
          </MainButton>
        )}
      </Group>
      <Fold title="How they are found">
        <Segmented
          label="Pen lifts"
          value={options.lifts}
          choices={{ fewest: 'fewest lifts', parts: 'letter parts' }}
          onChange={(lifts) => change({ lifts })}
        />
        <Gap />
        <NumberRows rows={FOUND} value={options} onChange={change} />
        <Check isSelected={keepWidths} onChange={(on) => useTracing.setState({ keepWidths: on })}>
          Keep the width along each stroke
        </Check>
        <Check isSelected={writeOn} onChange={(on) => useTracing.setState({ writeOn: on })}>
          Write them on in order
        </Check>
        {!isToldByText && (
          <>
            <Segmented
              label="Direction of writing"
              value={options.direction}
              choices={['left to right', 'right to left']}
              onChange={(direction) => change({ direction })}
            />
            <Gap />
          </>
        )}
        <Segmented
          label="Dots and bars"
          value={options.marks}
          choices={{ 'after the word': 'dots after the word', 'at once': 'at once' }}
          onChange={(marks) => change({ marks })}
        />
      </Fold>
      <Fold title="Its edge as strokes">
        <NumberField
          label="Outward by"
          value={offset}
          min={-500}
          max={500}
          onChange={setOffset}
          {...pixels}
        />
        <Button $wide onPress={() => addOutlines(source, offset)}>
          Follow the edge
        </Button>
        <Hint>Inward where the number is negative.</Hint>
      </Fold>
    </>
  );
}
