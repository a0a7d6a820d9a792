'use client';
import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import styled from 'styled-components';
import { EXPORTS, notCarried, wholeSettings } from '@/contract';
import { Dialog, MainButton } from '@/ui';
import { exportAsked } from '../export-watch';
import { textsFollowed } from '../reveal';
import { call, save, useSaving } from '../saving';
import { useCalm } from '../state';
import { askedEvery } from './facts';
import { ExportSettingsForm } from './export-settings-form';
import { PastExports } from './past-exports';
import { settingsFor, useAsked } from './use-asked';
import { Words } from './words';

const Form = styled.div`
  display: grid;
  gap: 8px;
`;
const Start = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  margin-top: 6px;
`;
const Problem = styled.p`
  margin: 0;
  color: var(--caution);
`;
const Losses = styled.ul`
  margin: 0;
  padding: 0 0 0 16px;
  color: var(--caution);
`;

/** Asks for exports of the open piece and shows those asked for before. */
export function ExportDialog({ isOpen, onClose }: { isOpen: boolean; onClose: () => void }) {
  const id = useSaving((s) => s.open?.id);
  const saveStatus = useSaving((s) => s.status);
  const piece = useCalm((s) => s.piece);
  const { asked, change, send, take } = useAsked(isOpen);
  const [error, setError] = useState('');
  const [waiting, setWaiting] = useState(false);
  const queries = useQueryClient();
  const list = useQuery({
    queryKey: ['exports', id],
    queryFn: () => call(EXPORTS.list, { params: { id: id! } }),
    enabled: isOpen && Boolean(id),
    refetchInterval: (query) => askedEvery(query.state.data?.exports),
  });
  const past = list.data?.exports ?? [];
  const refresh = () => queries.invalidateQueries({ queryKey: ['exports', id] });
  const settings = settingsFor(asked, piece.length);
  const losses = notCarried(piece, wholeSettings(settings));
  const start = async () => {
    setError('');
    try {
      // What is exported is what was asked for: strokes follow their text, and the last change is saved first.
      setWaiting(true);
      const followed = await textsFollowed();
      setWaiting(false);
      if (!followed) {
        setError(
          'Strokes could not be made to follow their text, so nothing was exported. Find them anew in Reveal, or undo the text.',
        );
        return;
      }
      for (let tries = 0; tries < 3; tries++) {
        await save();
        if (useSaving.getState().status !== 'unsaved') break;
      }
      if (useSaving.getState().status !== 'saved') {
        setError(
          'The last changes could not be saved, so nothing was exported. They are kept in this browser.',
        );
        return;
      }
      const requested = await call(EXPORTS.request, { params: { id: id! }, body: { settings } });
      exportAsked(requested.id);
      await refresh();
    } catch (problem) {
      setError((problem as Error).message);
    } finally {
      setWaiting(false);
    }
  };
  return (
    <Dialog title="Export" isOpen={isOpen} onClose={onClose} width={560}>
      <Form>
        <ExportSettingsForm
          asked={asked}
          change={change}
          send={send}
          take={take}
          settings={settings}
          past={past}
        />
        {losses.length > 0 && (
          <Losses aria-label="What the file will not hold">
            {losses.map(({ what, layers }) => (
              <li key={what}>
                {what}
                {layers.length > 0 &&
                  `: ${layers.slice(0, 6).join(' · ')}${layers.length > 6 ? ` and ${layers.length - 6} more` : ''}.`}
              </li>
            ))}
          </Losses>
        )}
        <Start>
          <Problem role="alert">{error}</Problem>
          <MainButton onPress={start} isDisabled={saveStatus === 'conflict' || waiting}>
            {waiting ? 'Strokes follow their text …' : 'Start export'}
          </MainButton>
        </Start>
      </Form>
      <PastExports items={past} onChange={refresh} />
      {list.isError && <Words>The list of exports cannot be fetched: {list.error.message}</Words>}
    </Dialog>
  );
}
