/** Largest job in bytes, as a file or over HTTP: what the application saves (scans of 100 000 points among its things) it can read again. */
export const MOST_JOB_BYTES = 40_000_000;

export const MOST_JOB_WORDS = `at most ${MOST_JOB_BYTES / 1e6} MB`;
