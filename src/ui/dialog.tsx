'use client';
import type { ReactNode } from 'react';
import { Dialog as AriaDialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import { X } from 'lucide-react';
import styled from 'styled-components';
import { IconButton } from './button';

const Veil = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 100;
  display: grid;
  place-items: center;
  background: rgb(8 6 4 / 0.55);
`;
const Sheet = styled(Modal)<{ $width: number }>`
  width: min(${({ $width }) => $width}px, calc(100vw - 32px));
  max-height: calc(100vh - 48px);
  overflow: auto;
  border: 1px solid var(--rule);
  border-radius: 12px;
  background: var(--panel);
  box-shadow: var(--shadow);
`;
const Body = styled(AriaDialog)`
  padding: 18px 20px 20px;
  outline: none;
`;
const Head = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 14px;
`;
const Title = styled(Heading)`
  margin: 0;
  font: italic 400 24px/1.1 var(--serif);
`;

/** A sheet over the page that takes the focus until it is closed. */
export function Dialog({
  title,
  isOpen,
  onClose,
  width = 440,
  children,
}: {
  title: string;
  isOpen: boolean;
  onClose: () => void;
  width?: number;
  children: ReactNode;
}) {
  return (
    <Veil isOpen={isOpen} onOpenChange={(open) => !open && onClose()} isDismissable>
      <Sheet $width={width}>
        <Body>
          <Head>
            <Title slot="title">{title}</Title>
            <IconButton label="Close" plain onPress={onClose}>
              <X />
            </IconButton>
          </Head>
          {children}
        </Body>
      </Sheet>
    </Veil>
  );
}
