'use client';
import { changed, swatchColour, widestOf, type Ink } from '@/core/document';
import { Button, Buttons, ColourField, Group, NumberField, pixels } from '@/ui';
import { rememberColour, useSwatches } from '../properties';
import { inkForNew, selectedStrokes, useCalm, useTools } from '../state';

/** The ink of strokes that are drawn now, said and chosen where they are drawn. */
export function NewInkGroup() {
  const piece = useCalm((s) => s.piece);
  const selection = useCalm((s) => s.selection);
  const chosen = useTools((s) => s.ink);
  const swatches = useSwatches();
  const ink = inkForNew({ piece, selection });
  const selected = selectedStrokes({ piece, selection }).at(-1);
  const put = (next: Ink | null) => useTools.setState({ ink: next });
  return (
    <Group title="Ink of new strokes">
      <NumberField
        label="Width"
        fullLabel="Width of new strokes"
        value={widestOf(ink)}
        min={0.1}
        max={4000}
        onChange={(width) => put(changed<Ink>(ink, { width, widths: undefined }))}
        {...pixels}
      />
      <ColourField
        label="Colour"
        fullLabel="Colour of new strokes"
        value={swatchColour(ink)}
        swatches={swatches}
        onSettled={() => rememberColour(swatchColour(inkForNew()))}
        onChange={(colour) => put(changed<Ink>(ink, { colour, gradient: undefined }))}
      />
      <Buttons>
        <Button isDisabled={!selected} onPress={() => put(selected!.ink)}>
          Like the selected
        </Button>
        <Button isDisabled={!chosen} onPress={() => put(null)}>
          Like the last
        </Button>
      </Buttons>
    </Group>
  );
}
