const RULES = `
:host { display: block; position: relative; max-width: 100%; }
:host([hidden]) { display: none; }
canvas { display: block; width: 100%; height: 100%; object-fit: contain; }
div { position: absolute; inset: auto 0 0; display: flex; gap: 8px; padding: 8px; opacity: 0; transition: opacity 0.15s; }
:host(:hover) div, :host(:focus-within) div { opacity: 1; }
[hidden] { display: none; }
button { min-width: 56px; font: 13px sans-serif; }
input { flex: 1; }
p { margin: 0; padding: 12px; font: 14px/1.4 sans-serif; }
@media (prefers-reduced-motion: reduce) { div { transition: none; } }
`;

let sheet: CSSStyleSheet | null = null;

/** Gives a shadow root the looks of the element: as a sheet made by script, which pages take that allow styles of their own files alone. */
export function dress(root: ShadowRoot): void {
  if (!sheet) {
    sheet = new CSSStyleSheet();
    sheet.replaceSync(RULES);
  }
  root.adoptedStyleSheets = [sheet];
}
