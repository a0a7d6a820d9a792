'use client';
import {
  EXPORT_FORMATS,
  exportedFrames,
  fileSize,
  formatOf,
  isDeep,
  isSingle,
  FORMAT_IDS,
  needsColour,
  RECEIVERS,
  TRANSPARENCIES,
  wholeSettings,
  type ExportSettings,
  type ExportSummary,
  type Preset,
  type ReceiverId,
} from '@/contract';
import { framesPerSecond, parseTime } from '@/core/timing';
import { ColourField, NumberField, Segmented, Select, whole } from '@/ui';
import styled from 'styled-components';
import { useSwatches } from '../properties';
import { useCalm } from '../state';
import { expectedSize } from './expected-size';
import { Presets } from './presets';
import { presetOf, type Asked } from './use-asked';
import { Words } from './words';

const Line = styled.div`
  display: grid;
  grid-template-columns: 130px 1fr;
  align-items: center;
  min-height: 30px;
  > span {
    color: var(--quiet);
  }
`;
const Why = styled(Words)`
  margin: -2px 0 4px 130px;
`;

const SCALES = (
  [
    ['0.25', '¼×'],
    ['0.5', '½×'],
    ['1', '1×'],
    ['2', '2×'],
  ] as const
).map(([id, name]) => ({ id, name }));
const places = Object.fromEntries(Object.entries(RECEIVERS).map(([id, { name }]) => [id, name])) as Record<
  ReceiverId,
  string
>;
const formats = FORMAT_IDS.map((id) => ({
  id,
  name: EXPORT_FORMATS[id].name,
  show: `${EXPORT_FORMATS[id].name}: ${EXPORT_FORMATS[id].detail}`,
}));

/** Where a file goes, its format, and what that lets one choose. */
export function ExportSettingsForm({
  asked,
  change,
  send,
  take,
  settings,
  past,
}: {
  asked: Asked;
  change: (part: Partial<Asked>) => void;
  send: (id: ReceiverId) => void;
  take: (preset: Preset) => void;
  /** What is asked as it would be sent now. */
  settings: ExportSettings;
  past: readonly ExportSummary[];
}) {
  const piece = useCalm((s) => s.piece);
  const swatches = useSwatches();
  const format = formatOf(asked.format);
  const full = wholeSettings(settings);
  const { receiver } = asked;
  const end = piece.length - 1;
  const frames = {
    format: (v: number) => `frame ${v}`,
    parse: (text: string) => parseTime(text.replace(/^frame\s*/, ''), piece.rate),
    pixelsPerStep: 4,
    min: 0,
    max: end,
  };
  const { width, height } = fileSize(format, piece.size, settings.scale);
  const count = exportedFrames(settings, piece.rate).length;
  const seconds = Math.round((count / framesPerSecond(piece.rate)) * 100) / 100;
  const single = isSingle(format);
  return (
    <>
      <Line>
        <span>Preset</span>
        <Presets now={presetOf(asked)} onTake={take} />
      </Line>
      <Line>
        <span>Where it goes</span>
        <Select
          label="Where it goes"
          value={receiver}
          placeholder="somewhere else, as set below"
          choices={places}
          onChange={send}
        />
      </Line>
      {receiver && <Why>{RECEIVERS[receiver].why}</Why>}
      <Line>
        <span>Format</span>
        <Select
          label="Format"
          value={asked.format}
          choices={formats}
          onChange={(id) => change({ format: id })}
        />
      </Line>
      {format.transparencies.length > 1 && (
        <Line>
          <span>Transparency</span>
          <Select
            label="Transparency"
            value={full.transparency}
            choices={format.transparencies.map((id) => ({ id, name: TRANSPARENCIES[id] }))}
            onChange={(transparency) => change({ transparency })}
          />
        </Line>
      )}
      {needsColour(full.transparency) && (
        <ColourField
          label="Colour beneath"
          value={full.over}
          swatches={swatches}
          onChange={(over) => change({ over })}
        />
      )}
      {format.options.includes('quality') && (
        <Line>
          <span>Quality</span>
          <Segmented
            label="Quality"
            value={full.quality}
            choices={{ high: 'best', small: 'small file' }}
            onChange={(quality) => change({ quality })}
          />
        </Line>
      )}
      {format.options.includes('plays') && (
        <Line>
          <span>At its end</span>
          <Segmented
            label="At its end"
            value={full.plays}
            choices={{ again: 'plays again', once: 'stays' }}
            onChange={(plays) => change({ plays })}
          />
        </Line>
      )}
      {isDeep(format, full.transparency) && (
        <Line>
          <span>Bits a channel</span>
          <Segmented
            label="Bits a channel"
            value={full.depth}
            choices={[
              { id: '8', name: '8' },
              { id: '16', name: '16, for motion blur' },
            ]}
            onChange={(depth) => change({ depth })}
          />
        </Line>
      )}
      {format.options.includes('wordless') && (
        <Line>
          <span>What it can’t hold</span>
          <Segmented
            label="What the format can’t hold"
            value={full.wordless}
            choices={{ drawn: 'drawn frame by frame', refused: 'stop and tell me' }}
            onChange={(wordless) => change({ wordless })}
          />
        </Line>
      )}
      {!format.unsized && (
        <Line>
          <span>Size</span>
          <Segmented
            label="Size"
            value={String(asked.scale) as (typeof SCALES)[number]['id']}
            choices={SCALES}
            onChange={(scale) => change({ scale: Number(scale) as ExportSettings['scale'] })}
          />
        </Line>
      )}
      {format.shows === 'still' && (
        <NumberField
          label="Frame"
          value={settings.first}
          onChange={(v) => change({ frame: Math.round(v) })}
          {...frames}
        />
      )}
      {!single && (
        <Line>
          <span>Frames</span>
          <Segmented
            label="Frames"
            value={asked.range}
            choices={{ all: 'whole piece', part: 'a part' }}
            onChange={(range) => change({ range })}
          />
        </Line>
      )}
      {!single && asked.range === 'part' && (
        <div>
          <NumberField
            label="First"
            value={settings.first}
            onChange={(v) => change({ first: Math.round(v) })}
            {...frames}
          />
          <NumberField
            label="Last"
            value={settings.last}
            onChange={(v) => change({ last: Math.round(v) })}
            {...frames}
            min={settings.first}
          />
        </div>
      )}
      {format.options.includes('number') && (
        <NumberField
          label="Numbered from"
          value={full.number}
          min={0}
          max={9_999_999}
          {...whole}
          onChange={(v) => change({ number: Math.round(v) })}
        />
      )}
      <Words>
        {format.shows === 'table' ? (
          format.detail
        ) : (
          <>
            {width} × {height}
            {format.vector && ', sharp at any other'} ·{' '}
            {single ? 'one frame' : `${count} frames · ${seconds} s`} · {format.detail} ·{' '}
            {expectedSize(piece, full, past)}
          </>
        )}
      </Words>
    </>
  );
}
