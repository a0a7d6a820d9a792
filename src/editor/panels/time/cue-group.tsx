'use client';
import { useState } from 'react';
import { Unlink } from 'lucide-react';
import {
  cueTo,
  cueToFault,
  cutCues,
  leadersOf,
  strokeById,
  tieCues,
  type Stroke,
  shared,
} from '@/core/document';
import { Button, IconButton, notify, Gap, Segmented, Select, Row, Grow, TextButton } from '@/ui';
import { OwnersOf, PartChoice, PartField } from '../../properties';
import { changeable, edit, editChosen, select, useCalm } from '../../state';

/** When the selected strokes begin: tied to where another one’s head or tail is. */
export function CueGroup({ strokes }: { strokes: readonly Stroke[] }) {
  const piece = useCalm((s) => s.piece);
  const [to, setTo] = useState<string | null>(null);
  const ids = strokes.map((stroke) => stroke.id);
  const { groups, strokes: others } = leadersOf(piece, ids);
  if (strokes.length === 0 || others.length === 0) return null;
  const cues = strokes.map((stroke) => stroke.cue);
  const [first] = cues;
  const together = first && cues.every((cue) => cue?.to === first.to) ? first : null;
  const leader = together && strokeById(piece, together.to);
  const leaders = [...groups.map(({ id, name }) => ({ id, name: `${name} (nearest stroke)` })), ...others];
  const chosen = leaders.some(({ id }) => id === to) ? to : (others.at(0)?.id ?? null);
  return (
    <>
      {together && (
        <>
          <Row>
            <span style={{ color: 'var(--text)' }}>
              {first!.ties === 'arrival' ? 'arrives' : 'begins'} with{' '}
              <TextButton onClick={() => leader && select({ layers: [leader.id] })}>
                {leader ? leader.name : 'a stroke that is gone'}
              </TextButton>
            </span>
            <IconButton plain label="Remove the cue" onPress={() => editChosen(cutCues)}>
              <Unlink />
            </IconButton>
          </Row>
          <Segmented
            label="What of it is tied"
            value={shared(cues.map((cue) => cue!.ties ?? 'start'))}
            choices={{ start: 'its start', arrival: 'its arrival' }}
            onChange={(what) => editChosen((p, free) => tieCues(p, free, what), 'cue')}
          />
          <Gap />
          <OwnersOf ids={ids}>
            <PartChoice
              part="cue.part"
              label="Waits for its"
              choices={{ head: 'the other’s head', tail: 'its tail' }}
            />
            <PartField part="cue.at" />
            <PartField part="cue.offset" />
          </OwnersOf>
        </>
      )}
      <Row>
        <Grow>
          <Select label="Stroke or group to wait for" value={chosen} choices={leaders} onChange={setTo} />
        </Grow>
        <Button
          isDisabled={chosen === null}
          onPress={() => {
            const free = changeable();
            if (!chosen || free.length === 0) return;
            const fault = cueToFault(piece, free, chosen);
            if (fault) notify(fault);
            else edit((p) => cueTo(p, free, chosen));
          }}
        >
          Cue to it
        </Button>
      </Row>
    </>
  );
}
