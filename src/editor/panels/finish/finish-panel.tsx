'use client';
import { ChevronDown, ChevronUp, X } from 'lucide-react';
import styled from 'styled-components';
import {
  addEffect,
  asWholes,
  changeEffect,
  changeEffects,
  copiesApart,
  effectsOf,
  haveSameEffects,
  moveEffect,
  partWithId,
  removeEffect,
} from '@/core/document';
import { EFFECT_KINDS, kindOfEffect, MOST_EFFECTS, newEffect, type Effect } from '@/core/effects';
import { Button, Buttons, Check, Group, Hint, IconButton, Menu } from '@/ui';
import { OwnersOf, SchemaForm, useSizeOfPicture, useSwatches } from '../../properties';
import { edit, newId, select, useCalm, useEditor } from '../../state';
import { SelectionTitle } from '../selection-title';
import { AccentsGroup } from './accents-group';
import { KeptEffects } from './kept-effects';
import { LeftSharp, WholePiece } from './whole-piece';

const Head = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  min-height: 30px;
  h3 {
    margin: 0;
    font-size: 13px;
    font-weight: 500;
    color: var(--text);
  }
  > span {
    display: flex;
  }
`;
const Card = styled.section<{ $off: boolean }>`
  padding: 6px 0 10px;
  border-top: 1px solid var(--rule);
  ${({ $off }) => $off && '> :not(:first-child) { opacity: 0.5; }'}
`;

/** What is done to what is chosen after it is placed and uncovered: effects, one after another. */
export function FinishPanel() {
  const piece = useCalm((s) => s.piece);
  const chosen = useCalm((s) => s.selection.layers);
  const ids = asWholes(piece, chosen);
  const first = ids[0] === undefined ? undefined : partWithId(piece, ids[0]);
  const effects = effectsOf(first);
  return (
    <>
      <SelectionTitle empty="Select what is to be finished: a stroke, lettering, art, or a group by its lane." />
      {first &&
        (haveSameEffects(piece, ids) ? (
          <OwnersOf ids={ids}>
            {effects.map((effect, i) => (
              <EffectCard key={i} effect={effect} index={i} count={effects.length} ids={ids} />
            ))}
            <AddEffect ids={ids} effects={effects} />
            <LeftSharp ids={ids} />
            {effects.length === 0 && (
              <Hint>Nothing is done to it yet. Effects follow every change of what they are done to.</Hint>
            )}
          </OwnersOf>
        ) : (
          <Group>
            <Hint>These have different effects.</Hint>
            <Button $wide onPress={() => edit((p) => changeEffects(p, ids, () => effects))}>
              Give all of them those of “{first.name}”
            </Button>
          </Group>
        ))}
      <KeptEffects ids={ids} effects={effects} />
      <AccentsGroup />
      <WholePiece />
    </>
  );
}

function EffectCard({
  effect,
  index,
  count,
  ids,
}: {
  effect: Effect;
  index: number;
  count: number;
  ids: readonly string[];
}) {
  const { name } = kindOfEffect(effect);
  const change = (to: (now: object) => object) =>
    edit((p) => changeEffect(p, ids, index, (one) => ({ ...one, is: to(one.is) as Effect['is'] })));
  const move = (to: number) => edit((p) => moveEffect(p, ids, index, to));
  return (
    <Card $off={!effect.on} aria-label={`Effect ${index + 1}: ${name}`}>
      <Head>
        <Check
          isSelected={effect.on}
          onChange={(on) => edit((p) => changeEffect(p, ids, index, (one) => ({ ...one, on })))}
        >
          {name}
        </Check>
        <span>
          {index > 0 && (
            <IconButton plain label={`${name} earlier`} onPress={() => move(index - 1)}>
              <ChevronUp />
            </IconButton>
          )}
          {index < count - 1 && (
            <IconButton plain label={`${name} later`} onPress={() => move(index + 1)}>
              <ChevronDown />
            </IconButton>
          )}
          <IconButton plain label={`Remove ${name}`} onPress={() => edit((p) => removeEffect(p, ids, index))}>
            <X />
          </IconButton>
        </span>
      </Head>
      {effect.is.kind === 'copies' && ids.length === 1 && (
        <Button $wide onPress={() => takeApart(ids[0]!, index)}>
          Take apart into layers
        </Button>
      )}
      <Presets effect={effect} change={(values) => change((is) => ({ ...is, ...values }))} />
      <SchemaForm
        schema={kindOfEffect(effect).schema}
        value={effect.is}
        part={`effects.${index}.is`}
        ids={ids}
        change={change}
      />
    </Card>
  );
}

/** Makes layers of copies, and takes them in hand. */
function takeApart(id: string, index: number): void {
  const { piece, frame } = useEditor.getState();
  const apart = copiesApart(piece, id, index, Math.round(frame), newId);
  const known = new Set(piece.layers.map((layer) => layer.id));
  edit(() => apart);
  select({
    layers: apart.layers.filter((layer) => layer.id === id || !known.has(layer.id)).map((layer) => layer.id),
  });
}

/** Offers every kind of effect. */
function AddEffect({ ids, effects }: { ids: readonly string[]; effects: readonly Effect[] }) {
  const size = useSizeOfPicture();
  const entries = EFFECT_KINDS.map((kind) => ({
    id: kind.name,
    name: kind.name,
    about: kind.about,
    run: () => edit((p) => addEffect(p, ids, newEffect(kind, size))),
  }));
  return (
    <Menu label="Effects" entries={entries}>
      <Button $wide isDisabled={effects.length >= MOST_EFFECTS}>
        Add an effect
      </Button>
    </Menu>
  );
}

/** Ready-made values of an effect. */
function Presets({ effect, change }: { effect: Effect; change: (values: object) => void }) {
  const size = useSizeOfPicture();
  const swatches = useSwatches();
  const { presets = [], name } = kindOfEffect(effect);
  if (presets.length === 0) return null;
  const palette = swatches.find((one) => one.name === 'This piece')?.colours ?? [];
  return (
    <Buttons role="group" aria-label={`Ready-made: ${name}`}>
      {presets.map((preset) => (
        <Button key={preset.name} onPress={() => change(preset.values({ palette, size }))}>
          {preset.name}
        </Button>
      ))}
    </Buttons>
  );
}
