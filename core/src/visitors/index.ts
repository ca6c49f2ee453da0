/** What visitors read, and what their browsers run, of Orbis in what is pasted. */
export { pastedIn, pastedLanguages, type PastedLanguage, type PastedWords } from './words.ts';
export { loadScript, loadScriptHash } from './load-script.ts';
export { hasLoader, scriptsInShort, loaderTag } from './loader.ts';
export { answerTag, failedName, sentName } from './answer.ts';
export { answerScript, answerScriptHash } from './answer-script.ts';
export { heightName, listenerTag, reportedMember, reporterTag } from './frames.ts';
export { listenScript, listenScriptHash } from './listen-script.ts';
export { reportScript, reportScriptHash } from './report-script.ts';
