'use client';
import styled from 'styled-components';
import { isArtwork, isBehind, writesItself } from '@/core/document';
import { Button, MainButton, Group, Hint } from '@/ui';
import { prepareToWrite, stopWriting, useWriting, writeItself } from '../reveal';
import { singleLayer, useCalm } from '../state';
import { usePrepared } from './use-prepared';

const Bar = styled.progress`
  width: 100%;
  height: 6px;
  accent-color: var(--head);
`;

/** What is said of each way it may stand. */
const WORDS = {
  empty: 'There is nothing to write: the text is empty.',
  varied:
    'Its face changes by keys; strokes are found in a text that stands still. Take those keys away first.',
  behind: 'Its strokes have not followed its text yet. Find them anew.',
  again: 'It is written by its strokes. Change its text, face or size, and they follow.',
  first: 'Its strokes are found, fitted to it and timed, and it is seen through them.',
} as const;

/** Lettering or art that writes itself, in one press. */
export function WriteItselfGroup() {
  const piece = useCalm((s) => s.piece);
  const layer = useCalm(singleLayer);
  const writing = useWriting();
  usePrepared(layer, prepareToWrite);
  if (!layer || !isArtwork(layer)) return null;
  const again = writesItself(piece, layer);
  const behind = isBehind(piece, layer);
  const varied = layer.type === 'lettering' && layer.set.along !== undefined;
  const empty = layer.type === 'lettering' && layer.setting.text.trim() === '';
  const ways = [empty && 'empty', varied && 'varied', behind && 'behind', again && 'again'] as const;
  const how = ways.find((way) => way !== false) ?? 'first';
  return (
    <Group>
      {writing.of === layer.id ? (
        <>
          <Hint role="status">{writing.stage} …</Hint>
          <Bar max={1} value={writing.done} aria-label="How far it is" />
          <Button $wide onPress={stopWriting}>
            Stop
          </Button>
        </>
      ) : (
        <>
          <MainButton $wide isDisabled={empty || varied} onPress={() => writeItself(layer.id)}>
            {again ? 'Find its strokes anew' : 'Let it write itself'}
          </MainButton>
          <Hint role={behind ? 'alert' : undefined} style={behind ? { color: 'var(--caution)' } : undefined}>
            {WORDS[how]}
          </Hint>
        </>
      )}
    </Group>
  );
}
