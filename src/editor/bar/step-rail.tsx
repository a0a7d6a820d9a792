'use client';
import {
  Activity,
  Brush,
  Contrast,
  Frame,
  Image as ImageIcon,
  Move,
  PenTool,
  Sparkles,
  type LucideIcon,
} from 'lucide-react';
import { ToggleButton, ToggleButtonGroup } from 'react-aria-components';
import styled from 'styled-components';
import { useProof } from '../proof';
import { useEditor, type Step } from '../state';

const STEPS: readonly { id: Step; name: string; icon: LucideIcon }[] = [
  { id: 'setup', name: 'Set up', icon: Frame },
  { id: 'underlay', name: 'Underlay', icon: ImageIcon },
  { id: 'trace', name: 'Trace', icon: PenTool },
  { id: 'ink', name: 'Ink', icon: Brush },
  { id: 'place', name: 'Place', icon: Move },
  { id: 'time', name: 'Time', icon: Activity },
  { id: 'reveal', name: 'Reveal', icon: Contrast },
  { id: 'finish', name: 'Finish', icon: Sparkles },
];

const Rail = styled(ToggleButtonGroup)`
  display: flex;
  flex-direction: column;
  width: 58px;
  padding-top: 8px;
  border-right: 1px solid var(--rule);
  background: var(--ground);
`;
const Choice = styled(ToggleButton)`
  display: grid;
  justify-items: center;
  gap: 4px;
  padding: 9px 0;
  border: 0;
  background: none;
  color: var(--quiet);
  font-size: 12px;
  cursor: default;
  svg {
    width: 18px;
    height: 18px;
    stroke-width: 1.6;
  }
  &[data-hovered] {
    color: var(--text);
  }
  &[data-selected] {
    color: var(--text);
    box-shadow: inset 3px 0 0 var(--head);
  }
  &[data-focus-visible] {
    outline-offset: -2px;
  }
`;

/** The steps of the work: ways of looking, none a gate. */
export function StepRail() {
  const step = useEditor((s) => s.step);
  const proof = useProof((s) => s.open);
  return (
    <Rail
      aria-label="Steps"
      orientation="vertical"
      selectionMode="single"
      disallowEmptySelection
      // The proof stands in the place of a step's panel.
      selectedKeys={proof ? [] : [step]}
      onSelectionChange={(keys) => {
        useEditor.setState({ step: [...keys][0] as Step });
        useProof.setState({ open: false, chosen: null });
      }}
    >
      {STEPS.map(({ id, name, icon: Icon }) => (
        <Choice key={id} id={id}>
          <Icon aria-hidden />
          {name}
        </Choice>
      ))}
    </Rail>
  );
}
