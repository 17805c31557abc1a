/** Whether rows come one after another (https://tc39.es/ecma262/#sec-asynciterable-interface). */
export function isAsyncRows(value: unknown): value is AsyncIterable<unknown> {
  return typeof value === 'object' && value !== null && Symbol.asyncIterator in value;
}
