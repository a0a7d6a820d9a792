import type { DrawItem, DrawList, GroupItem } from '../draw';
import { createCanvas } from '@napi-rs/canvas';
import { paint } from './paint';

const SIZE = { width: 900, height: 600 };
/** A bent band and a dot of ink. */
const ITEMS: DrawItem[] = [
  {
    kind: 'stroke',
    path: [
      ['M', 250, 180],
      ['C', 420, 20, 500, 560, 660, 380],
    ],
    colour: '#ff6b3d',
    width: 60,
    cap: 'round',
    join: 'round',
    opacity: 1,
  },
  {
    kind: 'fill',
    path: [['M', 300, 400], ['L', 380, 400], ['L', 340, 470], ['Z']],
    colour: '#43b3a0',
    opacity: 0.7,
  },
];

function painted(items: DrawItem[]): Uint8ClampedArray {
  const canvas = createCanvas(SIZE.width, SIZE.height);
  const list: DrawList = { ...SIZE, items };
  paint(list, canvas.getContext('2d'), createCanvas);
  return canvas.getContext('2d').getImageData(0, 0, SIZE.width, SIZE.height).data;
}

/** The same ink blurred by the canvas itself, at full size. */
function blurredWhole(deviation: number): Uint8ClampedArray {
  const beyond = Math.ceil(deviation * 3) + 1;
  const [w, h] = [SIZE.width + 2 * beyond, SIZE.height + 2 * beyond];
  const sharp = createCanvas(w, h);
  const list: DrawList = { width: w, height: h, items: ITEMS };
  sharp.getContext('2d').translate(beyond, beyond);
  paint(list, sharp.getContext('2d'), createCanvas);
  const soft = createCanvas(w, h);
  soft.getContext('2d').filter = `blur(${deviation}px)`;
  soft.getContext('2d').drawImage(sharp, 0, 0);
  return soft.getContext('2d').getImageData(beyond, beyond, SIZE.width, SIZE.height).data;
}

// The canvas blurs by repeated boxes of whole pixels, which itself is off the Gaussian by 3 %: the two may differ by that.
test.each([20, 33, 60, 140, 300])(
  'a blur of %d px looks the same painted small and painted whole',
  (blur) => {
    const group: GroupItem = {
      kind: 'group',
      items: ITEMS,
      opacity: 1,
      filters: [{ kind: 'blur', deviation: blur }],
    };
    const [small, whole] = [painted([group]), blurredWhole(blur)];
    let worst = 0;
    let sum = 0;
    let strongest = 0;
    for (let i = 3; i < small.length; i += 4) {
      const off = Math.abs(small[i]! - whole[i]!);
      worst = Math.max(worst, off);
      sum += off;
      strongest = Math.max(strongest, whole[i]!);
    }
    expect(strongest).toBeGreaterThan(5);
    expect(worst).toBeLessThanOrEqual(Math.max(2, 0.03 * strongest));
    expect(sum / (small.length / 4)).toBeLessThan(1);
  },
);
