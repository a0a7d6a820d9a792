'use client';
import { Check as Good, TriangleAlert } from 'lucide-react';
import styled from 'styled-components';
import type { ReactNode } from 'react';
import type { ListedExport, Received } from '@/contract';
import { NATURES, waysOf, WAYS, type Finding, type Nature, type Way } from '@/core/bay';
import { framesPerSecond, rateName } from '@/core/timing';
import { ColourField, Group, Segmented, Select } from '@/ui';
import { sizeInWords } from '../export';
import { GROUNDS, type Ground, type GroundKind } from './grounds';
import type { Against } from './use-bay';

const Ways = styled.div`
  display: grid;
  gap: 2px;
  label {
    display: flex;
    align-items: center;
    gap: 8px;
    min-height: 26px;
  }
  input {
    accent-color: var(--head);
    margin: 0;
  }
`;
const Facts = styled.dl`
  display: grid;
  grid-template-columns: 74px 1fr;
  gap: 3px 8px;
  margin: 8px 0 0;
  dt {
    color: var(--quiet);
  }
  dd {
    margin: 0;
    overflow-wrap: anywhere;
  }
`;
const Findings = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    grid-template-columns: 16px 1fr;
    gap: 8px;
    padding: 4px 0;
  }
  svg {
    width: 15px;
    height: 15px;
    margin-top: 1px;
    color: var(--tail);
  }
  li[data-good='false'] svg {
    color: var(--caution);
  }
  em {
    display: block;
    color: var(--quiet);
    font-style: normal;
  }
`;

/** What is in the file, as facts. */
export function FileFacts({ received }: { received: Received }) {
  const { width, height, frames, rate, codec, pixels, tags, bytes, hasMatte, alpha } = received;
  const moves = frames > 1;
  const rows: readonly (readonly [string, ReactNode])[] = [
    ['Codec', `${codec}${hasMatte ? ', fill and matte' : ''}`],
    ...(pixels ? ([['Pixels', `${pixels} · ${alpha ? 'with alpha' : 'no alpha'}`]] as const) : []),
    ['Size', `${width} × ${height} · ${sizeInWords(bytes)}`],
    [
      'Frames',
      moves ? `${frames} · ${rateName(rate)} fps · ${(frames / framesPerSecond(rate)).toFixed(2)} s` : 'one',
    ],
    ...(tags ? ([['Colour', tags]] as const) : []),
  ];
  return (
    <Facts aria-label="What is in the file">
      {rows.map(([name, value]) => [<dt key={name}>{name}</dt>, <dd key={`${name} is`}>{value}</dd>])}
    </Facts>
  );
}

/** The exports that can be looked at, and the choice of one. */
export function ExportChoice({
  exports,
  chosen,
  onChange,
}: {
  exports: readonly ListedExport[];
  chosen: string | null;
  onChange: (id: string) => void;
}) {
  return (
    <Select
      label="Export"
      placeholder={exports.length === 0 ? 'nothing was exported yet' : 'choose an export'}
      value={chosen}
      choices={exports.map(({ id, fileName, pieceName, createdAt }) => ({
        id,
        name: fileName,
        show: `${fileName} · ${pieceName} · ${new Date(createdAt).toLocaleString('en-GB', { dateStyle: 'short', timeStyle: 'short' })}`,
      }))}
      onChange={onChange}
    />
  );
}

/** How the receiver takes the file. */
export function WayChoice({
  received,
  way,
  nature,
  isKnown,
  onChange,
}: {
  received: Received;
  way: Way;
  /** What the file is; null where nothing tells. */
  nature: Nature | null;
  /** Whether a frame was looked at already. */
  isKnown: boolean;
  onChange: (way: Way) => void;
}) {
  const told = received.export ? 'The file is' : 'By its pixels the file is';
  return (
    <Group title="The receiver">
      <Ways role="radiogroup" aria-label="The receiver">
        {waysOf(received.hasMatte).map((id) => (
          <label key={id}>
            <input type="radio" name="way" checked={way === id} onChange={() => onChange(id)} />
            {WAYS[id]}
          </label>
        ))}
      </Ways>
      <p style={{ margin: '6px 0 0', color: 'var(--quiet)' }}>
        {nature && `${told} of ${NATURES[nature]}.`}
        {!nature && isKnown && 'The pixels of this frame don’t tell whether they are premultiplied.'}
      </p>
    </Group>
  );
}

/** What the file lies over, and with which state of the piece it is compared. */
export function GroundChoice({
  ground,
  onChange,
  choosePicture,
  against,
  revisions,
  onAgainst,
}: {
  ground: Ground;
  onChange: (ground: Ground) => void;
  choosePicture: () => void;
  against: Against;
  /** The revision the file was made from, and that of today; null for files from outside. */
  revisions: { readonly made: number; readonly now: number } | null;
  onAgainst: (against: Against) => void;
}) {
  return (
    <Group title="Laid over">
      <Select
        label="Laid over"
        value={ground.kind}
        choices={GROUNDS}
        onChange={(kind: GroundKind) =>
          kind === 'picture' ? choosePicture() : onChange({ ...ground, kind })
        }
      />
      {ground.kind === 'colour' && (
        <ColourField
          label="Colour"
          value={ground.colour}
          swatches={[]}
          onChange={(colour) => onChange({ ...ground, colour })}
        />
      )}
      {revisions && revisions.made !== revisions.now && (
        <Segmented
          label="Compared with"
          before="Compared with"
          value={against}
          choices={{ made: `revision ${revisions.made}`, now: `now, ${revisions.now}` }}
          onChange={onAgainst}
        />
      )}
    </Group>
  );
}

/** What is right and wrong with what is seen, and what mends it. */
export function FindingList({ findings }: { findings: readonly Finding[] }) {
  return (
    <Group title="What is seen">
      <Findings aria-live="polite" aria-label="What is seen">
        {findings.map(({ good, words, mend }) => (
          <li key={words} data-good={good}>
            {good ? <Good aria-label="Good" /> : <TriangleAlert aria-label="Caution" />}
            <div>
              {words}
              {mend && <em>{mend}</em>}
            </div>
          </li>
        ))}
      </Findings>
    </Group>
  );
}
