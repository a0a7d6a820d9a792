'use client';
import { useState } from 'react';
import { Archive, ArchiveX } from 'lucide-react';
import {
  applyManner,
  groupOf,
  mannerOf,
  nameSchema,
  OWN_MANNERS,
  reapplyManner,
  sameValue,
  setByHand,
  writeLine,
  type Manner,
  type Stroke,
} from '@/core/document';
import { landingEasing, type Easing } from '@/core/timing';
import { Button, Check, IconButton, NumberField, percent, Segmented, Select } from '@/ui';
import { keepOnShelf, takeOffShelf, useShelfItems } from '../../shelf';
import { beginDrag, changeable, edit, endDrag, useCalm } from '../../state';
import { Buttons, Group, Hint, Row } from '../panel';
import { EASING_KINDS, easingKindOf, easingName, landingOf } from './easing-kinds';
import { useFrames } from './frames-field';

interface Named {
  readonly name: string;
  readonly manner: Manner;
}

const FROM: Record<Manner['from'], string> = {
  start: 'the start',
  middle: 'the middle',
  end: 'the end',
  ends: 'both ends',
  point: 'a point',
};
const OWN_NAME = 'own manner';

/** The easing of one way of a manner: a soft landing by its influence, or any other kind. */
function MannerEasing({
  label,
  easing,
  onChange,
}: {
  label: string;
  easing: Easing;
  onChange: (easing: Easing) => void;
}) {
  const landing = landingOf(easing);
  return (
    <>
      <Row>
        <span>{label}</span>
        <div style={{ width: 150 }}>
          <Select
            label={label}
            value={easingKindOf(easing)}
            choices={[
              ...EASING_KINDS.map(({ id, name }) => ({ id, name })),
              ...(easingKindOf(easing) === 'own' ? [{ id: 'own', name: easingName(easing) }] : []),
            ]}
            onChange={(id) => {
              const kind = EASING_KINDS.find((one) => one.id === id);
              if (kind) onChange(kind.easing);
            }}
          />
        </div>
      </Row>
      {landing !== null && landing > 0 && (
        <NumberField
          label={label === 'Leaves' ? 'Landing, leaving' : 'Landing'}
          value={landing}
          min={0}
          max={1}
          step={0.01}
          onChange={(value) => onChange(landingEasing(Math.round(value * 100) / 100))}
          onBegin={beginDrag}
          onEnd={endDrag}
          {...percent}
        />
      )}
    </>
  );
}

