'use client';
import styled from 'styled-components';

export const Whole = styled.main`
  display: grid;
  grid-template: 52px 1fr / 292px 1fr;
  height: 100vh;
  overflow: hidden;
`;
export const Top = styled.header`
  grid-column: 1 / -1;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 14px;
  border-bottom: 1px solid var(--rule);
  background: var(--panel);
  h1 {
    margin: 0;
    font: italic 400 22px/1 var(--serif);
  }
  p {
    flex: 1;
    margin: 0;
    color: var(--quiet);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  a {
    color: var(--quiet);
    text-decoration: none;
  }
`;
export const Side = styled.aside`
  padding: 12px 14px;
  border-right: 1px solid var(--rule);
  background: var(--panel);
  overflow: hidden auto;
  scrollbar-width: thin;
  section:first-child {
    border-top: 0;
    padding-top: 0;
  }
`;
export const Table = styled.div`
  display: grid;
  grid-template-rows: 44px 1fr 46px;
  min-width: 0;
  min-height: 0;
`;
export const Bar = styled.div`
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 12px;
  border-bottom: 1px solid var(--rule);
  background: var(--panel);
`;
export const Scrub = styled(Bar)`
  border: 0;
  border-top: 1px solid var(--rule);
  input {
    flex: 1;
    accent-color: var(--head);
  }
  span {
    min-width: 190px;
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
`;
/** Where pictures lie, each in a pane of its own. */
export const Desk = styled.div`
  display: flex;
  gap: 2px;
  min-width: 0;
  min-height: 0;
  background: var(--desk);
`;
export const Pane = styled.div<{ $fits: boolean }>`
  position: relative;
  display: flex;
  flex: 1;
  align-items: ${({ $fits }) => ($fits ? 'center' : 'flex-start')};
  justify-content: ${({ $fits }) => ($fits ? 'center' : 'flex-start')};
  min-width: 0;
  padding: ${({ $fits }) => ($fits ? '10px' : 0)};
  overflow: ${({ $fits }) => ($fits ? 'hidden' : 'auto')};
`;
export const Empty = styled.div`
  max-width: 420px;
  margin: auto;
  text-align: center;
  p {
    color: var(--quiet);
  }
`;
export const Problem = styled.p`
  max-width: 520px;
  margin: auto;
  color: var(--caution);
`;
