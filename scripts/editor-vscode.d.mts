import type { SpawnSyncReturns } from 'node:child_process';

export function extensionIn(folder: string): Promise<void>;
export function pack(folder: string, file: string): SpawnSyncReturns<string>;
