/** How a code is put into a document of its own, and what it may do there. */
export { isolation } from './all.ts';
export { contactsOf, fixedContacts, isAmong, type Contacts } from './contacts.ts';
export { broughtPolicy, contactSources, inlineScripts, ownScripts } from './document-policy.ts';
export { frameDocument, type FrameDocumentOptions, type FramedContent } from './document.ts';
export { featureOf, permissionsIn } from './permissions.ts';
export { powers, type Power } from './powers.ts';
export { powerStates, type PowerState } from './power-states.ts';
export { recommendFrame, type FrameAdvice } from './recommend.ts';
export { frameRefusal } from './refusal.ts';
export { frameTokens, sandboxTokensOf, type NeedyReading, type SandboxToken } from './sandbox-tokens.ts';
export { mostStyle, starterStyle, wrongInStyle } from './frame-style.ts';
export { emptyDocument, frameStub, type StubOptions } from './stub.ts';
export { framedWay, frameWays, isOpaque, type FramedWay, type FrameWay } from './ways.ts';
