'use client';
import { Group, Hint, NumberField, pixels } from '@/ui';
import { giveUpHold, moveCrosshair, useCrosshair } from '../canvas';

/** Where the keyboard's pointer is, to be read and typed. */
export function CrosshairGroup() {
  const { at, holds } = useCrosshair();
  if (!at) return null;
  return (
    <Group title="Crosshair">
      <div
        data-crosshair
        style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12 }}
        onBlur={({ currentTarget, relatedTarget }) => {
          const to = relatedTarget;
          if (!currentTarget.contains(to) && !to?.matches('[data-canvas]')) giveUpHold();
        }}
      >
        {(['x', 'y'] as const).map((axis) => (
          <NumberField
            key={axis}
            label={axis.toUpperCase()}
            value={at[axis]}
            onChange={(to) => moveCrosshair({ ...at, [axis]: to })}
            {...pixels}
          />
        ))}
      </div>
      <Hint>
        {holds
          ? 'Arrows and typed places drag what it holds; on the canvas Enter lets go, Escape takes it back.'
          : 'Arrows move it by 1 px, with Shift 10, with Ctrl 100. Enter presses there, Shift and Alt as with a pointer; Ctrl Enter takes hold.'}
      </Hint>
    </Group>
  );
}
