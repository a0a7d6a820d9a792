'use client';
import { ChevronDown, Search, Star, X } from 'lucide-react';
import { useRef, useState } from 'react';
import {
  Button as AriaButton,
  Dialog,
  DialogTrigger,
  GridList,
  GridListHeader,
  GridListItem,
  GridListSection,
  Input,
  SearchField,
  ToggleButton,
  ToggleButtonGroup,
} from 'react-aria-components';
import styled from 'styled-components';
import type { FaceSummary } from '@/contract';
import { Button, IconButton, IconToggle, Pop, selectLooks } from '@/ui';
import { takeFont } from '../importing';
import { FaceSample } from './face-sample';
import { noteFaceUsed, toggleLiked, useLikedFaces } from './liked-faces';
import { SINGLE_LINE } from './use-faces';

/** Kinds of faces, as people choose by them, in the order in which they stand. */
const KINDS: Readonly<Record<string, string>> = {
  own: 'Own',
  script: 'Script',
  brush: 'Brush',
  [SINGLE_LINE]: 'Single line',
  round: 'Rounded',
  serif: 'Serif',
  sans: 'Sans',
  condensed: 'Condensed',
  arabic: 'Arabic',
  indic: 'Devanagari',
};

const Trigger = styled(AriaButton)`
  ${selectLooks}
`;
const Body = styled(Dialog)`
  outline: none;
`;
const Finder = styled.div`
  display: grid;
  grid-template-rows: auto auto 1fr;
  gap: 8px;
  width: min(420px, calc(100vw - 40px));
  height: min(560px, calc(100vh - 40px));
  padding: 8px;
`;
const Find = styled(SearchField)`
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 0 4px 0 10px;
  border: 1px solid var(--line);
  border-radius: 7px;
  background: var(--desk);
  > svg {
    width: 15px;
    color: var(--quiet);
  }
  input {
    flex: 1;
    min-width: 0;
    height: 30px;
    border: 0;
    background: none;
    outline: none;
  }
  &[data-empty] button {
    visibility: hidden;
  }
  &:focus-within {
    outline: 2px solid var(--head);
    outline-offset: 1px;
  }
`;
const Chips = styled(ToggleButtonGroup)`
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
`;
const Chip = styled(ToggleButton)`
  height: 24px;
  padding: 0 9px;
  border: 1px solid var(--line);
  border-radius: 12px;
  background: none;
  color: var(--quiet);
  cursor: default;
  &[data-selected] {
    background: var(--pressed);
    color: var(--text);
  }
`;
const List = styled(GridList)`
  min-height: 0;
  overflow: auto;
  outline: none;
  scrollbar-width: thin;
`;
const Kind = styled(GridListHeader)`
  padding: 8px 8px 4px;
  color: var(--quiet);
  font-size: 12px;
`;
const Item = styled(GridListItem)`
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  gap: 8px;
  padding: 4px 4px 4px 10px;
  border-radius: 6px;
  cursor: default;
  outline: none;
  small {
    color: var(--quiet);
    font-size: 12px;
  }
  &[data-focused],
  &[data-hovered] {
    background: var(--pressed);
  }
  &[data-current] small {
    color: var(--head);
  }
  &[data-focus-visible] {
    outline: 2px solid var(--head);
    outline-offset: -2px;
  }
`;
const Nothing = styled.p`
  margin: 12px 8px;
  color: var(--quiet);
`;

interface Section {
  readonly id: string;
  readonly name: string;
  readonly faces: readonly FaceSummary[];
}

/** The faces as they stand in the list: liked and used last before all others by kind, each once in a section. */
function sectionsOf(
  faces: readonly FaceSummary[],
  kind: string,
  find: string,
  liked: readonly string[],
  last: readonly string[],
): Section[] {
  const wanted = faces.filter(
    (face) =>
      (kind === 'all' || face.kind === kind) && face.name.toLowerCase().includes(find.trim().toLowerCase()),
  );
  const chosen = (ids: readonly string[]) => ids.flatMap((id) => wanted.filter((face) => face.id === id));
  const first: Section[] =
    kind === 'all' && find.trim() === ''
      ? [
          { id: 'liked', name: 'Favourites', faces: chosen(liked) },
          { id: 'last', name: 'Recently used', faces: chosen(last) },
        ]
      : [];
  const rest = Object.entries(KINDS).map(([id, name]) => ({
    id,
    name,
    faces: wanted.filter((face) => face.kind === id),
  }));
  return [...first, ...rest].filter((section) => section.faces.length > 0);
}

