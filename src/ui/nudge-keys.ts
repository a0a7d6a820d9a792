/** What is read of a key that is pressed. */
interface Pressed {
  readonly key: string;
  readonly shiftKey: boolean;
}

const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** How many steps an arrow key goes to the right and upward: one, with Shift ten; null for any other key. */
export function arrowSteps({ key, shiftKey }: Pressed): { readonly x: number; readonly y: number } | null {
  const way = WAYS[key];
  const steps = shiftKey ? 10 : 1;
  return way ? { x: way[0] * steps, y: way[1] * steps } : null;
}

/** Keeps a key, or a press, for what it was meant for: neither the browser nor what lies around does anything with it. */
export function keepEvent(event: { preventDefault(): void; stopPropagation(): void }): void {
  event.preventDefault();
  event.stopPropagation();
}

/** What keys do to something that can also be dragged. */
interface Nudged {
  /** By steps along a line from left to right: arrows up and down are left to what lies around. */
  readonly along?: (steps: number) => void;
  /** By steps along a line upward. */
  readonly upward?: (steps: number) => void;
  /** By steps to the right and upward. */
  readonly about?: (x: number, y: number) => void;
  readonly remove?: () => void;
}

/** Keys of what is dragged: arrows nudge it, Shift ten times as far; Delete and Backspace take it away. Says whether a key was for it. */
export const nudgeKeys =
  ({ along, upward, about, remove }: Nudged) =>
  (event: Pressed & Parameters<typeof keepEvent>[0]): boolean => {
    const steps = arrowSteps(event);
    if (steps && about) about(steps.x, steps.y);
    else if (steps && along && steps.x !== 0) along(steps.x);
    else if (steps && upward && steps.y !== 0) upward(steps.y);
    else if (remove && (event.key === 'Delete' || event.key === 'Backspace')) remove();
    else return false;
    keepEvent(event);
    return true;
  };
