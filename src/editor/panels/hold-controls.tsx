'use client';
import { restOf, setHold } from '@/core/document';
import { Check, notify, NumberField, Hint } from '@/ui';
import { edit, useCalm, useEditor } from '../state';
import { useFrames } from '../properties';

/** The frames that alone are stretched when the piece is made longer: what comes before and after keeps its pace. */
export function HoldControls() {
  const hold = useCalm((s) => s.piece.hold);
  const length = useCalm((s) => s.piece.length);
  const frames = useFrames();
  const protect = (on: boolean) => {
    const found = on ? restOf(useEditor.getState().piece) : null;
    if (on && !found)
      notify('There is no moment in which everything rests. Make a pause between coming and leaving first.');
    edit((piece) => setHold(piece, found));
  };
  const put = (part: Partial<NonNullable<typeof hold>>) => {
    if (!hold) return;
    const next = { ...hold, ...part };
    if (next.to > next.from) edit((piece) => setHold(piece, next), 'hold');
  };
  return (
    <>
      <Check isSelected={hold !== undefined} onChange={protect}>
        Protect coming and leaving
      </Check>
      {hold ? (
        <>
          <NumberField
            label="Hold from"
            value={hold.from}
            min={0}
            max={hold.to - 1}
            onChange={(from) => put({ from: Math.round(from) })}
            {...frames}
          />
          <NumberField
            label="Hold to"
            value={hold.to}
            min={hold.from + 1}
            max={length}
            onChange={(to) => put({ to: Math.round(to) })}
            {...frames}
          />
          <Hint>With “hold grows” a new length stretches only these frames.</Hint>
        </>
      ) : null}
    </>
  );
}
