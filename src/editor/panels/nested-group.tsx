'use client';
import { useQuery } from '@tanstack/react-query';
import { PIECES, PROJECTS, type PieceSummary } from '@/contract';
import { addNested, contentOf, nestingFault, setNested, type Nested } from '@/core/document';
import { amount, Button, Fold, notify, Select, Hint } from '@/ui';
import { startJob } from '../jobs';
import { call, useSaving } from '../saving';
import { edit, newId, select, singleLayer, useCalm, useEditor } from '../state';
import { OwnersOf, PartChoice, PartField } from '../properties';

/** The other pieces of the project, as last heard from the server. */
function useOthers(): readonly PieceSummary[] {
  const open = useSaving((s) => s.open);
  const { data } = useQuery({ queryKey: ['projects'], queryFn: () => call(PROJECTS.list, {}) });
  const pieces = data?.projects.find((project) => project.id === open?.projectId)?.pieces ?? [];
  return pieces.filter((piece) => piece.id !== open?.id);
}

const fetchPiece = (id: string) => startJob(() => call(PIECES.open, { params: { id } })).settled;

/** Another piece of the project shown within this one. */
export function NestedGroup() {
  const layer = useCalm(singleLayer);
  const others = useOthers();
  const here = useSaving((s) => s.open?.id);
  const put = async (id: string) => {
    const end = await fetchPiece(id);
    if (end.status === 'failed') notify(end.error.message);
    if (end.status !== 'done') return;
    const { revision, document } = end.value;
    const from = { piece: id, revision };
    const fault = here ? nestingFault(here, document, from) : null;
    if (fault) {
      notify(fault);
      return;
    }
    const made = newId();
    edit((piece) => addNested(piece, made, document, from, Math.round(useEditor.getState().frame)));
    select({ layers: [made] });
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
  const content = contentOf(nested);
  const { from } = nested;
  const renew = async () => {
    if (!from) return;
    const end = await fetchPiece(from.piece);
    if (end.status === 'failed') notify(`${end.error.message} The copy here stays as it is.`);
    if (end.status !== 'done') return;
    const { revision, document } = end.value;
    if (revision === from.revision) notify(`“${nested.name}” is up to date: nothing was changed.`);
    else
      edit((piece) =>
        setNested(piece, nested.id, { content: document, from: { piece: from.piece, revision } }),
      );
  };
  return (
    <>
      <Hint>
        A copy of “{content.name}”, {amount(content.length, 'frame')}. It stays as it is until you update it.
      </Hint>
      <OwnersOf ids={[nested.id]}>
        <PartField part="start" />
        <PartChoice
          part="after"
          inList
          before="After its end"
          label="After its end"
          choices={['nothing', 'last frame', 'again']}
        />
      </OwnersOf>
      {from && (
        <Button $wide onPress={() => renew()}>
          Update
        </Button>
      )}
    </>
  );
}
