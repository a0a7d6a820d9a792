import {
  meetEnds,
  moveLayers,
  nearEnds,
  scaleLayers,
  setInk,
  strokesOf,
  updateLayers,
  widestOf,
  withLength,
  type Layer,
  type Piece,
  lettersOf,
} from '../document';
import { widened, type Bounds } from '../geometry';
import { lookedThrough, posterFrame } from '../scene';
import { framesPerSecond } from '../timing';
import { contrast, LARGE, NEEDED } from './contrast';
import { openedDashes } from './dash-gaps';
import type { Finding } from './finding';
import { flashFindings } from './flashes';
import { legibleTime, secondsToRead } from './legible';
import { SAFE, safeArea, sticksOut, wayInto } from './safe-areas';
import { LOOSE, MANY, SLIGHT, type Backdrop, type Look, boxAt, isSeen } from './look';

/** Text out of the title area, all else out of the action area. What fills the picture is meant to. */
function safeFindings(look: Look): Finding[] {
  const { piece, frame } = look;
  const { width, height } = piece.size;
  return piece.layers.flatMap((layer): Finding[] => {
    if (!isSeen(look, layer)) return [];
    const box = boxAt(piece, layer, frame);
    if (!box || (box.right - box.left >= width * 0.98 && box.bottom - box.top >= height * 0.98)) return [];
    const name = layer.type === 'lettering' ? 'title' : 'action';
    const safe = safeArea(piece.size, SAFE[name]);
    const out = sticksOut(box, safe);
    if (out <= SLIGHT) return [];
    const fits =
      box.right - box.left <= safe.right - safe.left && box.bottom - box.top <= safe.bottom - safe.top;
    const way = wayInto(box, safe);
    const factor = Math.min(
      1,
      (safe.right - safe.left) / (box.right - box.left),
      (safe.bottom - safe.top) / (box.bottom - box.top),
    );
    const middle = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
    const ids = [layer.id];
    // Where it is placed otherwise than it was made, moving what it was made of would go elsewhere.
    const plain = !layer.place && layer.group === undefined && !(layer.type === 'stroke' && layer.fitted);
    return [
      {
        id: `safe ${layer.id}`,
        kind: 'safe area',
        words: `“${layer.name}” is ${Math.ceil(out)} px outside the ${name} safe area (${SAFE[name] * 100} %).`,
        layers: ids,
        frame,
        place: box,
        ...(plain && {
          mend: fits
            ? { name: 'Move it in', edit: (p: Piece) => moveLayers(p, ids, way) }
            : {
                name: 'Make it fit',
                edit: (p: Piece) =>
                  moveLayers(scaleLayers(p, ids, factor, middle), ids, wayInto(scaledBox(box, factor), safe)),
              },
        }),
      },
    ];
  });
}

/** A box scaled about its middle. */
function scaledBox({ left, top, right, bottom }: Bounds, k: number): Bounds {
  const [x, y, w, h] = [
    (left + right) / 2,
    (top + bottom) / 2,
    ((right - left) * k) / 2,
    ((bottom - top) * k) / 2,
  ];
  return { left: x - w, right: x + w, top: y - h, bottom: y + h };
}

/** Text tells from the ground worse than so much of the colours under it leave readable. */
const WORST = 0.1;

/** Text that is hard to tell from what it lies over. */
function contrastFindings(look: Look): Finding[] {
  const { piece, frame, backdrop } = look;
  return lettersOf(piece).flatMap((layer): Finding[] => {
    if (layer.blend || !isSeen(look, layer) || layer.set.glyphs.length === 0) return [];
    const box = boxAt(piece, layer, frame);
    const grounds = box && backdrop(box);
    if (!box || !grounds || grounds.length === 0) return [];
    const ratios = grounds.map((ground) => contrast(layer.colour, ground)).sort((a, b) => a - b);
    const worst = ratios[Math.floor(ratios.length * WORST)]!;
    const size = layer.set.fitted?.size ?? layer.setting.size;
    const needed = size / piece.size.height >= LARGE ? NEEDED.large : NEEDED.text;
    if (worst >= needed) return [];
    const better = ['#ffffff', '#15120e'].map((colour) => ({
      colour,
      least: Math.min(...grounds.map((ground) => contrast(colour, ground))),
    }));
    const best = better[0]!.least >= better[1]!.least ? better[0]! : better[1]!;
    return [
      {
        id: `contrast ${layer.id}`,
        kind: 'contrast',
        words: `“${layer.name}” has a contrast of ${worst.toFixed(1)} : 1 over what lies under it; ${needed} : 1 is needed (WCAG 2.2, 1.4.3).`,
        layers: [layer.id],
        frame,
        place: box,
        ...(best.least >= needed && {
          mend: {
            name: best.colour === '#ffffff' ? 'Make it white' : 'Make it dark',
            edit: (p: Piece) =>
              updateLayers(p, [layer.id], (one) => ({ ...one, colour: best.colour }) as Layer),
          },
        }),
      },
    ];
  });
}

