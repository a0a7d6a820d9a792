'use client';
import styled from 'styled-components';

/** A key as in the score: an upright bar on the line of a value. */
const Mark = styled.button`
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  margin-right: -6px;
  padding: 0;
  border: 0;
  border-radius: 5px;
  background: none;
  color: var(--quiet);
  cursor: default;
  svg {
    width: 18px;
    height: 14px;
  }
  path {
    fill: none;
    stroke: currentColor;
    stroke-width: 1.2;
  }
  rect {
    fill: var(--panel);
    stroke: currentColor;
    stroke-width: 1.2;
  }
  &:hover {
    background: var(--pressed);
    color: var(--text);
  }
  &[data-state='elsewhere'],
  &[data-state='here'] {
    color: var(--head);
  }
  &[data-state='here'] rect {
    fill: currentColor;
  }
`;

/** How a value stands to the frame shown: without keys, with keys elsewhere, or with one here. */
export type KeyState = 'none' | 'elsewhere' | 'here';

const WORDS = {
  none: 'Key it at this frame',
  elsewhere: 'Add a key at this frame',
  here: 'Take away the key at this frame',
} as const;

/** Sets or takes away a key of a value at the frame shown. */
export function KeyToggle({
  label,
  state,
  onPress,
}: {
  label: string;
  state: KeyState;
  onPress: () => void;
}) {
  return (
    <Mark
      type="button"
      data-state={state}
      aria-pressed={state === 'here'}
      aria-label={`${label}: ${WORDS[state].toLowerCase()}`}
      title={WORDS[state]}
      onClick={onPress}
    >
      <svg viewBox="0 0 18 14" aria-hidden>
        <path d="M1 12C7 12 11 2 17 2" />
        <rect x={6.75} y={2.5} width={4.5} height={9} rx={1} />
      </svg>
    </Mark>
  );
}
