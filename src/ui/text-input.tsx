'use client';
import styled from 'styled-components';

/** A line of text to type into. */
export const TextInput = styled.input`
  width: 100%;
  height: 32px;
  padding: 0 10px;
  border: 1px solid var(--line);
  border-radius: 7px;
  background: var(--desk);
  &::placeholder {
    color: var(--quiet);
  }
`;
