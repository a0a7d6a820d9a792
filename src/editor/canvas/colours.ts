/** Colours of what is laid over the picture; they stand on any ground, so they are the same in both themes. */
export const OVERLAY = {
  head: '#ff6b3d',
  tail: '#43b3a0',
  vellum: '#ede6d8',
  ink: '#15120e',
  faint: 'rgba(237, 230, 216, 0.32)',
  safe: 'rgba(237, 230, 216, 0.45)',
  guide: 'rgba(67, 179, 160, 0.7)',
  grid: 'rgba(237, 230, 216, 0.09)',
  caution: '#d9a441',
} as const;
