export * from './help-button';
export * from './step-help';
export * from './tour';
export * from './tour-card';
