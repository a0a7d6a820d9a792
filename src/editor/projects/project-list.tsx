'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Ellipsis, Plus } from 'lucide-react';
import styled from 'styled-components';
import { newPiece } from '@/core/document';
import { framesPerSecond, parseTime, rateName, RATES } from '@/core/timing';
import {
  Button,
  Dialog,
  MainButton,
  Mark,
  Menu,
  NameField,
  notify,
  Notices,
  NumberField,
  Select,
  TextInput,
} from '@/ui';
import { wearTheme } from '../bar/theme-choice';
import { SIZES } from '../panels/presets';
import { call, type OpenPiece } from '../saving';

interface PieceSummary {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly width: number;
  readonly height: number;
  readonly length: number;
  readonly rate: { numerator: number; denominator: number };
  readonly over: string | null;
  readonly strokes: number;
}
interface ProjectSummary {
  readonly id: string;
  readonly name: string;
  readonly pieces: PieceSummary[];
}

const Page = styled.main`
  max-width: 1180px;
  margin: 0 auto;
  padding: 26px 32px 80px;
`;
const Top = styled.header`
  display: flex;
  align-items: center;
  gap: 14px;
  margin-bottom: 30px;
  h1 {
    margin: 0;
    font: italic 400 30px/1 var(--serif);
  }
  p {
    margin: 0;
    color: var(--quiet);
  }
`;
const Space = styled.div`
  flex: 1;
`;
const Section = styled.section`
  margin-bottom: 38px;
`;
const Head = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  margin-bottom: 12px;
  padding-bottom: 8px;
  border-bottom: 1px solid var(--rule);
  h2 {
    flex: 1;
    margin: 0;
    font: italic 400 22px/1.2 var(--serif);
    input {
      max-width: 420px;
    }
  }
`;
const Cards = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(264px, 1fr));
  gap: 20px;
  margin: 0;
  padding: 0;
  list-style: none;
`;
const Card = styled.li`
  min-width: 0;
`;
const Picture = styled(Link)`
  display: grid;
  place-items: center;
  aspect-ratio: 16 / 9;
  overflow: hidden;
  border: 1px solid var(--rule);
  border-radius: 10px;
  background: var(--desk);
  > * {
    min-height: 0;
  }
  transition: border-color 0.15s;
  &:hover {
    border-color: var(--quiet);
  }
  img {
    display: block;
    width: 100%;
    height: 100%;
    min-height: 0;
    object-fit: contain;
  }
`;
const Caption = styled.div`
  display: flex;
  align-items: center;
  gap: 4px;
  margin-top: 7px;
  > div {
    flex: 1;
    min-width: 0;
  }
  input {
    font-weight: 500;
  }
  small {
    color: var(--quiet);
    font-size: 12px;
  }
`;
const Tile = styled.button`
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 6px;
  width: 100%;
  aspect-ratio: 16 / 9;
  border: 1px dashed var(--rule);
  border-radius: 10px;
  background: none;
  color: var(--quiet);
  &:hover {
    color: var(--text);
    border-color: var(--quiet);
  }
`;
const Form = styled.form`
  display: grid;
  gap: 12px;
  label {
    display: grid;
    gap: 4px;
    color: var(--quiet);
  }
`;
const Foot = styled.div`
  display: flex;
  justify-content: flex-end;
`;
const Icon = { width: 30, padding: 0, background: 'none', borderColor: 'transparent' } as const;

const facts = (p: PieceSummary): string =>
  `${p.width} × ${p.height} · ${rateName(p.rate)} fps · ${Math.round((p.length / framesPerSecond(p.rate)) * 100) / 100} s · ${p.strokes} strokes`;

