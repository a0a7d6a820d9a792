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
import { Tipped } from '@/ui';
import { STEP_HELP } from '../help';
import { useProof } from '../proof';
import { useEditor, type Step } from '../state';
import { usePanelFold } from '../panel-fold';
import { toStep } from '../to-step';

const STEPS: readonly { id: Step; icon: LucideIcon }[] = [
  { id: 'setup', icon: Frame },
  { id: 'underlay', icon: ImageIcon },
  { id: 'trace', icon: PenTool },
  { id: 'ink', icon: Brush },
  { id: 'place', icon: Move },
  { id: 'time', icon: Activity },
  { id: 'reveal', icon: Contrast },
  { id: 'finish', icon: Sparkles },
];

const Rail = styled(ToggleButtonGroup)`
  display: flex;
  flex-direction: column;
  flex: none;
  width: 58px;
  padding-top: 8px;
  overflow: hidden auto;
  scrollbar-width: none;
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

/** Keeps the place of the rail until it is there. */
export const StepRailPlace = () => <Rail as="div" />;

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
        const to = [...keys][0] as Step;
        if (to !== step || proof) toStep(to);
      }}
    >
      {STEPS.map(({ id, icon: Icon }, i) => (
        <Tipped key={id} words={STEP_HELP[id].about} keys={String(i + 1)} placement="right">
          <Choice
            id={id}
            // Pressed once more it folds its panel, where that folds.
            onPress={() => step === id && !proof && usePanelFold.setState(({ open }) => ({ open: !open }))}
          >
            <Icon aria-hidden />
            {STEP_HELP[id].name}
          </Choice>
        </Tipped>
      ))}
    </Rail>
  );
}
