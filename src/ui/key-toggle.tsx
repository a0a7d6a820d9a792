'use client';
import styled from 'styled-components';

/** A key is an upright bar, here as in the score. */
const Bar = styled.button`
  width: 16px;
  height: 24px;
  padding: 0;
  border: 0;
  background: none;
  cursor: default;
  &::before {
    content: '';
    display: block;
    width: 4px;
    height: 12px;
    margin: 0 auto;
    border: 1px solid var(--quiet);
    border-radius: 1px;
    opacity: 0.55;
  }
  &:hover::before {
    opacity: 1;
  }
  &[data-state='elsewhere']::before {
    border-color: var(--head);
    opacity: 1;
  }
  &[data-state='here']::before {
    border-color: var(--head);
    background: var(--head);
    opacity: 1;
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
    <Bar
      type="button"
      data-state={state}
      aria-pressed={state === 'here'}
      aria-label={`${label}: ${WORDS[state].toLowerCase()}`}
      title={WORDS[state]}
      onClick={onPress}
    />
  );
}