/** The numbers and choices of a manner. */
function MannerParts({ manner, put }: { manner: Manner; put: (part: Partial<Manner>) => void }) {
  const frames = useFrames();
  const drag = { onBegin: beginDrag, onEnd: endDrag };
  const { kind, from, length } = manner;
  const comes = kind !== 'off';
  const goes = kind === 'off' || kind === 'both';
  return (
    <>
      <Segmented
        label="Writes"
        value={kind}
        choices={[
          { id: 'on', name: 'on' },
          { id: 'off', name: 'off' },
          { id: 'both', name: 'both' },
          { id: 'pass', name: 'passes' },
        ]}
        onChange={(to) =>
          put({ kind: to, ...(to === 'pass' && from !== 'end' && { from: 'start' as const }) })
        }
      />
      <Row>
        <span>from</span>
        <div style={{ width: 150 }}>
          <Select
            label="Origin"
            value={from}
            choices={(kind === 'pass'
              ? (['start', 'end'] as const)
              : (Object.keys(FROM) as Manner['from'][])
            ).map((id) => ({ id, name: FROM[id] }))}
            onChange={(id) => put({ from: id })}
          />
        </div>
      </Row>
      {from === 'point' && kind !== 'pass' && (
        <NumberField
          label="Origin at"
          value={manner.origin}
          min={0}
          max={1}
          step={0.01}
          onChange={(origin) => put({ origin })}
          {...percent}
          {...drag}
        />
      )}
      {comes && (
        <NumberField
          label={kind === 'pass' ? 'Passes in' : 'Writes on in'}
          value={manner.onFrames}
          min={1}
          max={9999}
          onChange={(value) => put({ onFrames: Math.round(value) })}
          {...frames}
          {...drag}
        />
      )}
      {kind === 'pass' && (
        <>
          <Row>
            <span>Window in</span>
            <div style={{ width: 150 }}>
              <Segmented
                label="Unit of the window"
                value={length.unit}
                choices={[
                  { id: 'share', name: '%' },
                  { id: 'px', name: 'px' },
                  { id: 'frames', name: 'frames' },
                ]}
                onChange={(unit) =>
                  put({ length: { unit, value: unit === 'share' ? 0.35 : unit === 'px' ? 240 : 10 } })
                }
              />
            </div>
          </Row>
          <NumberField
            label="Window length"
            value={length.value}
            min={0}
            max={length.unit === 'share' ? 1 : 100000}
            step={length.unit === 'share' ? 0.01 : 1}
            onChange={(value) => put({ length: { ...length, value } })}
            {...(length.unit === 'share'
              ? percent
              : length.unit === 'frames'
                ? frames
                : {
                    format: (v: number) => `${Math.round(v)} px`,
                    parse: (text: string) => {
                      const value = Number.parseFloat(text);
                      return Number.isFinite(value) ? value : null;
                    },
                  })}
            {...drag}
          />
        </>
      )}
      {comes && (
        <MannerEasing label="Arrives" easing={manner.easing} onChange={(easing) => put({ easing })} />
      )}
      {goes && (
        <>
          {(from === 'start' || from === 'end') && (
            <Row>
              <span>then</span>
              <div style={{ width: 150 }}>
                <Segmented
                  label="How it leaves"
                  value={manner.leaves}
                  choices={[
                    { id: 'onward', name: 'onward' },
                    { id: 'back', name: 'back' },
                  ]}
                  onChange={(leaves) => put({ leaves })}
                />
              </div>
            </Row>
          )}
          {kind === 'both' && (
            <Check isSelected={manner.hold === null} onChange={(on) => put({ hold: on ? null : 25 })}>
              Leaves with the end of the piece
            </Check>
          )}
          {kind === 'both' && manner.hold !== null && (
            <NumberField
              label="Holds"
              value={manner.hold}
              min={0}
              max={99999}
              onChange={(hold) => put({ hold: Math.round(hold) })}
              {...frames}
              {...drag}
            />
          )}
          <NumberField
            label="Writes off in"
            value={manner.offFrames}
            min={1}
            max={9999}
            onChange={(value) => put({ offFrames: Math.round(value) })}
            {...frames}
            {...drag}
          />
          <MannerEasing
            label="Leaves"
            easing={manner.offEasing}
            onChange={(offEasing) => put({ offEasing })}
          />
        </>
      )}
    </>
  );
}

/** The manner that all strokes were given; null where they differ or one was given none. */
function sharedManner(strokes: readonly Stroke[]): Named | null {
  const first = strokes[0]?.manner;
  return first && strokes.every((stroke) => sameValue(stroke.manner, first))
    ? { name: first.name, manner: first.way }
    : null;
}

