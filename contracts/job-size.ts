/** Largest job in bytes, as a file or over HTTP: what the application saves (scans of 100 000 points among its things) it can read again. */
export const MOST_JOB_BYTES = 40_000_000;

export const MOST_JOB_WORDS = `at most ${MOST_JOB_BYTES / 1e6} MB`;

/** Levels of lists and objects within each other: a job has 12. */
export const MOST_NESTED = 40;

/** Fields of a body in all, list entries apart: a job with 30 000 readings stays under it. */
export const MOST_FIELDS = 300_000;
