'use client';
import { X } from 'lucide-react';
import styled from 'styled-components';
import type { Finding, FindingKind } from '@/core/proof';
import { Button, IconButton, Hint, PanelFacts, PanelTitle } from '@/ui';
import { edit, select, showFrame, useCalm } from '../state';
import { useProof } from './proof-state';

const Head = styled.div`
  display: flex;
  align-items: start;
  justify-content: space-between;
`;
const List = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
`;
const Item = styled.li`
  padding: 9px 0;
  border-top: 1px solid var(--rule);
  &[data-chosen='true'] {
    box-shadow:
      -14px 0 0 var(--panel),
      -17px 0 0 var(--caution);
  }
  button[data-go] {
    width: 100%;
    padding: 0;
    border: 0;
    background: none;
    color: var(--text);
    text-align: left;
    line-height: 1.35;
    cursor: default;
    small {
      display: block;
      color: var(--caution);
      font-size: 12px;
    }
    &:hover {
      color: var(--head);
    }
  }
`;

const NAMES: Record<FindingKind, string> = {
  'bare spot': 'bare spot',
  'seen too early': 'spill',
  'safe area': 'safe area',
  contrast: 'contrast',
  'reading time': 'reading time',
  'loose end': 'loose end',
  flashes: 'flashes',
  'closing gap': 'closing gap',
  text: 'text',
};

/** Shows what a finding is about: its layers in hand, its frame, its place marked on the canvas. */
function goTo(finding: Finding): void {
  select({ layers: finding.layers });
  showFrame(finding.frame);
  useProof.setState({ chosen: finding.id });
}

/** What a viewer would stumble over, and what can be done about it. */
export function ProofPanel() {
  const { findings, measuring, chosen } = useProof();
  const length = useCalm((s) => s.piece.length);
  const words =
    findings.length === 0
      ? measuring
        ? 'Looking …'
        : 'Nothing to mend was found.'
      : `${findings.length} ${findings.length === 1 ? 'thing' : 'things'} to look at${measuring ? ', still looking' : ''}`;
  return (
    <>
      <Head>
        <div>
          <PanelTitle>Proof</PanelTitle>
          <PanelFacts role="status">{words}</PanelFacts>
        </div>
        <IconButton
          plain
          label="Close the proof"
          onPress={() => useProof.setState({ open: false, chosen: null })}
        >
          <X />
        </IconButton>
      </Head>
      <List aria-label="Findings">
        {findings.map((finding) => (
          <Item key={finding.id} data-chosen={finding.id === chosen} data-kind={finding.kind}>
            <button type="button" data-go onClick={() => goTo(finding)}>
              <small>
                {NAMES[finding.kind]} · frame {Math.min(finding.frame, length - 1)}
              </small>
              {finding.words}
            </button>
            {finding.mend && (
              <Button
                style={{ height: 26, marginTop: 6 }}
                onPress={() => {
                  const { mend } = finding;
                  if (mend) edit(mend.edit);
                }}
              >
                {finding.mend.name}
              </Button>
            )}
          </Item>
        ))}
      </List>
      {findings.length === 0 && !measuring && (
        <Hint>
          Checked: bare spots and spill, the safe areas of SMPTE ST 2046-1, contrast, reading time, loose
          ends, gaps of dashes, text that does not fit.
        </Hint>
      )}
    </>
  );
}
