// In which order and direction lines are written.
export * from './direction';
export * from './hanging';
export * from './order-by-hand';
export * from './order';
export * from './run-on';
