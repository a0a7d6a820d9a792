/** Relative luminance of a colour, #rrggbb: WCAG 2.2, "relative luminance". */
export function luminance(colour: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const v = parseInt(colour.slice(i, i + 2), 16) / 255;
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** Contrast of two colours, from 1 to 21: WCAG 2.2, "contrast ratio". */
export function contrast(a: string, b: string): number {
  const [x, y] = [luminance(a), luminance(b)];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}

/** What text needs at least: WCAG 2.2, 1.4.3; `large` also for bold text of 14 points. */
export const NEEDED = { text: 4.5, large: 3 } as const;

/**
 * Height of large text, as a share of the picture's height. WCAG has 18 points, 24 CSS px; on a picture of 1080 lines seen as
 * a page of 720 CSS px in height that is a thirtieth (the scale is our choice).
 */
export const LARGE = 24 / 720;
