'use client';
import { create } from 'zustand';
import styled from 'styled-components';
import { Button, MainButton } from './button';
import { Dialog } from './dialog';

/** A question before something that can't be done without loss. */
interface Question {
  readonly title: string;
  readonly words: string;
  /** What the main button does, in its words. */
  readonly yes: string;
  readonly run: () => void;
}

const useQuestion = create<{ readonly question: Question | null }>(() => ({ question: null }));

/** Asks before something is done; doing nothing is always the other answer. */
export const ask = (question: Question): void => useQuestion.setState({ question });

const Answers = styled.div`
  display: flex;
  justify-content: flex-end;
  gap: 8px;
  margin-top: 16px;
`;

/** Where questions appear; one a page. */
export function Questions() {
  const { question } = useQuestion();
  const close = () => useQuestion.setState({ question: null });
  return (
    <Dialog title={question?.title ?? ''} isOpen={question !== null} onClose={close}>
      <p style={{ margin: 0 }}>{question?.words}</p>
      <Answers>
        <Button onPress={close}>Cancel</Button>
        <MainButton
          onPress={() => {
            close();
            question?.run();
          }}
        >
          {question?.yes}
        </MainButton>
      </Answers>
    </Dialog>
  );
}
