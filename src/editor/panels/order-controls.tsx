'use client';
import { useState } from 'react';
import { renameStrokes, strokesOf } from '@/core/document';
import { directionIn, nextToJoin, orderedByHand, type OrderOptions } from '@/core/trace';
import { Button, Fold, Segmented, TextInput, Buttons, Group, Hint, Gap } from '@/ui';
import {
  cutAtCrossings,
  deleteSelected,
  duplicateSelected,
  edit,
  joinSelectedToNext,
  selectedStrokes,
  stepSelected,
  useCalm,
  useEditor,
  takeTool,
} from '../state';
import { runGhost } from '../canvas';

/** The chosen strokes, or all of them. */
const idsNow = (): string[] => {
  const state = useEditor.getState();
  const chosen = selectedStrokes(state);
  return (chosen.length > 1 ? chosen : strokesOf(state.piece)).filter((s) => !s.locked).map((s) => s.id);
};

/** The order in which strokes are written: step by step, by a hand's rules, and what they are called. */
export function OrderControls() {
  const piece = useCalm((s) => s.piece);
  const selection = useCalm((s) => s.selection);
  const [wanted, setDirection] = useState<OrderOptions['direction'] | null>(null);
  const direction = wanted ?? directionIn(piece);
  const [marks, setMarks] = useState<OrderOptions['marks']>('after the word');
  const [pattern, setPattern] = useState('');
  const chosen = selectedStrokes({ piece, selection });
  const all = strokesOf(piece);
  if (all.length === 0) return null;
  const count = chosen.length > 1 ? chosen.length : all.length;
  const rename = () => {
    const ids = chosen.length > 0 ? chosen.map((s) => s.id) : all.map((s) => s.id);
    if (pattern.trim() !== '') edit((p) => renameStrokes(p, ids, pattern.trim()));
  };
  return (
    <>
      {chosen.length > 0 && (
        <Group title="Writing order">
          <Buttons $first>
            <Button onPress={() => stepSelected(-1)}>Earlier</Button>
            <Button onPress={() => stepSelected(1)}>Later</Button>
            <Button onPress={duplicateSelected}>Duplicate</Button>
            <Button onPress={deleteSelected}>Delete</Button>
          </Buttons>
          <Buttons>
            <Button
              isDisabled={chosen.length === 1 && !nextToJoin(piece, chosen[0]!.id)}
              onPress={joinSelectedToNext}
            >
              {chosen.length > 1 ? 'Join in order' : 'Join to the next'}
            </Button>
            <Button isDisabled={chosen.length > 1} onPress={cutAtCrossings}>
              Cut at crossings
            </Button>
          </Buttons>
        </Group>
      )}
      <Fold title="Order of a hand">
        <Segmented
          label="Order from"
          value={direction}
          choices={['left to right', 'right to left']}
          onChange={setDirection}
        />
        <Gap />
        <Segmented
          label="Dots and bars in order"
          value={marks}
          choices={{ 'after the word': 'dots after the word', 'at once': 'at once' }}
          onChange={setMarks}
        />
        <Buttons>
          <Button onPress={() => edit((p) => orderedByHand(p, idsNow(), { direction, marks }, false))}>
            Order {count}
          </Button>
          <Button onPress={() => edit((p) => orderedByHand(p, idsNow(), { direction, marks }, true))}>
            … and turn
          </Button>
          <Button onPress={() => takeTool('order')}>Tap the order</Button>
          <Button onPress={runGhost}>Watch the pen</Button>
        </Buttons>
        <Hint>Starts follow the order; how long each stroke takes stays its own.</Hint>
      </Fold>
      <Fold title="Names">
        <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 6 }}>
          <TextInput
            aria-label="Pattern of the names"
            placeholder="Letter ##"
            value={pattern}
            maxLength={100}
            onChange={(event) => setPattern(event.currentTarget.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') rename();
              event.stopPropagation();
            }}
          />
          <Button style={{ height: 32 }} isDisabled={pattern.trim() === ''} onPress={rename}>
            Rename {chosen.length > 0 ? chosen.length : all.length}
          </Button>
        </div>
        <Hint># is the number, ## one of two digits.</Hint>
      </Fold>
    </>
  );
}
