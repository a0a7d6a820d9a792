'use client';
import { ChevronDown, ChevronUp, X } from 'lucide-react';
import { partWithId, standingMask, worldOf, type Mask } from '@/core/document';
import { IDENTITY, inverse } from '@/core/geometry';
import { Check, IconButton, Segmented, Row } from '@/ui';
import { PartField } from '../../properties';
import { useEditor, useMaskInHand } from '../../state';
import { PathKey } from './path-key';
import { WipeNumbers } from './wipe-numbers';

export function MaskItem({
  id,
  mask,
  index,
  count,
  inHand,
  put,
}: {
  id: string;
  mask: Mask;
  index: number;
  count: number;
  inHand: boolean;
  put: (change: (masks: readonly Mask[]) => readonly Mask[]) => void;
}) {
  const { kind } = mask.shape;
  const change = (part: Partial<Mask>) =>
    put((now) => now.map((one, i) => (i === index ? { ...one, ...part } : one)));
  const swap = (to: number) =>
    put((now) => {
      const next = [...now];
      [next[index], next[to]] = [next[to]!, next[index]!];
      return next;
    });
  /** The mask standing in the picture or in what it masks, where it is seen now. */
  const standing = (one: Mask, inPicture: boolean): Mask => {
    const { piece, frame } = useEditor.getState();
    const part = partWithId(piece, id);
    const world = part ? worldOf(piece, part, Math.round(frame)) : IDENTITY;
    const way = inPicture ? world : inverse(world);
    return way ? standingMask(one, inPicture, way) : one;
  };
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
        <button
          type="button"
          aria-pressed={inHand}
          style={{ border: 0, padding: 0, background: 'none', color: 'var(--text)', textAlign: 'left' }}
          onClick={() => {
            useMaskInHand.setState(inHand ? { of: null, index: 0 } : { of: id, index });
            useEditor.setState({ tool: 'select' });
          }}
        >
          {index + 1} · {mask.name}
        </button>
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
              put((now) => now.filter((_, i) => i !== index));
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
          onChange={(stands) =>
            put((now) => now.map((one, i) => (i === index ? standing(one, stands) : one)))
          }
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
