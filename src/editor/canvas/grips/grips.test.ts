import fc from 'fast-check';
import {
  addLayers,
  addPin,
  groupLayers,
  maskFromStroke,
  maskShapeAround,
  newMask,
  newPiece,
  newStroke,
  partWithId,
  readPiece,
  setMasks,
  setPlace,
  strokeById,
  worldOf,
  type Mask,
  type MaskKind,
  type Piece,
} from '@/core/document';
import { applyMatrix, corner, inverse, smooth, type Point } from '@/core/geometry';
import { beginDrag, endDrag, loadPiece, select, useEditor, useMaskInHand, useTools } from '../../state';
import type { PointerInput } from '../tools';
import { pointerAt } from '../tools/input-for-tests';
import { useView } from '../view';
import { gripsOf } from '.';
import type { Grip } from './grip';
import { times } from '@/core/testing/cases';

const state = useEditor.getState;
const number = (min: number, max: number) =>
  fc.integer({ min: min * 100, max: max * 100 }).map((n) => n / 100);
/** Ways of standing in the picture: moved, turned, sized, mirrored and skewed. */
const placements = fc.record({
  x: number(-200, 200),
  y: number(-200, 200),
  rotation: number(-3, 3),
  scaleX: fc.oneof(number(0.3, 2), number(-2, -0.3)),
  scaleY: number(0.3, 2),
  skewX: number(-0.6, 0.6),
});
/** How far a grip is dragged, px of the picture. */
const ways = fc.record({ x: fc.integer({ min: -150, max: 150 }), y: fc.integer({ min: -150, max: 150 }) });

const press = ({ x, y }: Point, keys: Partial<PointerInput> = {}): PointerInput => pointerAt(x, y, keys);
/** Takes a grip a little beside its middle, as a hand does, and lets go after some way. */
function drag(grip: Grip, way: Point, keys: Partial<PointerInput> = {}): void {
  const from = { x: grip.at.x + 2, y: grip.at.y - 1 };
  beginDrag();
  const to = grip.take(press(from, keys));
  to(press({ x: from.x + way.x / 3, y: from.y + way.y / 2 }, keys));
  to(press({ x: from.x + way.x, y: from.y + way.y }, keys));
  endDrag();
}
const near = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);
const expectSound = () => {
  const read = readPiece(JSON.parse(JSON.stringify(state().piece)));
  expect(read.ok ? [] : read.faults).toEqual([]);
};

/** A word in a group that stands askew, itself askew in it, beside another that is not. */
function standing(inner: object, outer: object): Piece {
  const plain = addLayers(newPiece('Grips', { width: 1920, height: 1080 }), [
    newStroke('word', 'Word', {
      closed: false,
      points: [smooth(700, 500, { x: 80, y: -60 }), corner(1000, 560), corner(1200, 480)],
    }),
    newStroke('shape', 'Shape', {
      closed: true,
      points: [smooth(650, 400, { x: 90, y: 0 }), corner(1250, 420), corner(1000, 700)],
    }),
    newStroke('other', 'Other', { closed: false, points: [corner(700, 600), corner(1200, 640)] }),
  ]);
  const placed = setPlace(plain, 'word', 0, inner);
  return setPlace(groupLayers(placed, ['word', 'other'], { id: 'g', name: 'G' }), 'g', 0, outer);
}

beforeEach(() => {
  useTools.setState({ snapping: false, grid: null });
  useView.setState({ zoom: 0.5, x: 0, y: 0, fitted: false, viewport: { width: 960, height: 540 } });
});

