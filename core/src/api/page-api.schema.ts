/** What page and server say to each other about which program each of them is, in headers. */

/** Of every answer: which build of the page the server has. */
export const buildHeader = 'x-levamen-build';

/** Of every request of a page: which version of a job it writes. */
export const formatHeader = 'x-levamen-format';

/** Title of the answer to a page that was opened before the program changed. */
export const olderPage = 'An older page';
