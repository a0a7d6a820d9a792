'use client';
import { useState } from 'react';
import { betweenSchema, canCarry, setBetween, type Between, type Stroke } from '@/core/document';
import { Button, Fold, Hint } from '@/ui';
import { OwnersOf, ReferenceChoice, SchemaForm } from '../../properties';
import { edit, useCalm } from '../../state';

/** What a stroke runs between: two pins, layers or groups that it follows. */
export function BetweenGroup({ stroke }: { stroke: Stroke }) {
  const piece = useCalm((s) => s.piece);
  const [from, setFrom] = useState<string>();
  const { id, between } = stroke;
  const without = [...piece.layers, ...piece.groups]
    .filter((one) => !canCarry(piece, one.id, id))
    .map((one) => one.id);
  const choose = (name: string, value: string | undefined, onChange: (to: string | undefined) => void) => (
    <ReferenceChoice
      name={name}
      of="anything"
      value={value}
      without={without}
      isOptional={false}
      onChange={onChange}
    />
  );
  return (
    <Fold title="Between two things" {...(between && { fact: 'follows both' })} open={between !== undefined}>
      {between ? (
        <OwnersOf ids={[id]}>
          <SchemaForm
            schema={betweenSchema}
            value={between}
            part="between"
            ids={without}
            change={(to) => edit((p) => setBetween(p, id, to(between) as Between))}
          />
          <Button $wide onPress={() => edit((p) => setBetween(p, id, null))}>
            Detach
          </Button>
        </OwnersOf>
      ) : (
        <>
          {choose('From', from, setFrom)}
          {choose('To', undefined, (to) => {
            if (from !== undefined && to !== undefined)
              edit((p) => setBetween(p, id, { from, to, arch: 0, gap: 0 }));
          })}
          <Hint>The stroke runs from one to the other, straight or arched, and follows both.</Hint>
        </>
      )}
    </Fold>
  );
}
