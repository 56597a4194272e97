/** A job of 500 loads takes some 0.5 MB; this leaves room for indentation and long notes. */
export const maxBodyBytes = 4_000_000;

/** Requests to the API from one address in a minute, where nothing else is configured. Autosave makes at most two a second for each page. */
export const usualRequestsPerMinute = 3000;
