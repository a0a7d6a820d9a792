'use client';
import {
  changeArrival,
  comeAt,
  lettersOf,
  setArrival,
  strokesOf,
  type Arrival,
  type Change,
} from '@/core/document';
import { keysOf } from '@/core/timing';
import { Button, Check, Fold, Select, Buttons, Hint } from '@/ui';
import { OwnersOf, PartCheck, PartChoice, PartField } from '../../properties';
import { edit, selectedLayers, useCalm, useEditor } from '../../state';

const FROM = [
  { id: 'below', name: 'up out of a line' },
  { id: 'above', name: 'down out of a line' },
  { id: 'left', name: 'right out of a line' },
  { id: 'right', name: 'left out of a line' },
  { id: 'place', name: 'in its place' },
] as const;

const OWN_EDGE = 'own edge';

/** How lettering comes and goes. */
export function ArrivalGroup() {
  const piece = useCalm((s) => s.piece);
  const selection = useCalm((s) => s.selection);
  const texts = lettersOf({ layers: selectedLayers({ piece, selection }) });
  const [first] = texts;
  if (!first) return null;
  const ids = texts.map((text) => text.id);
  const { arrival } = first;
  const change = (part: Change<Arrival>) => edit((p) => changeArrival(p, ids, part));
  const come = (part: Partial<Arrival>) =>
    edit((p) => comeAt(p, ids, Math.round(useEditor.getState().frame), part));
  if (!arrival) {
    return (
      <Fold title="Come and go">
        <Hint>It is there all the time. Let it slide out of a line, or come letter by letter.</Hint>
        <Buttons>
          <Button onPress={() => come({ from: 'below' })}>Out of a line</Button>
          <Button onPress={() => come({ from: null, fade: true, by: 'letter' })}>Fade in</Button>
        </Buttons>
      </Fold>
    );
  }
  const keyed = keysOf(arrival.shown).length;
  return (
    <Fold title="Come and go" fact={arrival.by === 'all' ? 'all at once' : `by ${arrival.by}`} open>
      <OwnersOf ids={ids}>
        <PartChoice part="arrival.by" label="Comes" choices={['all', 'line', 'word', 'letter']} />
        <Select
          before="Slides"
          label="Slides"
          value={arrival.from ?? 'place'}
          choices={FROM}
          onChange={(from) => change({ from: from === 'place' ? null : from })}
        />
        {arrival.from && (
          <>
            <Select
              before="Out of"
              label="Out of"
              value={strokesOf(piece).some((s) => s.id === arrival.line) ? arrival.line! : OWN_EDGE}
              choices={[{ id: OWN_EDGE, name: 'its own edge' }, ...strokesOf(piece)]}
              onChange={(line) => change({ line: line === OWN_EDGE ? undefined : line })}
            />
            {arrival.line === undefined && <PartField part="arrival.margin" />}
            <Check isSelected={!arrival.open} onChange={(cut) => change({ open: !cut })}>
              Cut off at the line
            </Check>
            <PartCheck part="arrival.onward">Leaves on the other side</PartCheck>
          </>
        )}
        {arrival.by !== 'all' && (
          <>
            <Select
              before="Order"
              label="Order of the parts"
              value={arrival.order}
              choices={['first to last', 'last to first', 'from the middle']}
              onChange={(order) => change({ order })}
            />
            <PartField part="arrival.gap" label="Each after" />
            <Check
              isSelected={arrival.within !== undefined}
              onChange={(on) => change({ within: on ? 12 : undefined })}
            >
              All begin within
            </Check>
            {arrival.within !== undefined && (
              <PartField part="arrival.within" label="Frames for all of them" />
            )}
          </>
        )}
        <PartCheck part="arrival.fade">Fades</PartCheck>
        <PartField part="arrival.scale" label="Begins at the scale" />
        <PartField part="arrival.tracking" label="Begins at the tracking" />
        <PartField part="arrival.shown" />
        <Hint>{keyed > 0 ? 'Its keys stand in its lane.' : 'Key it, or let it come at the playhead.'}</Hint>
        <Buttons>
          <Button onPress={() => come({})}>Come here</Button>
          <Button onPress={() => edit((p) => setArrival(p, ids, () => null))}>Always there</Button>
        </Buttons>
      </OwnersOf>
    </Fold>
  );
}
