'use client';
import styled from 'styled-components';
import { Button, notify } from '@/ui';
import { useWriting } from '../reveal';
import { save, useSaving, type SaveStatus } from '../saving';

const WORDS: Record<SaveStatus, string> = {
  saved: 'Saved',
  unsaved: 'Saving …',
  saving: 'Saving …',
  offline: 'Server unreachable · kept in this browser',
  conflict: 'Changed elsewhere',
  refused: 'Not saved',
  deleted: 'In the bin',
};

/** Where this browser keeps nothing, and the server can’t be reached. */
const NOT_KEPT = 'Server unreachable · not kept, leave this page open';

const Words = styled.span<{ $calm: boolean }>`
  color: ${({ $calm }) => ($calm ? 'var(--quiet)' : 'var(--caution)')};
  white-space: nowrap;
`;
const Banner = styled.div`
  position: absolute;
  top: 10px;
  left: 50%;
  z-index: 20;
  display: flex;
  align-items: center;
  gap: 10px;
  /* As wide as its words: beside its left edge alone they would have half the room. */
  width: max-content;
  max-width: calc(100% - 24px);
  padding: 8px 8px 8px 14px;
  transform: translateX(-50%);
  border: 1px solid var(--caution);
  border-radius: 10px;
  background: var(--raised);
  box-shadow: var(--shadow);
`;

/** Whether the work is safe, in two words. */
export function SaveState() {
  const status = useSaving((s) => s.status);
  const message = useSaving((s) => s.message);
  const keeps = useSaving((s) => s.keeps);
  const calm = status === 'saved' || status === 'unsaved' || status === 'saving';
  return (
    <Words $calm={calm} role="status" title={message} data-save={status}>
      {status === 'offline' && !keeps ? NOT_KEPT : WORDS[status]}
    </Words>
  );
}

const attempt = (way: 'keepBoth' | 'takeTheirs' | 'putMineOver' | 'bringBack') => () =>
  useSaving
    .getState()
    .saving?.[way]()
    .catch((error: Error) =>
      notify(
        `${error.message} ${way === 'bringBack' ? 'What you see is still here.' : 'Nothing was changed; both versions are still kept.'}`,
      ),
    );

const KEPT = 'Your work is kept in this browser.';

/** Work on the piece that goes on by itself, as strokes that are made to follow their text. */
export function WorkState() {
  const { job, at, total, done } = useWriting();
  if (!job) return null;
  return (
    <Words $calm role="status" data-work>
      Finding strokes, {total > 1 ? `${at} of ${total}` : `${Math.round(done * 100)} %`}
    </Words>
  );
}

/** What to do when saving needs a decision. */
export function SaveBanner() {
  const status = useSaving((s) => s.status);
  const message = useSaving((s) => s.message);
  const keeps = useSaving((s) => s.keeps);
  if (status === 'deleted') {
    return (
      <Banner role="alert">
        <span>
          This piece was deleted elsewhere.{' '}
          {keeps ? 'What you see is kept in this browser.' : 'What you see is still here.'}
        </span>
        <Button onPress={attempt('bringBack')}>Restore from the bin</Button>
      </Banner>
    );
  }
  if (status === 'refused') {
    return (
      <Banner role="alert">
        <span>
          {message} {keeps ? KEPT : 'Leave this page open: this browser keeps nothing.'}
        </span>
        <Button onPress={() => save()}>Try again</Button>
      </Banner>
    );
  }
  if (status !== 'conflict') return null;
  return (
    <Banner role="alert">
      <span>This piece was changed elsewhere while you worked. Nothing is lost.</span>
      <Button onPress={attempt('keepBoth')}>Keep both</Button>
      <Button onPress={attempt('takeTheirs')}>Show theirs</Button>
      <Button onPress={attempt('putMineOver')}>Replace it with mine</Button>
    </Banner>
  );
}
