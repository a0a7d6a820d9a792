import type { ExportFormat } from '@/contract';

export const MEDIA_TYPE: Record<ExportFormat, string> = { webm: 'video/webm', png: 'application/zip' };
export const FILE_ENDING: Record<ExportFormat, string> = { webm: 'webm', png: 'zip' };

/** Pixels of the exported frames. */
export const exportSize = (size: { width: number; height: number }, scale: number) => ({
  width: Math.max(1, Math.round(size.width * scale)),
  height: Math.max(1, Math.round(size.height * scale)),
});
