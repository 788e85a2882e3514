import about from '../package.json' with { type: 'json' };

/** The version of Obrank, as its package says. */
export const { version } = about;
