'use client';
import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import styled from 'styled-components';
import { EXPORTS, EXPORTS_KEPT, type ExportSummary } from '@/contract';
import { framesPerSecond, parseTime } from '@/core/timing';
import { Button, Dialog, MainButton, notify, NumberField, Segmented } from '@/ui';
import { textsFollowed } from '../reveal';
import { call, save, useSaving } from '../saving';
import { useCalm } from '../state';

const SCALES = { '0.5': 0.5, '1': 1, '2': 2 } as const;

const Form = styled.div`
  display: grid;
  gap: 10px;
`;
const Line = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  > span {
    color: var(--quiet);
  }
  > div {
    min-width: 230px;
  }
`;
const Past = styled.ul`
  max-height: 250px;
  margin: 18px 0 0;
  padding: 12px 0 0;
  border-top: 1px solid var(--rule);
  overflow: auto;
  list-style: none;
  scrollbar-width: thin;
`;
const Item = styled.li`
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  gap: 2px 12px;
  padding: 6px 0;
  small {
    color: var(--quiet);
    font-size: 12px;
  }
  a {
    display: inline-flex;
    align-items: center;
    height: 30px;
    padding: 0 12px;
    border: 1px solid var(--rule);
    border-radius: 7px;
    background: var(--raised);
    color: var(--text);
    text-decoration: none;
  }
  p {
    grid-column: 1 / -1;
    margin: 2px 0;
    color: var(--caution);
  }
`;
const Progress = styled.progress`
  grid-column: 1 / -1;
  width: 100%;
  height: 4px;
  border: 0;
  border-radius: 2px;
  overflow: hidden;
  appearance: none;
  background: var(--desk);
  &::-webkit-progress-bar {
    background: var(--desk);
  }
  &::-webkit-progress-value {
    background: var(--head);
  }
`;
const Words = styled.p`
  margin: 0;
  color: var(--quiet);
