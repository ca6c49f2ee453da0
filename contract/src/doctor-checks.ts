/** How it stands with one of them, from well to not working. */
export const doctorStates = ['well', 'note', 'warning', 'fault'] as const;
export type DoctorState = (typeof doctorStates)[number];

/** What was found, and of which check it is. */
export const doctorCodes = {
  'database-well': 'database',
  'database-slow': 'database',
  'database-other-host': 'database',
  'tables-well': 'tables',
  'tables-unfinished': 'tables',
  'disk-well': 'disk',
  'disk-low': 'disk',
  'disk-full': 'disk',
  'clock-well': 'clock',
  'clock-off': 'clock',
  'console-local': 'console',
  'console-well': 'console',
  'console-away': 'console',
  'console-other-host': 'console',
  'console-something-else': 'console',
  'console-other-version': 'console',
  'frames-local': 'frames',
  'frames-well': 'frames',
  'frames-shared-host': 'frames',
  'frames-away': 'frames',
  'frames-other-host': 'frames',
  'frames-something-else': 'frames',
  'certificates-none': 'certificates',
  'certificates-well': 'certificates',
  'certificates-end': 'certificates',
  'certificates-over': 'certificates',
  'certificates-untrusted': 'certificates',
  'certificates-away': 'certificates',
  'proxy-none': 'proxy',
  'proxy-well': 'proxy',
  'proxy-untold': 'proxy',
  'proxy-hides': 'proxy',
  'mail-none': 'mail',
  'mail-well': 'mail',
  'mail-fault': 'mail',
  'browser-none': 'browser',
  'browser-well': 'browser',
  'browser-fault': 'browser',
  'copies-off': 'copies',
  'copies-none': 'copies',
  'copies-good': 'copies',
  'copies-late': 'copies',
  'copies-failed': 'copies',
} as const;
export type DoctorCode = keyof typeof doctorCodes;
/** What is looked at to see whether an installation is well. */
export type DoctorCheck = (typeof doctorCodes)[DoctorCode];

/** The checks in their order. */
export const doctorChecks = [...new Set(Object.values(doctorCodes))];
