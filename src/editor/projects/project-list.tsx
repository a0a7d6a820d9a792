'use client';
import { useEffect, useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import { useQuery } from '@tanstack/react-query';
import { Ellipsis, FolderOpen, Plus, Trash2 } from 'lucide-react';
import {
  BIN_DAYS,
  projectFileAddress,
  PROJECTS,
  SAMPLE,
  type PieceSummary,
  type ProjectSummary,
} from '@/contract';
import { Button, Mark, Menu, notify, Notices, onFilesDropped, Questions, Select, TextInput } from '@/ui';
import { fetchedDialog } from '../fetched';
import { NameField } from '../name-field';
import { openProjectFile } from '../open-project-file';
import { recall, remember } from '../remembered';
import { call } from '../saving';
import { Page, Top, Space, Section, Head, Cards, Card, Tile, Tools, Icon, PageLink } from './project-frame';
import { choose, clearChosen, useChosen } from './chosen';
import { download } from '../download';
import { chooseProjectFiles } from './files';
import { usePieceActions } from './piece-actions';
import { PieceCard } from './piece-card';
import { between, landmarkNames, ORDERS, shownProjects, type Order } from './shown';
import { useChange } from './use-change';

// Fetched when they are first asked for: they bring controls and schemas that the list itself does without.
const NewPiece = fetchedDialog(() => import('./new-piece').then((m) => m.NewPiece));
const BinDialog = fetchedDialog(() => import('./bin-dialog').then((m) => m.BinDialog));

type Actions = ReturnType<typeof usePieceActions>;

function Project({
  project,
  landmark,
  actions,
  onChoose,
  selected,
  isFresh,
}: {
  project: ProjectSummary;
  /** What its section is read out as. */
  landmark: string;
  actions: Actions;
  onChoose: (piece: PieceSummary, on: boolean, extend: boolean) => void;
  /** The pieces that are selected, of all projects. */
  selected: readonly PieceSummary[];
  /** Whether it was just made here: it comes in sight, with its name to be typed. */
  isFresh: boolean;
}) {
  const change = useChange();
  const [making, setMaking] = useState(false);
  const section = useRef<HTMLElement>(null);
  useEffect(() => {
    if (!isFresh) return;
    section.current?.scrollIntoView({ block: 'center' });
    section.current?.querySelector('input')?.select();
  }, [isFresh]);
  const toFirstPiece = () => section.current?.querySelector<HTMLElement>('[data-new-piece]')?.focus();
  const remove = async () => {
    if (!(await change(() => call(PROJECTS.remove, { params: { id: project.id } })))) return;
    notify(`The project “${project.name}” is in the bin. It is deleted after ${BIN_DAYS} days.`, {
      action: {
        name: 'Undo',
        run: () => void change(() => call(PROJECTS.undelete, { params: { id: project.id } })),
      },
    });
  };
  return (
    <Section ref={section} aria-label={landmark} data-project={project.id}>
      <Head>
        <h2>
          <NameField
            label="Name of the project"
            value={project.name}
            onChange={(name) =>
              void change(() => call(PROJECTS.rename, { params: { id: project.id }, body: { name } }))
            }
            {...(isFresh && project.pieces.length === 0 && { onEnd: toFirstPiece })}
          />
        </h2>
        <Menu
          label={`More about ${project.name}`}
          entries={[
            { id: 'save', name: 'Save as a file', run: () => download(projectFileAddress(project.id)) },
            {
              id: 'open',
              name: 'Open a file here …',
              run: () =>
                chooseProjectFiles((file) =>
                  change(() => openProjectFile(file, project.id)).then(() => undefined),
                ),
            },
            { id: 'delete', name: 'Delete project', run: () => void remove() },
          ]}
        >
          <Button aria-label={`More about ${project.name}`} style={Icon}>
            <Ellipsis />
          </Button>
        </Menu>
      </Head>
      <Cards>
        {project.pieces.map((piece) => (
          <PieceCard
            key={piece.id}
            piece={piece}
            entries={() => actions.entries(selected.includes(piece) ? selected : [piece])}
            onChoose={(on, extend) => onChoose(piece, on, extend)}
          />
        ))}
        <Card>
          <Tile data-new-piece onClick={() => setMaking(true)}>
            <Plus aria-hidden />
            New piece
          </Tile>
        </Card>
      </Cards>
      {making && <NewPiece project={project} onClose={() => setMaking(false)} />}
    </Section>
  );
}

const ORDER_KEY = 'obelus-order';
const rememberedOrder = (): Order => {
  const kept = recall(ORDER_KEY);
  return kept !== null && kept in ORDERS ? (kept as Order) : 'made';
};

/** All projects and their pieces. */
export function ProjectList() {
  const change = useChange();
  const router = useRouter();
  const [sought, setSought] = useState('');
  const [order, setOrder] = useState<Order>('made');
  const [binOpen, setBinOpen] = useState(false);
  const [binAsked, setBinAsked] = useState(false);
  const [fresh, setFresh] = useState<string | null>(null);
  const addProject = () =>
    change(async () => {
      const { id } = await call(PROJECTS.create, { body: { name: 'New project' } });
      // What is sought would hide it.
      setSought('');
      setFresh(id);
    });
  const openBin = () => {
    setBinAsked(true);
    setBinOpen(true);
  };
  const chosen = useChosen();
  const list = useQuery({
    queryKey: ['projects'],
    queryFn: () => call(PROJECTS.list, {}),
  });
  const projects = list.data?.projects ?? [];
  const shown = shownProjects(projects, sought, order);
  const landmarks = landmarkNames(shown);
  const actions = usePieceActions(projects);
  const selected = shown.flatMap(({ pieces }) => pieces.filter(({ id }) => chosen.ids.includes(id)));
  const sample = projects
    .find(({ name }) => name === SAMPLE.project)
    ?.pieces.find(({ name }) => name === SAMPLE.piece);

  // The order that was chosen last is known to this browser alone.
  useEffect(() => setOrder(rememberedOrder()), []);
  useEffect(() => clearChosen, []);
  const latest = useRef({ projects, change, router });
  useEffect(() => {
    latest.current = { projects, change, router };
  });
  useEffect(
    () =>
      onFilesDropped((files, at) => {
        const now = latest.current;
        const under = at?.closest<HTMLElement>('[data-project]')?.dataset.project;
        const project = now.projects.find(({ id }) => id === under) ?? now.projects[0] ?? null;
        void now.change(async () => {
          const { takeDroppedFiles } = await import('./dropped');
          const made = await takeDroppedFiles(files, project);
          if (made) now.router.push(`/pieces/${made}`);
        });
      }),
    [],
  );
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const field = (event.target as Element).matches('input:not([type="checkbox"]), textarea');
      if (field || document.querySelector('[role="dialog"], [role="menu"]')) return;
      if (event.key === 'Escape' && selected.length > 0) clearChosen();
      else if (event.key === 'Delete' && selected.length > 0) void actions.remove(selected);
      else if (event.key.toLowerCase() === 'a' && (event.ctrlKey || event.metaKey)) {
        event.preventDefault();
        useChosen.setState({ ids: shown.flatMap(({ pieces }) => pieces.map(({ id }) => id)) });
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
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
        {sample && <PageLink href={`/pieces/${sample.id}?tour`}>Guided tour</PageLink>}
        <PageLink href="/exports">Exports</PageLink>
        <PageLink href="/bay">Edit bay</PageLink>
        <Button
          isDisabled={list.isPending}
          onPress={() =>
            chooseProjectFiles((file) => change(() => openProjectFile(file)).then(() => undefined))
          }
        >
          <FolderOpen aria-hidden /> Open a file …
        </Button>
        {/* Before the page has come alive a press would be lost. */}
        <Button isDisabled={list.isPending} onPress={addProject}>
          <Plus aria-hidden /> New project
        </Button>
      </Top>
      <Tools>
        <TextInput
          type="search"
          aria-label="Find a piece"
          placeholder="Find a piece"
          value={sought}
          onChange={(event) => setSought(event.currentTarget.value)}
        />
        <div style={{ width: 190 }}>
          <Select
            label="Order"
            value={order}
            choices={ORDERS}
            onChange={(to) => {
              setOrder(to);
              remember(ORDER_KEY, to);
            }}
          />
        </div>
        <Space />
        {selected.length > 0 ? (
          <>
            <span role="status">{selected.length} selected</span>
            {(['move', 'copy'] as const).map((way) => (
              <Menu
                key={way}
                label={way === 'move' ? 'Move to' : 'Copy to'}
                entries={actions.places(selected, way)}
              >
                <Button>{way === 'move' ? 'Move to …' : 'Copy to …'}</Button>
              </Menu>
            ))}
            <Button onPress={() => actions.duplicate(selected)}>Duplicate</Button>
            <Button onPress={() => actions.remove(selected)}>Delete</Button>
            <Button onPress={clearChosen}>Select none</Button>
          </>
        ) : (
          <Button onPress={() => openBin()}>
            <Trash2 aria-hidden /> Bin
          </Button>
        )}
      </Tools>
      {list.isError && (
        <p role="alert">
          The projects cannot be fetched: {list.error.message}{' '}
          <Button onPress={() => list.refetch()}>Try again</Button>
        </p>
      )}
      {list.data?.projects.length === 0 && <p>No projects yet. Make one, then draw its first piece.</p>}
      {projects.length > 0 && shown.length === 0 && <p>No piece has that name.</p>}
      {shown.map((project, i) => (
        <Project
          key={project.id}
          project={project}
          landmark={landmarks[i] ?? project.name}
          actions={actions}
          selected={selected}
          isFresh={project.id === fresh}
          onChoose={(piece, on, extend) => {
            const all = extend && chosen.from ? between(shown, chosen.from, piece.id) : [piece.id];
            choose(piece.id, all, extend || on);
          }}
        />
      ))}
      {binAsked && <BinDialog isOpen={binOpen} onClose={() => setBinOpen(false)} />}
      <Questions />
      <Notices />
    </Page>
  );
}
