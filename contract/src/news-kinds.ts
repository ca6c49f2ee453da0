/**
 * What can become of a finding that is worth telling: it was found, its day has come, or it is solved.
 */
export const newsKinds = ['found', 'due', 'solved'] as const;
export type NewsKind = (typeof newsKinds)[number];

/** The ways by which news goes out. */
export const channelKinds = ['mail', 'webhook', 'feed'] as const;
export type ChannelKind = (typeof channelKinds)[number];

/** What becomes of a message: more is gathered for it, it waits, it got through, or it was given up. */
export const messageStates = ['gathering', 'waiting', 'sent', 'dead'] as const;
export type MessageState = (typeof messageStates)[number];
