'use client';
import { create } from 'zustand';
import { useEffect } from 'react';
import { X } from 'lucide-react';
import styled from 'styled-components';
import { Button, IconButton } from './button';

interface Notice {
  readonly id: number;
  readonly text: string;
  readonly action?: { readonly name: string; readonly run: () => void };
  readonly lasting: boolean;
}

const useNotices = create<{ notices: Notice[] }>(() => ({ notices: [] }));
let next = 1;

const dismiss = (id: number) =>
  useNotices.setState(({ notices }) => ({ notices: notices.filter((notice) => notice.id !== id) }));

/**
 * Says something in the corner; with an action it stays longer, and `lasting` keeps it until it is closed. What is said again
 * stands there once.
 */
export function notify(text: string, options: { action?: Notice['action']; lasting?: boolean } = {}): void {
  const notice: Notice = {
    id: next++,
    text,
    lasting: options.lasting ?? false,
    ...(options.action && { action: options.action }),
  };
  useNotices.setState(({ notices }) => ({
    notices: [...notices.filter((other) => other.text !== text).slice(-3), notice],
  }));
}

const Stack = styled.div`
  position: fixed;
  right: 16px;
  bottom: 16px;
  z-index: 90;
  display: grid;
  gap: 8px;
  justify-items: end;
  pointer-events: none;
`;
const Card = styled.div`
  pointer-events: auto;
  display: flex;
  align-items: center;
  gap: 12px;
  max-width: 460px;
  padding: 8px 8px 8px 14px;
  border: 1px solid var(--rule);
  border-radius: 10px;
  background: var(--raised);
  box-shadow: var(--shadow);
`;

function Shown({ notice }: { notice: Notice }) {
  useEffect(() => {
    if (notice.lasting) return;
    const timer = setTimeout(() => dismiss(notice.id), notice.action ? 20_000 : 8000);
    return () => clearTimeout(timer);
  }, [notice]);
  return (
    <Card>
      <span>{notice.text}</span>
      {notice.action && (
        <Button
          onPress={() => {
            notice.action!.run();
            dismiss(notice.id);
          }}
        >
          {notice.action.name}
        </Button>
      )}
      <IconButton label="Dismiss" plain onPress={() => dismiss(notice.id)}>
        <X />
      </IconButton>
    </Card>
  );
}

/** Where notices appear; one a page. */
export function Notices() {
  const { notices } = useNotices();
  return (
    <Stack role="status" aria-live="polite">
      {notices.map((notice) => (
        <Shown key={notice.id} notice={notice} />
      ))}
    </Stack>
  );
}
