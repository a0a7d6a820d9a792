export * from './step-panels';
