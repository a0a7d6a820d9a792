'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { changeKey, keysAt, sameValue, type KeyRef } from '@/core/document';
import { cssOf, readCss, type Easing } from '@/core/timing';
import { Button, Select, Buttons, Group } from '@/ui';
import { edit, mirrorSelectedKeys, reverseSelectedKeys, useCalm } from '../../../state';
import { EASING_KINDS, easingKindOf } from './easing-kinds';
import { Curve } from './curve';
import { Ball } from './ball';
import { Numbers } from './numbers';
import { LikedEasings } from './liked-easings';
import { spanOf, Speeds } from './speeds';

const Text = styled.input`
  width: 100%;
  height: 26px;
  margin-top: 4px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--desk);
  &[aria-invalid='true'] {
    border-color: var(--caution);
  }
`;

/** The easing that leaves the selected keys. */
export function EasingGroup({ keys }: { keys: readonly KeyRef[] }) {
  const piece = useCalm((s) => s.piece);
  const [typed, setTyped] = useState<string | null>(null);
  const easings = keys.flatMap((ref) => keysAt(piece, ref)[ref.index]?.easing ?? []);
  const first = easings[0];
  if (!first) return null;
  const one = easings.every((easing) => sameValue(easing, first)) ? first : null;
  const kind = one && easingKindOf(one);
  const put = (easing: Easing) => edit((p) => changeKey(p, keys, { easing }), 'easing');
  const read = typed === null ? null : readCss(typed);
  const span = keys.length === 1 ? spanOf(piece, keys[0]!) : null;
  const take = () => {
    if (read) put(read);
    setTyped(null);
  };

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
        <Text
          aria-label="Curve as CSS: x1, y1, x2, y2, steps() or linear()"
          placeholder="x1, y1, x2, y2"
          value={typed ?? (one ? (cssOf(one) ?? '') : '')}
          aria-invalid={typed !== null && typed !== '' && !read}
          spellCheck={false}
          onChange={(event) => setTyped(event.currentTarget.value)}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key === 'Enter') take();
            else if (event.key === 'Escape') {
              if (typed === null) return;
              setTyped(null);
            }
            event.stopPropagation();
          }}
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
