/** How long a running export, or a part of one, may be silent before it is given to another worker, s. */
export const SILENT_SECONDS = 10;
/** So often it is begun, then it has failed. */
export const MOST_ATTEMPTS = 3;

/** Whether whoever was at it has fallen silent, by its last sign of life. */
export const isSilent = (heartbeat: Date | null): boolean =>
  heartbeat === null || Date.now() - heartbeat.getTime() > SILENT_SECONDS * 1000;
