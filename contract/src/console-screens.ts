/**
 * The addresses of the console's screens; `:name` stands for a key. The service answers 404 everywhere else.
 */
export const consoleScreens = [
  '',
  '/sign-in',
  '/set-password',
  '/harvests',
  '/harvests/:harvest',
  '/imports',
  '/collection',
  '/collection/:embed',
  '/changes',
  '/done',
  '/places',
  '/places/:site',
  '/places/:site/pages',
  '/places/:site/editor',
  '/places/:site/head',
  '/plan',
  '/register',
  '/register/:placement',
  '/sweeps',
  '/providers',
  '/providers/new',
  '/providers/learn',
  '/providers/:provider',
  '/account',
] as const;
