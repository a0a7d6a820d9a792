'use client';
import { changeMask, pathAt, type Mask } from '@/core/document';
import { KeyToggle, Row } from '@/ui';
import { edit, useCalm } from '../../state';
import { keyState, keyToggled } from '../../properties';

/** Keys the shape of a mask, so that it can follow what it holds out. */
export function PathKey({ id, index, mask }: { id: string; index: number; mask: Mask }) {
  const frame = useCalm((s) => Math.round(s.frame));
  if (mask.shape.kind !== 'path') return null;
  const toggle = () =>
    edit((piece) =>
      changeMask(piece, id, index, (one) =>
        one.shape.kind === 'path'
          ? { ...one, shape: { ...one.shape, path: keyToggled(one.shape.path, frame, pathAt) } }
          : one,
      ),
    );
  const keys = 'keys' in mask.shape.path ? mask.shape.path.keys.length : 0;
  return (
    <Row>
      <span>Path</span>
      <span style={{ display: 'flex', alignItems: 'center', gap: 8, color: 'var(--text)' }}>
        {keys > 0 ? `${keys} ${keys === 1 ? 'key' : 'keys'}` : 'stays'}
        <KeyToggle label="Path" state={keyState(mask.shape.path, frame)} onPress={toggle} />
      </span>
    </Row>
  );
}
