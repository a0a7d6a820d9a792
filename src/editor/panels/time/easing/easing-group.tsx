'use client';
import { changeKey, keysAt, sameValue, type KeyRef } from '@/core/document';
import { cssOf, readCss, type Easing } from '@/core/timing';
import { Button, ReadField, Select, Buttons, Group } from '@/ui';
import { edit, mirrorSelectedKeys, reverseSelectedKeys, useCalm } from '../../../state';
import { EASING_KINDS, easingKindOf } from './easing-kinds';
import { Curve } from './curve';
import { Ball } from './ball';
import { Numbers } from './numbers';
import { LikedEasings } from './liked-easings';
import { spanOf, Speeds } from './speeds';

/** The easing that leaves the selected keys. */
export function EasingGroup({ keys }: { keys: readonly KeyRef[] }) {
  const piece = useCalm((s) => s.piece);
  const easings = keys.flatMap((ref) => keysAt(piece, ref)[ref.index]?.easing ?? []);
  const first = easings[0];
  if (!first) return null;
  const one = easings.every((easing) => sameValue(easing, first)) ? first : null;
  const kind = one && easingKindOf(one);
  const put = (easing: Easing) => edit((p) => changeKey(p, keys, { easing }), 'easing');
  const span = keys.length === 1 ? spanOf(piece, keys[0]!) : null;
  return (
    <Group title={keys.length > 1 ? `Easing after ${keys.length} keys` : 'Easing after this key'}>
      <Select
        label="Easing"
        value={kind}
        choices={[...EASING_KINDS, ...(kind === 'own' ? [{ id: 'own', name: 'own curve' }] : [])]}
        onChange={(id) => {
          const chosen = EASING_KINDS.find((k) => k.id === id);
          if (chosen) put(chosen.easing);
        }}
      />
      {one && (
        <>
          <Curve easing={one} onChange={put} />
          <Ball easing={one} />
          <Numbers easing={one} put={put} />
          {span && <Speeds easing={one} span={span} put={put} />}
        </>
      )}
      {(!one || cssOf(one) !== null) && (
        <ReadField
          label="Curve as CSS: x1, y1, x2, y2, steps() or linear()"
          placeholder="x1, y1, x2, y2"
          value={one ? (cssOf(one) ?? '') : ''}
          read={readCss}
          onChange={put}
        />
      )}
      <LikedEasings easing={one} put={put} />
      {keys.length > 1 && (
        <Buttons>
          <Button onPress={reverseSelectedKeys}>Reverse in time</Button>
          <Button onPress={mirrorSelectedKeys}>Mirror values</Button>
        </Buttons>
      )}
    </Group>
  );
}
