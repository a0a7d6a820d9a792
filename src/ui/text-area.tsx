'use client';
import styled from 'styled-components';

/** Text of several lines. */
export const TextArea = styled.textarea`
  display: block;
  width: 100%;
  min-height: 58px;
  padding: 7px 9px;
  border: 1px solid var(--line);
  border-radius: 7px;
  background: var(--desk);
  color: var(--text);
  font: inherit;
  resize: vertical;
`;
