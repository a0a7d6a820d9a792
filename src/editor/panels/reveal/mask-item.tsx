'use client';
import { ChevronDown, ChevronUp, X } from 'lucide-react';
import { changeMask, changeMasks, standMask, swapMasks, type Mask } from '@/core/document';
import { Check, IconButton, Segmented, Row, TextButton } from '@/ui';
import { PartField } from '../../properties';
import { edit, useEditor, useMaskInHand } from '../../state';
import { PathKey } from './path-key';
import { WipeNumbers } from './wipe-numbers';

/** One mask of a list: what it does, what it is shaped by, and its place among the others. */
export function MaskItem({
  id,
  mask,
  index,
  count,
  inHand,
}: {
  id: string;
  mask: Mask;
  index: number;
  count: number;
  inHand: boolean;
}) {
  const { kind } = mask.shape;
  const change = (part: Partial<Mask>) => edit((piece) => changeMask(piece, id, index, part));
  const swap = (to: number) => edit((piece) => swapMasks(piece, id, index, to));
  const at = `masks.${index}`;
  return (
    <div
      style={{
        borderLeft: `2px solid var(${inHand ? '--head' : '--rule'})`,
        paddingLeft: 8,
        marginBottom: 8,
      }}
    >
      <Row>
        <TextButton
          aria-pressed={inHand}
          style={{ color: 'var(--text)' }}
          onClick={() => {
            useMaskInHand.setState(inHand ? { of: null, index: 0 } : { of: id, index });
            useEditor.setState({ tool: 'select' });
          }}
        >
          {index + 1} · {mask.name}
        </TextButton>
        <span style={{ display: 'flex' }}>
          {index > 0 && (
            <IconButton plain label={`Mask ${index + 1} earlier`} onPress={() => swap(index - 1)}>
              <ChevronUp />
            </IconButton>
          )}
          {index < count - 1 && (
            <IconButton plain label={`Mask ${index + 1} later`} onPress={() => swap(index + 1)}>
              <ChevronDown />
            </IconButton>
          )}
          <IconButton
            plain
            label={`Remove mask ${index + 1}`}
            onPress={() => {
              edit((piece) => changeMasks(piece, id, (masks) => masks.filter((_, i) => i !== index)));
              if (inHand) useMaskInHand.setState({ of: null, index: 0 });
            }}
          >
            <X />
          </IconButton>
        </span>
      </Row>
      <Segmented
        label={`What mask ${index + 1} does`}
        value={mask.how}
        choices={['add', 'subtract', 'intersect']}
        onChange={(how) => change({ how })}
      />
      <Check isSelected={mask.inverted} onChange={(inverted) => change({ inverted })}>
        Inverted
      </Check>
      {kind === 'path' && (
        <Check
          isSelected={mask.stands === 'picture'}
          onChange={(stands) => {
            const frame = Math.round(useEditor.getState().frame);
            edit((piece) => standMask(piece, id, index, stands, frame));
          }}
        >
          Stands in the picture
        </Check>
      )}
      {kind.endsWith('wipe') && <PartField part={`${at}.shape.share`} />}
      {mask.shape.kind === 'linear wipe' && (
        <WipeNumbers shape={mask.shape} onChange={(shape) => change({ shape })} />
      )}
      {'reach' in mask.shape && <PartField part={`${at}.shape.reach`} />}
      {kind === 'clock wipe' && <PartField part={`${at}.shape.angle`} />}
      {mask.shape.kind === 'clock wipe' && (
        <Check
          isSelected={mask.shape.anticlockwise}
          onChange={(anticlockwise) =>
            mask.shape.kind === 'clock wipe' && change({ shape: { ...mask.shape, anticlockwise } })
          }
        >
          Anticlockwise
        </Check>
      )}
      {kind === 'rectangle' && <PartField part={`${at}.shape.radius`} />}
      {kind === 'path' && <PathKey id={id} index={index} mask={mask} />}
      {(['feather', 'expansion', 'opacity', 'x', 'y'] as const).map((one) => (
        <PartField key={one} part={`${at}.${one}`} />
      ))}
    </div>
  );
}
