'use client';
import { Archive, ArchiveX, Trash2 } from 'lucide-react';
import styled from 'styled-components';
import {
  cutName,
  applyStyle,
  bearersOf,
  differs,
  leaveStyle,
  putStyle,
  removeStyle,
  sameValue,
  type Stroke,
  type Style,
} from '@/core/document';
import { Button, IconButton, Buttons, Hint } from '@/ui';
import { NameField } from '../../name-field';
import { keepOnShelf, takeOffShelf, useShelfItems } from '../../shelf';
import { edit, editChosen, newId, useCalm } from '../../state';
import { InkPicture } from './ink-picture';

const Item = styled.div`
  display: grid;
  grid-template-columns: 1fr auto auto;
  align-items: center;
  gap: 2px;
  margin-bottom: 6px;
`;
const Take = styled.button`
  grid-column: 1 / -1;
  padding: 0;
  border: 0;
  border-radius: 7px;
  background: none;
  &[aria-pressed='true'] {
    outline: 2px solid var(--head);
  }
`;

/** Styles of the piece and of the shelf: applied to many strokes, changed together. */
export function StyleControls({ strokes }: { strokes: readonly Stroke[] }) {
  const piece = useCalm((s) => s.piece);
  const shelf = useShelfItems('style');
  const borne = strokes[0]?.style;
  const style = strokes.every((s) => s.style === borne)
    ? piece.styles.find((s) => s.id === borne)
    : undefined;
  const strayed = style ? strokes.filter((s) => differs(s.ink, style)) : [];
  const apply = (id: string) => editChosen((p, ids) => applyStyle(p, ids, id));
  const take = (made: Style) => editChosen((p, ids) => applyStyle(putStyle(p, made), ids, made.id));
  const put = (changed: Style) => edit((p) => putStyle(p, changed));
  const makeNew = () => {
    const [first] = strokes;
    if (!first) return;
    take({ id: newId(), name: cutName(`${first.name} ink`), ink: first.ink });
  };
  const keep = async (one: Style) => {
    const item = await keepOnShelf({ kind: 'style', name: one.name, content: one.ink }, one.shelf);
    if (item) put({ ...one, shelf: item.id });
  };
  const fromShelf = shelf.filter((item) => !piece.styles.some((s) => s.shelf === item.id));
  return (
    <>
      {style && (
        <>
          <Hint>
            {strokes.length > 1 ? 'These strokes bear' : 'This stroke bears'} “{style.name}”
            {strayed.length > 0 ? ' and differ from it.' : '.'}
          </Hint>
          {strayed.length > 0 && (
            <Buttons>
              <Button onPress={() => put({ ...style, ink: strayed[0]!.ink })}>Change the style</Button>
              <Button onPress={() => apply(style.id)}>Back to the style</Button>
            </Buttons>
          )}
        </>
      )}
      {piece.styles.map((one) => {
        const count = bearersOf(piece, one.id).length;
        const onShelf = shelf.find((item) => item.id === one.shelf);
        const newer = onShelf && !sameValue(onShelf.content, one.ink);
        return (
          <Item key={one.id}>
            <Take
              type="button"
              aria-pressed={style?.id === one.id}
              aria-label={`Give the selection the style ${one.name}`}
              disabled={strokes.length === 0}
              onClick={() => apply(one.id)}
            >
              <InkPicture ink={one.ink} label={`The ink ${one.name}`} height={44} />
            </Take>
            <span style={{ minWidth: 0 }}>
              <NameField
                label="Name of the style"
                value={one.name}
                onChange={(name) => put({ ...one, name })}
              />
              <small style={{ display: 'block', color: 'var(--quiet)' }}>
                {count} {count === 1 ? 'stroke' : 'strokes'}
                {onShelf ? ' · on the shelf' : ''}
              </small>
            </span>
            <IconButton
              plain
              label={onShelf ? 'Put it on the shelf as it is now' : 'Put it on the shelf, for all pieces'}
              onPress={() => keep(one)}
            >
              <Archive />
            </IconButton>
            <IconButton
              plain
              label={`Remove the style ${one.name}`}
              onPress={() => edit((p) => removeStyle(p, one.id))}
            >
              <Trash2 />
            </IconButton>
            {newer && (
              <Button
                style={{ gridColumn: '1 / -1' }}
                onPress={() => put({ ...one, name: onShelf.name, ink: onShelf.content })}
              >
                Take it as it is on the shelf
              </Button>
            )}
          </Item>
        );
      })}
      {fromShelf.length > 0 && <Hint>On the shelf</Hint>}
      {fromShelf.map((item) => (
        <Item key={item.id}>
          <Take
            type="button"
            aria-label={`Use the style ${item.name} from the shelf`}
            disabled={strokes.length === 0}
            onClick={() => take({ id: newId(), name: item.name, ink: item.content, shelf: item.id })}
          >
            <InkPicture ink={item.content} label={`The ink ${item.name}`} height={44} />
          </Take>
          <span>{item.name}</span>
          <span />
          <IconButton
            plain
            label={`Remove ${item.name} from the shelf`}
            onPress={() => takeOffShelf(item.id)}
          >
            <ArchiveX />
          </IconButton>
        </Item>
      ))}
      <Buttons>
        <Button isDisabled={strokes.length === 0} onPress={makeNew}>
          New style
        </Button>
        <Button
          isDisabled={!strokes.some((s) => s.style)}
          onPress={() => editChosen((p, ids) => leaveStyle(p, ids))}
        >
          Detach from the style
        </Button>
      </Buttons>
    </>
  );
}