`;

const FORMAT = { webm: 'WebM, VP9 with alpha', png: 'PNG sequence in a zip' } as const;

function size(bytes: number): string {
  if (bytes < 1e6) return `${Math.max(1, Math.round(bytes / 1e3))} kB`;
  return `${(bytes / 1e6).toFixed(1)} MB`;
}

function facts(item: ExportSummary): string {
  const { scale, first, last } = item.settings;
  const what = `${item.settings.format === 'webm' ? 'WebM' : 'PNG'} ${scale}× · frames ${first}–${last} · revision ${item.revision}`;
  const state = {
    queued: 'waiting for a renderer',
    running: `${item.framesDone} of ${item.framesTotal} frames${item.secondsLeft === null ? '' : ` · about ${item.secondsLeft} s left`}`,
    done: item.bytes === null ? 'done' : size(item.bytes),
    failed: 'failed',
    cancelled: 'stopped',
  }[item.status];
  return `${what} · ${state}`;
}

function PastExport({ item, onChange }: { item: ExportSummary; onChange: () => void }) {
  const act = (what: 'cancel' | 'retry') =>
    call(EXPORTS[what], { params: { id: item.id } })
      .catch((error: Error) => notify(error.message))
      .finally(onChange);
  const alive = item.status === 'queued' || item.status === 'running';
  return (
    <Item data-status={item.status}>
      <div>
        {item.fileName}
        <br />
        <small>{facts(item)}</small>
      </div>
      {item.status === 'done' && (
        <a href={`/api/exports/${item.id}/file`} download={item.fileName}>
          Download
        </a>
      )}
      {alive && <Button onPress={() => act('cancel')}>Stop</Button>}
      {(item.status === 'failed' || item.status === 'cancelled') && (
        <Button onPress={() => act('retry')}>Run again</Button>
      )}
      {alive && (
        <Progress
          aria-label={`Progress of ${item.fileName}`}
          value={item.framesDone}
          max={item.framesTotal}
        />
      )}
      {item.message && <p>{item.message}</p>}
    </Item>
  );
}

/** Asks for exports of the open piece and shows those asked for before. */
export function ExportDialog({ isOpen, onClose }: { isOpen: boolean; onClose: () => void }) {
  const id = useSaving((s) => s.open?.id);
  const saveStatus = useSaving((s) => s.status);
  const piece = useCalm((s) => s.piece);
  const [format, setFormat] = useState<'webm' | 'png'>('webm');
  const [scale, setScale] = useState<keyof typeof SCALES>('1');
  const [range, setRange] = useState<'all' | 'part'>('all');
  const [first, setFirst] = useState(0);
  const [last, setLast] = useState(piece.length - 1);
  const [error, setError] = useState('');
  const [waiting, setWaiting] = useState(false);
  const queries = useQueryClient();
  const list = useQuery({
    queryKey: ['exports', id],
    queryFn: () => call(EXPORTS.list, { params: { id: id! } }),
    enabled: isOpen && Boolean(id),
    refetchInterval: (query) =>
      query.state.data?.exports.some((e) => e.status === 'queued' || e.status === 'running') ? 400 : 5000,
  });
  const refresh = () => queries.invalidateQueries({ queryKey: ['exports', id] });
  const start = async () => {
    setError('');
    try {
      // What is exported is what was asked for: strokes follow their text, and the last change is saved first.
      setWaiting(true);
      const followed = await textsFollowed();
      setWaiting(false);
      if (!followed) {
        setError(
          'Strokes could not be made to follow their text, so nothing was exported. Find them anew in Reveal, or undo the text.',
        );
        return;
      }
      for (let tries = 0; tries < 3; tries++) {
        await save();
        if (useSaving.getState().status !== 'unsaved') break;
      }
      if (useSaving.getState().status !== 'saved') {
        setError(
          'The last changes could not be saved, so nothing was exported. They are kept in this browser.',
        );
        return;
      }
      const end = piece.length - 1;
      const bounds = range === 'all' ? { first: 0, last: end } : { first, last: Math.min(last, end) };
      await call(EXPORTS.request, {
        params: { id: id! },
        body: { format, scale: SCALES[scale], ...bounds },
      });
      await refresh();
    } catch (problem) {
      setError((problem as Error).message);
    } finally {
      setWaiting(false);
    }
  };
  const frames = {
    format: (v: number) => `frame ${v}`,
    parse: (text: string) => parseTime(text.replace(/^frame\s*/, ''), piece.rate),
    pixelsPerStep: 4,
  };
  const width = Math.round(piece.size.width * Number(scale));
  const height = Math.round(piece.size.height * Number(scale));
  const count = range === 'all' ? piece.length : Math.max(0, last - first + 1);
  return (
    <Dialog title="Export" isOpen={isOpen} onClose={onClose} width={500}>
      <Form>
        <Line>
          <span>Format</span>
          <div>
            <Segmented
              label="Format"
              value={format}
              choices={{ webm: 'WebM', png: 'PNG sequence' }}
              onChange={setFormat}
            />
          </div>
        </Line>
        <Line>
          <span>Size</span>
          <div>
            <Segmented
              label="Size"
              value={scale}
              choices={(['0.5', '1', '2'] as const).map((s) => ({ id: s, name: `${s}×` }))}
              onChange={setScale}
            />
          </div>
        </Line>
        <Line>
          <span>Frames</span>
          <div>
            <Segmented
              label="Frames"
              value={range}
              choices={{ all: 'whole piece', part: 'a part' }}
              onChange={setRange}
            />
          </div>
        </Line>
        {range === 'part' && (
          <div>
            <NumberField
              label="First"
              value={first}
              min={0}
              max={piece.length - 1}
              onChange={(v) => setFirst(Math.round(v))}
              {...frames}
            />
            <NumberField
              label="Last"
              value={Math.min(last, piece.length - 1)}
              min={first}
              max={piece.length - 1}
              onChange={(v) => setLast(Math.round(v))}
              {...frames}
            />
          </div>
        )}
        <Words>
          {FORMAT[format]} · {width} × {height} · {count} frames ·{' '}
          {Math.round((count / framesPerSecond(piece.rate)) * 100) / 100} s · transparent ground
        </Words>
        <Line>
          <Words role="alert" style={{ color: 'var(--caution)' }}>
            {error}
          </Words>
          <MainButton onPress={start} isDisabled={saveStatus === 'conflict' || waiting}>
            {waiting ? 'Strokes follow their text …' : 'Start export'}
          </MainButton>
        </Line>
      </Form>
      {list.data && list.data.exports.length > 0 && (
        <Past aria-label="Exports of this piece">
          {list.data.exports.map((item) => (
            <PastExport key={item.id} item={item} onChange={refresh} />
          ))}
        </Past>
      )}
      {list.data && list.data.exports.length > 0 && (
        <Words>
          Files are kept for {EXPORTS_KEPT.days} days, the newest {EXPORTS_KEPT.newest} of a piece for good.
        </Words>
      )}
      {list.isError && <Words>The list of exports cannot be fetched: {list.error.message}</Words>}
    </Dialog>
  );
}
