import { listenScript } from './listen-script.ts';
import { reportScript } from './report-script.ts';

/** What stands at the end of a framed document, and tells the page how high it is. */
export const reporterTag = `<script>${reportScript}</script>`;

/** What stands on the page once, and makes frames as high as what is in them. */
export const listenerTag = `<script>${listenScript}</script>`;

/** The attribute of a frame that is as high as its document says, in a member of its messages. */
export const heightName = 'data-orbis-height';

/** The member in which the reporter says it. */
export const reportedMember = 'orbis';