/** How strokes are written on and off: one manner for any number of them, changed for all at once. */
export function MannerGroup({ strokes }: { strokes: readonly Stroke[] }) {
  const piece = useCalm((s) => s.piece);
  const shelf = useShelfItems('manner');
  const [chosen, setChosen] = useState<Named>(OWN_MANNERS[0]);
  const lines = [...new Set(strokes.map((stroke) => groupOf(piece, stroke)).filter((group) => group?.line))];
  const led = lines.length > 0 && strokes.every((stroke) => groupOf(piece, stroke)?.line);
  const shared = led ? null : sharedManner(strokes);
  const shown = shared ?? chosen;
  const stored: readonly Named[] = [
    ...OWN_MANNERS,
    ...shelf.map(({ name, content }) => ({ name, manner: mannerOf(content) })),
  ];
  const onShelf = shelf.find((item) => item.name === shown.name);
  /** Gives the selection a manner; what was set by hand stays. */
  const give = ({ name, manner }: Named, merge?: string) => {
    setChosen({ name, manner });
    if (strokes.length === 0) return;
    const ids = changeable();
    if (led) edit((p) => lines.reduce((result, group) => writeLine(result, group!.id, manner), p), merge);
    else edit((p) => reapplyManner(p, ids, manner, name), merge);
  };
  const put = (part: Partial<Manner>) => {
    const manner = { ...shown.manner, ...part };
    // A stored manner that is changed is one's own until it is kept.
    const name = OWN_MANNERS.some((own) => own.name === shown.name) ? OWN_NAME : shown.name;
    if (shared || (led && strokes.length > 0)) give({ name, manner }, 'manner');
    else setChosen({ name, manner });
  };
  const byHand = shared ? strokes.filter(setByHand).length : 0;
  const known = stored.some((one) => one.name === shown.name);
  const keep = async () => {
    const name =
      known && !onShelf
        ? `${shown.name}, own`
        : onShelf
          ? shown.name
          : freshName(shelf.map((item) => item.name));
    const item = await keepOnShelf(
      { kind: 'manner', name: nameSchema.parse(name), content: shown.manner },
      onShelf?.id,
    );
    if (item) give({ name: item.name, manner: mannerOf(item.content) });
  };
  return (
    <Group title="Manner">
      <div style={{ display: 'flex', gap: 4, marginBottom: 6 }}>
        <div style={{ flex: 1, minWidth: 0 }}>
          <Select
            label="Stored manner"
            value={known ? shown.name : OWN_NAME}
            choices={[
              ...stored.map(({ name }) => ({ id: name, name })),
              ...(known ? [] : [{ id: OWN_NAME, name: shown.name }]),
            ]}
            onChange={(name) => {
              const one = stored.find((other) => other.name === name);
              if (one) give(one);
            }}
          />
        </div>
        <IconButton
          plain
          label={
            onShelf ? 'Put it on the shelf as it is now' : 'Keep this manner on the shelf, for all pieces'
          }
          onPress={() => void keep()}
        >
          <Archive />
        </IconButton>
        {onShelf && (
          <IconButton
            plain
            label={`Take ${onShelf.name} off the shelf`}
            onPress={() => void takeOffShelf(onShelf.id)}
          >
            <ArchiveX />
          </IconButton>
        )}
      </div>
      <MannerParts manner={shown.manner} put={put} />
      {shared && onShelf && !sameValue(mannerOf(onShelf.content), shared.manner) && (
        <Button
          style={{ width: '100%' }}
          onPress={() => give({ name: onShelf.name, manner: mannerOf(onShelf.content) })}
        >
          Take it as it is on the shelf
        </Button>
      )}
      {shared ? (
        byHand > 0 && (
          <>
            <Hint>
              {strokes.length > 1 ? `In ${byHand} of them keys` : 'Keys'} were set by hand; changes here leave
              those alone.
            </Hint>
            <Buttons style={{ gridTemplateColumns: '1fr' }}>
              <Button
                onPress={() => {
                  const ids = changeable();
                  edit((p) => applyManner(p, ids, shared.manner, shared.name));
                }}
              >
                Start over without them
              </Button>
            </Buttons>
          </>
        )
      ) : (
        <Button
          style={{ width: '100%', marginTop: 6 }}
          isDisabled={strokes.length === 0}
          onPress={() => give(shown)}
        >
          {strokes.length > 1 ? `Apply to ${strokes.length} strokes` : 'Apply'}
        </Button>
      )}
    </Group>
  );
}

const freshName = (taken: readonly string[]): string => {
  for (let n = 1; ; n++) if (!taken.includes(`Manner ${n}`)) return `Manner ${n}`;
};
