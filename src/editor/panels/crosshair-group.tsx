'use client';
import { Group, Hint, NumberField, pixels } from '@/ui';
import { moveCrosshair, useCrosshair } from '../canvas';

/** Where the keyboard's pointer is, to be read and typed. */
export function CrosshairGroup() {
  const { at, holds } = useCrosshair();
  if (!at) return null;
  return (
    <Group title="Crosshair">
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12 }}>
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
          ? 'Arrows drag what it holds; Enter lets go, Escape takes it back.'
          : 'Arrows move it by 1 px, with Shift 10, with Ctrl 100. Enter presses there, Shift and Alt as with a pointer; Ctrl Enter takes hold.'}
      </Hint>
    </Group>
  );
}