describe('masks', () => {
  const show = (piece: Piece, mask: Mask) => {
    loadPiece(setMasks(piece, 'word', [newMask('first', mask.shape), mask]));
    useEditor.setState({ step: 'reveal', tool: 'select', frame: 0 });
    useMaskInHand.setState({ of: 'word', index: 1 });
    return gripsOf(state()).grips;
  };
  const kinds = fc.constantFrom<MaskKind>(
    'rectangle',
    'ellipse',
    'path',
    'linear wipe',
    'radial wipe',
    'clock wipe',
  );
  const maskOf = (piece: Piece, kind: MaskKind): Mask =>
    kind === 'path'
      ? maskFromStroke(piece, partWithId(piece, 'word')!, strokeById(piece, 'shape')!, 0, false)!
      : newMask(kind, maskShapeAround(piece, 'word', 0, kind)!);

  test('wherever the mask stands, what is taken stays under the pointer; the mask before it is left alone', () => {
    fc.assert(
      fc.property(placements, placements, kinds, ways, fc.nat(), (inner, outer, kind, way, which) => {
        const piece = standing(inner, outer);
        const before = show(piece, maskOf(piece, kind));
        const index = which % before.length;
        const grip = before[index]!;
        const first = partWithId(state().piece, 'word')!.masks![0];
        drag(grip, way);
        expectSound();
        expect(partWithId(state().piece, 'word')!.masks![0]).toBe(first);
        const after = gripsOf(state()).grips;
        const target = { x: grip.at.x + way.x, y: grip.at.y + way.y };
        if (kind === 'ellipse' && grip.shape === 'dot') {
          // A radius keeps to its own axis: what is left of the way runs across it.
          const back = inverse(worldOf(state().piece, strokeById(state().piece, 'word')!, 0))!;
          const [now, wanted] = [applyMatrix(back, after[index]!.at), applyMatrix(back, target)];
          const centre = applyMatrix(back, after[0]!.at);
          const radius = index === 1 ? wanted.x - centre.x : centre.y - wanted.y;
          expect(index === 1 ? now.x - centre.x : centre.y - now.y).toBeCloseTo(Math.max(0, radius), 5);
          return;
        }
        if (kind === 'radial wipe' && grip.shape === 'turn') {
          // Of a disc the rim says how far it reaches, in whatever direction that was.
          const back = inverse(worldOf(state().piece, strokeById(state().piece, 'word')!, 0))!;
          const [rim, centre, wanted] = [after[index]!.at, after[1]!.at, target].map((at) =>
            applyMatrix(back, at),
          );
          expect(near(rim!, centre!)).toBeCloseTo(near(wanted!, centre!), 5);
          return;
        }
        // A corner that is dragged past another changes places with it.
        const reached = after.filter(({ shape }) => shape === grip.shape).map(({ at }) => near(at, target));
        expect(Math.min(...reached)).toBeLessThan(1e-4);
      }),
      { numRuns: times(40, 2400) },
    );
  });

  test('a mask that stands in the picture is shaped in the picture, whatever it masks is placed like', () => {
    fc.assert(
      fc.property(placements, placements, ways, fc.nat(), (inner, outer, way, which) => {
        const piece = standing(inner, outer);
        const holdOut = maskFromStroke(
          piece,
          partWithId(piece, 'word')!,
          strokeById(piece, 'shape')!,
          0,
          true,
        )!;
        const before = show(piece, holdOut);
        // The shape was drawn where nothing is placed: it is seen just there.
        expect(before[0]!.at).toEqual({ x: 650, y: 400 });
        const index = which % before.length;
        drag(before[index]!, way);
        const target = { x: before[index]!.at.x + way.x, y: before[index]!.at.y + way.y };
        expect(near(gripsOf(state()).grips[index]!.at, target)).toBeLessThan(1e-6);
      }),
    );
  });

  test('a drag keys what is keyed at the frame shown, and is one step', () => {
    const piece = standing({}, {});
    const mask = newMask('r', {
      kind: 'radial wipe',
      centre: { x: 900, y: 500 },
      reach: { keys: [{ frame: 0, value: 100, easing: { type: 'linear' } }] },
      share: 0.5,
    });
    show(piece, mask);
    useEditor.setState({ frame: 20 });
    const [rim] = gripsOf(state()).grips;
    drag(rim!, { x: 50, y: 0 });
    const { shape } = partWithId(state().piece, 'word')!.masks![1]!;
    expect('reach' in shape && shape.reach).toMatchObject({
      keys: [
        { frame: 0, value: 100 },
        { frame: 20, value: expect.closeTo(150, 6) as number },
      ],
    });
    expect(state().past).toHaveLength(1);
  });
});

