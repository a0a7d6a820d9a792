import { z } from 'zod';
import { number } from '../properties';

export const coordinate = z.number().min(-1e6).max(1e6);
export const share = z.number().min(0).max(1);
export const opacity = () => number({ name: 'Opacity', unit: 'share', min: 0, max: 1, initial: 1 });