/** Text that is gone before it is read; several that lie over one another with the same words are read once. */
function readingFindings({ piece, frame }: Look): Finding[] {
  const told = new Set<string>();
  const texts = lettersOf(piece).filter((text) => !text.hidden && text.setting.text.trim() !== '');
  return texts.flatMap((text): Finding[] => {
    if (told.has(text.setting.text)) return [];
    const needed = secondsToRead(text.setting.text);
    const time = legibleTime(piece, text);
    const seconds = time?.seconds ?? 0;
    if (seconds >= needed) return [];
    told.add(text.setting.text);
    const missing = Math.ceil((needed - seconds) * framesPerSecond(piece.rate));
    return [
      {
        id: `reading ${text.id}`,
        kind: 'reading time',
        words: time
          ? `“${text.name}” is all there for ${seconds.toFixed(1)} s; reading it takes ${needed.toFixed(1)} s.`
          : `“${text.name}” is never all there at once.`,
        layers: [text.id],
        frame: time?.from ?? frame,
        place: boxAt(piece, text, frame),
        ...(piece.hold &&
          time && {
            mend: {
              name: `Hold ${missing} fr longer`,
              edit: (p: Piece) => withLength(p, p.length + missing, 'hold'),
            },
          }),
      },
    ];
  });
}

/** Ends of strokes that miss one another by a little. */
function looseFindings({ piece, frame, through }: Look): Finding[] {
  const strokes = strokesOf(piece).filter(
    // A window that passes along meets nothing, and is not meant to; what a hand wrote, or letters have, ends where it ends.
    (stroke) =>
      ![stroke.hidden, stroke.fitted, stroke.window.travel, stroke.hand, stroke.traced].some(Boolean) &&
      !through.has(stroke.id),
  );
  if (strokes.length > MANY) return [];
  const names = new Map(strokes.map((stroke) => [stroke.id, stroke.name]));
  const widths = new Map(strokes.map((stroke) => [stroke.id, widestOf(stroke.ink)]));
  const ends = nearEnds(strokes, LOOSE);
  // Two that miss one another are one finding; where their ink meets all the same nobody sees it.
  const seen = ends.filter((end, i) => {
    const twin = ends.findIndex(
      (other) =>
        other.stroke === end.other && other.other === end.stroke && Math.abs(other.gap - end.gap) < 1e-6,
    );
    return (twin < 0 || twin > i) && end.gap > (widths.get(end.stroke)! + widths.get(end.other)!) / 4;
  });
  return seen.map((end): Finding => ({
    id: `loose ${end.stroke} ${end.end}`,
    kind: 'loose end',
    words: `The ${end.end} of “${names.get(end.stroke)}” misses “${names.get(end.other)}” by ${end.gap.toFixed(1)} px.`,
    layers: [end.stroke, end.other],
    frame,
    place: widened({ left: end.at.x, right: end.at.x, top: end.at.y, bottom: end.at.y }, LOOSE),
    mend: { name: 'Let them meet', edit: (p: Piece) => meetEnds(p, [end]) },
  }));
}

/** Dashes whose caps close their gaps. */
function gapFindings({ piece, frame }: Look): Finding[] {
  return strokesOf(piece).flatMap((stroke): Finding[] => {
    const opened = stroke.hidden ? null : openedDashes(stroke, frame);
    if (!opened) return [];
    return [
      {
        id: `gap ${stroke.id}`,
        kind: 'closing gap',
        words: `The caps of “${stroke.name}” close the gaps between its dashes.`,
        layers: [stroke.id],
        frame,
        place: boxAt(piece, stroke, frame),
        mend: { name: 'Open them', edit: (p: Piece) => setInk(p, [stroke.id], { dashes: opened }) },
      },
    ];
  });
}

/** Text that could not be set as it was meant. */
function textFindings({ piece, frame }: Look): Finding[] {
  return lettersOf(piece).flatMap((layer): Finding[] => {
    if (layer.hidden) return [];
    const { set, setting, name, id } = layer;
    const make = (key: string, words: string): Finding => ({
      id: `text ${key} ${id}`,
      kind: 'text',
      words,
      layers: [id],
      frame,
      place: boxAt(piece, layer, frame),
    });
    if (setting.text.trim() === '') return [make('empty', `“${name}” has no text: nothing of it is seen.`)];
    return [
      ...(set.missing.length > 0
        ? [make('missing', `The face of “${name}” lacks ${set.missing.map((m) => `“${m}”`).join(', ')}.`)]
        : []),
      ...(set.fitted?.over
        ? [
            make(
              'over',
              `“${name}” has a word that is wider than the maximum width (${Math.round(setting.fit?.width ?? 0)} px).`,
            ),
          ]
        : []),
    ];
  });
}

const kept = new WeakMap<Piece, { readonly backdrop: Backdrop; readonly findings: readonly Finding[] }>();

/** Everything that is found in a piece without painting it, in the order in which it matters. */
export function proof(piece: Piece, backdrop: Backdrop): readonly Finding[] {
  const known = kept.get(piece);
  if (known?.backdrop === backdrop) return known.findings;
  const look: Look = { piece, frame: posterFrame(piece), backdrop, through: lookedThrough(piece) };
  const findings = [
    ...textFindings(look),
    ...safeFindings(look),
    ...contrastFindings(look),
    ...readingFindings(look),
    ...flashFindings(look),
    ...gapFindings(look),
    ...looseFindings(look),
  ];
  kept.set(piece, { backdrop, findings });
  return findings;
}
