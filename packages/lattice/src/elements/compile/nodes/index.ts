import type { PlanKind, PlanOf } from '../../../plan/index.js';
import type { Spot } from '../level.js';
import type { Around } from '../static.js';
import type { CompiledView } from '../view.js';
import { buildData, buildText, buildTrusted, buildValue } from './content.js';
import { buildEach } from './each.js';
import { buildElement } from './element.js';
import { buildGiven } from './given.js';
import { buildSlot } from './slot.js';
import { buildUse } from './use.js';

/** How each kind of node becomes part of a view. */
export const builders: {
  readonly [Kind in PlanKind]: (node: PlanOf<Kind>, parent: Around, view: CompiledView, spot: Spot) => void;
} = {
  text: buildText,
  value: buildValue,
  element: buildElement,
  data: buildData,
  given: buildGiven,
  each: buildEach,
  slot: buildSlot,
  trusted: buildTrusted,
  use: buildUse,
};
