'use client';
import { newArt } from '@/core/document';
import styled from 'styled-components';
import { IDENTITY } from '@/core/geometry';
import { paint } from '@/core/paint';
import { newCanvas } from '@/workers/new-canvas';
import { artItems } from '@/core/scene';
import { Button, Dialog, MainButton } from '@/ui';
import { finishSvg, useImporting, type WaitingSvg } from './import-files';

const Picture = styled.canvas`
  display: block;
  width: 100%;
  height: 200px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: #d8d0c0;
`;
const Choices = styled.div`
  display: grid;
  grid-template-columns: auto auto 1fr;
  gap: 8px;
  margin-top: 16px;
`;
const Facts = styled.p`
  margin: 12px 0 0;
  color: var(--quiet);
`;

function show(canvas: HTMLCanvasElement | null, { read }: WaitingSvg): void {
  const context = canvas?.getContext('2d');
  if (!canvas || !context) return;
  const ratio = window.devicePixelRatio || 1;
  [canvas.width, canvas.height] = [canvas.clientWidth * ratio, canvas.clientHeight * ratio];
  const k = 0.92 * Math.min(canvas.width / read.width, canvas.height / read.height);
  context.translate((canvas.width - read.width * k) / 2, (canvas.height - read.height * k) / 2);
  const items = artItems(newArt('waiting', 'SVG', read, IDENTITY));
  paint({ width: read.width, height: read.height, items }, context, newCanvas, k);
}

/** Asks what an SVG file is to become, and says what of it was left out. */
export function SvgDialog() {
  const svg = useImporting((s) => s.svg);
  return (
    <Dialog title={svg?.name ?? 'SVG'} isOpen={svg !== null} onClose={() => void finishSvg(null)} width={480}>
      {svg && (
        <>
          <Picture ref={(canvas) => show(canvas, svg)} role="img" aria-label="What was read" />
          <Facts>
            {svg.read.shapes.length} {svg.read.shapes.length === 1 ? 'shape' : 'shapes'},{' '}
            {Math.round(svg.read.width)} × {Math.round(svg.read.height)} px
            {svg.lines > 0
              ? `; ${svg.lines} ${svg.lines === 1 ? 'line' : 'lines'} that can be strokes at once${svg.read.moving.length > 0 ? `, ${svg.read.moving.length} with ${svg.read.moving.length === 1 ? 'its' : 'their'} timing` : ''}`
              : ''}
            .
          </Facts>
          {svg.read.leftOut.length > 0 && <Facts>Left out: {svg.read.leftOut.join(', ')}.</Facts>}
          <Choices>
            <MainButton onPress={() => finishSvg('art')}>As art</MainButton>
            <Button isDisabled={svg.lines === 0} onPress={() => finishSvg('strokes')}>
              Lines as strokes
            </Button>
            <Button style={{ justifySelf: 'start' }} onPress={() => finishSvg('underlay')}>
              As underlay
            </Button>
          </Choices>
        </>
      )}
    </Dialog>
  );
}
