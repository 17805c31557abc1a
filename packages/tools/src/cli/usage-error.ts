/** The command was called in a wrong way: the message says how to call it. */
export class UsageError extends Error {}
