'use client';
import { groupOf, setLine, type LineOfStrokes, type Stroke } from '@/core/document';
import { Button, Segmented, Group, Hint } from '@/ui';
import { NameField } from '../../name-field';
import { edit, groupSelected, renameGroupTo, useCalm } from '../../state';

type How = LineOfStrokes['how'] | 'apart';

/** Strokes that belong together: put into a group, and timed each by itself or all as one. */
export function LineGroup({ strokes }: { strokes: readonly Stroke[] }) {
  const piece = useCalm((s) => s.piece);
  const [first] = strokes;
  if (!first) return null;
  const group = groupOf(piece, first);
  const together = group && strokes.every((stroke) => stroke.group === group.id);
  if (!together) {
    return strokes.length < 2 ? null : (
      <Group title="Group">
        <Button $wide onPress={groupSelected}>
          Group {strokes.length} strokes
        </Button>
      </Group>
    );
  }
  return (
    <Group title="Group">
      <NameField
        label="Name of the group"
        value={group.name}
        onChange={(name) => renameGroupTo(group.id, name)}
      />
      <Segmented<How>
        label="Strokes of the group are timed"
        value={group.line?.how ?? 'apart'}
        choices={{ apart: 'apart', together: 'together', after: 'end to end' }}
        onChange={(how) => edit((p) => setLine(p, group.id, how === 'apart' ? null : how))}
      />
      {group.line && (
        <Hint>
          {group.line.how === 'after'
            ? 'Its strokes are one line: head and tail run over all their lengths.'
            : 'Its strokes share one head and tail.'}{' '}
          Its keys are in the lane of the group.
        </Hint>
      )}
    </Group>
  );
}
