// Lettering and artwork that write themselves, and what becomes of their strokes when they change.
export * from './follow-letters';
export * from './pen-way';
export * from './retouch';
export * from './retrace';
export * from './reveal-lettering';
export * from './rewrite';
export * from './self-writing';
export * from './stroke-names';
