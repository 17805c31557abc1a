import type { Catalogue, Given, Shown } from '../../reading/facts.js';

// What the page asks of the server that it comes from.

export async function catalogueNow(): Promise<Catalogue> {
  return (await fetch('/@lattice/catalogue')).json();
}

async function ask<Answer>(what: string, asked: Readonly<Record<string, unknown>>): Promise<Answer> {
  const response = await fetch(`/@lattice/${what}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(asked),
  });
  const answer = await response.json();
  if (!response.ok) throw new Error(answer.failure);
  return answer;
}

export const shownOf = (component: string, given: Given): Promise<Shown> =>
  ask('shown', { component, given });

export const shownText = (text: string): Promise<Shown> => ask('text', { text });

export const save = (
  component: string,
  name: string,
  text: string,
  replace: boolean,
): Promise<{ file: string }> => ask('save', { component, name, text, replace });
