'use client';
import { useEffect, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Ellipsis, FolderOpen, Plus } from 'lucide-react';
import { projectFileAddress, PROJECTS, type ProjectSummary } from '@/contract';
import { Button, Mark, Menu, notify, Notices } from '@/ui';
import { NameField } from '../name-field';
import { wearTheme } from '../theme';
import { call } from '../saving';
import { Page, Top, Space, Section, Head, Cards, Card, Tile, Icon, PageLink } from './project-frame';
import { chooseProjectFiles, download, openFile } from './files';
import { useChange, PieceCard } from './piece-card';
import { NewPiece } from './new-piece';

function Project({ project }: { project: ProjectSummary }) {
  const change = useChange();
  const [making, setMaking] = useState(false);
  const remove = () =>
    change(async () => {
      await call(PROJECTS.remove, { params: { id: project.id } });
      notify(`The project "${project.name}" is deleted.`, {
        action: {
          name: 'Undo',
          run: () => void change(() => call(PROJECTS.undelete, { params: { id: project.id } })),
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
            onChange={(name) =>
              void change(() => call(PROJECTS.rename, { params: { id: project.id }, body: { name } }))
            }
          />
        </h2>
        <Menu
          label={`More about ${project.name}`}
          entries={[
            { id: 'save', name: 'Save as a file', run: () => download(projectFileAddress(project.id)) },
            {
              id: 'open',
              name: 'Open a file here …',
              run: () => chooseProjectFiles((file) => change(() => openFile(file, project.id))),
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
    queryFn: () => call(PROJECTS.list, {}),
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
        <PageLink href="/exports">Exports</PageLink>
        <PageLink href="/bay">Edit bay</PageLink>
        <Button
          isDisabled={list.isPending}
          onPress={() => chooseProjectFiles((file) => change(() => openFile(file)))}
        >
          <FolderOpen aria-hidden /> Open a file …
        </Button>
        {/* Before the page has come alive a press would be lost. */}
        <Button
          isDisabled={list.isPending}
          onPress={() => void change(() => call(PROJECTS.create, { body: { name: 'New project' } }))}
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
