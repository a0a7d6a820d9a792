'use client';
import { type ReactNode } from 'react';
import Link from 'next/link';
import styled from 'styled-components';
import { Mark, Notices } from '@/ui';
import { Page, Space, Top } from './projects';

const Home = styled(Link)`
  display: grid;
`;

/** A page of its own beside the project list: its title, what it is for, and the way back. */
export function PageFrame({
  title,
  words,
  actions,
  children,
}: {
  title: string;
  words: string;
  actions?: ReactNode;
  children: ReactNode;
}) {
  return (
    <Page>
      <Top>
        <Home href="/" aria-label="All projects">
          <Mark size={38} />
        </Home>
        <div>
          <h1>{title}</h1>
          <p>{words}</p>
        </div>
        <Space />
        {actions}
      </Top>
      {children}
      <Notices />
    </Page>
  );
}
