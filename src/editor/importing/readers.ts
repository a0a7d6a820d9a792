/**
 * The readers of SVG and Lottie files, fetched when the first file is read: with the parsers they need they weigh as much as a
 * quarter of the editor, and most pieces are made without them.
 * @throws Error in words where they can't be had.
 */
export const fetchReaders = () =>
  import('@/core/formats').catch(() => {
    throw new Error(
      'What reads such files could not be fetched: the server cannot be reached. Try again when it is back.',
    );
  });
