import type { ErrorWords, Language } from '../language.ts';

const each = new Intl.ListFormat('en-GB', { type: 'conjunction' });

const waysOf = ({ codes, passkeys }: { codes: boolean; passkeys: number }): string[] => [
  ...(passkeys > 0 ? [passkeys === 1 ? 'a passkey' : `${passkeys} passkeys`] : []),
  ...(codes ? ['codes of an app'] : []),
];

/** Passkeys, codes and recovery codes. */
export const security: Language['security'] = {
  explain:
    'A second factor is something that you have, beside the password that you know: a passkey on your device, or an app that shows codes. Whoever finds out your password still does not get in.',
  passkeys:
    'With a passkey your device signs you in, once you unlock it as you always do. No password is typed, so none can be overheard or asked for by a page that only looks like this one.',
  codes:
    'An app on your phone shows a code of six digits, a new one every half minute. Orbis asks for it after your password. Any app for time-based codes (TOTP) will do.',
  recovery: (left) =>
    left === 0
      ? 'You have no recovery code left: without one, a lost phone keeps you out until an owner lets you in.'
      : `${left === 1 ? 'One recovery code is' : `${left} recovery codes are`} left. Each takes the place of your passkey or your app once, should you lose it.`,
  recoveryKeep:
    'Print these codes or write them down, and keep them where your phone is not. Each holds once, after your password. They are shown this once only.',
  demanded: {
    all: 'A second factor is demanded of everybody. Whoever has none sets one up before they can do anything else.',
    nobody: 'A second factor is everybody’s own choice.',
  },
  lacking: (names, more) =>
    names.length === 0
      ? 'Everybody has one.'
      : `${each.format(more > 0 ? [...names, `${more} more`] : [...names])} ${names.length + more === 1 ? 'has' : 'have'} none yet: until they set one up they can do nothing else, and what their tokens are used for stands still.`,
  mustSetUp:
    'An owner of this Orbis demands a second factor of everybody. Set one up here; then everything is there for you as before.',
  signsInBy: ({ codes, passkeys }) => {
    const password = codes ? 'a password with a code of an app' : 'a password alone';
    if (passkeys === 0) return password;
    return `${password}, or ${passkeys === 1 ? 'a passkey' : `one of ${passkeys} passkeys`}`;
  },
  taken: (factors) => {
    const ways = waysOf(factors);
    return ways.length === 0 ? 'nothing, as there was none' : each.format(ways);
  },
  done: {
    codesOn: 'Has codes of an app asked for at each sign-in',
    codesOff: 'Has no codes of an app asked for any more',
    passkeyAdded: (name) => `Added the passkey “${name}”`,
    passkeyRemoved: (name) => `Removed the passkey “${name}”`,
    recovery: 'Made new recovery codes',
    demanded: {
      all: 'Demanded a second factor of everybody',
      nobody: 'Left a second factor to everybody’s choice',
    },
    taken: (name) => `Took away the passkeys and codes of ${name}`,
  },
};

/* What does where a code is asked for. */
const waysWith = ({ codes, passkeys }: Record<string, unknown>): string =>
  codes
    ? 'Give the code that your app shows, or a recovery code.'
    : passkeys
      ? 'Sign in with your passkey in a browser, or give a recovery code.'
      : 'Give a recovery code.';

/** Errors about second factors. */
export const errorsOfSecurity = {
  'wrong-code': {
    title: 'Wrong code',
    detail: () =>
      'That code is not right, is too old, or was used already. An app shows a new one every half minute; its device’s clock has to be right. A recovery code does as well.',
  },
  'second-factor-needed': {
    title: 'A second factor is needed',
    detail: (f) => `The password alone is not enough here. ${waysWith(f)}`,
  },
  'second-factor-missing': {
    title: 'A second factor is demanded',
    detail: () =>
      'An owner of this Orbis demands a second factor of everybody, and you have none yet. Set one up first, under “Security” in the console.',
  },
  'second-factor-demanded': {
    title: 'A second factor is demanded',
    detail: () =>
      'An owner of this Orbis demands a second factor of everybody, and this is your last one. Set up another one first.',
  },
  'second-factor-own-first': {
    title: 'Your own first',
    detail: () =>
      'You have no second factor yourself, and would be kept out. Set one up first, and then demand it of everybody.',
  },
  'no-second-factor': {
    title: 'No second factor',
    detail: () =>
      'Recovery codes take the place of a passkey or of codes of an app. Set one of these up first.',
  },
  'codes-set-up': {
    title: 'Already set up',
    detail: () =>
      'Codes of an app are asked for already. Have that ended first, and begin with another app then.',
  },
  'codes-not-begun': {
    title: 'Begin again',
    detail: () =>
      'Nothing was begun that this code would confirm, or that was more than an hour ago. Begin again.',
  },
  'passkey-refused': {
    title: 'Passkey not accepted',
    detail: () =>
      'That passkey is not known here, or too much time went by. Try it once more, or sign in with your password.',
  },
  'passkey-known': {
    title: 'Already there',
    detail: () => 'This passkey is kept already. Use another device or another key.',
  },
  'passkeys-impossible': {
    title: 'No passkeys here',
    detail: (f) =>
      `Browsers allow passkeys only where the console has a name and https; it is reached at ${f.home ?? 'an address without'}. ORBIS_PUBLIC_URL says where it is.`,
  },
  'too-many-passkeys': {
    title: 'Too many passkeys',
    detail: (f) =>
      `You have ${f.most ?? 'as many'} passkeys, and that is the most. Remove one that you do not use.`,
  },
} satisfies Record<string, ErrorWords>;