/** Runs a change, says so when it fails, and shows the list anew. */
function useChange(): (change: () => Promise<unknown>) => Promise<void> {
  const queries = useQueryClient();
  return async (change) => {
    try {
      await change();
    } catch (error) {
      notify((error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: ['projects'] });
  };
}

function PieceCard({ piece }: { piece: PieceSummary }) {
  const change = useChange();
  const remove = () =>
    change(async () => {
      await call('DELETE', `/api/pieces/${piece.id}`);
      notify(`"${piece.name}" is deleted.`, {
        action: {
          name: 'Undo',
          run: () => void change(() => call('POST', `/api/pieces/${piece.id}/undelete`)),
        },
      });
    });
  const rename = (name: string) =>
    change(async () => {
      const open = await call<OpenPiece>('GET', `/api/pieces/${piece.id}`);
      const document = { ...open.document, name };
      await call('PUT', `/api/pieces/${piece.id}`, {
        baseRevision: open.revision,
        session: 'projects',
        document,
      });
    });
  return (
    <Card data-piece={piece.name}>
      <Picture href={`/pieces/${piece.id}`} aria-label={`Open ${piece.name}`}>
        {/* The picture is made by the server at this very size; there is nothing for next/image to do. */}
        <img src={`/api/pieces/${piece.id}/thumbnail?revision=${piece.revision}`} alt="" />
      </Picture>
      <Caption>
        <div>
          <NameField
            label={`Name of ${piece.name}`}
            value={piece.name}
            onChange={(name) => void rename(name)}
          />
          <small>{facts(piece)}</small>
        </div>
        <Menu
          label={`More about ${piece.name}`}
          entries={[
            {
              id: 'duplicate',
              name: 'Duplicate',
              run: () => void change(() => call('POST', `/api/pieces/${piece.id}/duplicate`)),
            },
            { id: 'delete', name: 'Delete', run: () => void remove() },
          ]}
        >
          <Button aria-label={`More about ${piece.name}`} style={Icon}>
            <Ellipsis />
          </Button>
        </Menu>
      </Caption>
    </Card>
  );
}

/** Asks what a new piece is to be. */
function NewPiece({ project, onClose }: { project: ProjectSummary; onClose: () => void }) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [size, setSize] = useState(SIZES[0]!.id);
  const [rateId, setRateId] = useState('25/1');
  const [length, setLength] = useState(100);
  const [error, setError] = useState('');
  const [numerator, denominator] = rateId.split('/').map(Number) as [number, number];
  const rate = { numerator, denominator };
  const create = async () => {
    const preset = SIZES.find((s) => s.id === size)!;
    try {
      const document = newPiece(name.trim() || 'Untitled', preset.size, rate, length);
      const made = await call<{ id: string }>('POST', `/api/projects/${project.id}/pieces`, { document });
      router.push(`/pieces/${made.id}`);
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  return (
    <Dialog title="New piece" isOpen onClose={onClose} width={400}>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          void create();
        }}
      >
        <label>
          Name
          <TextInput
            autoFocus
            value={name}
            maxLength={120}
            placeholder="Untitled"
            onChange={(e) => setName(e.currentTarget.value)}
          />
        </label>
        <label>
          Size
          <Select label="Size" value={size} choices={SIZES} onChange={setSize} />
        </label>
        <label>
          Frames a second
          <Select
            label="Frames a second"
            value={rateId}
            choices={RATES.map((r) => ({ id: `${r.numerator}/${r.denominator}`, name: rateName(r) }))}
            onChange={setRateId}
          />
        </label>
        <NumberField
          label="Length"
          value={length}
          min={1}
          max={216_000}
          onChange={(v) => setLength(Math.round(v))}
          format={(v) => `${v} fr`}
          parse={(text) => parseTime(text, rate)}
        />
        {error && <p role="alert">{error}</p>}
        <Foot>
          <MainButton type="submit">Create</MainButton>
        </Foot>
      </Form>
    </Dialog>
  );
}

function Project({ project }: { project: ProjectSummary }) {
  const change = useChange();
  const [making, setMaking] = useState(false);
  const remove = () =>
    change(async () => {
      await call('DELETE', `/api/projects/${project.id}`);
      notify(`The project "${project.name}" is deleted.`, {
        action: {
          name: 'Undo',
          run: () => void change(() => call('POST', `/api/projects/${project.id}/undelete`)),
        },
      });
    });
  return (
    <Section aria-label={project.name}>
      <Head>
        <h2>
          <NameField
            label="Name of the project"
            value={project.name}
            onChange={(name) => void change(() => call('PATCH', `/api/projects/${project.id}`, { name }))}
          />
        </h2>
        <Menu
          label={`More about ${project.name}`}
          entries={[{ id: 'delete', name: 'Delete project', run: () => void remove() }]}
        >
          <Button aria-label={`More about ${project.name}`} style={Icon}>
            <Ellipsis />
          </Button>
        </Menu>
      </Head>
      <Cards>
        {project.pieces.map((piece) => (
          <PieceCard key={piece.id} piece={piece} />
        ))}
        <Card>
          <Tile onClick={() => setMaking(true)}>
            <Plus aria-hidden />
            New piece
          </Tile>
        </Card>
      </Cards>
      {making && <NewPiece project={project} onClose={() => setMaking(false)} />}
    </Section>
  );
}

/** All projects and their pieces. */
export function ProjectList() {
  const change = useChange();
  useEffect(wearTheme, []);
  const list = useQuery({
    queryKey: ['projects'],
    queryFn: () => call<{ projects: ProjectSummary[] }>('GET', '/api/projects'),
  });
  return (
    <Page>
      <Top>
        <Mark size={38} />
        <div>
          <h1>Obelus</h1>
          <p>Strokes that write themselves on.</p>
        </div>
        <Space />
        {/* Before the page has come alive a press would be lost. */}
        <Button
          isDisabled={list.isPending}
          onPress={() => void change(() => call('POST', '/api/projects', { name: 'New project' }))}
        >
          <Plus aria-hidden /> New project
        </Button>
      </Top>
      {list.isError && (
        <p role="alert">
          The projects cannot be fetched: {list.error.message}{' '}
          <Button onPress={() => void list.refetch()}>Try again</Button>
        </p>
      )}
      {list.data?.projects.length === 0 && <p>No projects yet. Make one, then draw its first piece.</p>}
      {list.data?.projects.map((project) => (
        <Project key={project.id} project={project} />
      ))}
      <Notices />
    </Page>
  );
}
