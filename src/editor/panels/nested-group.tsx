'use client';
import { useEffect, useState } from 'react';
import { addNested, contentOf, nestingFault, setNested, type Nested, type Piece } from '@/core/document';
import { Button, Fold, notify, NumberField, Select } from '@/ui';
import { call, useSaving } from '../saving';
import { beginDrag, edit, endDrag, newId, select, singleLayer, useCalm, useEditor } from '../state';
import { Hint, Row } from './panel';
import { useFrames } from './time/frames-field';

const drag = { onBegin: beginDrag, onEnd: endDrag };

interface PieceSummary {
  readonly id: string;
  readonly name: string;
}
interface Opened {
  readonly revision: number;
  readonly document: Piece;
}

/** The other pieces of the project, as last heard from the server. */
function useOthers(): readonly PieceSummary[] {
  const project = useSaving((s) => s.open?.projectId);
  const here = useSaving((s) => s.open?.id);
  const [pieces, setPieces] = useState<readonly PieceSummary[]>([]);
  useEffect(() => {
    if (!project) return;
    call<{ projects: { id: string; pieces: PieceSummary[] }[] }>('GET', '/api/projects').then(
      ({ projects }) =>
        setPieces(projects.find((p) => p.id === project)?.pieces.filter((p) => p.id !== here) ?? []),
      // Offline there is nothing to choose from; saving says that the server is away.
      () => setPieces([]),
    );
  }, [project, here]);
  return pieces;
}

/** Another piece of the project shown within this one. */
export function NestedGroup() {
  const layer = useCalm(singleLayer);
  const others = useOthers();
  const here = useSaving((s) => s.open?.id);
  const put = async (id: string) => {
    try {
      const { revision, document } = await call<Opened>('GET', `/api/pieces/${id}`);
      const from = { piece: id, revision };
      const fault = here ? nestingFault(here, document, from) : null;
      if (fault) {
        notify(fault);
        return;
      }
      const made = newId();
      edit((piece) => addNested(piece, made, document, from, Math.round(useEditor.getState().frame)));
      select({ layers: [made] });
    } catch (error) {
      notify((error as Error).message);
    }
  };
  return (
    <Fold title="A piece within this one" open={layer?.type === 'piece'}>
      {layer?.type === 'piece' && <NestedControls nested={layer} />}
      {others.length > 0 ? (
        <Select
          label="Piece to show within this one"
          value={null}
          placeholder="Put a piece here …"
          choices={others}
          onChange={(id) => void put(id)}
        />
      ) : (
        <Hint>The project has no other piece.</Hint>
      )}
    </Fold>
  );
}

function NestedControls({ nested }: { nested: Nested }) {
  const frames = useFrames();
  const content = contentOf(nested);
  const { from } = nested;
  const renew = async () => {
    if (!from) return;
    try {
      const { revision, document } = await call<Opened>('GET', `/api/pieces/${from.piece}`);
      if (revision === from.revision) notify(`“${nested.name}” is as it was taken: nothing was changed.`);
      else
        edit((piece) =>
          setNested(piece, nested.id, { content: document, from: { piece: from.piece, revision } }),
        );
    } catch (error) {
      notify(`${(error as Error).message} The copy here stays as it is.`);
    }
  };
  return (
    <>
      <Hint>
        A copy of “{content.name}”, {content.length} frames. It stays as it is until you take it anew.
      </Hint>
      <NumberField
        label="Begins at"
        value={nested.start}
        onChange={(start) =>
          edit((piece) => setNested(piece, nested.id, { start: Math.round(start) }), 'start')
        }
        {...frames}
        {...drag}
      />
      <Row>
        <span>After its end</span>
        <div style={{ width: 120 }}>
          <Select
            label="After its end"
            value={nested.after}
            choices={[
              { id: 'nothing', name: 'nothing' },
              { id: 'last frame', name: 'last frame' },
              { id: 'again', name: 'again' },
            ]}
            onChange={(after) => edit((piece) => setNested(piece, nested.id, { after }))}
          />
        </div>
      </Row>
      {from && (
        <Button style={{ width: '100%', marginBottom: 8 }} onPress={() => void renew()}>
          Take it anew
        </Button>
      )}
    </>
  );
}
