import type { Case } from '../case.js';
import { accepts } from './accepts.js';
import { attributes } from './attributes.js';
import { content } from './content.js';
import { rows } from './rows.js';
import { slots } from './slots.js';

export const cases: readonly Case[] = [...content, ...attributes, ...slots, ...rows, ...accepts];
