'use client';
import { useState } from 'react';
import { Archive, ArchiveX } from 'lucide-react';
import {
  changeManner,
  commonManner,
  commonTimes,
  countSetByHand,
  cutName,
  mannerBearers,
  mannerOf,
  OWN_MANNERS,
  reapplyManner,
  sameValue,
  writeAnew,
  type Manner,
  type Stroke,
} from '@/core/document';
import { Button, IconButton, Select, Buttons, Group, Hint, Grow } from '@/ui';
import { keepOnShelf, takeOffShelf, useShelfItems } from '../../shelf';
import { changeable, edit, useCalm } from '../../state';
import { MannerParts } from './manner-parts';

interface Named {
  readonly name: string;
  readonly manner: Manner;
}
const OWN_NAME = 'own manner';

/** How strokes are written on and off: one manner for any number of them, changed for all at once. */
export function MannerGroup({ strokes }: { strokes: readonly Stroke[] }) {
  const piece = useCalm((s) => s.piece);
  const shelf = useShelfItems('manner');
  const [chosen, setChosen] = useState<Named>(OWN_MANNERS[0]);
  const bearers = mannerBearers(piece, strokes);
  const borne = commonManner(bearers);
  const shared: Named | null = borne && { name: borne.name, manner: borne.way };
  const shown = shared ?? chosen;
  const stored: readonly Named[] = [
    ...OWN_MANNERS,
    ...shelf.map(({ name, content }) => ({ name, manner: mannerOf(content) })),
  ];
  const onShelf = shelf.find((item) => item.name === shown.name);
  const bearing = (): string[] => {
    const free = changeable();
    return bearers.flatMap(({ id, of }) => (free.includes(id) || !('path' in of) ? [id] : []));
  };
  /** Gives the selection a manner; what was set by hand stays. */
  const give = ({ name, manner }: Named) => {
    setChosen({ name, manner });
    if (strokes.length > 0) edit((p) => reapplyManner(p, bearing(), manner, name));
  };
  const put = (part: Partial<Manner>) => {
    // A stored manner that is changed is one's own until it is kept.
    const name = OWN_MANNERS.some((own) => own.name === shown.name) ? OWN_NAME : shown.name;
    if (shared) edit((p) => changeManner(p, bearing(), part, name), 'manner');
    // A change is a choice: it is given at once.
    else give({ name, manner: { ...shown.manner, ...part } });
  };
  const byHand = shared ? countSetByHand(bearers) : 0;
  const known = stored.some((one) => one.name === shown.name);
  const keep = async () => {
    const name =
      known && !onShelf
        ? `${shown.name}, own`
        : onShelf
          ? shown.name
          : freshName(shelf.map((item) => item.name));
    const item = await keepOnShelf(
      { kind: 'manner', name: cutName(name), content: shown.manner },
      onShelf?.id,
    );
    if (item) give({ name: item.name, manner: mannerOf(item.content) });
  };
  return (
    <Group title="Manner">
      <div style={{ display: 'flex', gap: 4, marginBottom: 6 }}>
        <Grow>
          <Select
            label="Stored manner"
            // What is shown as chosen is what the strokes bear: until then, choosing any of them gives it.
            value={strokes.length > 0 && !shared ? null : known ? shown.name : OWN_NAME}
            placeholder={bearers.some(({ of }) => of.manner) ? 'differs' : 'choose one …'}
            choices={[
              ...stored.map(({ name }) => ({ id: name, name })),
              ...(known ? [] : [{ id: OWN_NAME, name: shown.name }]),
            ]}
            onChange={(name) => {
              const one = stored.find((other) => other.name === name);
              if (one) give(one);
            }}
          />
        </Grow>
        <IconButton
          plain
          label={
            onShelf ? 'Put it on the shelf as it is now' : 'Keep this manner on the shelf, for all pieces'
          }
          onPress={() => keep()}
        >
          <Archive />
        </IconButton>
        {onShelf && (
          <IconButton
            plain
            label={`Remove ${onShelf.name} from the shelf`}
            onPress={() => takeOffShelf(onShelf.id)}
          >
            <ArchiveX />
          </IconButton>
        )}
      </div>
      <MannerParts manner={shown.manner} times={shared ? commonTimes(bearers) : shown.manner} put={put} />
      {shared && onShelf && !sameValue(mannerOf(onShelf.content), shared.manner) && (
        <Button $wide onPress={() => give({ name: onShelf.name, manner: mannerOf(onShelf.content) })}>
          Take it as it is on the shelf
        </Button>
      )}
      {shared ? (
        byHand > 0 && (
          <>
            <Hint>
              {bearers.length > 1 ? `In ${byHand} of them keys` : 'Keys'} were set by hand; changes here leave
              those alone.
            </Hint>
            <Buttons $one>
              <Button
                onPress={() => {
                  const ids = bearing();
                  edit((p) => writeAnew(p, ids, shared.manner, shared.name));
                }}
              >
                Start over without them
              </Button>
            </Buttons>
          </>
        )
      ) : (
        <Button $wide isDisabled={strokes.length === 0} onPress={() => give(shown)}>
          {strokes.length > 1 ? `Apply to ${strokes.length} strokes` : 'Apply'}
        </Button>
      )}
    </Group>
  );
}

const freshName = (taken: readonly string[]): string => {
  for (let n = 1; ; n++) if (!taken.includes(`Manner ${n}`)) return `Manner ${n}`;
};
