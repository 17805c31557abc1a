/**
 * How routines are run. `usual` is code where it may be made or was written ahead, once a routine has run a few times; the
 * others are for tests, which hold them against each other.
 */
export type How = 'usual' | 'instructions' | 'code' | 'ahead';
