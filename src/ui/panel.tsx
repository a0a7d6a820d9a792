'use client';
import type { ReactNode } from 'react';
import styled from 'styled-components';

export const PanelTitle = styled.h2`
  margin: 0;
  font: italic 400 22px/1.15 var(--serif);
  overflow: hidden;
  text-overflow: ellipsis;
`;
export const PanelFacts = styled.p`
  margin: 1px 0 10px;
  color: var(--quiet);
`;

const Box = styled.section`
  padding: 10px 0 8px;
  border-top: 1px solid var(--rule);
  h3 {
    margin: 0 0 6px;
    font-size: 12px;
    font-weight: 500;
    color: var(--quiet);
  }
`;

/** A group of controls that belong together. */
export function Group({ title, children }: { title?: string; children: ReactNode }) {
  return (
    <Box aria-label={title}>
      {title && <h3>{title}</h3>}
      {children}
    </Box>
  );
}

export const Row = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  min-height: 30px;
  > span {
    color: var(--quiet);
    flex: none;
  }
`;

/** What a control is, before it. */
export const Labelled = ({ name, children }: { name: string; children: ReactNode }) => (
  <Row>
    <span>{name}</span>
    <Wide>{children}</Wide>
  </Row>
);
const Wide = styled.div`
  width: 156px;
`;

/** Takes the room that others beside it leave. */
export const Grow = styled.div`
  flex: 1;
  min-width: 0;
`;

/** What is so now, among words that only explain. */
export const Now = styled.b<{ $caution?: boolean }>`
  color: var(${({ $caution }) => ($caution ? '--caution' : '--text')});
  font-weight: 400;
`;

/** A little room between controls. */
export const Gap = styled.div`
  height: 6px;
`;

/** What belongs to the switch above it. */
export const Inset = styled.div`
  padding-left: 24px;
`;

/** Two controls side by side. */
export const Pair = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
`;

export const Warning = styled.p.attrs({ role: 'alert' })`
  margin: 6px 0;
  color: var(--caution);
`;

/** Buttons two by two, or `$one` below another; `$first` where nothing stands above them. */
export const Buttons = styled.div<{ $one?: boolean; $first?: boolean }>`
  display: grid;
  grid-template-columns: ${({ $one }) => ($one ? '1fr' : '1fr 1fr')};
  gap: 6px;
  margin-top: ${({ $first }) => ($first ? 0 : '6px')};
  button {
    padding: 0 6px;
  }
`;

/** Words that explain; `$caution` where something is amiss. */
export const Hint = styled.p<{ $caution?: boolean }>`
  margin: 6px 0;
  color: var(${({ $caution }) => ($caution ? '--caution' : '--quiet')});
  section > &:first-child {
    margin-top: 0;
  }
  kbd {
    padding: 0 4px;
    border: 1px solid var(--rule);
    border-radius: 4px;
    font: inherit;
    font-size: 12px;
    color: var(--text);
  }
`;
