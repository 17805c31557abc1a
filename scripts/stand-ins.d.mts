export const standIns: readonly string[];
export function standIn(name: string, ...conditions: readonly string[]): string;
