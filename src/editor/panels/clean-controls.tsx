'use client';
import { useMemo, useState } from 'react';
import {
  averagePoints,
  distributePoints,
  joinStrokes,
  levelHandles,
  levelPoints,
  meetEnds,
  simplifyPreview,
  simplifyStrokes,
  straighten,
  type Stroke,
} from '@/core/document';
import { measurePath, withFirstPoint } from '@/core/geometry';
import { Button, Check, Fold, NumberField, pixels, Buttons, Hint } from '@/ui';
import {
  changeable,
  edit,
  editPath,
  editPoints,
  looseEndsOf,
  select,
  singleStroke,
  splitAtPoint,
  useCalm,
  useLooseEnds,
} from '../state';

const short = (n: number) => String(Math.round(n * 100) / 100);

/** Fewer points: what it would come to is shown before it is done. */
function Simplify({ strokes }: { strokes: readonly Stroke[] }) {
  const [tolerance, setTolerance] = useState(1);
  const found = useMemo(() => simplifyPreview(strokes, tolerance), [strokes, tolerance]);
  const fewer = found.after < found.before;
  return (
    <>
      <NumberField
        label="Tolerance"
        value={tolerance}
        min={0.05}
        max={200}
        step={0.1}
        onChange={setTolerance}
        {...pixels}
      />
      <Hint aria-live="polite">
        {found.before} points → {found.after}
        {fewer ? `; the line moves by ${short(found.deviation)} px at most` : ''}.
      </Hint>
      <Button
        $wide
        isDisabled={!fewer}
        onPress={() => {
          const ids = changeable();
          edit((piece) => simplifyStrokes(piece, ids, tolerance));
          select({ layers: strokes.map((s) => s.id) });
        }}
      >
        Simplify
      </Button>
    </>
  );
}

/** Levelling, spacing and straightening of points. */
function Points({ stroke, chosen }: { stroke: Stroke; chosen: readonly number[] }) {
  const several = chosen.length > 1;
  const { path } = stroke;
  return (
    <Fold title="Level, straighten, space">
      <Buttons $first>
        <Button isDisabled={!several} onPress={() => editPoints((p, i) => levelPoints(p, i, 'y'))}>
          Level
        </Button>
        <Button isDisabled={!several} onPress={() => editPoints((p, i) => levelPoints(p, i, 'x'))}>
          Upright
        </Button>
        <Button
          isDisabled={chosen.length < 3}
          onPress={() => editPoints((p, i) => distributePoints(p, i, 'x'))}
        >
          Space across
        </Button>
        <Button
          isDisabled={chosen.length < 3}
          onPress={() => editPoints((p, i) => distributePoints(p, i, 'y'))}
        >
          Space down
        </Button>
        <Button isDisabled={!several} onPress={() => editPoints((p, i) => averagePoints(p, i))}>
          Average
        </Button>
        <Button
          onPress={() => {
            editPath((p) => straighten(p, chosen));
            select({ layers: [stroke.id] });
          }}
        >
          Straighten
        </Button>
        <Button onPress={() => editPoints((p, i) => levelHandles(p, i, 'y'))}>Level handles</Button>
        <Button onPress={() => editPoints((p, i) => levelHandles(p, i, 'x'))}>Upright handles</Button>
      </Buttons>
      <Hint>
        {several
          ? `For the ${chosen.length} chosen points.`
          : 'Choose points on the canvas: Shift for more, or draw a box round them.'}
      </Hint>
      <Buttons>
        <Button
          isDisabled={
            chosen.length !== 1 || (!path.closed && (chosen[0] === 0 || chosen[0] === path.points.length - 1))
          }
          onPress={splitAtPoint}
        >
          Split here
        </Button>
        <Button
          isDisabled={chosen.length !== 1 || !path.closed}
          onPress={() => {
            editPath((p) => withFirstPoint(p, chosen[0]!));
            select({ layers: [stroke.id], points: [0] });
          }}
        >
          Begin here
        </Button>
      </Buttons>
    </Fold>
  );
}

/** Ends that nearly meet, and joining two strokes. */
function Ends({ strokes }: { strokes: readonly Stroke[] }) {
  const piece = useCalm((s) => s.piece);
  const { shown, reach } = useLooseEnds();
  const ends = shown ? looseEndsOf(piece, reach) : [];
  return (
    <Fold title="Ends and joins">
      {strokes.length === 2 && strokes.every((s) => !s.path.closed) && (
        <Button
          $wide
          onPress={() => {
            const [a, b] = strokes as [Stroke, Stroke];
            if (changeable().length < 2) return;
            edit((p) => joinStrokes(p, a.id, b.id));
            select({ layers: [a.id] });
          }}
        >
          Join the two strokes
        </Button>
      )}
      <Check isSelected={shown} onChange={(on) => useLooseEnds.setState({ shown: on })}>
        Mark ends that nearly meet
      </Check>
      {shown && (
        <>
          <NumberField
            label="Nearer than"
            value={reach}
            min={0.5}
            max={200}
            onChange={(r) => useLooseEnds.setState({ reach: r })}
            {...pixels}
          />
          <Button $wide isDisabled={ends.length === 0} onPress={() => edit((p) => meetEnds(p, ends))}>
            {ends.length === 0
              ? 'All ends meet'
              : `Let ${ends.length === 1 ? 'one end' : `${ends.length} ends`} meet`}
          </Button>
        </>
      )}
    </Fold>
  );
}

/** Cleaning up what was traced. */
export function CleanControls({ strokes }: { strokes: readonly Stroke[] }) {
  const stroke = useCalm(singleStroke);
  const chosen = useCalm((s) => s.selection.points);
  const drawn = strokes.filter((s) => measurePath(s.path).length > 0);
  return (
    <>
      {stroke && <Points stroke={stroke} chosen={chosen} />}
      {drawn.length > 0 && (
        <Fold title="Fewer points">
          <Simplify strokes={drawn} />
        </Fold>
      )}
      <Ends strokes={strokes} />
    </>
  );
}
