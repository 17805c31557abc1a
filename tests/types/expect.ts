/** Whether two types are the same, `any` being the same only as itself. */
export type Same<A, B> = (<T>() => T extends A ? 1 : 2) extends <T>() => T extends B ? 1 : 2 ? true : false;

/** Fails to compile unless the types are the same: `same<typeof x, string>(true)`. */
export function same<A, B>(_isSame: Same<A, B>): void {}

/** Fails to compile unless the value has the type. */
export function takes<T>(_value: T): void {}
