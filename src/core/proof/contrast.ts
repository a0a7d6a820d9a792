import { wcagContrast, wcagLuminance } from 'culori';

/** Relative luminance of a colour, #rrggbb: WCAG 2.2, "relative luminance". */
export const luminance = (colour: string): number => wcagLuminance(colour);

/** Contrast of two colours, from 1 to 21: WCAG 2.2, "contrast ratio". */
export const contrast = (a: string, b: string): number => wcagContrast(a, b);

/** What text needs at least: WCAG 2.2, 1.4.3; `large` also for bold text of 14 points. */
export const NEEDED = { text: 4.5, large: 3 } as const;

/**
 * Height of large text, as a share of the picture's height. WCAG has 18 points, 24 CSS px; on a picture of 1080 lines seen as
 * a page of 720 CSS px in height that is a thirtieth (the scale is our choice).
 */
export const LARGE = 24 / 720;
