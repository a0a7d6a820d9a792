/** Headers of a file that is to be saved under a name, whatever characters that has (RFC 6266). */
export const downloadHeaders = (
  fileName: string,
  mediaType: string,
  size: number,
): Record<string, string> => {
  const plain = fileName.replace(/[^\x20-\x7e]|["\\]/g, '_');
  return {
    'Content-Type': mediaType,
    'Content-Length': String(size),
    'Content-Disposition': `attachment; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(fileName)}`,
    'X-Content-Type-Options': 'nosniff',
    'Cache-Control': 'no-store',
  };
};
