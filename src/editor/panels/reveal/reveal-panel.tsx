'use client';
import { SelectionTitle } from '../selection-title';
import { WriteItselfGroup } from '../write-itself-group';
import { ArrivalGroup } from './arrival-group';
import { CoverageGroup } from './coverage-group';
import { FittedGroup } from './fitted-group';
import { MasksGroup } from './masks-group';
import { ThroughGroup } from './through-group';

/** What is uncovered by what. */
export function RevealPanel() {
  return (
    <>
      <SelectionTitle empty="Select lettering, art or strokes to say what they are seen through." />
      <WriteItselfGroup />
      <CoverageGroup />
      <ArrivalGroup />
      <FittedGroup />
      <ThroughGroup />
      <MasksGroup />
    </>
  );
}
