// The ways in which a hand could write the lines of a letter.
export * from './as-written';
export * from './hand-ways';
