'use client';
import { CircleQuestionMark } from 'lucide-react';
import { Dialog, DialogTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { Button, IconButton, Pop } from '@/ui';
import { useEditor } from '../state';
import { STEP_HELP } from './step-help';
import { tourLeftAt, goToStop } from './tour';

const Corner = styled.div`
  float: right;
  margin: -3px -6px 0 4px;
`;
const Body = styled(Dialog)`
  width: 300px;
  padding: 12px 14px 14px;
  outline: none;
  h2 {
    margin: 0;
    font: italic 400 20px/1.2 var(--serif);
  }
  p {
    margin: 2px 0 8px;
    color: var(--quiet);
  }
  ul {
    margin: 0 0 12px;
    padding: 0 0 0 16px;
  }
  li {
    margin: 5px 0;
  }
`;
const Foot = styled.div`
  display: flex;
  gap: 8px;
`;

/** What the step at hand is for, beside its panel. */
export function HelpButton() {
  const step = useEditor((s) => s.step);
  const { name, about, ways } = STEP_HELP[step];
  return (
    <Corner>
      <DialogTrigger>
        <IconButton plain label={`Help with ${name}`}>
          <CircleQuestionMark />
        </IconButton>
        <Pop placement="right top" offset={10}>
          <Body aria-label={`Help with ${name}`}>
            {({ close }) => (
              <>
                <h2>{name}</h2>
                <p>{about}.</p>
                <ul>
                  {ways.map((way) => (
                    <li key={way}>{way}</li>
                  ))}
                </ul>
                <Foot>
                  <Button
                    onPress={() => {
                      close();
                      goToStop(tourLeftAt());
                    }}
                  >
                    {tourLeftAt() > 0 ? 'Continue the tour' : 'Guided tour'}
                  </Button>
                  <Button
                    onPress={() => {
                      close();
                      window.dispatchEvent(new Event('obelus:keys'));
                    }}
                  >
                    Keys
                  </Button>
                </Foot>
              </>
            )}
          </Body>
        </Pop>
      </DialogTrigger>
    </Corner>
  );
}
