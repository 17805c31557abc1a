/** The servers of the example, by name. */
export const names: readonly string[];

/** A server in a process of its own. */
export interface Running {
  readonly url: string;
  /** The processor time of its process so far, in milliseconds. */
  spent(): Promise<number>;
  close(): void;
}
export function whereFile(service: string): Promise<{ readonly file: string; remove(): void }>;
export function server(name: string, file: string, port?: number, options?: object): Promise<Running>;
export function started(script: string, args: readonly string[], options?: object): Promise<Running>;
