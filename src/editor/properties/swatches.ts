import { useMemo } from 'react';
import { create } from 'zustand';
import { swatchColour, strokesOf, type Piece } from '@/core/document';
import type { Swatches } from '@/ui';
import { recall, remember } from '../remembered';
import { useShelf } from '../shelf';
import { useCalm } from '../state';

const KEY = 'obelus.colours';
const REMEMBERED = 12;

function stored(): string[] {
  try {
    const list: unknown = JSON.parse(recall(KEY) ?? '[]');
    return Array.isArray(list) ? list.filter((c): c is string => /^#[0-9a-f]{6}$/.test(String(c))) : [];
  } catch {
    // What another program left there is no colour list.
    return [];
  }
}

const useRecent = create<{ readonly colours: readonly string[] }>(() => ({
  colours: typeof window === 'undefined' ? [] : stored(),
}));

/** Keeps a colour that was chosen, the latest first. */
export function rememberColour(colour: string): void {
  const colours = [colour, ...useRecent.getState().colours.filter((c) => c !== colour)].slice(0, REMEMBERED);
  useRecent.setState({ colours });
  remember(KEY, JSON.stringify(colours));
}

/** Colours used in a piece, most used first. */
function coloursOf(piece: Piece): string[] {
  const count = new Map<string, number>();
  for (const { ink } of strokesOf(piece)) {
    const colour = swatchColour(ink);
    count.set(colour, (count.get(colour) ?? 0) + 1);
  }
  return [...count.entries()].sort((a, b) => b[1] - a[1]).map(([colour]) => colour);
}

const AT_MOST = 16;

/** Colours to choose from: lately chosen, of this piece, and of the project’s other pieces. */
export function useSwatches(): Swatches {
  const piece = useCalm((s) => s.piece);
  const recent = useRecent((s) => s.colours);
  const project = useShelf().colours;
  return useMemo(() => {
    const own = coloursOf(piece).slice(0, AT_MOST);
    return [
      { name: 'Recent', colours: recent },
      { name: 'This piece', colours: own },
      { name: 'Project', colours: project.filter((c) => !own.includes(c)).slice(0, AT_MOST) },
    ].filter(({ colours }) => colours.length > 0);
  }, [piece, recent, project]);
}
