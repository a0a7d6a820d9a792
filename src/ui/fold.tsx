'use client';
import { ChevronRight } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Button, Disclosure, DisclosurePanel, Heading } from 'react-aria-components';
import styled from 'styled-components';

const Root = styled(Disclosure)`
  border-top: 1px solid var(--rule);
`;
const Head = styled(Heading)`
  margin: 0;
`;
const Trigger = styled(Button)`
  display: flex;
  align-items: center;
  gap: 4px;
  width: 100%;
  height: 34px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--quiet);
  font-size: 12px;
  font-weight: 500;
  white-space: nowrap;
  cursor: default;
  svg {
    width: 14px;
    height: 14px;
    transition: rotate 0.12s;
  }
  &[aria-expanded='true'] svg {
    rotate: 90deg;
  }
  &[data-hovered] {
    color: var(--text);
  }
`;
const Fact = styled.span`
  margin-left: auto;
  color: var(--text);
  font-weight: 400;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
`;
const Body = styled(DisclosurePanel)`
  &:not([hidden]) {
    padding-bottom: 10px;
  }
`;

/** Controls that are needed now and then, under a heading that opens them. */
export function Fold({
  title,
  fact,
  open = false,
  children,
}: {
  title: string;
  /** What is inside, in a word or two. */
  fact?: string;
  /** It is open at first, and opens whenever this comes true. */
  open?: boolean;
  children: ReactNode;
}) {
  const [isOpen, setOpen] = useState(open);
  const [was, setWas] = useState(open);
  if (was !== open) {
    setWas(open);
    if (open) setOpen(true);
  }
  return (
    <Root isExpanded={isOpen} onExpandedChange={setOpen}>
      <Head>
        <Trigger slot="trigger">
          <ChevronRight aria-hidden />
          {title}
          {fact && <Fact>{fact}</Fact>}
        </Trigger>
      </Head>
      {/* What nobody sees is not made: some of it takes reckoning. */}
      <Body>{isOpen && children}</Body>
    </Root>
  );
}
