'use client';
import { useState, type ReactNode, type RefAttributes } from 'react';
import {
  Button as AriaButton,
  ToggleButton as AriaToggle,
  Tooltip,
  TooltipTrigger,
  type ButtonProps as AriaButtonProps,
  type PressEvent,
  type ToggleButtonProps,
} from 'react-aria-components';
import styled, { css } from 'styled-components';

export const buttonLooks = css`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 7px;
  height: 30px;
  padding: 0 12px;
  border: 1px solid var(--rule);
  border-radius: 7px;
  background: var(--raised);
  color: var(--text);
  white-space: nowrap;
  cursor: default;
  transition: background 0.12s;
  &[data-hovered] {
    background: var(--pressed);
  }
  &[data-pressed],
  &[data-selected] {
    background: var(--pressed);
  }
  &[data-disabled] {
    opacity: 0.4;
  }
  &[data-pending] {
    opacity: 0.6;
    cursor: progress;
  }
  svg {
    width: 16px;
    height: 16px;
    flex: none;
  }
`;

interface ButtonProps extends Omit<AriaButtonProps, 'onPress'>, RefAttributes<HTMLButtonElement> {
  /** What it starts. Where that is a promise the button is at work until it settles: another press does nothing. */
  onPress?: (event: PressEvent) => unknown;
}

function PressedOnce({ onPress, isPending, ...props }: ButtonProps) {
  const [working, setWorking] = useState(false);
  const press = (event: PressEvent): void => {
    const started = onPress?.(event);
    if (!(started instanceof Promise)) return;
    setWorking(true);
    void started.finally(() => setWorking(false));
  };
  return <AriaButton {...props} isPending={(isPending ?? false) || working} onPress={press} />;
}

/** A plain button with words; `$wide` as wide as the room it stands in. */
export const Button = styled(PressedOnce)<{ $wide?: boolean }>`
  ${buttonLooks}
  ${({ $wide }) => $wide && 'width: 100%; margin-top: 6px;'}
`;

/** Words in a sentence that do something. */
export const TextButton = styled.button.attrs({ type: 'button' })`
  padding: 0;
  border: 0;
  background: none;
  color: var(--head);
  text-align: left;
`;

/** The one main action of a place. */
export const MainButton = styled(PressedOnce)<{ $wide?: boolean }>`
  ${buttonLooks}
  ${({ $wide }) => $wide && 'width: 100%;'}
  background: var(--head);
  border-color: transparent;
  color: var(--on-head);
  font-weight: 600;
  &[data-hovered] {
    background: var(--head-hovered);
  }
  &[data-pressed] {
    background: var(--head-pressed);
  }
`;

export const ToggleButton = styled(AriaToggle)`
  ${buttonLooks}
  &[data-selected] {
    border-color: var(--head);
    svg {
      color: var(--head);
    }
  }
`;

const Tip = styled(Tooltip)`
  max-width: 260px;
  padding: 5px 9px;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--raised);
  color: var(--text);
  box-shadow: var(--shadow);
  font-size: 12px;
  kbd {
    margin-left: 6px;
    color: var(--quiet);
    font: inherit;
  }
`;

const square = css<{ $plain: boolean | undefined }>`
  width: 30px;
  padding: 0;
  ${({ $plain }) =>
    $plain &&
    css`
      background: none;
      border-color: transparent;
    `}
`;
const Square = styled(Button)<{ $plain: boolean | undefined }>`
  ${square}
`;
const SquareToggle = styled(ToggleButton)<{ $plain: boolean | undefined }>`
  ${square}
  &[data-selected] {
    background: var(--pressed);
  }
`;

interface Named {
  /** What it does: its name for screen readers, and its tooltip. */
  label: string;
  /** The key that does the same. */
  keys?: string | undefined;
  plain?: boolean;
  children: ReactNode;
}

const tip = (label: string, keys?: string) => (
  <Tip offset={6}>
    {label}
    {keys && <kbd>{keys}</kbd>}
  </Tip>
);

/** Something with words of its own whose tooltip says more: what it does, and the key that does the same. */
export const Tipped = ({
  words,
  keys,
  placement = 'bottom',
  children,
}: {
  words: string;
  keys?: string;
  placement?: 'bottom' | 'right';
  children: ReactNode;
}) => (
  <TooltipTrigger delay={500} closeDelay={0}>
    {children}
    <Tip offset={6} placement={placement}>
      {words}
      {keys && <kbd>{keys}</kbd>}
    </Tip>
  </TooltipTrigger>
);

/** A button that shows only an icon; its name stands in a tooltip. */
export function IconButton({
  label,
  keys,
  plain,
  children,
  ...props
}: Named & Omit<ButtonProps, 'children'>) {
  return (
    <TooltipTrigger delay={500} closeDelay={0}>
      <Square {...props} $plain={plain} aria-label={label}>
        {children}
      </Square>
      {tip(label, keys)}
    </TooltipTrigger>
  );
}

export function IconToggle({
  label,
  keys,
  plain,
  children,
  ...props
}: Named & Omit<ToggleButtonProps, 'children'>) {
  return (
    <TooltipTrigger delay={500} closeDelay={0}>
      <SquareToggle {...props} $plain={plain} aria-label={label}>
        {children}
      </SquareToggle>
      {tip(label, keys)}
    </TooltipTrigger>
  );
}