describe('what is placed', () => {
  const show = (inner: object, outer: object) => {
    loadPiece(standing(inner, outer));
    useEditor.setState({ step: 'place', tool: 'select', frame: 0 });
    select({ layers: ['word'] });
    const { grips } = gripsOf(state());
    const by = (shape: Grip['shape']) => grips.filter((grip) => grip.shape === shape);
    return { pivot: by('cross')[0]!, knob: by('turn')[0]!, corners: by('square'), sides: by('dot') };
  };
  const now = () => {
    const { grips } = gripsOf(state());
    const by = (shape: Grip['shape']) => grips.filter((grip) => grip.shape === shape).map(({ at }) => at);
    return { pivot: by('cross')[0]!, knob: by('turn')[0]!, corners: by('square'), sides: by('dot') };
  };

  test('moved by its middle it goes as far as the pointer, whatever carries it', () => {
    fc.assert(
      fc.property(placements, placements, ways, (inner, outer, way) => {
        const { pivot, corners } = show(inner, outer);
        drag(pivot, way);
        expectSound();
        [pivot, ...corners].forEach((grip, i) => {
          const at = i === 0 ? now().pivot : now().corners[i - 1]!;
          expect(near(at, { x: grip.at.x + way.x, y: grip.at.y + way.y })).toBeLessThan(1e-6);
        });
      }),
    );
  });

  test('sized by a corner along the line from its pivot, the corner stays under the pointer and the pivot where it was', () => {
    fc.assert(
      fc.property(
        placements,
        placements,
        number(0.4, 1.8),
        fc.nat({ max: 3 }),
        (inner, outer, factor, which) => {
          // A skewed box that is sized evenly keeps its shape: the corner goes along the line from the pivot.
          const { pivot, corners } = show({ ...inner, skewX: 0 }, outer);
          const grip = corners[which]!;
          const away = { x: grip.at.x - pivot.at.x, y: grip.at.y - pivot.at.y };
          drag(grip, { x: away.x * (factor - 1), y: away.y * (factor - 1) });
          expectSound();
          const target = { x: pivot.at.x + away.x * factor, y: pivot.at.y + away.y * factor };
          expect(near(now().corners[which]!, target)).toBeLessThan(1e-6);
          expect(near(now().pivot, pivot.at)).toBeLessThan(1e-6);
        },
      ),
    );
  });

  test('turned by its knob the knob follows the pointer round the pivot, also more than once, and its size stays', () => {
    fc.assert(
      fc.property(placements, number(-9, 9), (inner, angle) => {
        // In a group that is only moved; in one that is skewed, turning changes how it looks.
        const { pivot, knob, corners } = show(inner, { x: 70, y: -30 });
        const round = (p: Point, by: number): Point => {
          const [x, y] = [p.x - pivot.at.x, p.y - pivot.at.y];
          return {
            x: pivot.at.x + x * Math.cos(by) - y * Math.sin(by),
            y: pivot.at.y + x * Math.sin(by) + y * Math.cos(by),
          };
        };
        fc.pre(near(knob.at, pivot.at) > 5);
        beginDrag();
        const follow = knob.take(press(knob.at));
        for (let step = 1; step <= 20; step++) follow(press(round(knob.at, (angle * step) / 20)));
        endDrag();
        expect(partWithId(state().piece, 'word')!.place!.rotation).toBeCloseTo(inner.rotation + angle, 6);
        corners.forEach(({ at }, i) => expect(near(now().corners[i]!, round(at, angle))).toBeLessThan(1e-6));
      }),
    );
  });

  test('with Alt the pivot alone is moved: nothing looks otherwise', () => {
    fc.assert(
      fc.property(placements, placements, ways, (inner, outer, way) => {
        const { pivot, corners } = show(inner, outer);
        drag(pivot, way, { alt: true, shift: true });
        expectSound();
        corners.forEach(({ at }, i) => expect(near(now().corners[i]!, at)).toBeLessThan(1e-4));
        const off = near(now().pivot, { x: pivot.at.x + way.x + 2, y: pivot.at.y + way.y - 1 });
        // Pivots are whole px in their own coordinates: scaled up, they come as near as that.
        expect(off).toBeLessThan(5);
      }),
    );
  });
});

test('pins are dragged where they are to be at the frame shown', () => {
  fc.assert(
    fc.property(ways, fc.nat({ max: 90 }), (way, frame) => {
      const keyed = { keys: [{ frame: 0, value: 300, easing: { type: 'linear' } as const }] };
      loadPiece(addPin(newPiece('Pins'), { id: 'p', name: 'Pin', x: keyed, y: 200 }));
      useEditor.setState({ step: 'place', tool: 'select', frame });
      drag(gripsOf(state()).grips[0]!, way);
      expect(gripsOf(state()).grips[0]!.at).toEqual({ x: 300 + way.x, y: 200 + way.y });
      const [pin] = state().piece.pins;
      expect(pin!.y).toBe(200 + way.y);
      expect('keys' in (pin!.x as object) && (pin!.x as typeof keyed).keys.length).toBe(frame === 0 ? 1 : 2);
    }),
  );
});
