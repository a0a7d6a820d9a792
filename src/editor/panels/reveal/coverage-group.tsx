'use client';
import { useEffect } from 'react';
import styled from 'styled-components';
import { isFarBeyond, lengthenToCover, setReveal, widenToCover, type Piece } from '@/core/document';
import type { BareSpot, Coverage, Spill } from '@/core/trace';
import { Button, Buttons, Group, Hint, Row } from '@/ui';
import { fitStrokes, useCovering, watchCoverage } from '../../reveal';
import { edit, select, showFrame, useCalm } from '../../state';
import { OverTime } from '../charts';

const List = styled.ul`
  margin: 4px 0;
  padding: 0;
  list-style: none;
  button {
    width: 100%;
    padding: 3px 6px;
    border: 0;
    border-radius: 5px;
    background: none;
    color: var(--text);
    text-align: left;
    &:hover {
      background: var(--pressed);
    }
    small {
      color: var(--quiet);
    }
  }
`;

const SHOWN = 6;
/** Early ink below this share of the art is not seen. */
const UNSEEN = 0.002;
const share = (value: number): string =>
  value >= 0.9995 ? '100 %' : `${(Math.floor(value * 1000) / 10).toFixed(1)} %`;

const nameOf = (piece: Piece, id: string | null): string =>
  piece.layers.find((layer) => layer.id === id)?.name ?? 'no stroke';

function CoverChart({ coverage }: { coverage: Coverage }) {
  const frame = useCalm((s) => Math.round(s.frame));
  const data = coverage.overTime.map(({ share: value, early }, at) => ({
    frame: at,
    value,
    caution: early,
  }));
  return (
    <figure
      style={{ margin: '6px 0 0' }}
      aria-label={`Uncovered over time, ${share(coverage.share)} at the end`}
    >
      <OverTime moments={data} most={1} frame={frame} />
      <figcaption style={{ color: 'var(--quiet)', fontSize: 12 }}>
        uncovered over time · <span style={{ color: 'var(--caution)' }}>too early</span>
      </figcaption>
    </figure>
  );
}

const toSpot = (spot: BareSpot) => spot.stroke && select({ layers: [spot.stroke] });
const toSpill = (spill: Spill) => {
  select({ layers: [spill.by] });
  showFrame(spill.from);
};

/** How much of the art is uncovered, what stays bare, what is seen too early, and what helps. */
export function CoverageGroup() {
  useEffect(watchCoverage, []);
  const piece = useCalm((s) => s.piece);
  const { of, coverage, ms, running } = useCovering();
  const layer = piece.layers.find((one) => one.id === of);
  if (!of || !layer) return null;
  if (!coverage) {
    return (
      <Group title="Coverage">
        <Hint role="status">{running ? 'Measuring …' : 'No stroke uncovers it yet.'}</Hint>
      </Group>
    );
  }
  const worst = Math.max(0, ...coverage.overTime.map(({ early }) => early));
  const frames = coverage.overTime.filter(({ early }) => early > UNSEEN).length;
  const far = coverage.bare.filter((spot) => isFarBeyond(piece, spot));
  const confined = layer.reveal?.confined === true;
  return (
    <Group title={`Coverage of ${layer.name}`}>
      <Row>
        <span>Uncovered</span>
        <span style={{ color: coverage.share < 0.999 ? 'var(--caution)' : 'var(--text)' }} data-covered>
          {share(coverage.share)}
        </span>
      </Row>
      <Row>
        <span>Bare spots</span>
        <span style={{ color: 'var(--text)' }} data-bare>
          {coverage.bare.length}
        </span>
      </Row>
      <Row>
        <span>Seen too early</span>
        <span style={{ color: worst > UNSEEN ? 'var(--caution)' : 'var(--text)' }}>
          {(worst * 100).toFixed(2)} %{frames > 0 ? ` · ${frames} fr` : ''}
        </span>
      </Row>
      <CoverChart coverage={coverage} />
      {coverage.bare.length > 0 && (
        <List aria-label="Bare spots">
          {coverage.bare.slice(0, SHOWN).map((spot, i) => (
            <li key={i}>
              <button type="button" onClick={() => toSpot(spot)}>
                {Math.max(1, Math.round(spot.area))} px² bare <small>near {nameOf(piece, spot.stroke)}</small>
              </button>
            </li>
          ))}
        </List>
      )}
      {worst > UNSEEN && (
        <List aria-label="Seen too early">
          {coverage.spills.slice(0, SHOWN).map((spill, i) => (
            <li key={i}>
              <button type="button" onClick={() => toSpill(spill)}>
                {Math.round(spill.area)} px² by {nameOf(piece, spill.by)}{' '}
                <small>
                  frame {spill.from}, for {spill.to - spill.from} fr
                </small>
              </button>
            </li>
          ))}
        </List>
      )}
      <Buttons $one>
        {(coverage.bare.length > 0 || worst > UNSEEN) && (
          <Button onPress={() => fitStrokes(layer)}>Fit the strokes to it</Button>
        )}
        {coverage.bare.length > 0 && (
          <Button onPress={() => edit((p) => widenToCover(p, coverage.bare))}>Wider strokes</Button>
        )}
        {far.length > 0 && <Button onPress={() => edit((p) => lengthenToCover(p, far))}>Longer ends</Button>}
        {worst > UNSEEN && !confined && layer.type !== 'stroke' && (
          <Button onPress={() => edit((p) => setReveal(p, [of], { ...layer.reveal!, confined: true }))}>
            Each letter only by its own strokes
          </Button>
        )}
      </Buttons>
      <Hint>Measured in {Math.round(ms)} ms.</Hint>
    </Group>
  );
}
