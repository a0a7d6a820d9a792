'use client';
import Link from 'next/link';
import styled from 'styled-components';

export const Page = styled.main`
  max-width: 1180px;
  margin: 0 auto;
  padding: 26px 32px 80px;
`;
export const Top = styled.header`
  display: flex;
  align-items: center;
  gap: 14px;
  margin-bottom: 30px;
  h1 {
    margin: 0;
    font: italic 400 30px/1 var(--serif);
  }
  p {
    margin: 0;
    color: var(--quiet);
  }
`;
export const Space = styled.div`
  flex: 1;
`;
export const Section = styled.section`
  margin-bottom: 38px;
`;
export const Head = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  margin-bottom: 12px;
  padding-bottom: 8px;
  border-bottom: 1px solid var(--rule);
  h2 {
    flex: 1;
    margin: 0;
    font: italic 400 22px/1.2 var(--serif);
    input {
      max-width: 420px;
    }
  }
`;
export const Cards = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(264px, 1fr));
  gap: 20px;
  margin: 0;
  padding: 0;
  list-style: none;
`;
export const Card = styled.li`
  position: relative;
  min-width: 0;
  &[data-chosen] > a {
    border-color: var(--head);
    box-shadow: 0 0 0 1px var(--head);
  }
`;
/** The box by which a card is selected: there while the pointer or the focus is on the card, and while any is selected. */
export const Choose = styled.label<{ $shown: boolean }>`
  position: absolute;
  top: 4px;
  left: 4px;
  display: grid;
  place-items: center;
  width: 28px;
  height: 28px;
  border-radius: 8px;
  background: color-mix(in srgb, var(--panel) 80%, transparent);
  opacity: ${({ $shown }) => ($shown ? 1 : 0)};
  input {
    width: 16px;
    height: 16px;
    margin: 0;
    accent-color: var(--head);
  }
  li:hover > &,
  &:focus-within {
    opacity: 1;
  }
`;
/** What narrows the list down, and what can be done with what is selected. */
export const Tools = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  min-height: 32px;
  margin-bottom: 22px;
  > input {
    width: 260px;
  }
  > span {
    color: var(--quiet);
  }
`;
export const Picture = styled(Link)`
  position: relative;
  display: grid;
  place-items: center;
  aspect-ratio: 16 / 9;
  overflow: hidden;
  border: 1px solid var(--rule);
  border-radius: 10px;
  background: var(--desk);
  > * {
    min-height: 0;
  }
  transition: border-color 0.15s;
  &:hover {
    border-color: var(--quiet);
  }
  img {
    display: block;
    width: 100%;
    height: 100%;
    min-height: 0;
    object-fit: contain;
  }
`;
export const Caption = styled.div`
  display: flex;
  align-items: center;
  gap: 4px;
  margin-top: 7px;
  > div {
    flex: 1;
    min-width: 0;
  }
  input {
    font-weight: 500;
  }
  small {
    color: var(--quiet);
    font-size: 12px;
  }
`;
export const Tile = styled.button`
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 6px;
  width: 100%;
  aspect-ratio: 16 / 9;
  border: 1px dashed var(--rule);
  border-radius: 10px;
  background: none;
  color: var(--quiet);
  &:hover {
    color: var(--text);
    border-color: var(--quiet);
  }
`;
export const Form = styled.form`
  display: grid;
  gap: 12px;
  label {
    display: grid;
    gap: 4px;
    color: var(--quiet);
  }
`;
export const Foot = styled.div`
  display: flex;
  justify-content: flex-end;
`;
export const Icon = { width: 30, padding: 0, background: 'none', borderColor: 'transparent' } as const;
/** The way to another page. */
export const PageLink = styled(Link)`
  padding: 5px 4px;
  color: var(--quiet);
  text-decoration: none;
  &:hover {
    color: var(--text);
  }
`;
