'use client';
import { BookmarkPlus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import type { Preset } from '@/contract';
import { sameValue } from '@/core/document';
import { Button, IconButton, Select, TextInput } from '@/ui';
import { keepOnShelf, takeOffShelf, useShelfItems } from '../shelf';

const Kept = styled.form`
  display: flex;
  align-items: center;
  gap: 6px;
  > :is(div, input) {
    flex: 1;
    min-width: 0;
  }
`;

/** What exports of the project are asked for with time and again, kept on its shelf under names. */
export function Presets({ now, onTake }: { now: Preset; onTake: (preset: Preset) => void }) {
  const items = useShelfItems('preset');
  const [naming, setNaming] = useState<string | null>(null);
  // The focus goes where the field was.
  const [named, setNamed] = useState(false);
  const close = () => {
    setNamed(true);
    setNaming(null);
  };
  const chosen = items.find(({ content }) => sameValue(content, now)) ?? null;
  const keep = async () => {
    const name = naming?.trim();
    if (name && (await keepOnShelf({ kind: 'preset', name, content: now }))) close();
  };
  if (naming !== null)
    return (
      <Kept
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <TextInput
          autoFocus
          aria-label="Name of the preset"
          placeholder="What it is called"
          maxLength={200}
          value={naming}
          onChange={(event) => setNaming(event.currentTarget.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Escape') return;
            // The dialog stays open.
            event.stopPropagation();
            close();
          }}
        />
        <Button type="submit" isDisabled={naming.trim() === ''}>
          Keep
        </Button>
      </Kept>
    );
  return (
    <Kept as="div">
      <Select
        label="Preset"
        value={chosen?.id ?? null}
        placeholder={items.length === 0 ? 'none kept yet' : 'none of the kept ones'}
        choices={items.map(({ id, name }) => ({ id, name }))}
        onChange={(id) => onTake(items.find((item) => item.id === id)!.content)}
      />
      {chosen ? (
        <IconButton
          plain
          autoFocus={named}
          label={`Remove ${chosen.name} from the shelf`}
          onPress={() => takeOffShelf(chosen.id)}
        >
          <Trash2 aria-hidden />
        </IconButton>
      ) : (
        <IconButton
          plain
          autoFocus={named}
          label="Keep what is set as a preset"
          onPress={() => setNaming('')}
        >
          <BookmarkPlus aria-hidden />
        </IconButton>
      )}
    </Kept>
  );
}
