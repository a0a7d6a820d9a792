'use client';
import { Eye, EyeOff, Lock, LockOpen, Trash2 } from 'lucide-react';
import styled from 'styled-components';
import {
  fittedUnderlay,
  removeUnderlay,
  underlaySchema,
  updateUnderlay,
  type Underlay,
} from '@/core/document';
import { Button, IconButton, Buttons, Group } from '@/ui';
import { NameField } from '../name-field';
import { ValueField } from '../properties';
import { pictureAddress } from '@/contract';
import { edit, selectUnderlay, useCalm, useEditor } from '../state';

export const List = styled.ul`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 2px;
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
`;
const Item = styled.li`
  display: flex;
  align-items: center;
  gap: 2px;
  border-radius: 7px;
  &[data-chosen='true'] {
    background: var(--pressed);
  }
  min-width: 0;
  button {
    flex: none;
    width: 24px;
    height: 26px;
  }
`;
const Choose = styled.button`
  display: flex;
  flex: 1 1 0 !important;
  align-items: center;
  gap: 8px;
  min-width: 0;
  width: auto !important;
  height: 34px !important;
  padding: 3px 6px;
  border: 0;
  background: none;
  text-align: left;
  img {
    width: 40px;
    height: 26px;
    object-fit: cover;
    border-radius: 4px;
    background: var(--desk);
  }
  span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
`;

const put = (id: string, part: Partial<Underlay>, merge?: string) =>
  edit((piece) => updateUnderlay(piece, id, part), merge);

export function UnderlayItem({ underlay, chosen }: { underlay: Underlay; chosen: boolean }) {
  const { id, name, hidden, locked, asset } = underlay;
  return (
    <Item data-chosen={chosen}>
      <Choose aria-pressed={chosen} onClick={() => selectUnderlay(chosen ? null : id)}>
        <img src={pictureAddress(asset)} alt="" />
        <span>{name}</span>
      </Choose>
      <IconButton
        label={locked ? `Unlock ${name}` : `Lock ${name}`}
        plain
        onPress={() => put(id, { locked: !locked })}
      >
        {locked ? <Lock /> : <LockOpen />}
      </IconButton>
      <IconButton
        label={hidden ? `Show ${name}` : `Hide ${name}`}
        plain
        onPress={() => put(id, { hidden: !hidden })}
      >
        {hidden ? <EyeOff /> : <Eye />}
      </IconButton>
      <IconButton
        label={`Remove ${name}`}
        plain
        onPress={() => {
          edit((piece) => removeUnderlay(piece, id));
          if (chosen) selectUnderlay(null);
        }}
      >
        <Trash2 />
      </IconButton>
    </Item>
  );
}

export function UnderlayControls({ underlay }: { underlay: Underlay }) {
  const size = useCalm((s) => s.piece.size);
  const { id } = underlay;
  return (
    <Group title="This underlay">
      <NameField label="Name of the underlay" value={underlay.name} onChange={(name) => put(id, { name })} />
      {(['opacity', 'scale', 'x', 'y'] as const).map((part) => (
        <ValueField
          key={part}
          schema={underlaySchema}
          value={underlay}
          part={part}
          onChange={(to) => put(id, { [part]: to }, `underlay ${part}`)}
        />
      ))}
      <Buttons>
        <Button onPress={() => put(id, fittedUnderlay(size, underlay))}>Fit the piece</Button>
        <Button onPress={() => useEditor.setState({ step: 'trace' })}>Trace it …</Button>
      </Buttons>
    </Group>
  );
}
