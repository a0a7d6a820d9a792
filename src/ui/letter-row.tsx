'use client';
import styled from 'styled-components';

/** Letters of a text beside one another, to be chosen among. */
export const LetterRow = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
  margin-bottom: 6px;
`;
/** One of them; `data-apart` says that something was chosen for it. */
export const LetterButton = styled.button`
  min-width: 24px;
  height: 26px;
  padding: 0 4px;
  border: 1px solid var(--line);
  border-radius: 5px;
  background: none;
  color: var(--quiet);
  &[aria-pressed='true'] {
    border-color: var(--head);
    background: var(--pressed);
    color: var(--text);
  }
  &[data-apart] {
    text-decoration: underline;
    text-decoration-color: var(--head);
    text-underline-offset: 3px;
  }
`;
