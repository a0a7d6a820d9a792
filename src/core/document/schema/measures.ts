import { z } from 'zod';

export const coordinate = z.number().min(-1e6).max(1e6);
export const share = z.number().min(0).max(1);