/** Chooses a face by its kind or name, seen on the word that is to be set; those liked and used last stand first. */
export function FacePicker({
  label = 'Face',
  value,
  faces,
  word,
  onChange,
}: {
  label?: string;
  value: string;
  faces: readonly FaceSummary[];
  /** The text that is to be set in it. */
  word: string;
  onChange: (face: FaceSummary) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const [open, setOpen] = useState(false);
  const [kind, setKind] = useState('all');
  const [find, setFind] = useState('');
  const { liked, last } = useLikedFaces();
  const known = faces.find((face) => face.id === value);
  const kinds = Object.entries(KINDS).filter(([id]) => faces.some((face) => face.kind === id));
  const take = (face: FaceSummary): void => {
    setOpen(false);
    noteFaceUsed(face.id);
    onChange(face);
  };
  return (
    <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 6 }}>
      <DialogTrigger isOpen={open} onOpenChange={setOpen}>
        <Trigger aria-label={`${label}: ${known?.name ?? 'not here'}`}>
          <span>{known?.name ?? (faces.length === 0 ? '…' : 'a face that is not here')}</span>
          <ChevronDown aria-hidden />
        </Trigger>
        <Pop placement="right top" offset={8}>
          <Body aria-label={label}>
            <Finder>
              <Find aria-label="Find a face" value={find} onChange={setFind} autoFocus>
                <Search aria-hidden />
                <Input placeholder="Find a face" />
                <IconButton label="Clear" plain>
                  <X />
                </IconButton>
              </Find>
              <Chips
                aria-label="Kind of face"
                disallowEmptySelection
                selectedKeys={[kind]}
                onSelectionChange={(keys) => setKind(String([...keys][0]))}
              >
                <Chip id="all">All</Chip>
                {kinds.map(([id, name]) => (
                  <Chip key={id} id={id}>
                    {name}
                  </Chip>
                ))}
              </Chips>
              <List
                aria-label="Faces"
                onAction={(key) => {
                  const face = faces.find((one) => one.id === String(key).split('/')[1]);
                  if (face) take(face);
                }}
                renderEmptyState={() => <Nothing>No face has that name.</Nothing>}
              >
                {sectionsOf(faces, kind, find, liked, last).map((section) => (
                  <GridListSection key={section.id} id={section.id}>
                    <Kind>{section.name}</Kind>
                    {section.faces.map((face) => (
                      <Item
                        key={face.id}
                        id={`${section.id}/${face.id}`}
                        textValue={face.name}
                        data-current={face.id === value || undefined}
                      >
                        <div>
                          <small>{face.name}</small>
                          <FaceSample face={face} word={word} />
                        </div>
                        <IconToggle
                          plain
                          label={`Favourite ${face.name}`}
                          isSelected={liked.includes(face.id)}
                          onChange={() => toggleLiked(face.id)}
                        >
                          <Star fill={liked.includes(face.id) ? 'currentColor' : 'none'} />
                        </IconToggle>
                      </Item>
                    ))}
                  </GridListSection>
                ))}
              </List>
            </Finder>
          </Body>
        </Pop>
      </DialogTrigger>
      <Button onPress={() => file.current?.click()} style={{ height: 28 }}>
        Load …
      </Button>
      <input
        ref={file}
        type="file"
        accept=".ttf,.otf,.woff,.woff2"
        hidden
        aria-label="Font file"
        onChange={(event) => {
          const [chosen] = event.currentTarget.files ?? [];
          event.currentTarget.value = '';
          if (chosen) void takeFont(chosen).then((made) => made && take(made));
        }}
      />
    </div>
  );
}
