import { createGlobalStyle } from 'styled-components';

/** The roles of colour by day. */
const LIGHT = `
    --ground: #efe8d9; --panel: #f6f0e4; --raised: #fffaf0; --rule: #d6cbb5; --pressed: #e3d8c2; --line: #7b6f59;
    --desk: #d9cfbb;
    --text: #2a241b; --quiet: #5f5545;
    --head: #b83a12; --tail: #186557; --caution: #7d5200; --on-head: #fff7f0;
    --head-hovered: #9c310f; --head-pressed: #812a0d;
    --shadow: 0 12px 40px rgb(70 50 20 / 0.3);
    color-scheme: light;
`;

/**
 * The roles of colour, as custom properties so that both themes share every rule. Dark is a writing desk by
 * lamplight, light the same desk by day. Without a choice it is as the system says, from the first paint.
 */
export const GlobalStyle = createGlobalStyle`
  :root {
    --ground: #15120e; --panel: #1b1814; --raised: #211e19; --rule: #2e2921; --pressed: #3a332a; --line: #746c5e;
    --desk: #0f0d0a;
    --text: #ede6d8; --quiet: #a79f8e;
    --head: #ff6b3d; --tail: #43b3a0; --caution: #d9a441; --on-head: #1a0e08;
    --head-hovered: #ff815a; --head-pressed: #d95b34;
    --shadow: 0 12px 40px rgb(0 0 0 / 0.55);
    --sans: 'Instrument Sans Variable', sans-serif;
    --serif: 'Instrument Serif', serif;
    color-scheme: dark;
  }
  @media (prefers-color-scheme: light) {
    :root:not([data-theme]) { ${LIGHT} }
  }
  :root[data-theme='light'] { ${LIGHT} }
  @media (prefers-contrast: more) {
    :root { --quiet: var(--text); --rule: var(--line); }
  }
  /* What is told by a background alone needs a line where the system chooses the colours (CSS Color Adjustment 1, 3). */
  @media (forced-colors: active) {
    [data-selected], [aria-pressed='true'], [aria-checked='true'], [aria-current] {
      outline: 2px solid Highlight; outline-offset: -2px;
    }
    [role='row'][aria-selected='true'] {
      forced-color-adjust: none; background: Highlight; color: HighlightText;
      --text: HighlightText; --quiet: HighlightText;
    }
    [data-lanes] svg, [data-playhead] { forced-color-adjust: none; }
    :focus-visible { outline: 3px solid Highlight; }
  }
  *, *::before, *::after { box-sizing: border-box; }
  html, body { height: 100%; margin: 0; }
  body {
    background: var(--ground); color: var(--text);
    font: 400 13px/1.35 var(--sans); font-variant-numeric: tabular-nums;
    -webkit-font-smoothing: antialiased;
  }
  button, input, select { font: inherit; color: inherit; }
  :focus-visible { outline: 2px solid var(--head); outline-offset: 1px; }
  ::selection { background: color-mix(in srgb, var(--head) 40%, transparent); }
  @media (prefers-reduced-motion: reduce) {
    *, *::before, *::after { animation: none !important; transition: none !important; }
  }
`;
