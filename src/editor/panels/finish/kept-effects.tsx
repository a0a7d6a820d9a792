'use client';
import { X } from 'lucide-react';
import { create } from 'zustand';
import { changeEffects, partWithId } from '@/core/document';
import { kindOfEffect, type Effect } from '@/core/effects';
import { Button, Buttons, Fold, Hint, IconButton, Row } from '@/ui';
import { keepOnShelf, takeOffShelf, useShelfItems } from '../../shelf';
import { edit, useEditor } from '../../state';

/** Effects that were copied, to be given to others. */
const useCopied = create<{ readonly effects: readonly Effect[] }>(() => ({ effects: [] }));

const words = (effects: readonly Effect[]): string =>
  effects.map((effect) => kindOfEffect(effect).name).join(', ');

/** Effects for others: copied, or kept on the shelf for all pieces of the project. */
export function KeptEffects({ ids, effects }: { ids: readonly string[]; effects: readonly Effect[] }) {
  const copied = useCopied((s) => s.effects);
  const items = useShelfItems('effects');
  const give = (some: readonly Effect[]) => edit((p) => changeEffects(p, ids, (own) => [...own, ...some]));
  const keep = () => {
    const part = partWithId(useEditor.getState().piece, ids[0]!);
    void keepOnShelf({ kind: 'effects', name: part?.name ?? words(effects), content: effects });
  };
  return (
    <Fold title="For others" {...(items.length > 0 && { fact: String(items.length) })}>
      <Buttons>
        <Button isDisabled={effects.length === 0} onPress={() => useCopied.setState({ effects })}>
          Copy effects
        </Button>
        <Button isDisabled={copied.length === 0 || ids.length === 0} onPress={() => give(copied)}>
          Paste effects
        </Button>
      </Buttons>
      <Button $wide isDisabled={effects.length === 0} onPress={keep}>
        Keep them on the shelf
      </Button>
      {items.map(({ id, name, content }) => (
        <Row key={id}>
          <Button isDisabled={ids.length === 0} onPress={() => give(content)}>
            {name}
          </Button>
          <small>{words(content)}</small>
          <IconButton plain label={`Remove ${name} from the shelf`} onPress={() => takeOffShelf(id)}>
            <X />
          </IconButton>
        </Row>
      ))}
      {copied.length > 0 && <Hint>Copied: {words(copied)}</Hint>}
    </Fold>
  );
}
