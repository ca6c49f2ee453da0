import { answerScript } from './answer-script.ts';

/** What stands behind a code whose forms are answered in words of their owner’s own. */
export const answerTag = `<script>${answerScript}</script>`;

/** The attributes of a form in which these stand: that it was sent, and that it was not. */
export const [sentName, failedName] = ['data-orbis-sent', 'data-orbis-failed'] as const;
