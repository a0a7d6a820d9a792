'use client';
import { useState } from 'react';
import { Unlink } from 'lucide-react';
import {
  changed,
  cueFault,
  cueStrokes,
  cutCues,
  strokeById,
  strokesOf,
  updateStrokes,
  type Cue,
  type Stroke,
} from '@/core/document';
import { parseTime } from '@/core/timing';
import { Button, IconButton, notify, NumberField, percent, Segmented, Select, Row } from '@/ui';
import { changeable, edit, select, useCalm } from '../../state';

/** When the selected strokes begin: tied to where another one’s head or tail is. */
export function CueGroup({ strokes }: { strokes: readonly Stroke[] }) {
  const piece = useCalm((s) => s.piece);
  const [to, setTo] = useState<string | null>(null);
  const ids = strokes.map((stroke) => stroke.id);
  const others = strokesOf(piece).filter((stroke) => !ids.includes(stroke.id));
  if (strokes.length === 0 || others.length === 0) return null;
  const cues = strokes.map((stroke) => stroke.cue);
  const [first] = cues;
  const together = first && cues.every((cue) => cue?.to === first.to) ? first : null;
  const leader = together && strokeById(piece, together.to);
  const same = <K extends keyof Cue>(key: K): Cue[K] | null =>
    cues.every((cue) => cue![key] === first![key]) ? first![key] : null;
  const change = (part: Partial<Cue>) => {
    const free = changeable();
    // A new object: the place is reckoned anew, and is not taken for a move by hand.
    edit((p) => updateStrokes(p, free, (s) => (s.cue ? { ...s, cue: { ...s.cue, ...part } } : s)), 'cue');
  };
  const chosen = others.some((stroke) => stroke.id === to) ? to : (others.at(0)?.id ?? null);
  return (
    <>
      {together && (
        <>
          <Row>
            <span style={{ color: 'var(--text)' }}>
              {first!.ties === 'arrival' ? 'arrives' : 'begins'} with{' '}
              <button
                type="button"
                style={{ border: 0, padding: 0, background: 'none', color: 'var(--head)' }}
                onClick={() => leader && select({ layers: [leader.id] })}
              >
                {leader ? leader.name : 'a stroke that is gone'}
              </button>
            </span>
            <IconButton
              plain
              label="Cut the cue"
              onPress={() => {
                const free = changeable();
                edit((p) => cutCues(p, free));
              }}
            >
              <Unlink />
            </IconButton>
          </Row>
          <Segmented
            label="What of it is tied"
            value={cues.every((cue) => cue!.ties === first!.ties) ? (first!.ties ?? 'start') : null}
            choices={[
              { id: 'start', name: 'its start' },
              { id: 'arrival', name: 'its arrival' },
            ]}
            onChange={(what) => {
              const free = changeable();
              const ties = what === 'arrival' ? ('arrival' as const) : undefined;
              edit(
                (p) =>
                  updateStrokes(p, free, (s) => (s.cue ? { ...s, cue: changed<Cue>(s.cue, { ties }) } : s)),
                'cue',
              );
            }}
          />
          <div style={{ height: 4 }} />
          <Segmented
            label="Waits for its"
            value={same('part')}
            choices={[
              { id: 'head', name: 'the other’s head' },
              { id: 'tail', name: 'its tail' },
            ]}
            onChange={(part) => change({ part })}
          />
          <NumberField
            label="At its"
            value={same('at')}
            min={0}
            max={1}
            step={0.01}
            onChange={(at) => change({ at })}
            {...percent}
          />
          <NumberField
            label="Later by"
            value={same('offset')}
            min={-100000}
            max={100000}
            onChange={(offset) => change({ offset: Math.round(offset) })}
            format={(v) => `${v} fr`}
            parse={(text) => parseTime(text, piece.rate)}
            pixelsPerStep={4}
          />
        </>
      )}
      <Row>
        <div style={{ flex: 1, minWidth: 0 }}>
          <Select
            label="Stroke to wait for"
            value={chosen}
            choices={others.map(({ id, name }) => ({ id, name }))}
            onChange={setTo}
          />
        </div>
        <Button
          isDisabled={chosen === null}
          onPress={() => {
            const free = changeable();
            if (!chosen || free.length === 0) return;
            const fault = cueFault(piece, free, chosen);
            if (fault) notify(fault);
            else edit((p) => cueStrokes(p, free, chosen));
          }}
        >
          Cue to it
        </Button>
      </Row>
    </>
  );
}
