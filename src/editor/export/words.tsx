'use client';
import styled from 'styled-components';

/** Words that explain, beneath what they are about. */
export const Words = styled.p`
  margin: 0;
  color: var(--quiet);
  a {
    color: inherit;
  }
`;
