import type { PlanKind, PlanOf } from '../../plan/index.js';
import type { At } from '../compiling.js';
import type { Output } from '../output.js';
import { writeData, writeText, writeTrusted } from './content.js';
import { writeEach } from './each.js';
import { writeElement } from './element.js';
import { writeGiven } from './given.js';
import { writeSlot } from './slot.js';
import { writeUse } from './use.js';
import { writeValue } from './value.js';

/** How each kind of node is written as HTML text. */
export const writers: {
  readonly [Kind in PlanKind]: (node: PlanOf<Kind>, to: Output, at: At) => void;
} = {
  text: writeText,
  value: writeValue,
  element: writeElement,
  data: writeData,
  given: writeGiven,
  each: writeEach,
  slot: writeSlot,
  trusted: writeTrusted,
  use: writeUse,
};
